<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { useMediaQuery } from '@vueuse/core'
import { ClipboardList } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Holding } from '#core/catalog'
import { useFetch } from '~/subjects/walk/useFetch'
import { useDescribe } from '~/data/useDescribe'
import SetPicture from '~/subjects/set/SetPicture.vue'
import KTicket from '~/kit/KTicket.vue'
import InkBox from './InkBox.vue'
import type { Like } from './shapes.worker'
import { pictureWords } from './words'

/** A set that may be the one: its picture, where in it the shape lies, and a word why. */
const { holding, like = null } = defineProps<{ holding: Holding; like?: Like | null }>()
const emit = defineEmits<{ open: [] }>()
const fetch = useFetch()
const { codeOf, placeOf, sizeText, lookUp } = useDescribe()
/** The picture fits this square, whatever its shape. */
const isPhone = useMediaQuery('(max-width: 639px)')
const sideRem = computed(() => (isPhone.value ? 5 : 7))
const aspect = computed(() => like?.aspect ?? (holding.size ? holding.size.widthMm / holding.size.heightMm : 1))
const told = computed(() =>
  [lookUp('brands', holding.brandId)?.name, holding.size && sizeText(holding.size)]
    .filter(each => each !== null && each !== undefined)
    .join(', '),
)
</script>

<template>
  <li class="flex gap-3 border border-line bg-sheet p-2" :data-found="holding.number">
    <button type="button" class="flex min-w-0 flex-1 gap-3 text-left hover:bg-wash" :data-set="holding.id" @click="emit('open')">
      <span class="grid shrink-0 place-items-center bg-mat" :style="{ width: `${sideRem}rem`, height: `${sideRem}rem` }" aria-hidden="true">
        <span
          class="relative block"
          :style="{ width: `${sideRem * Math.min(1, aspect)}rem`, height: `${sideRem * Math.min(1, 1 / aspect)}rem` }"
        >
          <SetPicture :hash="like?.id ?? holding.pictureHash" />
          <InkBox v-if="like" :box="like.box" :aspect="aspect" />
        </span>
      </span>
      <span class="min-w-0 flex-1">
        <span class="flex items-baseline gap-2"><KTicket :code="codeOf(holding)" size="small" /></span>
        <span class="line-clamp-2 leading-tight font-semibold">{{ holding.name }}</span>
        <span class="hint block truncate">{{ told }}</span>
        <span class="hint block truncate figures">{{ placeOf(holding) }}</span>
        <span class="block text-[0.88rem] figures" data-why>
          <slot>{{ like ? pictureWords.nearness(like.nearness) : '' }}</slot>
        </span>
      </span>
    </button>
    <KIcon class="self-start" :icon="ClipboardList" :label="`${pictureWords.pull}: ${holding.name}`" @click="fetch.pull([holding.id])" />
  </li>
</template>
