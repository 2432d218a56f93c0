<script setup lang="ts">
import NamesBench from '~/areas/takeIn/names/NamesBench.vue'
import { nameWords } from '~/areas/takeIn/names/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(nameWords.title)
</script>

<template>
  <NamesBench />
</template>
