import { defineStore } from 'pinia'
import { onScopeDispose, shallowRef } from 'vue'
import type { Holding } from '#core/catalog'

/**
 * The dialog in which a label is scanned, opened from anywhere. What a scanned set means is for the page that is open: the walk ticks it,
 * the way back puts it back; elsewhere its slip opens.
 */
export const useScan = defineStore('scan', () => {
  const isOpen = shallowRef(false)
  /** What the page that is open does with a set; true: it has done it. */
  const answer = shallowRef<((holding: Holding) => Promise<boolean>) | null>(null)
  return { isOpen, answer }
})

/** What this page does with a scanned set, as long as it is open. */
export function useScanAnswer(answer: (holding: Holding) => Promise<boolean>): void {
  const scan = useScan()
  scan.answer = answer
  onScopeDispose(() => {
    if (scan.answer === answer) scan.answer = null
  })
}
