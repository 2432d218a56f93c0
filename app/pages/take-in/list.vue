<script setup lang="ts">
import ListBench from '~/areas/takeIn/list/ListBench.vue'
</script>

<template>
  <ListBench />
</template>
