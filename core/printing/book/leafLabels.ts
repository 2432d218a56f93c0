import { longestIncreasing } from '#core/refiling'

/** A label as two numbers that sort: 12 is (12, 0), 12a (12, 1), 12aa (12, 27). */
interface Place {
  readonly root: number
  readonly behind: number
}
const LETTERS = 26
const MOST_BEHIND = 1 + LETTERS + LETTERS ** 2

/** @example behindOf('aa') //=> 27 */
export const behindOf = (letters: string): number => [...letters].reduce((sum, letter) => sum * LETTERS + letter.charCodeAt(0) - 96, 0)
/** @example lettersOf(27) //=> 'aa' */
export function lettersOf(behind: number): string {
  let [left, text] = [behind, '']
  while (left > 0) {
    left -= 1
    text = String.fromCharCode(97 + (left % LETTERS)) + text
    left = Math.floor(left / LETTERS)
  }
  return text
}
function placeOf(label: string): Place {
  const [, root = '0', letters = ''] = /^(\d+)([a-z]*)$/.exec(label) ?? []
  return { root: Number(root), behind: behindOf(letters) }
}
const value = ({ root, behind }: Place): number => root * MOST_BEHIND * LETTERS + behind

/** The order of labels in the binder: 2, 12, 12a, 12b, 13. */
export const compareLabels = (a: string, b: string): number => value(placeOf(a)) - value(placeOf(b))

const written = ({ root, behind }: Place): string => `${root}${lettersOf(behind)}`
/** Behind a leaf; null: in front of the first. */
const nextBehind = (last: Place | null): Place => (last ? { root: last.root, behind: last.behind + 1 } : { root: 0, behind: 1 })

/**
 * Labels for leaves in their order, existing labels kept as far as possible: a new leaf between 12 and 13 is 12a, one in front of the
 * first 0a, and behind the last the numbers go on. If leaves have changed places, as many as possible keep their label. A new leaf between
 * 12 and 12a is 12a, and the old 12a becomes 12b. O(n log n).
 * @example labelsFor(['1', null, '2', null]) //=> ['1', '1a', '2', '3']
 */
export function labelsFor(had: readonly (string | null)[]): readonly string[] {
  const labelled = had.flatMap((label, at) => (label === null ? [] : [{ at, place: placeOf(label) }]))
  const increasing = longestIncreasing(labelled.map(({ place }) => value(place)))
  const kept = new Map(increasing.flatMap(i => (labelled[i] ? [[labelled[i].at, labelled[i].place]] : [])))
  const lastKept = Math.max(-1, ...kept.keys())
  let last: Place | null = null
  return [...had.keys()].map(at => {
    const own = kept.get(at)
    const next: Place = at < lastKept ? nextBehind(last) : { root: (last?.root ?? 0) + 1, behind: 0 }
    last = own && (last === null || value(own) > value(last)) ? own : next
    return written(last)
  })
}

/**
 * As above for a person who prints nothing: every leaf keeps its label, and a new leaf takes the next free one behind the leaf before it.
 * @example labelsByHand(['1', null, '1a']) //=> ['1', '1b', '1a']
 */
export function labelsByHand(had: readonly (string | null)[]): readonly string[] {
  const used = new Set(had)
  let last: Place | null = null
  return had.map(label => {
    last = label === null ? nextBehind(last) : placeOf(label)
    while (label === null && used.has(written(last))) last = nextBehind(last)
    used.add(written(last))
    return written(last)
  })
}
