<script setup lang="ts">
import SetLine from '~/subjects/set/SetLine.vue'
import KIcon from '~/kit/KIcon.vue'
import { GripVertical, Pin } from 'lucide-vue-next'
import { computed, useTemplateRef } from 'vue'
import type { Placement } from '#core/room'
import SetPicture from '~/subjects/set/SetPicture.vue'
import { useDescribe } from '~/data/useDescribe'
import { useHolderDrag, useHolderDrop } from '~/subjects/room/useHolderDrop'
import { placeWords } from '~/data/words'
import { partialDay } from '#core/grammar'
import { useCarry } from '~/subjects/room/useCarry'
import { useCatalogue } from '~/data/useCatalogue'
import { containerWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** One holder in a row: what stands there, at which address. Dropping on it sets down behind it. */
const { placement } = defineProps<{ placement: Placement; isHit: boolean; isFocus: boolean; isDropMark: boolean }>()
const emit = defineEmits<{ focus: []; apart: []; marked: []; press: [isShift: boolean] }>()
const catalogue = useCatalogue()
const carry = useCarry()
const { address, lookUp, numberAndName } = useDescribe()
const row = useTemplateRef<HTMLElement>('row')
const isCarried = useHolderDrag(row, () => carry.alongWith(placement.holder.id))
const isOver = useHolderDrop(row, () => ({
  type: 'row',
  containerId: placement.container.id,
  lane: placement.lane,
  behindId: placement.holder.id,
}))
const holdings = computed(() => placement.holder.holdingIds.flatMap(id => catalogue.tables?.holdings.get(id) ?? []))
const first = computed(() => holdings.value[0])
function pressed(event: MouseEvent): void {
  if (!(event.target as HTMLElement).closest('label, button')) emit('press', event.shiftKey)
}
function mark(event: MouseEvent): void {
  if (event.shiftKey) emit('press', true)
  else {
    carry.toggle(placement.holder.id)
    emit('marked')
  }
}
/** Where it is meanwhile, where all that it holds is out: the row keeps its gap. */
const away = computed(() => {
  const loans = placement.holder.holdingIds.map(id => catalogue.loanOf.get(id))
  return loans.every(loan => loan !== undefined) ? loans[0] : undefined
})
const isLifted = computed(() => isCarried.value || carry.carried.includes(placement.holder.id))
</script>

<template>
  <div
    ref="row"
    data-holder
    :data-id="placement.holder.id"
    role="row"
    class="relative flex h-16 cursor-pointer items-center gap-3 border-b border-line pr-2 pl-1"
    :tabindex="isFocus ? 0 : -1"
    :class="[isHit ? 'bg-wash shadow-[inset_4px_0_0_var(--ember)]' : '', isLifted ? 'opacity-45' : '', away ? 'border-dashed' : '']"
    :data-away="away ? '' : undefined"
    :aria-selected="carry.marked.has(placement.holder.id)"
    @focusin="emit('focus')"
    @click="pressed"
  >
    <span v-if="isOver || isDropMark" class="absolute inset-x-0 -bottom-[2px] z-10 h-[3px] bg-ember" />
    <span role="gridcell" class="flex items-center">
      <label class="-mx-2.5 grid size-11 place-items-center">
        <input
          type="checkbox"
          tabindex="-1"
          class="h-5 w-5 accent-(--strong)"
          :checked="carry.marked.has(placement.holder.id)"
          :aria-label="containerWords.select(first?.name ?? '')"
          @click="mark"
        />
      </label>
    </span>
    <GripVertical :size="18" class="hidden shrink-0 cursor-grab text-ridge-3 sm:block" aria-hidden="true" />
    <span role="gridcell" class="hidden w-8 shrink-0 text-right text-[0.88rem] text-quiet figures sm:block">
      {{ containerWords.position(placement.position) }}
    </span>
    <span v-if="first" class="h-13 w-11 shrink-0"><SetPicture :hash="first.pictureHash" /></span>
    <span role="gridcell" class="min-w-0 flex-1">
      <SetLine
        v-for="holding in holdings"
        :key="holding.id"
        class="flex-wrap sm:flex-nowrap sm:whitespace-nowrap"
        :holding="holding"
        name="line-clamp-1 w-full font-semibold sm:w-auto"
      />
      <span v-if="away" class="block truncate text-[0.88rem] text-ochre">{{ placeWords.out(away.to, partialDay(away.outAt)) }}</span>
      <span v-else-if="placement.holder.apartBecause" class="block truncate text-[0.88rem] text-ochre">
        {{ roomWords.isApart(placement.holder.apartBecause) }}
      </span>
      <span v-else-if="first" class="hint hidden truncate sm:block">
        {{ [lookUp('brands', first.brandId)?.name, lookUp('themes', first.themeIds[0])?.name].filter(Boolean).join(', ') }}
      </span>
    </span>
    <span role="gridcell" class="shrink-0">
      <KIcon
        tabindex="-1"
        :class="placement.holder.apartBecause ? 'text-ochre' : 'text-ridge-3'"
        :icon="Pin"
        :label="
          placement.holder.apartBecause ? roomWords.isApart(placement.holder.apartBecause) : `${containerWords.apart}: ${first?.name ?? ''}`
        "
        @click.stop="emit('apart')"
      />
    </span>
    <span
      role="gridcell"
      class="shrink-0 text-right font-title font-semibold figures"
      :aria-label="`${address(placement)} ${first ? numberAndName(first) : ''}`"
    >
      {{ address(placement) }}
    </span>
  </div>
</template>
