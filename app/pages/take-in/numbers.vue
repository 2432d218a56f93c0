<script setup lang="ts">
import NumbersBench from '~/areas/takeIn/numbers/NumbersBench.vue'
import { numberWords } from '~/areas/takeIn/numbers/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(numberWords.title)
</script>

<template>
  <NumbersBench />
</template>
