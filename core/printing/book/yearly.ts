import type { IndexBook } from '#core/catalog'
import { changesOf } from './changes'
import { leafShape } from './flow'
import { layLeaves } from './leaves'
import type { PrintedLeaf } from './refill'
import type { BookSource } from './wanted'
import { wantedWays, type WayWords } from './ways'

/**
 * Number of leaves printed if the book is printed at each of several moments; the first, whole printing does not count. `states`: the sets
 * at each moment, earliest first. O(states x lines).
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
