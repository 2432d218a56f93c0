<script setup lang="ts">
import PlacelessBench from '~/areas/takeIn/placing/PlacelessBench.vue'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(takeInWords.placelessTitle)
</script>

<template>
  <PlacelessBench />
</template>
