<script setup lang="ts">
import QuestionsBench from '~/areas/takeIn/questions/QuestionsBench.vue'
import { questionWords } from '~/areas/takeIn/questions/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(questionWords.title)
</script>

<template>
  <QuestionsBench />
</template>
