<script setup lang="ts">
import NumbersBench from '~/areas/takeIn/numbers/NumbersBench.vue'
</script>

<template>
  <NumbersBench />
</template>
