<script setup lang="ts">
import ListBench from '~/areas/takeIn/list/ListBench.vue'
import { importWords } from '~/areas/takeIn/list/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(importWords.title)
</script>

<template>
  <ListBench />
</template>
