<script setup lang="ts">
import OrdersBench from '~/areas/storeroom/orders/OrdersBench.vue'
import { useTitle } from '~/subjects/set/useTitle'
import { orderWords } from '~/areas/storeroom/orders/words'

useTitle(orderWords.ordersTitle)
</script>

<template>
  <OrdersBench />
</template>
