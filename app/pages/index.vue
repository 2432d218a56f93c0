<script setup lang="ts">
import FindBench from '~/areas/find/ask/FindBench.vue'
import { findWords } from '~/areas/find/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(findWords.title)
</script>

<template>
  <FindBench />
</template>
