<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { CalendarCheck, X } from 'lucide-vue-next'
import { computed } from 'vue'
import type { Holding, Use } from '#core/catalog'
import { tallyUses } from '#core/fetching'
import { dayOf } from '#core/units'
import { act } from '~/data/act'
import { useLogOf } from '~/data/useUses'
import { useDescribe } from '~/data/useDescribe'
import { useNotices } from '~/kit/useNotices'
import { slipWords } from './words'

/** On which days a set was used: noted with one press, dated or taken back. */
const { holding } = defineProps<{ holding: Holding }>()
const notices = useNotices()
const { numberAndName } = useDescribe()
const log = useLogOf(() => holding.id)
const text = computed(() => (log.value ? slipWords.useText(tallyUses(log.value).get(holding.id)) : ''))
const dayText = ({ on, times, from }: Use): string => slipWords.useDay(on, times, from)
async function note(): Promise<void> {
  const count = await act.noteUse([holding.id], dayOf(new Date()))
  notices.tell(count > 0 ? slipWords.notedToday(numberAndName(holding)) : slipWords.knownToday)
}
</script>

<template>
  <div class="mt-3 border-t border-line pt-2" data-uses>
    <div class="flex flex-wrap items-center justify-between gap-2">
      <p>
        <span class="hint mr-2">{{ slipWords.used }}</span>
        <span class="figures" data-use-text>{{ text }}</span>
      </p>
      <button type="button" class="button px-3" data-used-today @click="note">
        <CalendarCheck :size="18" aria-hidden="true" />
        {{ slipWords.usedToday }}
      </button>
    </div>
    <details v-if="log?.length">
      <summary class="min-h-11 content-center text-quiet">{{ slipWords.useLog }}</summary>
      <ul>
        <li v-for="use in log" :key="use.id" class="flex items-center gap-2 border-t border-line">
          <span class="min-w-0 flex-1 figures">{{ dayText(use) }}</span>
          <input
            v-if="use.from !== 'said'"
            type="date"
            class="field w-auto px-2"
            :value="use.on?.length === 10 ? use.on : ''"
            :aria-label="slipWords.useDate"
            @change="($event.target as HTMLInputElement).value && act.dateUse(use.id, ($event.target as HTMLInputElement).value)"
          />
          <KIcon class="text-quiet" :icon="X" :label="slipWords.forgetUse(dayText(use))" @click="act.forgetUse(use.id)" />
        </li>
      </ul>
    </details>
  </div>
</template>
