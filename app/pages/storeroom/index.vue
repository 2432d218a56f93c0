<script setup lang="ts">
import StoreroomBench from '~/areas/storeroom/elevation/StoreroomBench.vue'
import { storeroomWords } from '~/subjects/room/storeroomWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(storeroomWords.title)
</script>

<template>
  <StoreroomBench />
</template>
