<script setup lang="ts">
import MeasureBench from '~/areas/takeIn/measure/MeasureBench.vue'
</script>

<template>
  <MeasureBench />
</template>
