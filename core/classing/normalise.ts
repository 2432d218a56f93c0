import { NUMBER_WORDS } from '#core/grammar'

/** Names write numbers up to ten as words about as often as in figures. */
const AS_WORDS = NUMBER_WORDS.slice(0, 11)

/** Words that makers add or leave out without being another maker. */
const COMPANY_WORDS = new Set([
  'co',
  'company',
  'inc',
  'ltd',
  'the',
  'studio',
  'studios',
  'press',
  'paperworks',
  'papers',
  'crafts',
  'designs',
  'dies',
  'stamps',
  'stamp',
  'stamping',
  'paper',
  'craft',
  'design',
  'gmbh',
  'papier',
  'stempel',
  'stanzen',
  'verlag',
])

/**
 * Lower case without accents; special letters as people without such keys write them.
 * @example plainLetters('Größe') //=> 'grosse'
 */
export const plainLetters = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replaceAll('ø', 'o')
    .replaceAll('æ', 'ae')
    .replaceAll('œ', 'oe')

/** Lower case, no accents, "and" for & and +, one space between words, small numbers as words. */
export function plainWords(text: string): readonly string[] {
  return text
    .normalize('NFKD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .replace(/[&+]/g, ' and ')
    .replace(/(?<!\d)(\d{1,2})(?!\d)/g, (digits, small: string) => ` ${AS_WORDS[Number(small)] ?? digits} `)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
}

/** All words joined: equal under every habit of spacing and punctuation. */
export function squeezed(text: string): string {
  return plainWords(text).join('')
}

/** The same without company words ("Co.", "Press"); the whole name if nothing else is left. */
export function brandStem(text: string): string {
  const words = plainWords(text)
  const kept = words.filter(word => !COMPANY_WORDS.has(word))
  // "Stamps & Co" has only company words: none of them can go.
  return (kept.some(word => word !== 'and') ? kept : words).join('')
}

/** The company words of a name. @example companyWords('Copper Latch Press') //=> new Set(['press']) */
export const companyWords = (text: string): ReadonlySet<string> => new Set(plainWords(text).filter(word => COMPANY_WORDS.has(word)))

/** Initials of the words, without "and": Quoin & Bodkin and Q&B are both `qb`. */
export function initials(text: string): string {
  return plainWords(text)
    .filter(word => word !== 'and')
    .map(word => word[0])
    .join('')
}
