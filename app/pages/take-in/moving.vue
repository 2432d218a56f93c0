<script setup lang="ts">
import MovingBench from '~/areas/takeIn/moving/MovingBench.vue'
import { movingWords } from '~/subjects/pile/movingWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(movingWords.title)
</script>

<template>
  <MovingBench />
</template>
