<script setup lang="ts">
import PullBench from '~/areas/find/fetch/PullBench.vue'
import { fetchWords } from '~/subjects/walk/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(fetchWords.title)
</script>

<template>
  <PullBench />
</template>
