<script setup lang="ts">
import StageBench from '~/areas/takeIn/pile/StageBench.vue'
import { pileWords } from '~/areas/takeIn/pile/words'
import { useTitle } from '~/shell/useTitle'

useTitle(pileWords.workTitle)
</script>

<template>
  <StageBench />
</template>
