import { useDebounceFn } from '@vueuse/core'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { PageItem } from '#core/printing'
import { type Crew, hire, type Progress, withProgress, WorkStopped } from '~/data/call'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/shell/useNotices'
import type { CardOrder, CardsApi, CardsLaid } from './cards.worker'
import { cardWords } from './words'

const RESTS_MS = 200

/** Cards and lists in the hands of the one who sets and prints them: a worker of its own, that can be stopped. */
export function useCardWork(orderOf: (ratioOf: (hash: string) => number | null) => CardOrder | null, hashes: () => readonly string[]) {
  const [catalogue, notices] = [useCatalogue(), useNotices()]
  const laid = shallowRef<CardsLaid | null>(null)
  const progress = shallowRef<Progress | null>(null)
  const made = shallowRef<{
    readonly url: string
    readonly blob: Blob
    readonly pages: number
    readonly missing: readonly string[]
  } | null>(null)
  const waiting = shallowRef<{ readonly at: string; readonly count: number } | null>(null)
  const stopped = shallowRef<WorkStopped['code'] | null>(null)
  const summon = (): Crew<CardsApi> => hire<CardsApi>(new Worker(new URL('./cards.worker.ts', import.meta.url), { type: 'module' }))
  let crew = summon()
  let asked = 0
  let isBehind = false

  /** What is made meanwhile waits for it: else it would be made as it was before. */
  let laying: Promise<void> = Promise.resolve()
  const lay = (): Promise<void> => (laying = layNow())
  async function layNow(): Promise<void> {
    asked += 1
    const mine = asked
    isBehind = false
    try {
      const wanted = [...hashes()]
      const ratios = wanted.length > 0 ? await crew.run(api => api.ratios(wanted)) : new Map<string, number>()
      const order = orderOf(hash => ratios.get(hash) ?? null)
      const found = order && (await crew.run(api => api.lay(order)))
      if (mine === asked) laid.value = found
    } catch (reason) {
      told(reason)
    }
  }
  function told(reason: unknown): void {
    stopped.value = reason instanceof WorkStopped ? reason.code : 'crashed'
  }
  const laySoon = useDebounceFn(lay, RESTS_MS)
  /** Something was chosen: what was made is of before. */
  function change(): void {
    isBehind = true
    void laySoon()
  }
  watch([() => catalogue.tables, () => catalogue.steps], change)
  void lay()

  async function lookForWaiting(): Promise<void> {
    waiting.value = await crew.run(api => api.waiting()).catch(() => null)
  }
  void lookForWaiting()

  async function make(): Promise<void> {
    forgetMade()
    stopped.value = null
    progress.value = { stage: 'laying', done: 0, total: 0 }
    try {
      await (isBehind ? lay() : laying)
      const result = await withProgress(
        now => {
          progress.value = now
        },
        tell => crew.run(api => api.pdf(tell)),
      )
      if (!result) return
      const blob = new Blob([result.pdf], { type: 'application/pdf' })
      made.value = { url: URL.createObjectURL(blob), blob, pages: laid.value?.pages ?? 0, missing: result.missing }
      await lookForWaiting()
    } catch (reason) {
      told(reason)
      crew = summon()
      void lay()
    } finally {
      progress.value = null
    }
  }
  async function confirm(): Promise<void> {
    const count = await crew.run(api => api.confirm())
    notices.tell(cardWords.confirmed(count))
    forgetMade()
    waiting.value = null
    await lay()
  }
  async function notMade(): Promise<void> {
    await crew.run(api => api.forget())
    forgetMade()
    waiting.value = null
  }
  function forgetMade(): void {
    if (made.value) URL.revokeObjectURL(made.value.url)
    made.value = null
  }
  onScopeDispose(() => {
    crew.end()
    forgetMade()
  })
  return {
    laid: computed(() => laid.value),
    progress: computed(() => progress.value),
    made: computed(() => made.value),
    waiting: computed(() => waiting.value),
    stopped: computed(() => stopped.value),
    change,
    make,
    confirm,
    notMade,
    itemsOf: (page: number): Promise<readonly PageItem[]> => crew.run(api => api.items(page)).catch(() => []),
    cancel: () => crew.end('cancelled'),
  }
}
export type CardWork = ReturnType<typeof useCardWork>
