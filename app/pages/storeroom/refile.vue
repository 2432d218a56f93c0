<script setup lang="ts">
import RefileBench from '~/areas/storeroom/refile/RefileBench.vue'
</script>

<template>
  <RefileBench />
</template>
