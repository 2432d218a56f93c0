import { type Kind, type Way, WAYS } from '#core/catalog'

/** One mark that the owner prints or sticks, and the one thing it means: a way of going together, or a kind. */
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
 * What a mark means already, when it is to mean something else: a mark has exactly one meaning, large or small letters
 * alike. null: it is free. `own` is the way, or the id of the kind, that it is for.
 * @example secondMeaning('w', 'layersWith', legendOf(marks, [{ id: 'k', name: 'Wood mounted', suffix: 'W' }]))?.kind?.name
 * //=> 'Wood mounted'
 */
export function secondMeaning(mark: string, own: string, legend: readonly LegendLine[]): LegendLine | null {
  const asked = mark.trim().toLowerCase()
  return legend.find(line => line.mark.toLowerCase() === asked && (line.way ?? line.kind.id) !== own) ?? null
}
