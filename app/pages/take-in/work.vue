<script setup lang="ts">
import StageBench from '~/areas/takeIn/pile/StageBench.vue'
</script>

<template>
  <StageBench />
</template>
