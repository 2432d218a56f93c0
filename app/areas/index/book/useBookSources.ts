import type { IndexBook } from '#core/catalog'
import type { Meaning } from '#core/printing'
import { writeByPattern } from '#core/room'
import { laneName } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'
import { type PlainSource, sourcesIn } from './sources'

/** All that a book is made of, as the catalogue has it now. */
export function useBookSources() {
  const catalogue = useCatalogue()
  const { wayTo } = useDescribe()
  const sources = (): readonly PlainSource[] => (catalogue.tables ? sourcesIn(catalogue.tables, catalogue.settings, catalogue.room) : [])

  /** What may stand behind a number, and the one thing it means. */
  const legend = (): readonly Meaning[] =>
    [...(catalogue.tables?.kinds.values() ?? [])].flatMap(({ suffix, name }) =>
      suffix?.trim() ? [{ mark: suffix.trim(), text: name }] : [],
    )

  /** How codes of containers are read, row by row where there are several. Only where a book shows where things are. */
  function codes({ code, ways }: IndexBook): readonly Meaning[] {
    if (code === 'number' && !ways.includes('place')) return []
    return catalogue.containers.flatMap(({ container }) =>
      Array.from({ length: container.lanes }, (_, at) => ({
        mark: writeByPattern('{code}{lane}', { container, lane: at + 1, cell: null, position: 1 }),
        text: [wayTo(container), container.lanes > 1 ? laneName(at + 1, container.lanes) : ''].filter(Boolean).join(', '),
      })),
    )
  }
  return { codes, legend, sources }
}
