import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'

type Ordered = { readonly order: string }

/**
 * The order keys on both sides of the gap behind `entries[index]` (-1: in front of everything). Two records made at
 * once in two tabs may share a key; the gap is then behind both.
 */
function gapBehind(entries: readonly Ordered[], index: number): readonly [string | null, string | null] {
  const front = entries[index]?.order ?? null
  const behind = entries.slice(index + 1).find(entry => front === null || entry.order > front)
  return [front, behind?.order ?? null]
}

/** A key for one new thing directly behind `entries[index]`. */
export function keyBehind(entries: readonly Ordered[], index: number): string {
  return generateKeyBetween(...gapBehind(entries, index))
}

/** `count` keys in order, all directly behind `entries[index]`. */
export function keysBehind(entries: readonly Ordered[], index: number, count: number): readonly string[] {
  return generateNKeysBetween(...gapBehind(entries, index), count)
}
