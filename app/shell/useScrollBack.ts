import { onScopeDispose } from 'vue'
import { useRouter } from 'vue-router'

/** A page that has not its full length after so long keeps the place it has. */
const GROWS_MS = 10_000
/** So long what is filled in above moves nothing: it was there when the page was left. */
const SETTLES_MS = 2000
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
    try {
      sessionStorage.setItem(keyOf(position), String(sheet()?.scrollTop ?? 0))
    } catch {
      // A browser that keeps nothing for a tab: then every page begins at its top.
    }
  }
  function recall(): number {
    try {
      return Number(sessionStorage.getItem(keyOf(here())) ?? 0)
    } catch {
      return 0
    }
  }
  /** As soon as the page is long enough. Whoever scrolls meanwhile is left alone, and a page that was left is let go. */
  function scrollTo(top: number): void {
    run += 1
    step(top, run, performance.now() + GROWS_MS, -1)
  }
  function step(top: number, mine: number, until: number, last: number): void {
    const target = sheet()
    if (mine !== run || (target && last >= 0 && target.scrollTop !== last)) return
    if (target && target.scrollHeight - target.clientHeight >= top) {
      target.scrollTop = top
      target.style.overflowAnchor = 'none'
      setTimeout(() => target.style.removeProperty('overflow-anchor'), SETTLES_MS)
    } else if (performance.now() < until) requestAnimationFrame(() => step(top, mine, until, target?.scrollTop ?? -1))
  }
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
  })
}
