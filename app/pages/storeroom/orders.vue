<script setup lang="ts">
import OrdersBench from '~/areas/storeroom/orders/OrdersBench.vue'
import { roomWords } from '~/areas/storeroom/roomWords'
import { useTitle } from '~/shell/useTitle'

useTitle(roomWords.ordersTitle)
</script>

<template>
  <OrdersBench />
</template>
