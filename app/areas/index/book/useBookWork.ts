import { useDebounceFn } from '@vueuse/core'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { IndexBook } from '#core/catalog'
import type { HandChange, Page } from '#core/printing'
import { type Crew, hire, plainly, type Progress, withProgress, WorkStopped } from '~/data/call'
import { useCatalogue } from '~/data/useCatalogue'
import { partialDay } from '~/kit/grammar'
import { useNotices } from '~/shell/useNotices'
import type { BookApi, BookOrder, Laid, Waiting, Yearly } from './book.worker'
import { useBookSources } from './useBookSources'
import { indexWords } from './words'

/** Typing and clicking rest for so long before a book is laid out anew. */
const RESTS_MS = 250

export interface Made {
  readonly url: string
  readonly blob: Blob
  readonly pages: number
  readonly missing: readonly string[]
}

/** A book in the hands of the one who lays it out and prints it: a worker of its own, that can be stopped. */
export function useBookWork(book: () => IndexBook | null) {
  const [catalogue, notices] = [useCatalogue(), useNotices()]
  const { codes, legend, sources } = useBookSources()
  const laid = shallowRef<Laid | null>(null)
  const isFresh = shallowRef(false)
  const progress = shallowRef<Progress | null>(null)
  const made = shallowRef<Made | null>(null)
  const waiting = shallowRef<Waiting | null>(null)
  const stopped = shallowRef<WorkStopped['code'] | null>(null)
  const summon = (): Crew<BookApi> => hire<BookApi>(new Worker(new URL('./book.worker.ts', import.meta.url), { type: 'module' }))
  let crew = summon()
  let asked = 0
  /** Something changed that is not laid out yet. */
  let isBehind = false

  function orderOf(of: IndexBook): BookOrder {
    const { roomName } = catalogue.settings
    const printedOn = partialDay(new Date().toISOString())
    return {
      book: plainly(of),
      sources: plainly(sources()),
      legend: legend(),
      codes: codes(of),
      roomName,
      printedOn,
      isFresh: isFresh.value,
    }
  }

  async function lay(): Promise<void> {
    const of = book()
    asked += 1
    const mine = asked
    isBehind = false
    if (!of) return void (laid.value = null)
    const found = await crew.run(api => api.lay(orderOf(of))).catch((reason: unknown) => told(reason))
    if (mine === asked && found) laid.value = found
  }
  function told(reason: unknown): null {
    stopped.value = reason instanceof WorkStopped ? reason.code : 'crashed'
    return null
  }
  const laySoon = useDebounceFn(lay, RESTS_MS)
  watch([book, isFresh, () => catalogue.tables, () => catalogue.settings], ([now], [before]) => {
    if (now?.id !== before?.id || now?.printings !== before?.printings) {
      forget()
      void lookForWaiting()
    }
    if (now?.id !== before?.id) {
      laid.value = null
      isFresh.value = false
      void lay()
    } else {
      isBehind = true
      void laySoon()
    }
  })
  void lay()

  /** What was made is asked about until somebody answers, also after a reload. */
  async function lookForWaiting(): Promise<void> {
    const of = book()
    const found = of && (await crew.run(api => api.waiting(of.id, of.printings)).catch(() => null))
    if (of?.id === book()?.id) waiting.value = found
  }
  void lookForWaiting()

  async function make(what: 'changed' | 'all'): Promise<void> {
    forget()
    stopped.value = null
    progress.value = { stage: 'laying', done: 0, total: 0 }
    try {
      if (isBehind) await lay()
      const result = await withProgress(
        told => {
          progress.value = told
        },
        tell => crew.run(api => api.print(what, tell)),
      )
      if (!result) return
      const blob = new Blob([result.pdf], { type: 'application/pdf' })
      made.value = { url: URL.createObjectURL(blob), blob, pages: result.pages, missing: result.missing }
      await lookForWaiting()
    } catch (reason) {
      told(reason)
      crew = summon()
      void lay()
    } finally {
      progress.value = null
    }
  }

  /** What came out well counts as printed from now on. */
  const confirm = (of: IndexBook, labels: readonly string[]): Promise<void> => count(of, api => api.confirm([...labels]))
  const confirmHand = (of: IndexBook): Promise<void> => count(of, api => api.confirmHand())
  async function count(of: IndexBook, call: Parameters<typeof crew.run<ReturnType<BookApi['confirmHand']>>>[0]): Promise<void> {
    const outcome = await crew.run(call)
    isFresh.value = false
    notices.tell(outcome.ok ? indexWords.confirmed(of, outcome.count) : indexWords.refused[outcome.code], outcome.ok ? 'done' : 'care')
    await lookForWaiting()
    if (!outcome.ok) await lay()
  }
  async function notPrinted(): Promise<void> {
    await crew.run(api => api.forgetWaiting())
    forget()
    waiting.value = null
  }

  function forget(): void {
    if (made.value) URL.revokeObjectURL(made.value.url)
    made.value = null
  }
  onScopeDispose(() => {
    crew.end()
    forget()
  })
  return {
    laid: computed(() => laid.value),
    isFresh: computed(() => isFresh.value),
    /** All of it laid anew, or kept as far as can be. */
    swingFresh: (): void => void (isFresh.value = !isFresh.value),
    progress,
    made,
    waiting: computed(() => waiting.value),
    stopped,
    make,
    confirm,
    confirmHand,
    notPrinted,
    pagesOf: (label: string): Promise<readonly Page[]> => crew.run(api => api.pages(label)).catch(() => []),
    yearly: (of: IndexBook): Promise<Yearly | null> => crew.run(api => api.yearly(orderOf(of))),
    handChanges: (): Promise<readonly HandChange[]> => crew.run(api => api.hand()),
    cancel: () => crew.end('cancelled'),
  }
}
export type BookWork = ReturnType<typeof useBookWork>
