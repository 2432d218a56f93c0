<script setup lang="ts">
import NotFound from '~/shell/NotFound.vue'
import { shellWords } from '~/shell/words'
import { useTitle } from '~/kit/useTitle'

useTitle(shellWords.notFound)
</script>

<template>
  <NotFound :what="shellWords.notFound" :then="shellWords.notFoundThen" to="/" :way="shellWords.toFind" />
</template>
