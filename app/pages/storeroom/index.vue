<script setup lang="ts">
import StoreroomBench from '~/areas/storeroom/elevation/StoreroomBench.vue'
import { useTitle } from '~/subjects/set/useTitle'
import { roomWords } from '~/subjects/room/roomWords'

useTitle(roomWords.title)
</script>

<template>
  <StoreroomBench />
</template>
