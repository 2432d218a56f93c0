<script setup lang="ts">
import {
  CircleHelp,
  Clock,
  FileSpreadsheet,
  Hash,
  House,
  Link2,
  MapPinned,
  Settings2,
  SlidersHorizontal,
  Tags,
  Layers,
} from 'lucide-vue-next'
import { shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import type { Stage } from '#core/pile'
import KMenu from '~/kit/KMenu.vue'
import { movingWords } from '~/subjects/pile/movingWords'
import { listedWords } from '~/areas/takeIn/places/words'
import { tidyWords } from '~/areas/takeIn/tidy/words'
import { partnerWords } from '~/areas/takeIn/partners/words'
import { nameWords } from '~/areas/takeIn/names/words'
import { numberWords } from '~/areas/takeIn/numbers/words'
import { questionWords } from '~/areas/takeIn/questions/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { pileWords } from '~/subjects/pile/words'
import { useNotices } from '~/kit/useNotices'
import { usePile } from '~/subjects/pile/usePile'
import HowIWork from './HowIWork.vue'
import SomeMinutes from './SomeMinutes.vue'

/** The stages of the pile in their order, with how many sets wait at each. */
const { current } = defineProps<{ current: Stage }>()
const notices = useNotices()
const router = useRouter()
const pile = usePile()
pile.open()
const isAsking = shallowRef(false)
const isSetting = shallowRef(false)
const entries = [
  { word: pileWords.tenMinutes, icon: Clock, run: () => (isAsking.value = true) },
  { word: pileWords.how, icon: Settings2, run: () => (isSetting.value = true) },
  { word: takeInWords.list, icon: FileSpreadsheet, to: '/take-in/list' },
  { word: questionWords.title, icon: CircleHelp, to: '/take-in/questions' },
  { word: movingWords.title, icon: House, to: '/take-in/moving' },
  { word: listedWords.menu, icon: MapPinned, to: '/take-in/places' },
  { word: tidyWords.menu, icon: Layers, to: '/take-in/tidy' },
  { word: partnerWords.title, icon: Link2, to: '/take-in/partners' },
  { word: nameWords.button, icon: Tags, to: '/take-in/names' },
  { word: numberWords.button, icon: Hash, to: '/take-in/numbers' },
]
const pathOf = (stage: Stage): string => (stage === 'capture' ? '/take-in' : `/take-in/work?stage=${stage}`)

/** A pack goes on to its next stage by itself, and ends when every set of it is placed. */
watch(
  () => pile.packStage,
  stage => {
    if (stage === 'done') {
      if (pile.pack?.ids.length) notices.tell(pileWords.packDone)
      pile.pack = null
    } else if (stage && stage !== 'unheard' && stage !== current) void router.push(pathOf(stage))
  },
)
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <nav class="flex w-full lg:w-auto lg:flex-1" :aria-label="pileWords.stagesLabel">
      <NuxtLink
        v-for="(stage, at) in pile.used"
        :key="stage"
        :to="pathOf(stage)"
        :aria-current="stage === current ? 'step' : undefined"
        :data-stage="stage"
        :data-count="pile.counts[stage]"
        :title="pileWords.stageHint[stage]"
        class="flex min-h-11 min-w-0 flex-1 flex-col items-center justify-center gap-x-1.5 border-b-3 px-1 leading-tight sm:flex-row"
        :class="stage === current ? 'border-strong bg-wash font-bold' : 'border-line font-semibold hover:bg-wash'"
      >
        <span class="hidden text-quiet figures sm:inline">{{ at + 1 }}</span>
        <span class="text-center text-[0.83rem] sm:text-[1rem]">{{ pileWords.stages[stage] }}</span>
        <span v-if="pile.counts[stage] > 0" class="figures">({{ pile.counts[stage] }})</span>
      </NuxtLink>
    </nav>
    <slot />
    <KMenu :label="pileWords.moreWays" :entries="entries">
      <SlidersHorizontal :size="18" aria-hidden="true" />
      {{ pileWords.more }}
    </KMenu>
    <p v-if="pile.pack" class="flex w-full flex-wrap items-center gap-x-3 bg-wash px-3" data-in-pack>
      {{ pileWords.inPack(pile.pack.ids.length) }}
      <button type="button" class="min-h-11 underline" @click="pile.pack = null">{{ pileWords.leavePack }}</button>
    </p>
    <SomeMinutes v-model:open="isAsking" />
    <HowIWork v-model:open="isSetting" />
  </div>
</template>
