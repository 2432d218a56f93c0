<script setup lang="ts">
import { definePageMeta } from '#imports'
import BookBench from '~/areas/index/book/BookBench.vue'
import { indexWords } from '~/areas/index/book/words'
import { useTitle } from '~/subjects/set/useTitle'

definePageMeta({ path: '/index' })
useTitle(indexWords.title)
</script>

<template>
  <BookBench />
</template>
