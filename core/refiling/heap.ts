import { type Holder, type Holding, newHolder } from '#core/catalog'
import { keysBehind } from '#core/room'

/**
 * Holders for sets that have no place yet, as a heap on the table in order of number; a set cut in two gets two. `newId` makes their ids.
 * O(n log n).
 * @example heapOf([stamp, die], newId).length //=> 2
 */
export function heapOf(waiting: readonly Holding[], newId: () => string): readonly Holder[] {
  const halves = waiting
    .toSorted((a, b) => a.number - b.number || (a.id < b.id ? -1 : 1))
    .flatMap(each => (each.isCutInTwo ? [each, each] : [each]))
  const keys = keysBehind([], -1, halves.length)
  return halves.map((holding, at) => newHolder(newId(), holding, { containerId: '', lane: 1, order: keys[at] ?? '', cell: null }))
}
