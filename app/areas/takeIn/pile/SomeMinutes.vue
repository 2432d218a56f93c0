<script setup lang="ts">
import { computed } from 'vue'
import { useKept } from '~/kit/useKept'
import { useRouter } from 'vue-router'
import KDialog from '~/kit/KDialog.vue'
import KField from '~/kit/KField.vue'
import { pileWords } from '~/subjects/pile/words'
import { usePile } from '~/subjects/pile/usePile'

/** So many minutes, so many sets: a pack that this person will finish, at their own pace. */
const open = defineModel<boolean>('open', { required: true })
const pile = usePile()
const router = useRouter()
const minutes = useKept('minutes', 10)
const pack = computed(() => pile.packFor(Math.min(480, Math.max(0, minutes.value))))
const isEmpty = computed(() => Object.values(pile.counts).every(count => count === 0))
const pace = computed(() =>
  pack.value.stages.map(({ stage, ids }) => {
    const { secondsASet, measuredOn } = pile.pace[stage]
    return {
      stage,
      text: pileWords.packStage(stage, ids.length),
      pace: measuredOn > 0 ? pileWords.paceMeasured(secondsASet, measuredOn) : pileWords.paceAssumed(secondsASet),
    }
  }),
)

function start(): void {
  pile.pack = pack.value
  open.value = false
  const [first] = pack.value.stages
  void router.push(first?.stage === 'capture' ? '/take-in' : `/take-in/work?stage=${first?.stage ?? 'file'}`)
}
</script>

<template>
  <KDialog :open="open" :title="pileWords.tenMinutes" @close="open = false">
    <p class="text-quiet">{{ pileWords.minutesLead }}</p>
    <KField class="mt-3" :label="pileWords.minutes" for="minutes">
      <input id="minutes" v-model.number="minutes" type="number" min="1" max="480" class="field w-28 figures" />
    </KField>
    <p class="mt-4 font-semibold" data-pack aria-live="polite">
      {{ isEmpty ? pileWords.packEmpty : pack.ids.length === 0 ? pileWords.packNone : pileWords.pack(pack.ids.length, pack.seconds) }}
    </p>
    <ol class="mt-2">
      <li v-for="each in pace" :key="each.stage" class="border-t border-line py-2">
        <span class="font-semibold figures">{{ each.text }}</span>
        <span class="hint block">{{ each.pace }}</span>
      </li>
    </ol>
    <div class="mt-5 flex justify-end">
      <button type="button" class="button-main" :disabled="pack.ids.length === 0" @click="start">{{ pileWords.start }}</button>
    </div>
  </KDialog>
</template>
