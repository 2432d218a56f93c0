<script setup lang="ts">
import OrdersBench from '~/areas/storeroom/orders/OrdersBench.vue'
</script>

<template>
  <OrdersBench />
</template>
