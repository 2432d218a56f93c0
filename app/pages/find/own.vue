<script setup lang="ts">
import OwnBench from '~/areas/find/own/OwnBench.vue'
import { ownWords } from '~/areas/find/own/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(ownWords.title)
</script>

<template>
  <OwnBench />
</template>
