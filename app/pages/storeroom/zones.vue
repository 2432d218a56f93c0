<script setup lang="ts">
import ZonesBench from '~/areas/storeroom/zones/ZonesBench.vue'
</script>

<template>
  <ZonesBench />
</template>
