<script setup lang="ts">
import HoldersBench from '~/areas/storeroom/holders/HoldersBench.vue'
import { holderWords } from '~/areas/storeroom/holders/words'
import { useTitle } from '~/shell/useTitle'

useTitle(holderWords.title)
</script>

<template>
  <HoldersBench />
</template>
