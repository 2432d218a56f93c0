import type { Labelled, LabelTemplateId } from '#core/catalog'

/** A set as a label names it. */
export interface LabelledSet {
  readonly id: string
  /** The number and its suffix. */
  readonly figure: string
  readonly suffix: string
  readonly name: string
  readonly brand: { readonly name: string; readonly abbreviation: string | null } | null
}

/** A thing that carries a label: a set, a pocket that several share, a cell, a container or a divider tab. */
export interface LabelThing {
  /** As `Label.of`. */
  readonly of: string
  readonly kind: Labelled
  readonly template: LabelTemplateId
  /** The set, or the sets that share it; empty for a place. */
  readonly sets: readonly LabelledSet[]
  /** For a place: its address or name, and its other name. */
  readonly title: string
  readonly detail: string
  /** Its position in walking order: the container, and how far in it. Infinity: no place yet. */
  readonly rank: number
  readonly position: number
}

/** Words that the labels themselves need. */
export interface LabelWords {
  readonly sets: (count: number) => string
}

/** In the order of their places, so that a strip is stuck along the row; things without a place last, by number. O(n log n). */
export function inFilingOrder(things: readonly LabelThing[]): readonly LabelThing[] {
  const numberOf = ({ sets }: LabelThing): number => Number(sets[0]?.figure.replace(/\D/g, '') ?? 0)
  // Two things without a place: the difference of infinities is NaN.
  const by = (a: number, b: number): number => {
    if (a === b) return 0
    return a < b ? -1 : 1
  }
  return [...things].sort(
    (a, b) => by(a.rank, b.rank) || by(a.position, b.position) || by(numberOf(a), numberOf(b)) || (a.of < b.of ? -1 : 1),
  )
}
