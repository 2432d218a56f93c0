<script setup lang="ts">
import CopiesBench from '~/areas/copies/CopiesBench.vue'
import { copyWords } from '~/subjects/copies/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(copyWords.title)
</script>

<template>
  <CopiesBench />
</template>
