<script setup lang="ts">
import SpaceBench from '~/areas/find/space/SpaceBench.vue'
import { spaceWords } from '~/areas/find/space/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(spaceWords.title)
</script>

<template>
  <SpaceBench />
</template>
