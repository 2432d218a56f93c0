import { computed, shallowRef, watch } from 'vue'
import type { Page } from '#core/printing'
import { pressWords } from '~/subjects/press/words'
import { usePress } from '~/subjects/press/usePress'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import { plainly } from '~/kit/plainly'
import type { Waiting } from '~/subjects/press/waiting'
import type { CardOrder, CardsApi, CardsLaid } from './cards.worker'
import { cardWords } from './words'

/** Cards and lists in the hands of the one who sets and prints them. */
export function useCardWork(orderOf: (ratioOf: (hash: string) => number | null) => CardOrder | null, hashes: () => readonly string[]) {
  const [catalogue, notices] = [useCatalogue(), useNotices()]
  /** Pictures that the sets name and this browser no longer has. */
  const gone = shallowRef(0)
  const press = usePress<CardsApi, CardsLaid>(
    () => new Worker(new URL('../press.worker.ts', import.meta.url), { type: 'module', name: 'cards' }),
    {
      async layOut(run) {
        const wanted = [...new Set(hashes())]
        const ratios = wanted.length > 0 ? await run(api => api.ratios(wanted)) : new Map<string, number>()
        gone.value = wanted.length - ratios.size
        const order = orderOf(hash => ratios.get(hash) ?? null)
        return order && (await run(api => api.lay(order)))
      },
      askWaiting: run => run(api => api.waiting()),
    },
  )
  watch([() => catalogue.tables, () => catalogue.steps], press.change)

  async function confirm(asked: Waiting, well: readonly string[]): Promise<void> {
    const count = await press.run(api => api.confirm(plainly(asked), [...well]))
    notices.tell(count > 0 ? cardWords.confirmed(count) : pressWords.answered, count > 0 ? 'done' : 'care')
    await answered()
    await press.lay()
  }
  async function notMade(asked: Waiting): Promise<void> {
    await press.run(api => api.forget(plainly(asked)))
    await answered()
  }
  async function answered(): Promise<void> {
    press.forget()
    await press.lookForWaiting()
  }
  return {
    press,
    laid: press.laid,
    gone: computed(() => gone.value),
    change: press.change,
    make: (): Promise<void> => press.make(tell => press.run(api => api.pdf(tell))),
    confirm,
    notMade,
    pagesOf: (page: number): Promise<readonly Page[]> => press.run(api => api.pages(page)).catch(() => []),
  }
}
