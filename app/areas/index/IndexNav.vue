<script setup lang="ts">
import { BookOpenText, LayoutList, Tags } from 'lucide-vue-next'
import { indexWords } from '~/areas/index/book/words'
import { cardWords } from '~/areas/index/cards/words'
import { labelWords } from '~/areas/index/labels/words'
import KWays from '~/kit/KWays.vue'

/** The head of every page of the index: what is printed, one step from each other. The marked one names the page. */
defineProps<{ title: string; lead?: string }>()
const WAYS = [
  { to: '/index', icon: BookOpenText, text: labelWords.books },
  { to: '/index/labels', icon: Tags, text: labelWords.title },
  { to: '/index/cards', icon: LayoutList, text: cardWords.title },
] as const
</script>

<template>
  <KWays :title="title" :lead="lead" :area="indexWords.title" :ways="WAYS"><slot /></KWays>
</template>
