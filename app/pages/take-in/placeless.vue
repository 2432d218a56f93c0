<script setup lang="ts">
import PlacelessBench from '~/areas/takeIn/placing/PlacelessBench.vue'
</script>

<template>
  <PlacelessBench />
</template>
