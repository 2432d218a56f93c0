/** One part of an ask, with all sets that match it alone. `text` is its id. */
export interface Atom {
  readonly text: string
  readonly ids: ReadonlySet<string>
}
/** The sets that match if one part of the ask is given up. */
export interface Nearest {
  readonly without: string
  readonly ids: readonly string[]
}
export interface Absence {
  /** Parts that match no set of the room. */
  readonly missing: readonly string[]
  /** One answer for each part that could be given up; the fewest sets first, as these are nearest to the ask. */
  readonly nearest: readonly Nearest[]
}

/**
 * Why an ask of several parts has no answer, and the answers without one part each. O(atoms squared x sets).
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
