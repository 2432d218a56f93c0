<script setup lang="ts">
import { Link } from 'lucide-vue-next'
import { linksWords } from './words'

/** Opens the owner's links of words. */
const emit = defineEmits<{ open: [] }>()
</script>

<template>
  <button type="button" class="head-button underline" data-links @click="emit('open')">
    <Link :size="16" aria-hidden="true" />
    {{ linksWords.button }}
  </button>
</template>
