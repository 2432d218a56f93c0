import { computed, shallowRef, watch } from 'vue'
import type { IndexBook } from '#core/catalog'
import type { HandChange, Page } from '#core/printing'
import { usePress } from '~/subjects/press/usePress'
import { plainly } from '~/kit/plainly'
import { useCatalogue } from '~/data/useCatalogue'
import { partialDay } from '#core/grammar'
import { useNotices } from '~/kit/useNotices'
import type { Waiting } from '~/subjects/press/waiting'
import type { BookApi, Laid } from './book.worker'
import type { BookOrder } from './bookLayout'
import { useBookSources } from './useBookSources'
import type { Yearly } from './yearly'
import { indexWords } from './words'

/** A book in the hands of the one who lays it out and prints it. */
export function useBookWork(book: () => IndexBook | null) {
  const [catalogue, notices] = [useCatalogue(), useNotices()]
  const { codes, legend, sources } = useBookSources()
  const isFresh = shallowRef(false)

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
  const press = usePress<BookApi, Laid>(
    () => new Worker(new URL('../press.worker.ts', import.meta.url), { type: 'module', name: 'book' }),
    {
      async layOut(run) {
        const of = book()
        return of && (await run(api => api.lay(orderOf(of))))
      },
      async askWaiting(run) {
        const of = book()
        return of ? run(api => api.waiting(of.id, of.printings)) : []
      },
    },
  )
  watch([book, isFresh, () => catalogue.tables, () => catalogue.settings], ([now], [before]) => {
    if (now?.id !== before?.id || now?.printings !== before?.printings) {
      press.forget()
      void press.lookForWaiting()
    }
    if (now?.id === before?.id) return press.change()
    press.clear()
    isFresh.value = false
    void press.lay()
  })

  /** What came out well counts as printed from now on. */
  const confirm = (of: IndexBook, asked: Waiting, labels: readonly string[]): Promise<void> =>
    count(of, api => api.confirm(plainly(asked), [...labels]))
  const confirmHand = (of: IndexBook): Promise<void> => count(of, api => api.confirmHand())
  async function count(of: IndexBook, call: Parameters<typeof press.run<ReturnType<BookApi['confirmHand']>>>[0]): Promise<void> {
    const outcome = await press.run(call)
    isFresh.value = false
    notices.tell(outcome.ok ? indexWords.confirmed(of, outcome.count) : indexWords.refused[outcome.code], outcome.ok ? 'done' : 'care')
    await press.lookForWaiting()
    if (!outcome.ok) await press.lay()
  }
  async function notPrinted(asked: Waiting): Promise<void> {
    await press.run(api => api.forget(plainly(asked)))
    press.forget()
    await press.lookForWaiting()
  }
  return {
    press,
    laid: press.laid,
    isFresh: computed(() => isFresh.value),
    /** All of it laid anew, or kept as far as can be. */
    swingFresh: (): void => void (isFresh.value = !isFresh.value),
    make: (what: 'changed' | 'all'): Promise<void> => press.make(tell => press.run(api => api.print(what, tell))),
    confirm,
    confirmHand,
    notPrinted,
    pagesOf: (label: string): Promise<readonly Page[]> => press.run(api => api.pages(label)).catch(() => []),
    yearly: (of: IndexBook): Promise<Yearly | null> => press.run(api => api.yearly(orderOf(of))),
    handChanges: (): Promise<readonly HandChange[]> => press.run(api => api.hand()),
  }
}
export type BookWork = ReturnType<typeof useBookWork>
