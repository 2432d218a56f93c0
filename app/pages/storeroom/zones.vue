<script setup lang="ts">
import ZonesBench from '~/areas/storeroom/zones/ZonesBench.vue'
import { roomWords } from '~/areas/storeroom/roomWords'
import { useTitle } from '~/shell/useTitle'

useTitle(roomWords.zonesTitle)
</script>

<template>
  <ZonesBench />
</template>
