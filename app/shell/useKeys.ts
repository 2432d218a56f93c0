import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { AREAS } from '~/areas'
import { useFetch } from '~/subjects/walk/useFetch'
import { useCatalogue } from '~/data/useCatalogue'
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
  const [catalogue, fetch] = [useCatalogue(), useFetch()]
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
      p: pull,
      b: () => void router.push('/find/out'),
      u: () => void steps.undo(),
      U: () => void steps.redo(),
      '?': () => {
        isOpen.value = true
      },
    }
    return actions[key]
  }
  /** The set that is marked on the mat, or whose slip is open, goes on the pull list; where there is none the list opens. */
  function pull(): void {
    const marked = document.activeElement instanceof HTMLElement ? document.activeElement.closest<HTMLElement>('[data-set]') : null
    const { set } = router.currentRoute.value.query
    const id = marked?.dataset.set ?? (typeof set === 'string' ? set : '')
    if (catalogue.tables?.holdings.has(id)) void fetch.pull([id])
    else void router.push('/find/pull')
  }
  return { isOpen, areOn }
}
