<script setup lang="ts">
import PartnersBench from '~/areas/takeIn/partners/PartnersBench.vue'
import { partnerWords } from '~/areas/takeIn/partners/words'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(partnerWords.title)
</script>

<template>
  <PartnersBench />
</template>
