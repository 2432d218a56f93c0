import type { Holding } from '#core/catalog'
import { readShelf } from '#core/finding'
import { useCatalogue } from '~/data/useCatalogue'
import { useDescribe } from '~/data/useDescribe'

/** The set that a number means, as it is typed or stands in the code of a label: `88`, `#88`, `4 D`. */
export function useSetByNumber() {
  const catalogue = useCatalogue()
  const { codeOf } = useDescribe()
  return (written: string): Holding | null => {
    const text = written.trim()
    if (text === '') return null
    const found = readShelf(/^\d/.test(text) ? `#${text}` : text, {
      rows: catalogue.room.rows,
      patterns: catalogue.settings.addressPatterns,
      holdings: catalogue.tables?.holdings ?? new Map(),
      codeOf,
    }).find(each => each.as === 'number')
    return catalogue.tables?.holdings.get(found && 'ids' in found ? (found.ids[0] ?? '') : '') ?? null
  }
}
