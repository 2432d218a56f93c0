<script setup lang="ts">
import CopiesBench from '~/areas/copies/CopiesBench.vue'
import { copyWords } from '~/areas/copies/words'
import { useTitle } from '~/shell/useTitle'

useTitle(copyWords.title)
</script>

<template>
  <CopiesBench />
</template>
