<script setup lang="ts">
import StoreroomBench from '~/areas/storeroom/elevation/StoreroomBench.vue'
</script>

<template>
  <StoreroomBench />
</template>
