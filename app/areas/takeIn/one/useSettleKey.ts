import { useEventListener } from '@vueuse/core'

/**
 * Ctrl Enter settles what is on the screen, wherever the cursor stands: heard before an open list of names takes it.
 * With `plainToo`, Enter alone does so as well, where it has nothing else to do.
 */
export function useSettleKey(settle: () => void, plainToo = false): void {
  const isOverlaid = (): boolean => document.querySelector('[role="dialog"]') !== null
  useEventListener(
    window,
    'keydown',
    event => {
      if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || isOverlaid()) return
      event.preventDefault()
      event.stopPropagation()
      settle()
    },
    { capture: true },
  )
  if (!plainToo) return
  useEventListener(window, 'keydown', event => {
    const target = event.target instanceof HTMLElement ? event.target : null
    if (
      event.key !== 'Enter' ||
      event.ctrlKey ||
      event.metaKey ||
      event.defaultPrevented ||
      isOverlaid() ||
      target?.matches('button, a, textarea')
    )
      return
    event.preventDefault()
    settle()
  })
}
