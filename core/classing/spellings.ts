import { brandStem, initials, squeezed } from './normalise'
import { jaroWinkler } from './jaroWinkler'

/** Why two spellings look like one maker. The order is the order of certainty. */
export type JoinReason = 'sameLetters' | 'sameStem' | 'initials' | 'nearSpelling'

/** Spellings that would be joined under one preferred name; every one of them can be refused. */
export interface SpellingGroup {
  readonly preferred: string
  readonly spellings: readonly { readonly text: string, readonly count: number, readonly because: JoinReason }[]
}

/** From 0.93 on, two stems of five letters or more are usually one slip of the pen apart. */
const NEAR = 0.93

export function likeness(a: string, b: string): JoinReason | null {
  if (squeezed(a) === squeezed(b)) return 'sameLetters'
  const [stemA, stemB] = [brandStem(a), brandStem(b)]
  if (stemA === stemB) return 'sameStem'
  const [shortName, longName] = stemA.length < stemB.length ? [a, b] : [b, a]
  if (squeezed(shortName).replace('and', '').length <= 3 && initials(longName).length >= 2
    && squeezed(shortName).replace('and', '') === initials(longName)) return 'initials'
  return Math.min(stemA.length, stemB.length) >= 5 && jaroWinkler(stemA, stemB) >= NEAR ? 'nearSpelling' : null
}

/**
 * Groups spellings that look like one maker. A spelling joins the most frequent name it is like; groups do not chain
 * (a like b, b like c never joins c to a). Names already known (`known`, preferred spelling and variants) lead.
 * O(k * g) for k spellings and g groups.
 */
export function groupSpellings(
  counts: ReadonlyMap<string, number>, known: readonly { readonly name: string, readonly variants: readonly string[] }[] = [],
): readonly SpellingGroup[] {
  interface Open { preferred: string, names: readonly string[], spellings: { text: string, count: number, because: JoinReason }[] }
  const groups: Open[] = known.map(({ name, variants }) => ({ preferred: name, names: [name, ...variants], spellings: [] }))
  const tidy = (text: string): string => text.trim().replace(/\s+/g, ' ')
  const byCount = [...counts].sort(([a, m], [b, n]) => n - m || wellWritten(b) - wellWritten(a) || (a < b ? -1 : 1))
  for (const [text, count] of byCount) {
    const found = groups
      .map(group => ({ group, because: strongest(group.names.map(name => likeness(name, text))) }))
      .filter((each): each is { group: Open, because: JoinReason } => each.because !== null)
      .sort((a, b) => ORDER.indexOf(a.because) - ORDER.indexOf(b.because))[0]
    if (found) found.group.spellings.push({ text, count, because: found.because })
    else groups.push({ preferred: tidy(text), names: [text], spellings: [{ text, count, because: 'sameLetters' }] })
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
