import type { Holding } from '#core/catalog'
import { HALF_INCH_MM, roundMm } from '#core/units'

/** The facets of an answer, in the order in which they are shown. */
export const FACETS = ['kind', 'theme', 'brand', 'category', 'size', 'place', 'used', 'die'] as const
export type Facet = (typeof FACETS)[number]

/** The value of a set that has none, so that every set is counted under each facet. */
export const NOT_SAID = 'none'

/** Facts of a set that are not in its own record. */
export interface NarrowFacts {
  /** The container of a set; null: it has no place. */
  readonly containerOf: (holdingId: string) => string | null
  readonly hasDie: (holding: Holding) => boolean | null
  /** null: its use is unknown. */
  readonly wasUsed: (holdingId: string) => boolean | null
}

/** Sides are grouped to half an inch: sets sold in one size differ by some millimetres. Common practice. */
const SIZE_STEP_MM = HALF_INCH_MM
const inSteps = (mm: number): number => Math.max(1, Math.round(mm / SIZE_STEP_MM))
const yesOrNo = (is: boolean | null): readonly string[] => {
  if (is === null) return [NOT_SAID]
  return [is ? 'yes' : 'no']
}

/** The values of a set under each facet; a set has several themes. */
const VALUES: Readonly<Record<Facet, (holding: Holding, facts: NarrowFacts) => readonly string[]>> = {
  kind: ({ kindId }) => [kindId ?? NOT_SAID],
  theme: ({ themeIds }) => (themeIds.length > 0 ? themeIds : [NOT_SAID]),
  brand: ({ brandId }) => [brandId ?? NOT_SAID],
  category: ({ categoryId }) => [categoryId ?? NOT_SAID],
  size: ({ size }) => [size ? sizeClass(size.widthMm, size.heightMm) : NOT_SAID],
  place: ({ id }, { containerOf }) => [containerOf(id) ?? NOT_SAID],
  used: ({ id }, { wasUsed }) => yesOrNo(wasUsed(id)),
  die: (holding, { hasDie }) => yesOrNo(hasDie(holding)),
}

/** A size class: both sides in half inches, the shorter first, however the set lies. @example sizeClass(152.4, 101.6) //=> '8x12' */
export function sizeClass(widthMm: number, heightMm: number): string {
  return [inSteps(widthMm), inSteps(heightMm)].sort((a, b) => a - b).join('x')
}
/** The sides of a size class. @example sizeOfClass('8x12') //=> { widthMm: 101.6, heightMm: 152.4 } */
export function sizeOfClass(value: string): { readonly widthMm: number; readonly heightMm: number } {
  const [short = 1, long = 1] = value.split('x').map(Number)
  return { widthMm: roundMm(short * SIZE_STEP_MM), heightMm: roundMm(long * SIZE_STEP_MM) }
}

/** The chosen values of each facet; a set needs one of them. */
export type Narrowing = Readonly<Partial<Record<Facet, readonly string[]>>>

/** The sets that have one of the chosen values in every facet. O(sets x facets). */
export function narrowed(sets: readonly Holding[], chosen: Narrowing, facts: NarrowFacts): readonly Holding[] {
  const asked = FACETS.flatMap(facet => (chosen[facet]?.length ? [{ facet, wanted: new Set(chosen[facet]) }] : []))
  if (asked.length === 0) return sets
  return sets.filter(set => asked.every(({ facet, wanted }) => VALUES[facet](set, facts).some(value => wanted.has(value))))
}

/** One value and how many sets have it. */
export interface FacetCount {
  readonly value: string
  readonly count: number
}
/**
 * The values of each facet in an answer with their counts, the most frequent first. A facet is not narrowed by its own choice, so that
 * another of its values can be chosen. O(sets x facets).
 */
export function partings(sets: readonly Holding[], chosen: Narrowing, facts: NarrowFacts): Readonly<Record<Facet, readonly FacetCount[]>> {
  const all = narrowed(sets, chosen, facts)
  return Object.fromEntries(
    FACETS.map(facet => {
      const counts = new Map<string, number>()
      const { [facet]: own, ...others } = chosen
      for (const set of own?.length ? narrowed(sets, others, facts) : all)
        for (const value of VALUES[facet](set, facts)) counts.set(value, (counts.get(value) ?? 0) + 1)
      const list = [...counts].map(([value, count]): FacetCount => ({ value, count }))
      return [facet, list.sort((a, b) => b.count - a.count || (a.value < b.value ? -1 : 1))]
    }),
  ) as unknown as Record<Facet, readonly FacetCount[]>
}
