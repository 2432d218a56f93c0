<script setup lang="ts">
import OrdersBench from '~/areas/storeroom/orders/OrdersBench.vue'
import { roomWords } from '~/subjects/room/roomWords'
import { useTitle } from '~/subjects/set/useTitle'

useTitle(roomWords.ordersTitle)
</script>

<template>
  <OrdersBench />
</template>
