import { defineStore } from 'pinia'
import { watch } from 'vue'
import { useCatalogue } from '~/data/useCatalogue'
import { type WorkerHandle, workerHandle } from '~/data/worker'
import { usePile } from '~/subjects/pile/usePile'
import type { AdviceApi, PileStrip } from './advice.worker'

/** Suggestions and look-alikes, worked out beside the screen. The worker starts when Take in is first opened. */
export const useAdvice = defineStore('advice', () => {
  const catalogue = useCatalogue()
  const pile = usePile()
  /** The strips as the worker knows them, or will know them once it starts. */
  let told: ReadonlyMap<string, PileStrip> = new Map()
  const worker = workerHandle<AdviceApi>(
    () => new Worker(new URL('./advice.worker.ts', import.meta.url), { type: 'module' }),
    api => Promise.all([api.open(), api.followPile([...told.values()], [])]),
  )
  let isFollowing = false

  /** Follows the catalogue and the pile from the first call on. */
  function open(): void {
    if (isFollowing) return
    isFollowing = true
    void ask(() => undefined)
    catalogue.onChange((ids, tables) => void ask(api => api.follow(ids === 'all' ? 'all' : [...ids], [...tables])))
    watch(
      () => pile.drafts,
      drafts => {
        const now = new Map(drafts.map(({ id, texts, pictureHash }): [string, PileStrip] => [id, { id, name: texts.name, pictureHash }]))
        const changed = [...now.values()].filter(
          ({ id, name, pictureHash }) => told.get(id)?.name !== name || told.get(id)?.pictureHash !== pictureHash,
        )
        const gone = [...told.keys()].filter(id => !now.has(id))
        told = now
        void ask(api => api.followPile(changed, gone))
      },
      { immediate: true },
    )
  }
  /** The answer to one question; null where the worker broke: advice is never worth an error. */
  const ask: WorkerHandle<AdviceApi>['ask'] = question => {
    open()
    return worker.ask(question)
  }
  return { open, ask }
})
