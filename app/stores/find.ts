import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { hire } from '~/workers/call'
import type { AskResult, FindApi } from '~/workers/find.worker'
import { useCatalogue } from './catalogue'

/** The ask and its answer. The index lives in a worker and follows the catalogue. */
export const useFind = defineStore('find', () => {
  const catalogue = useCatalogue()
  const ask = shallowRef('')
  const answer = shallowRef<AskResult | null>(null)
  /** The ask that the screen shows the answer to. */
  const answered = shallowRef('')
  const isReady = shallowRef(false)
  const crew = hire<FindApi>(new Worker(new URL('../workers/find.worker.ts', import.meta.url), { type: 'module' }))
  let asked = 0

  async function open(): Promise<void> {
    await crew.run(api => api.open())
    isReady.value = true
    catalogue.onChange((holdingIds, tables) => {
      void crew.run(api => holdingIds === 'all' ? api.open().then(() => undefined) : api.follow([...holdingIds], [...tables])).then(() => askAgain())
    })
    await askAgain()
  }

  async function setAsk(text: string): Promise<void> {
    ask.value = text
    await askAgain()
  }

  /** Answers may overtake each other; only the one to the latest ask is shown. */
  async function askAgain(): Promise<void> {
    asked += 1
    const mine = asked
    if (ask.value.trim() === '') {
      answer.value = null
      answered.value = ''
      return
    }
    const result = await crew.run(api => Promise.resolve(api.ask(ask.value)))
    // One letter is no ask yet: everything stays on the mat.
    if (mine === asked) answer.value = result.mode === 'tooShort' ? null : result
    if (mine === asked) answered.value = result.ask
  }

  /** Hits in each container: the pins on the ridge. */
  const pins = computed((): ReadonlyMap<string, number> => {
    const counts = new Map<string, number>()
    for (const id of answer.value?.ids ?? []) {
      const container = catalogue.room.placements.get(id)?.container.id
      if (container) counts.set(container, (counts.get(container) ?? 0) + 1)
    }
    return counts
  })
  const hits = computed((): ReadonlySet<string> => new Set(answer.value?.ids))

  return { ask, answer, answered, isReady, pins, hits, open, setAsk }
})
