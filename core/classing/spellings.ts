import { brandStem, initials, squeezed } from './normalise'
import { jaroWinkler } from './jaroWinkler'

/** Why two spellings look like one maker. The order is the order of certainty. */
export type JoinReason = 'sameLetters' | 'sameStem' | 'initials' | 'nearSpelling'

/** Spellings that would be joined under one preferred name; every one of them can be refused. */
export interface SpellingGroup {
  readonly preferred: string
  readonly spellings: readonly { readonly text: string; readonly count: number; readonly because: JoinReason }[]
}

/** From 0.93 on, two stems of five letters or more are usually one slip of the pen apart. */
const NEAR = 0.93

/**
 * Longer than this it is a sentence and no name: only the same letters join it. It also bounds the work on a column taken for
 * brands by mistake.
 */
const LONGEST_NAME = 60
/**
 * Two names that differ more in length than this cannot come to `NEAR`: with every letter of the shorter in the longer,
 * Winkler's bonus and all.
 */
const LEAST_LENGTH_RATIO = 0.65

/** What of a spelling is compared: worked out once, not for every pair. */
interface Form {
  readonly letters: string
  readonly stem: string
  readonly initials: string
}
const formOf = (text: string): Form => ({ letters: squeezed(text), stem: brandStem(text), initials: initials(text) })

function formLikeness(a: Form, b: Form): JoinReason | null {
  // Signs alone say nothing: "?" is not the maker "-".
  if (a.letters === '' || b.letters === '') return null
  if (a.letters === b.letters) return 'sameLetters'
  if (a.stem === b.stem) return 'sameStem'
  const [short, long] = a.stem.length < b.stem.length ? [a, b] : [b, a]
  const shortLetters = short.letters.replace('and', '')
  if (shortLetters.length <= 3 && long.initials.length >= 2 && shortLetters === long.initials) return 'initials'
  const isComparable =
    short.stem.length >= 5 && long.stem.length <= LONGEST_NAME && short.stem.length >= LEAST_LENGTH_RATIO * long.stem.length
  return isComparable && jaroWinkler(a.stem, b.stem) >= NEAR ? 'nearSpelling' : null
}
/** Why two spellings look like one maker, or null. The same both ways. */
export function likeness(a: string, b: string): JoinReason | null {
  return formLikeness(formOf(a), formOf(b))
}

/**
 * Groups spellings that look like one maker. A spelling joins the most frequent name it is like; groups do not chain
 * (a like b, b like c never joins c to a). Names already known (`known`, preferred spelling and variants) lead.
 * O(k * g) for k spellings and g groups.
 */
export function groupSpellings(
  counts: ReadonlyMap<string, number>,
  known: readonly { readonly name: string; readonly variants: readonly string[] }[] = [],
): readonly SpellingGroup[] {
  interface Open {
    preferred: string
    names: readonly Form[]
    spellings: { text: string; count: number; because: JoinReason }[]
  }
  const groups: Open[] = known.map(({ name, variants }) => ({ preferred: name, names: [name, ...variants].map(formOf), spellings: [] }))
  const tidy = (text: string): string => text.trim().replace(/\s+/g, ' ')
  const byCount = [...counts].sort(([a, m], [b, n]) => n - m || wellWritten(b) - wellWritten(a) || (a < b ? -1 : 1))
  for (const [text, count] of byCount) {
    const form = formOf(text)
    const found = groups
      .map(group => ({ group, because: strongest(group.names.map(name => formLikeness(name, form))) }))
      .filter((each): each is { group: Open; because: JoinReason } => each.because !== null)
      .sort((a, b) => ORDER.indexOf(a.because) - ORDER.indexOf(b.because))[0]
    if (found) found.group.spellings.push({ text, count, because: found.because })
    else groups.push({ preferred: tidy(text), names: [form], spellings: [{ text, count, because: 'sameLetters' }] })
  }
  return groups.filter(group => group.spellings.length > 0).map(({ preferred, spellings }) => ({ preferred, spellings }))
}

const ORDER: readonly JoinReason[] = ['sameLetters', 'sameStem', 'initials', 'nearSpelling']

function strongest(reasons: readonly (JoinReason | null)[]): JoinReason | null {
  return ORDER.find(reason => reasons.includes(reason)) ?? null
}

/** Capitals at the start of words, no double spaces: the spelling somebody took care over. */
function wellWritten(text: string): number {
  return Number(/^\p{Lu}/u.test(text)) + Number(text === text.trim() && !/\s{2}/.test(text)) + Number(text !== text.toUpperCase())
}
