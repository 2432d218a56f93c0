<script setup lang="ts">
import MeasureBench from '~/areas/takeIn/measure/MeasureBench.vue'
import { measureWords } from '~/areas/takeIn/measure/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(measureWords.title)
</script>

<template>
  <MeasureBench />
</template>
