<script setup lang="ts">
import CheckBench from '~/areas/copies/CheckBench.vue'
import { soundnessWords } from '~/subjects/copies/soundnessWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(soundnessWords.title)
</script>

<template>
  <CheckBench />
</template>
