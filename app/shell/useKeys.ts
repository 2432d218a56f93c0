import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { AREAS } from '~/areas'
import { useKept } from '~/kit/useKept'
import { useSteps } from './useSteps'

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input:not([type="checkbox"], [type="radio"], [type="range"]), textarea, select, [role="listbox"], [role="combobox"]'))
  )
}

/** Keys that work everywhere, as long as nothing is being typed. Who speaks to the machine can turn them off (WCAG 2.2, 2.1.4). */
export function useKeys() {
  const router = useRouter()
  const steps = useSteps()
  const isOpen = shallowRef(false)
  const areOn = useKept('single-keys', true)

  useEventListener('keydown', event => {
    if (
      !areOn.value ||
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      event.defaultPrevented ||
      isTyping(event.target) ||
      document.querySelector('[role="dialog"]')
    )
      return
    const act = actionFor(event.key)
    if (!act) return
    event.preventDefault()
    act()
  })

  function actionFor(key: string): (() => void) | undefined {
    const area = AREAS[Number(key) - 1]
    if (area) return () => void router.push(area.path)
    const actions: Readonly<Record<string, () => void>> = {
      '/': () => document.getElementById('ask')?.focus(),
      n: () => void router.push('/take-in'),
      u: () => void steps.undo(),
      U: () => void steps.redo(),
      '?': () => {
        isOpen.value = true
      },
    }
    return actions[key]
  }
  return { isOpen, areOn }
}
