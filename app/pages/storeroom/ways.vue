<script setup lang="ts">
import WaysBench from '~/areas/storeroom/ways/WaysBench.vue'
</script>

<template>
  <WaysBench />
</template>
