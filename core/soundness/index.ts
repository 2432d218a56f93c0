import type { CatalogueData } from '#core/catalog'
import { type Edit, edited, type Finding, type Given } from './finding'
import { lostReferences } from './references'
import { numbers, places, refilings, settingsAndSeries } from './room'
import { lists, loans, pictures, standing } from './sets'

export type { Finding, FindingCode, Given } from './finding'
export { repair, type Repair } from './repair'

/** What must hold of every catalogue, whatever was done before. */
const CHECKS: readonly ((data: CatalogueData, given: Given) => Iterable<Finding>)[] = [
  settingsAndSeries,
  lostReferences,
  numbers,
  refilings,
  places,
  standing,
  loans,
  lists,
  pictures,
]

/**
 * All that is not as it should be in a catalogue whose records are each as their schema has them. Every command leaves a room in which
 * nothing is found. O(records).
 */
export const findingsIn = (data: CatalogueData, given: Given): readonly Finding[] => CHECKS.flatMap(check => [...check(data, given)])

/** A catalogue with everything mended that can be. */
export interface Mended {
  readonly data: CatalogueData
  readonly edits: readonly Edit[]
  /** What was mended, in the order in which it was found. What only came to light by a mending is among it. */
  readonly mended: readonly Finding[]
  /** What only somebody who knows can make right. */
  readonly left: readonly Finding[]
}
/** One mending may bring another to light; so often it does not. */
const MOST_ROUNDS = 40

const keyOf = (edit: Edit): string => `${edit.table} ${'put' in edit ? edit.put.id : edit.remove}`

/**
 * Mends all that can be mended. Of two findings that change one record the second waits for the next round, in which it is looked at
 * anew. O(records) a round.
 */
export function mend(data: CatalogueData, given: Given): Mended {
  const [edits, mended]: [Edit[], Finding[]] = [[], []]
  let now = data
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const found = findingsIn(now, given)
    const changed = new Set<string>()
    const chosen = found.filter(({ mend }) => {
      if (!mend || mend.some(edit => changed.has(keyOf(edit)))) return false
      for (const edit of mend) changed.add(keyOf(edit))
      return true
    })
    if (chosen.length === 0) return { data: now, edits, mended, left: found }
    const made = chosen.flatMap(({ mend }) => mend ?? [])
    now = edited(now, made)
    edits.push(...made)
    mended.push(...chosen)
  }
  return { data: now, edits, mended, left: findingsIn(now, given) }
}
