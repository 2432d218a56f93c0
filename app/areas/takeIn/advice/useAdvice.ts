import { defineStore } from 'pinia'
import { watch } from 'vue'
import { type Crew, hire } from '~/data/call'
import type { AdviceApi, PileStrip } from './advice.worker'
import { useCatalogue } from '~/data/useCatalogue'
import { usePile } from '~/areas/takeIn/pile/usePile'

/** Suggestions and look-alikes, worked out beside the screen. The worker starts when Take in is first opened. */
export const useAdvice = defineStore('advice', () => {
  const catalogue = useCatalogue()
  const pile = usePile()
  let crew: Crew<AdviceApi> | null = null
  let told = new Map<string, PileStrip>()

  function open(): Crew<AdviceApi> {
    if (crew) return crew
    const hired = hire<AdviceApi>(new Worker(new URL('./advice.worker.ts', import.meta.url), { type: 'module' }))
    crew = hired
    void hired.run(api => api.open())
    catalogue.onChange((ids, tables) => void hired.run(api => api.follow(ids === 'all' ? 'all' : [...ids], [...tables])))
    watch(
      () => pile.drafts,
      drafts => {
        const now = new Map(drafts.map(({ id, texts, pictureHash }): [string, PileStrip] => [id, { id, name: texts.name, pictureHash }]))
        const changed = [...now.values()].filter(
          ({ id, name, pictureHash }) => told.get(id)?.name !== name || told.get(id)?.pictureHash !== pictureHash,
        )
        const gone = [...told.keys()].filter(id => !now.has(id))
        told = now
        void hired.run(api => api.followPile(changed, gone))
      },
      { immediate: true },
    )
    return hired
  }
  /** One question to the worker; null when it broke: advice is never worth an error. */
  async function ask<R>(question: (api: Crew<AdviceApi>['api']) => Promise<R>): Promise<R | null> {
    return open()
      .run(question)
      .catch(() => null) as Promise<R | null>
  }
  return { open, ask }
})
