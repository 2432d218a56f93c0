import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'

type Ordered = { readonly order: string }

/**
 * The order keys on both sides of the gap behind `entries[index]` (-1: the front). Two records made at once in two tabs may share a key;
 * the gap is then behind both.
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

/** Keys for holders that are set down, and new keys for those behind them that shared the key in front of the gap. */
export interface SetDown {
  readonly keys: readonly string[]
  readonly rekeyed: readonly { readonly index: number; readonly order: string }[]
}

/**
 * `count` keys directly behind `entries[index]`. Entries behind it with the same key get new keys in their order, so that the gap really
 * lies between them. O(entries).
 * @example setDownBehind([{ order: 'a0' }, { order: 'a0' }], 0, 1) //=> { keys: ['a1'], rekeyed: [{ index: 1, order: 'a2' }] }
 */
export function setDownBehind(entries: readonly Ordered[], index: number, count: number): SetDown {
  const front = entries[index]?.order
  const tied = entries.flatMap((entry, at) => (at > index && entry.order === front ? [at] : []))
  const keys = keysBehind(entries, index, count + tied.length)
  return { keys: keys.slice(0, count), rekeyed: tied.map((at, which) => ({ index: at, order: keys[count + which] ?? '' })) }
}
