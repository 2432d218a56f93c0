<script setup lang="ts">
import NamesBench from '~/areas/takeIn/names/NamesBench.vue'
</script>

<template>
  <NamesBench />
</template>
