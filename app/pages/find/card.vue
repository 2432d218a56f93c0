<script setup lang="ts">
import CardBench from '~/areas/find/card/CardBench.vue'
import { cardWords } from '~/areas/find/card/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(cardWords.title)
</script>

<template>
  <CardBench />
</template>
