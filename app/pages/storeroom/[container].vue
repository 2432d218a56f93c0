<script setup lang="ts">
import ContainerBench from '~/areas/storeroom/container/ContainerBench.vue'
</script>

<template>
  <ContainerBench />
</template>
