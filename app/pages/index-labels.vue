<script setup lang="ts">
import { definePageMeta } from '#imports'
import LabelsBench from '~/areas/index/labels/LabelsBench.vue'
import { labelWords } from '~/areas/index/labels/words'
import { useTitle } from '~/subjects/set/useTitle'

definePageMeta({ path: '/index/labels' })
useTitle(labelWords.title)
</script>

<template>
  <LabelsBench />
</template>
