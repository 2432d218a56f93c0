<script setup lang="ts">
import TakeInBench from '~/areas/takeIn/one/TakeInBench.vue'
import { takeInWords } from '~/areas/takeIn/words'
import { useTitle } from '~/shell/useTitle'

useTitle(takeInWords.title)
</script>

<template>
  <TakeInBench />
</template>
