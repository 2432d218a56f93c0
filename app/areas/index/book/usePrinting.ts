import { onScopeDispose, shallowRef } from 'vue'
import type { IndexPartName } from '#core/printing'
import { indexWords } from './words'
import { partialDay } from '~/kit/grammar'
import { useKept } from '~/kit/useKept'
import { useCatalogue } from '~/data/useCatalogue'
import { type Crew, hire, type Progress, withProgress, WorkStopped } from '~/data/call'
import type { PrintApi, PrintSource } from './print.worker'
import { useDescribe } from '~/data/useDescribe'

/** What stands somewhere in a container comes behind what was looked at there. */
const BEHIND_ALL = Number.MAX_SAFE_INTEGER
/** The printed index, made in a worker that can be stopped. */
export function usePrinting() {
  const catalogue = useCatalogue()
  const isIndexMade = useKept('indexMade', false)
  const { addressOf, codeOf, lookUp, wayTo } = useDescribe()
  const progress = shallowRef<Progress | null>(null)
  const result = shallowRef<{ readonly url: string; readonly blob: Blob; readonly pages: number; readonly sets: number } | null>(null)
  const stopped = shallowRef<WorkStopped['code'] | null>(null)
  let crew: Crew<PrintApi> | null = null

  function sources(): readonly PrintSource[] {
    const rankOf = new Map(catalogue.containers.map((row, rank) => [row.container.id, rank]))
    return [...(catalogue.tables?.holdings.values() ?? [])].map((holding): PrintSource => {
      const placement = catalogue.room.placements.get(holding.id)
      const { figure, suffix } = codeOf(holding)
      return {
        accession: holding.number,
        themes: holding.themeIds.flatMap(id => lookUp('themes', id) ?? []).map(({ name, sharesPage }) => ({ name, sharesPage })),
        place: placement
          ? {
              heading: wayTo(placement.container),
              containerRank: rankOf.get(placement.container.id) ?? 0,
              position: placement.position ?? BEHIND_ALL,
            }
          : null,
        entry: {
          id: holding.id,
          figure,
          suffix,
          name: holding.name,
          brand: lookUp('brands', holding.brandId)?.name ?? '',
          address: addressOf(holding) ?? indexWords.noPlace,
          pictureHash: holding.pictureHash,
        },
      }
    })
  }

  async function make(paper: 'A4' | 'Letter', parts: readonly IndexPartName[]): Promise<void> {
    forget()
    stopped.value = null
    progress.value = { stage: 'laying', done: 0, total: 0 }
    const hands = hire<PrintApi>(new Worker(new URL('./print.worker.ts', import.meta.url), { type: 'module' }))
    crew = hands
    try {
      const all = sources()
      const order = {
        paper,
        parts,
        sources: all,
        title: indexWords.docTitle(catalogue.settings.roomName),
        partWords: {
          titles: indexWords.parts,
          noTheme: indexWords.noTheme,
          noPlace: indexWords.noPlace,
          numberRange: indexWords.numberRange,
        },
        bookWords: {
          roomName: catalogue.settings.roomName,
          madeOn: partialDay(new Date().toISOString()),
          pageOf: indexWords.pageOf,
          continued: indexWords.continued,
          range: indexWords.range,
        },
      }
      const { pdf, pages } = await withProgress(
        told => {
          progress.value = told
        },
        tell => hands.run(api => api.printIndex(order, tell)),
      )
      const blob = new Blob([pdf], { type: 'application/pdf' })
      isIndexMade.value = true
      result.value = { url: URL.createObjectURL(blob), blob, pages, sets: all.length }
    } catch (reason) {
      stopped.value = reason instanceof WorkStopped ? reason.code : 'crashed'
    } finally {
      hands.end('crashed')
      progress.value = null
    }
  }
  function forget(): void {
    if (result.value) URL.revokeObjectURL(result.value.url)
    result.value = null
  }
  onScopeDispose(() => {
    crew?.end()
    forget()
  })
  return { progress, result, stopped, make, cancel: () => crew?.end('cancelled') }
}
