<script setup lang="ts">
import KNotFound from '~/kit/KNotFound.vue'
import { kitWords } from '~/kit/words'
import { shellWords } from '~/shell/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(shellWords.notFound)
</script>

<template>
  <KNotFound :what="shellWords.notFound" :then="shellWords.notFoundThen" to="/" :way="kitWords.toFind" />
</template>
