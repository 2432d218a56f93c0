<script setup lang="ts">
import FillBench from '~/areas/storeroom/fill/FillBench.vue'
import { useTitle } from '~/subjects/set/useTitle'
import { fillWords } from '~/areas/storeroom/fill/words'

useTitle(fillWords.fillTitle)
</script>

<template>
  <FillBench />
</template>
