import { type Kind, type Way, WAYS } from '#core/catalog'

/** A mark that the owner prints or sticks, with its one meaning: a way of going together, or a kind. */
export type LegendLine = { readonly mark: string } & (
  | { readonly way: Way; readonly kind: null }
  | { readonly way: null; readonly kind: Pick<Kind, 'id' | 'name'> }
)

/** Every mark in use, the ways first. Marks left empty are not in use. */
export function legendOf(
  marks: Readonly<Record<Way, string>>,
  kinds: readonly Pick<Kind, 'id' | 'name' | 'suffix'>[],
): readonly LegendLine[] {
  const ways = WAYS.map((way): LegendLine => ({ mark: marks[way].trim(), way, kind: null }))
  const suffixes = kinds.map(({ id, name, suffix }): LegendLine => ({ mark: suffix?.trim() ?? '', way: null, kind: { id, name } }))
  return [...ways, ...suffixes].filter(line => line.mark !== '')
}

/**
 * The present meaning of a mark that is to get a new one, ignoring case: each mark has one meaning. null: it is free. `own`: the way, or
 * the kind's id, that it is for.
 * @example secondMeaning('w', 'layersWith', legendOf(marks, [{ id: 'k', name: 'Wood mounted', suffix: 'W' }]))?.kind?.name
 * //=> 'Wood mounted'
 */
export function secondMeaning(mark: string, own: string, legend: readonly LegendLine[]): LegendLine | null {
  const asked = mark.trim().toLowerCase()
  return legend.find(line => line.mark.toLowerCase() === asked && (line.way ?? line.kind.id) !== own) ?? null
}
