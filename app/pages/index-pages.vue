<script setup lang="ts">
import { definePageMeta } from '#imports'
import BookBench from '~/areas/index/book/BookBench.vue'

definePageMeta({ path: '/index' })
</script>

<template>
  <BookBench />
</template>
