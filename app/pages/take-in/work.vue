<script setup lang="ts">
import StageBench from '~/areas/takeIn/pile/StageBench.vue'
import { pileWords } from '~/subjects/pile/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(pileWords.workTitle)
</script>

<template>
  <StageBench />
</template>
