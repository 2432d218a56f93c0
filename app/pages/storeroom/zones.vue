<script setup lang="ts">
import ZonesBench from '~/areas/storeroom/zones/ZonesBench.vue'
import { roomWords } from '~/subjects/room/roomWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(roomWords.zonesTitle)
</script>

<template>
  <ZonesBench />
</template>
