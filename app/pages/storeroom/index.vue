<script setup lang="ts">
import StoreroomBench from '~/areas/storeroom/elevation/StoreroomBench.vue'
import { storeroomWords } from '~/areas/storeroom/words'
import { useTitle } from '~/shell/useTitle'

useTitle(storeroomWords.title)
</script>

<template>
  <StoreroomBench />
</template>
