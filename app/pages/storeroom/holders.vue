<script setup lang="ts">
import HoldersBench from '~/areas/storeroom/holders/HoldersBench.vue'
import { holderWords } from '~/subjects/fit/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(holderWords.title)
</script>

<template>
  <HoldersBench />
</template>
