<script setup lang="ts">
import PlacesBench from '~/areas/takeIn/places/PlacesBench.vue'
import { listedWords } from '~/areas/takeIn/places/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(listedWords.title)
</script>

<template>
  <PlacesBench />
</template>
