<script setup lang="ts">
import { definePageMeta } from '#imports'
import CardsBench from '~/areas/index/cards/CardsBench.vue'
import { cardWords } from '~/areas/index/cards/words'
import { useTitle } from '~/subjects/set/useTitle'

definePageMeta({ path: '/index/cards' })
useTitle(cardWords.title)
</script>

<template>
  <CardsBench />
</template>
