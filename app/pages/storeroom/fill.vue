<script setup lang="ts">
import FillBench from '~/areas/storeroom/fill/FillBench.vue'
</script>

<template>
  <FillBench />
</template>
