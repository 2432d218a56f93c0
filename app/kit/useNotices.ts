import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

const SHOWN_MS = 6000

/** One line that says what has just happened. A new one takes the place of the last; nothing needs to be answered. */
export const useNotices = defineStore('notices', () => {
  /** Long work that belongs to no page. */
  const progress = shallowRef<{ readonly text: string; readonly done: number; readonly total: number; stop(): void } | null>(null)
  const text = shallowRef('')
  const tone = shallowRef<'done' | 'care'>('done')
  /** Counts what was told, so that the same sentence twice is said aloud twice. */
  const told = shallowRef(0)
  let timer: ReturnType<typeof setTimeout> | undefined
  function tell(sentence: string, as: 'done' | 'care' = 'done'): void {
    text.value = sentence
    told.value += 1
    tone.value = as
    clearTimeout(timer)
    timer = setTimeout(() => {
      text.value = ''
    }, SHOWN_MS)
  }
  return { text, told, tone, progress, tell }
})
