<script setup lang="ts">
import { ClipboardList, Hand, Undo2 } from 'lucide-vue-next'
import { computed, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { Holding } from '#core/catalog'
import { useFetch } from '~/subjects/walk/useFetch'
import { fetchWords } from '~/subjects/walk/words'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import KCombo from '~/kit/KCombo.vue'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { kitWords } from '~/kit/words'
import { useNotices } from '~/kit/useNotices'
import { slipWords } from './words'

/** From the slip: onto the pull list, out of its place, and back. */
const { holding } = defineProps<{ holding: Holding }>()
const [catalogue, fetch, notices, router] = [useCatalogue(), useFetch(), useNotices(), useRouter()]
const { numberAndName } = useDescribe()
const isOut = computed(() => catalogue.loanOf.has(holding.id))
const isPulled = computed(() => fetch.lines.some(({ line }) => line.holdingId === holding.id))
const isTaking = shallowRef(false)
const to = shallowRef('')
function begin(): void {
  to.value = fetch.to
  isTaking.value = true
}
async function takeOut(): Promise<void> {
  const place = to.value.trim() || fetchWords.table
  isTaking.value = false
  const count = await act.takeOut([holding.id], place, true)
  notices.tell(count > 0 ? slipWords.wentOut(numberAndName(holding), place) : slipWords.notOut, count > 0 ? 'done' : 'care')
}
</script>

<template>
  <button v-if="isOut" type="button" class="button" data-slip-back @click="router.push('/find/out')">
    <Undo2 :size="18" aria-hidden="true" />
    {{ slipWords.putBack }}
  </button>
  <template v-else>
    <button type="button" class="button" data-slip-pull @click="isPulled ? router.push('/find/pull') : fetch.pull([holding.id])">
      <ClipboardList :size="18" aria-hidden="true" />
      {{ isPulled ? fetchWords.isPulled : fetchWords.pullOne }}
    </button>
    <button v-if="holding.state === 'filed'" type="button" class="button" data-slip-out @click="begin">
      <Hand :size="18" aria-hidden="true" />
      {{ slipWords.takeOut }}
    </button>
  </template>
  <KDialog :open="isTaking" :title="slipWords.takeOutTitle(numberAndName(holding))" @close="isTaking = false">
    <KField class="mt-2" :label="slipWords.takeOutWhere" for="take-out-to" :hint="slipWords.takeOutHint">
      <KCombo id="take-out-to" v-model="to" :label="slipWords.takeOutWhere" :options="fetch.places" />
    </KField>
    <template #actions>
      <button type="button" class="button" @click="isTaking = false">{{ kitWords.cancel }}</button>
      <button type="button" class="button-main" @click="takeOut">{{ slipWords.takeOut }}</button>
    </template>
  </KDialog>
</template>
