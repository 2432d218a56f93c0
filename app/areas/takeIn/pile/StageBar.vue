<script setup lang="ts">
import { Clock, SlidersHorizontal } from 'lucide-vue-next'
import { shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { NuxtLink } from '#components'
import type { Stage } from '#core/pile'
import { pileWords } from './words'
import { useNotices } from '~/shell/useNotices'
import { usePile } from './usePile'
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
  <div class="flex flex-wrap items-stretch gap-2">
    <nav class="flex w-full sm:w-auto sm:flex-1" :aria-label="pileWords.stagesLabel">
      <NuxtLink
        v-for="(stage, at) in pile.used"
        :key="stage"
        :to="pathOf(stage)"
        :aria-current="stage === current ? 'step' : undefined"
        :data-stage="stage"
        class="flex min-h-11 min-w-0 flex-1 flex-col items-center gap-x-2 border-b-3 py-1 sm:flex-row sm:px-3"
        :class="stage === current ? 'border-strong bg-wash' : 'border-line hover:bg-wash'"
      >
        <span class="min-w-6 text-center font-title text-[1.15rem] font-bold figures" :class="pile.counts[stage] === 0 ? 'text-quiet' : ''">
          {{ pile.counts[stage] }}
        </span>
        <span class="leading-tight">
          <span class="block text-[0.88rem] font-semibold sm:text-[1rem]">
            <span class="hidden sm:inline">{{ at + 1 }}.</span>
            {{ pileWords.stages[stage] }}
          </span>
          <span class="hint hidden 2xl:block">{{ pileWords.stageHint[stage] }}</span>
        </span>
      </NuxtLink>
    </nav>
    <button type="button" class="button" @click="isAsking = true">
      <Clock :size="18" aria-hidden="true" />
      {{ pileWords.tenMinutes }}
    </button>
    <button type="button" class="button" @click="isSetting = true">
      <SlidersHorizontal :size="18" aria-hidden="true" />
      {{ pileWords.how }}
    </button>
    <p v-if="pile.pack" class="flex w-full flex-wrap items-center gap-x-3 bg-wash px-3" data-in-pack>
      {{ pileWords.inPack(pile.pack.ids.length) }}
      <button type="button" class="min-h-11 underline" @click="pile.pack = null">{{ pileWords.leavePack }}</button>
    </p>
    <SomeMinutes v-model:open="isAsking" />
    <HowIWork v-model:open="isSetting" />
  </div>
</template>
