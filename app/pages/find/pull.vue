<script setup lang="ts">
import PullBench from '~/areas/find/fetch/PullBench.vue'
import { fetchWords } from '~/areas/find/fetch/words'
import { useTitle } from '~/shell/useTitle'

useTitle(fetchWords.title)
</script>

<template>
  <PullBench />
</template>
