import { plainWords } from '#core/classing'

/** What a word for a kind was read as. A category ("Background") often stands where a kind was asked for. */
export type KindReading =
  | { readonly as: 'kind'; readonly name: string }
  | { readonly as: 'category'; readonly name: string }
  | { readonly as: 'newKind'; readonly name: string }
  | { readonly as: 'keep' }

// Common practice: the words in use for the kinds of the start set, longest match first.
const SYNONYMS: readonly (readonly [pattern: RegExp, name: string])[] = [
  [/\b(wood mounted|woodblock|wooden|wood|block|holz|holzstempel|bois|hout|houten|madera|legno|tra|træ|tre)\b/, 'Wood mounted'],
  [/\b(cling rubber|cling mounted|cling)\b/, 'Cling'],
  [
    /\b(photopolymer|polymer|clear|acrylic|klar|klarsichtstempel|transparent|transparant|transparente|trasparente|acryl|silikon)\b/,
    'Clear',
  ],
  [/\b(foam|schaum|mousse)\b/, 'Foam'],
  [/\b(roller|wheel)\b/, 'Roller'],
  [/\b(own made|home made|handmade|carved)\b/, 'Own-made'],
  [/\b(steel die|steel rule)\b/, 'Steel die'],
  [/\b(embossing folders?|embossing|folder|pragefolder|prageschablone|embossingfolder)\b/, 'Embossing folder'],
  [/\b(stencils?|mask|schablonen?|pochoirs?|sjablon(?:en|g)?|sjabloon|plantillas?|mascherin[ae]|schablon|skabelon)\b/, 'Stencil'],
  [
    /\b(thin dies?|wafer dies?|dies?|wafer|stanzen?|stanzform(?:en)?|matrices?|snijmal(?:len)?|stans|troquel(?:es)?|fustell[ae])\b/,
    'Thin die',
  ],
  [/\b(rubber|unmounted|gummi|gummistempel|caoutchouc|caucho|gomma)\b/, 'Rubber, unmounted'],
]
const CATEGORIES: readonly (readonly [pattern: RegExp, name: string])[] = [
  [/\bbackgrounds?\b/, 'Backgrounds'],
  [/\balphabets?\b/, 'Alphabets'],
  [/\b(sentiments?|greetings?)\b/, 'Sentiments'],
  [/\bborders?\b/, 'Borders'],
  [/\bnumbers?\b/, 'Numbers'],
  [/\bshapes?\b/, 'Shapes'],
]

/**
 * Tells what a written kind most likely means: one of the kinds that exist, a kind of the start set, or a category. O(kinds) to build,
 * O(text) to ask.
 * @example kindGuesser([])('woodblock') //=> { as: 'kind', name: 'Wood mounted' }
 */
export function kindGuesser(existing: readonly { readonly name: string }[]): (text: string) => KindReading {
  const plainOf = (text: string): string => plainWords(text).join(' ')
  // Of two that are written alike the first is meant.
  const known = new Map(existing.map(({ name }) => [plainOf(name), name] as const).toReversed())
  return text => {
    const plain = plainOf(text)
    const same = known.get(plain)
    if (same !== undefined) return { as: 'kind', name: same }
    const synonym = SYNONYMS.find(([pattern]) => pattern.test(plain))
    if (synonym) return { as: 'kind', name: synonym[1] }
    const category = CATEGORIES.find(([pattern]) => pattern.test(plain))
    return category ? { as: 'category', name: category[1] } : { as: 'newKind', name: text.trim() }
  }
}

/** Words that say nothing about a kind. */
const FILLERS = new Set(['a', 'and', 'of', 'the', 'set', 'sets', 'stamp', 'stamps', 'mounted'])

/**
 * Whether a written kind says more than the kind or category it was read as: the rest must not be lost.
 * @example saysMore('Background 6x6', { as: 'category', name: 'Backgrounds' }) //=> true
 */
export function saysMore(text: string, { name }: Exclude<KindReading, { as: 'keep' }>): boolean {
  const known = new Set(plainWords(name))
  const patterns = [...SYNONYMS, ...CATEGORIES].flatMap(([pattern, means]) => (means === name ? [new RegExp(pattern, 'g')] : []))
  const rest = patterns.reduce((words, pattern) => words.replace(pattern, ' '), plainWords(text).join(' '))
  return rest.split(' ').some(word => word !== '' && !known.has(word) && !FILLERS.has(word))
}
