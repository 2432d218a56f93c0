<script setup lang="ts">
import CopiesBench from '~/areas/copies/CopiesBench.vue'
</script>

<template>
  <CopiesBench />
</template>
