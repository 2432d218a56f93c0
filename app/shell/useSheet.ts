import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'

const FROM_PX = 40

/** The sheet that every page lies on: has one scrolled on in it? */
export function useSheet() {
  const isScrolledOn = shallowRef(false)
  let last = 0
  /** Nothing moves under a thumb that presses: its tap would meet something else. A scrolling finger is no press any more. */
  let isPressed = false
  useEventListener(document, 'pointerdown', () => void (isPressed = true), { passive: true, capture: true })
  useEventListener(document, ['pointerup', 'pointercancel'], () => void (isPressed = false), { passive: true, capture: true })
  useEventListener(
    document,
    'scroll',
    event => {
      const { target } = event
      if (!(target instanceof HTMLElement) || target.id !== 'sheet') return
      const by = target.scrollTop - last
      last = target.scrollTop
      if (isPressed) return
      // Near its end nothing changes: the sheet grows as the tools fold, and would be pushed back again.
      if (target.scrollTop + target.clientHeight > target.scrollHeight - FROM_PX) return
      if (target.scrollTop < FROM_PX) isScrolledOn.value = false
      else if (Math.abs(by) > 4) isScrolledOn.value = by > 0
    },
    { passive: true, capture: true },
  )
  return { isScrolledOn }
}
