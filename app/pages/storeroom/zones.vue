<script setup lang="ts">
import ZonesBench from '~/areas/storeroom/zones/ZonesBench.vue'
import { useTitle } from '~/subjects/set/useTitle'
import { zoneWords } from '~/areas/storeroom/zones/words'

useTitle(zoneWords.zonesTitle)
</script>

<template>
  <ZonesBench />
</template>
