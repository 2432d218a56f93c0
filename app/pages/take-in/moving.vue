<script setup lang="ts">
import MovingBench from '~/areas/takeIn/moving/MovingBench.vue'
import { movingWords } from '~/areas/takeIn/moving/words'
import { useTitle } from '~/shell/useTitle'

useTitle(movingWords.title)
</script>

<template>
  <MovingBench />
</template>
