<script setup lang="ts">
import FindBench from '~/areas/find/ask/FindBench.vue'
</script>

<template>
  <FindBench />
</template>
