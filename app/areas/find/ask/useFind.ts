import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { hire } from '~/data/call'
import type { AskResult, FindApi } from './find.worker'
import { useCatalogue } from '~/data/useCatalogue'

export type ShownAnswer = Omit<AskResult, 'ids'> & { readonly ids: readonly string[] }

const PINNED_AT_ONCE = 600

/** Hired as the code is loaded: the index is read while the screen is still being put up. */
const crew = hire<FindApi>(new Worker(new URL('./find.worker.ts', import.meta.url), { type: 'module' }))
/** The index reads the room, or what was done since. */
export const readIndex = (): Promise<number> => crew.run(api => api.catchUp())

/** The ask and its answer. The index lives in a worker and follows the catalogue. */
export const useFind = defineStore('find', () => {
  const catalogue = useCatalogue()
  const ask = shallowRef('')
  const answer = shallowRef<ShownAnswer | null>(null)
  /** The ask that the screen shows the answer to. */
  const answered = shallowRef('')
  /** The index has read the room, and what was asked meanwhile is answered. */
  const isReady = shallowRef(false)
  let asked = 0
  let isOpen = false

  catalogue.onChange(() => void catchUp())

  /** What is asked is answered anew, once the index has all that was done. */
  async function catchUp(): Promise<void> {
    await readIndex()
    isOpen = true
    await askAgain()
    isReady.value = true
  }

  async function setAsk(text: string): Promise<void> {
    ask.value = text
    await askAgain()
  }

  /**
   * What is asked before the index has read the room waits for it. Answers may overtake each other; only the one to the
   * latest ask is shown.
   */
  async function askAgain(): Promise<void> {
    asked += 1
    const mine = asked
    if (!isOpen) return
    if (ask.value.trim() === '') {
      answer.value = null
      answered.value = ''
      return
    }
    const result = await crew.run(api => Promise.resolve(api.ask(ask.value)))
    // One letter is no ask yet: everything stays on the mat.
    if (mine === asked)
      answer.value = result.mode === 'tooShort' ? null : { ...result, ids: result.ids === '' ? [] : result.ids.split('\n') }
    if (mine === asked) answered.value = result.ask
  }

  /** Hits in each container: the pins on the ridge. Those of an answer of thousands are counted once it is painted. */
  const pins = shallowRef<ReadonlyMap<string, number>>(new Map())
  const isPinned = shallowRef(true)
  watch(
    [answer, () => catalogue.room],
    ([now]) => {
      isPinned.value = (now?.ids.length ?? 0) <= PINNED_AT_ONCE
      if (isPinned.value) return pin()
      requestAnimationFrame(() =>
        setTimeout(() => {
          if (!isPinned.value && now === answer.value) pin()
        }),
      )
    },
    { flush: 'sync' },
  )
  function pin(): void {
    const counts = new Map<string, number>()
    for (const id of answer.value?.ids ?? []) {
      const container = catalogue.room.placements.get(id)?.container.id
      if (container) counts.set(container, (counts.get(container) ?? 0) + 1)
    }
    pins.value = counts
    isPinned.value = true
  }
  const hits = computed((): ReadonlySet<string> => new Set(answer.value?.ids))

  return { ask, answer, answered, isReady, pins, isPinned, hits, catchUp, setAsk }
})
