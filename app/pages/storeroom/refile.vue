<script setup lang="ts">
import RefileBench from '~/areas/storeroom/refile/RefileBench.vue'
import { refileWords } from '~/areas/storeroom/refile/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(refileWords.title)
</script>

<template>
  <RefileBench />
</template>
