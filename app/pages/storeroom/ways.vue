<script setup lang="ts">
import WaysBench from '~/areas/storeroom/ways/WaysBench.vue'
import { waysWords } from '~/areas/storeroom/ways/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(waysWords.title)
</script>

<template>
  <WaysBench />
</template>
