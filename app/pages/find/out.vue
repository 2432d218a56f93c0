<script setup lang="ts">
import OutBench from '~/areas/find/away/OutBench.vue'
import { awayWords } from '~/areas/find/away/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(awayWords.title)
</script>

<template>
  <OutBench />
</template>
