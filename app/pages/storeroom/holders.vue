<script setup lang="ts">
import HoldersBench from '~/areas/storeroom/holders/HoldersBench.vue'
</script>

<template>
  <HoldersBench />
</template>
