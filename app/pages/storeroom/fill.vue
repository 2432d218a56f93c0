<script setup lang="ts">
import FillBench from '~/areas/storeroom/fill/FillBench.vue'
import { roomWords } from '~/subjects/room/roomWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(roomWords.fillTitle)
</script>

<template>
  <FillBench />
</template>
