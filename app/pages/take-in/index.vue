<script setup lang="ts">
import TakeInBench from '~/areas/takeIn/one/TakeInBench.vue'
</script>

<template>
  <TakeInBench />
</template>
