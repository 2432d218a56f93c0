<script setup lang="ts">
import TidyBench from '~/areas/takeIn/tidy/TidyBench.vue'
import { tidyWords } from '~/areas/takeIn/tidy/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(tidyWords.title)
</script>

<template>
  <TidyBench />
</template>
