<script setup lang="ts">
import FillBench from '~/areas/storeroom/fill/FillBench.vue'
import { roomWords } from '~/areas/storeroom/roomWords'
import { useTitle } from '~/shell/useTitle'

useTitle(roomWords.fillTitle)
</script>

<template>
  <FillBench />
</template>
