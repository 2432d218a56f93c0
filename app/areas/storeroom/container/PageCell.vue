<script setup lang="ts">
import { computed, onMounted, useTemplateRef } from 'vue'
import type { Cell, Container } from '#core/catalog'
import type { Placement } from '#core/room'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KTicket from '~/kit/KTicket.vue'
import { useDescribe } from '~/data/useDescribe'
import { useHolderDrag, useHolderDrop } from '~/subjects/room/useHolderDrop'
import { useMoving } from '~/subjects/room/useMoving'
import { placeWords } from '~/data/words'
import { partialDay } from '#core/grammar'
import { useCarry } from '~/subjects/room/useCarry'
import { useCatalogue } from '~/data/useCatalogue'
import { usePins } from '~/subjects/ask/usePins'
import { containerWords } from './words'

const { container, cell, placement, focusId } = defineProps<{
  container: Container
  cell: Cell
  placement: Placement | null
  focusId: string | null
  /** Where the tab key stops. */ isStop: boolean
}>()
const emit = defineEmits<{ open: [holdingId: string]; focus: [] }>()
const catalogue = useCatalogue()
const carry = useCarry()
const pins = usePins()
const { address: addressAt, codeOf } = useDescribe()
const { setDown } = useMoving()
const box = useTemplateRef<HTMLElement>('box')
const isCarried = useHolderDrag(box, () => (placement ? carry.alongWith(placement.holder.id) : []))
const isOver = useHolderDrop(box, () => ({ type: 'cell', containerId: container.id, cell }))
const holding = computed(() => catalogue.tables?.holdings.get(placement?.holder.holdingIds[0] ?? ''))
const others = computed(() => (placement?.holder.holdingIds.length ?? 1) - 1)
const loan = computed(() => catalogue.loanOf.get(holding.value?.id ?? ''))
const address = computed(() => addressAt({ container, lane: 1, position: placement?.position ?? 0, cell }))
onMounted(() => {
  if (focusId && placement?.holder.holdingIds.includes(focusId)) box.value?.focus()
})

async function press(): Promise<void> {
  if (!placement && carry.isCarrying) {
    const ids = carry.carried
    carry.putDown()
    await setDown(ids, { type: 'cell', containerId: container.id, cell })
  } else if (holding.value && !carry.isCarrying) emit('open', holding.value.id)
}
function keyed(event: KeyboardEvent): void {
  if (event.key === 'm' && placement) {
    event.preventDefault()
    carry.pickUp(placement.holder.id)
  } else if (event.key === 'Escape' && carry.isCarrying) {
    event.preventDefault()
    carry.putDown()
  }
}
</script>

<template>
  <button
    ref="box"
    type="button"
    :data-cell="`${cell.page}/${cell.cell}/${cell.side}`"
    :data-address="address"
    :data-set="holding?.id"
    class="flex min-h-28 min-w-0 flex-col border p-1.5 text-left"
    :aria-label="
      holding
        ? `${address} ${holding.number} ${holding.name}${others > 0 ? `, ${containerWords.andMore(others)}` : ''}`
        : containerWords.freeCell(address)
    "
    :class="[
      loan ? 'border-dashed border-edge bg-sheet' : placement ? 'border-edge bg-sheet' : 'border-dashed border-edge bg-wash',
      isOver ? 'outline-3 outline-ember' : '',
      isCarried || (placement && carry.carried.includes(placement.holder.id)) ? 'opacity-45' : '',
      holding && pins.hits.has(holding.id) ? 'shadow-[inset_0_3px_0_var(--ember)]' : '',
    ]"
    :tabindex="isStop ? 0 : -1"
    @focus="emit('focus')"
    @click="press"
    @keydown="keyed"
  >
    <span class="flex items-center justify-between gap-1">
      <KTicket v-if="holding" :code="codeOf(holding)" size="small" />
      <span class="hint figures">{{ address }}</span>
    </span>
    <span v-if="holding" class="mt-1 block h-14"><SetPicture :hash="holding.pictureHash" /></span>
    <span v-if="others > 0" class="hint mt-0.5">{{ containerWords.andMore(others) }}</span>
    <span v-if="loan" class="mt-0.5 text-[0.85rem] leading-tight text-ochre">{{ placeWords.out(loan.to, partialDay(loan.outAt)) }}</span>
    <span v-if="holding" class="mt-0.5 line-clamp-2 text-[0.85rem] leading-tight">{{ holding.name }}</span>
  </button>
</template>
