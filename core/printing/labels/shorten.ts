import { SHORT_WORDS } from '#core/grammar'

/** How a text was made to fit. */
export type ShortenedHow = 'abbreviation' | 'shortForms' | 'letters'
export interface Shortened {
  readonly text: string
  /** null: it fits whole. */
  readonly how: ShortenedHow | null
}

/** Short forms of the craft, then small words. Common practice. */
const SHORT_FORMS = [...SHORT_WORDS, { long: 'with', written: 'w/' }, { long: 'and', written: '&' }]
const EVERY = SHORT_FORMS.flatMap(({ long, written }) =>
  written === null ? [] : [{ find: new RegExp(`(?<![\\p{L}\\p{N}])${long}(?![\\p{L}\\p{N}])`, 'giu'), short: written }],
)
const VOWEL = /[aeiouyàáâäåãèéêëìíîïòóôöõøùúûüýæœ]/iu
/** Words keep so many letters at least before last words are left out. */
const LEAST_LETTERS = 3

/** The case of the first letter is kept. */
const asWritten = (found: string, short: string): string =>
  /^\p{Lu}/u.test(found) ? short.charAt(0).toUpperCase() + short.slice(1) : short

/**
 * Shortens a text until it fits: whole; the owner's short form; known short forms, one after the other; then letters, a vowel of the
 * longest word at a time, then its last letter; at the very end the last words are left out. Deterministic. null: not even one letter
 * fits. O(letters^2) measurements at worst.
 * @example shortenText('Birthday and Anniversary', text => text.length <= 20, null)?.text //=> 'Birthday and Anniv.'
 * @example shortenText('Birthday and Anniversary', text => text.length <= 9, null)?.text //=> 'Bdy & Ann'
 */
export function shortenText(text: string, fits: (text: string) => boolean, abbreviation: string | null): Shortened | null {
  if (fits(text)) return { text, how: null }
  if (abbreviation && fits(abbreviation)) return { text: abbreviation, how: 'abbreviation' }
  let short = text
  for (const { find, short: form } of EVERY) {
    const next = short.replace(find, found => asWritten(found, form))
    if (next === short) continue
    short = next
    if (fits(short)) return { text: short, how: 'shortForms' }
  }
  const letters = byLetters(short, fits)
  return letters === null ? null : { text: letters, how: 'letters' }
}

function byLetters(text: string, fits: (text: string) => boolean): string | null {
  const words = text
    .split(/\s+/)
    .filter(Boolean)
    .map(word => [...word])
  const said = (): string => words.map(word => word.join('')).join(' ')
  for (;;) {
    const longest = words.reduce((long, word) => (word.length > long.length ? word : long), words[0] ?? [])
    if (longest.length <= LEAST_LETTERS) break
    const vowel = longest.findLastIndex((letter, at) => at > 0 && at < longest.length - 1 && VOWEL.test(letter))
    longest.splice(vowel > 0 ? vowel : longest.length - 1, 1)
    if (fits(said())) return said()
  }
  while (words.length > 1) {
    words.pop()
    if (words.length > 1 && words.at(-1)?.join('') === '&') words.pop()
    if (fits(`${said()}\u2026`)) return `${said()}\u2026`
  }
  const first = words[0] ?? []
  while (first.length > 1) {
    first.pop()
    if (fits(`${first.join('')}\u2026`)) return `${first.join('')}\u2026`
  }
  return null
}
