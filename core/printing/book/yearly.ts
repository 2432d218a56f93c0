import type { IndexBook } from '#core/catalog'
import { changesOf } from './changes'
import { leafShape } from './flow'
import { layLeaves } from './leaves'
import type { PrintedLeaf } from './refill'
import type { BookSource } from './wanted'
import { wantedWays, type WayWords } from './ways'

/**
 * How many leaves would have been printed if the book had been printed at each of some moments, the first time whole: those of the
 * first time do not count. `states`: the sets at each moment, the earliest first. O(states x lines).
 */
export function leavesPrinted(book: IndexBook, states: readonly (readonly BookSource[])[], words: WayWords): number {
  const choices = { shape: leafShape(book), freeShare: book.freeShare, ownLeafFrom: book.ownLeafFrom, isByHand: false }
  let [printed, count]: [readonly PrintedLeaf[], number] = [[], 0]
  for (const sources of states) {
    const leaves = layLeaves(wantedWays(book.ways, sources, book, words), printed, choices)
    if (printed.length > 0) count += changesOf(leaves, printed).toPrint.length
    printed = leaves.map(({ label, way, group, content }) => ({ id: label, label, way, group, ...content }))
  }
  return count
}
