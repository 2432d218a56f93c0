<script setup lang="ts">
import PictureBench from '~/areas/find/picture/PictureBench.vue'
import { pictureWords } from '~/areas/find/picture/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(pictureWords.title)
</script>

<template>
  <PictureBench />
</template>
