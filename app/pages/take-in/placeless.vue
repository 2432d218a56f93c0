<script setup lang="ts">
import PlacelessBench from '~/areas/takeIn/placing/PlacelessBench.vue'
import { takeInWords } from '~/areas/takeIn/words'
import { useTitle } from '~/shell/useTitle'

useTitle(takeInWords.placelessTitle)
</script>

<template>
  <PlacelessBench />
</template>
