<script setup lang="ts">
import BookBench from '~/areas/index/book/BookBench.vue'
</script>

<template>
  <BookBench />
</template>
