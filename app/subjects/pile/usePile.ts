import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { Draft, Holding } from '#core/catalog'
import { type DoneStep, type Pace, paceOf, type Pack, pickPack, type Stage, stageOf, stageOfPack, STAGES, withoutSet } from '#core/pile'
import { type JournalEntry, watch } from '~/db'
import { draftsNow } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'

/** Which stage a step of the journal was work at. */
const STAGE_OF: Readonly<Partial<Record<JournalEntry['command'], Stage>>> = {
  takeIn: 'capture',
  classSet: 'class',
  fitSet: 'fit',
  labelSet: 'label',
  placeHolding: 'file',
}

/** The pile: strips without a number yet, sets that wait at a stage, and the pack that is being worked through. */
export const usePile = defineStore('pile', () => {
  const catalogue = useCatalogue()
  const drafts = shallowRef<readonly Draft[]>([])
  const isRead = shallowRef(false)
  const pack = shallowRef<Pack | null>(null)
  let isWatching = false

  function open(): void {
    if (isWatching) return
    isWatching = true
    watch(draftsNow, found => {
      drafts.value = found
      isRead.value = true
    })
  }

  const used = computed((): readonly Stage[] =>
    STAGES.filter(stage => stage === 'capture' || stage === 'file' || catalogue.settings.stages.includes(stage)),
  )
  /** Sets at each stage, by number. */
  const waiting = computed((): Readonly<Record<Stage, readonly Holding[]>> => {
    const lists: Record<Stage, Holding[]> = { capture: [], class: [], fit: [], label: [], file: [] }
    for (const holding of catalogue.tables?.holdings.values() ?? []) {
      const stage = stageOf(holding)
      if (stage) lists[stage].push(holding)
    }
    for (const stage of STAGES) lists[stage].sort((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1))
    return lists
  })
  const counts = computed((): Readonly<Record<Stage, number>> => ({
    capture: drafts.value.length,
    class: waiting.value.class.length,
    fit: waiting.value.fit.length,
    label: waiting.value.label.length,
    file: waiting.value.file.length,
  }))

  const pace = computed((): Pace =>
    paceOf(
      catalogue.steps
        .filter(step => step.state === 'done')
        .map((step): DoneStep => ({ at: step.at, stage: STAGE_OF[step.command] ?? null, sets: step.subject.count ?? 1 })),
    ),
  )
  const packFor = (minutes: number): Pack =>
    pickPack(
      minutes,
      [
        ...drafts.value.map(draft => ({ id: draft.id, stage: 'capture' as const })),
        ...STAGES.flatMap(stage => waiting.value[stage].map(holding => ({ id: holding.id, stage }))),
      ],
      pace.value,
      used.value,
    )

  /** The stage at which the pack is worked now. A strip that became a set may be heard of a moment later. */
  const packStage = computed(
    () =>
      pack.value &&
      stageOfPack(pack.value, id => {
        const holding = catalogue.tables?.holdings.get(id)
        if (holding) return stageOf(holding)
        return drafts.value.some(draft => draft.id === id) ? 'capture' : 'unheard'
      }),
  )
  const leaveOut = (id: string): void => {
    pack.value &&= withoutSet(pack.value, id)
  }

  return { drafts, isRead, pack, used, waiting, counts, pace, packStage, open, packFor, leaveOut }
})
