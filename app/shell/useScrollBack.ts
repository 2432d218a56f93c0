import { onScopeDispose } from 'vue'
import { useRouter } from 'vue-router'

/** A page that is not as long as it was after so much time keeps the place it has. */
const GROWS_MS = 10_000
/** Signs of a person at the page. */
const SIGNS = ['wheel', 'touchmove', 'keydown', 'pointerdown'] as const
const keyOf = (position: number): string => `scrolled ${position}`

/**
 * Back and a reload bring the sheet to where it was; a new page begins at its top. `window` has its own memory for this, the
 * sheet that every page lies on has none.
 */
export function useScrollBack(): void {
  const router = useRouter()
  const sheet = (): HTMLElement | null => document.getElementById('sheet')
  const here = (): number => Number(router.options.history.state.position ?? 0)
  let position = here()
  let run = 0
  const remember = (): void => {
    const { scrollTop = 0, scrollHeight = 0 } = sheet() ?? {}
    try {
      sessionStorage.setItem(keyOf(position), `${scrollTop} ${scrollHeight}`)
    } catch {
      // A browser that keeps nothing for a tab: then every page begins at its top.
    }
  }
  /** Where the sheet lay when this page was left, and how long the page was. */
  function recall(): readonly [top: number, height: number] {
    try {
      const [top = 0, height = 0] = (sessionStorage.getItem(keyOf(here())) ?? '').split(' ').map(Number)
      return [top, height]
    } catch {
      return [0, 0]
    }
  }
  function scrollTo([top, height]: readonly [top: number, height: number]): void {
    run += 1
    sheet()?.style.removeProperty('overflow-anchor')
    step(top, height, run, performance.now() + GROWS_MS)
  }
  /**
   * As soon as the page is long enough. What is filled in above moves nothing until the page is as long as it was: it was there
   * when the page was left. A page that was left is let go.
   */
  function step(top: number, height: number, mine: number, until: number): void {
    if (mine !== run) return
    const target = sheet()
    const isLongEnough = target !== null && target.scrollHeight - target.clientHeight >= top
    if (isLongEnough) {
      target.scrollTop = top
      target.style.overflowAnchor = 'none'
    }
    const isAsItWas = isLongEnough && target.scrollHeight >= height
    if (isAsItWas || performance.now() >= until) target?.style.removeProperty('overflow-anchor')
    else requestAnimationFrame(() => step(top, height, mine, until))
  }
  /** Whoever does something meanwhile is left alone. The page moves the sheet too, as it is filled in: that is no sign of a person. */
  function leaveAlone(): void {
    run += 1
    sheet()?.style.removeProperty('overflow-anchor')
  }
  for (const sign of SIGNS) addEventListener(sign, leaveAlone, { capture: true, passive: true })
  const stopBefore = router.beforeEach(remember)
  const stopAfter = router.afterEach((to, from) => {
    const isOtherPage = to.path !== from.path
    position = here()
    if (isOtherPage) requestAnimationFrame(() => scrollTo(recall()))
  })
  addEventListener('pagehide', remember)
  void router.isReady().then(() => scrollTo(recall()))
  onScopeDispose(() => {
    stopBefore()
    stopAfter()
    removeEventListener('pagehide', remember)
    for (const sign of SIGNS) removeEventListener(sign, leaveAlone, { capture: true })
  })
}
