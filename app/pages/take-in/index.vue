<script setup lang="ts">
import TakeInBench from '~/areas/takeIn/one/TakeInBench.vue'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(takeInWords.title)
</script>

<template>
  <TakeInBench />
</template>
