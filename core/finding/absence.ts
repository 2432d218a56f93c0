/** One part of an ask, with all sets that answer to it alone. `text` tells it apart from the others. */
export interface Atom {
  readonly text: string
  readonly ids: ReadonlySet<string>
}
/** What there is if one part of the ask is given up. */
export interface Nearest {
  readonly without: string
  readonly ids: readonly string[]
}
export interface Absence {
  /** Parts that no set of the room answers to. */
  readonly missing: readonly string[]
  /** The nearest answers, each by giving up one part; the most sets last, as those nearest to the ask are few. */
  readonly nearest: readonly Nearest[]
}

/**
 * Why an ask of several parts has no answer, and the nearest answers by giving up one part each. O(atoms squared x sets).
 * @example absenceOf([{ text: 'kelp', ids: new Set(['a']) }, { text: 'blue', ids: new Set() }])
 * //=> { missing: ['blue'], nearest: [{ without: 'blue', ids: ['a'] }] }
 */
export function absenceOf(atoms: readonly Atom[]): Absence {
  const nearest = atoms.flatMap((dropped): Nearest[] => {
    const [first, ...others] = atoms.filter(atom => atom !== dropped).toSorted((a, b) => a.ids.size - b.ids.size)
    const ids = first ? [...first.ids].filter(id => others.every(other => other.ids.has(id))) : []
    return ids.length > 0 ? [{ without: dropped.text, ids }] : []
  })
  return {
    missing: atoms.filter(({ ids }) => ids.size === 0).map(({ text }) => text),
    nearest: nearest.toSorted((a, b) => a.ids.length - b.ids.length || (a.without < b.without ? -1 : 1)),
  }
}
