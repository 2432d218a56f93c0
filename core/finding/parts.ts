import type { Holding, Kind, KindFamily } from '#core/catalog'
import { tokensOf } from '#core/classing'
import { type LengthUnit, MM_PER_INCH, readLength, readSize, type Size } from '#core/units'

/** A part of an ask that is no word, with the text it was read from. The person can turn it back into words. */
export type Part = { readonly text: string; readonly isNot: boolean } & (
  | { readonly as: 'family'; readonly family: KindFamily }
  | { readonly as: 'kind'; readonly kindId: string }
  /** `isAssumed`: no unit was written, so the unit of the room is taken. */
  | { readonly as: 'size'; readonly size: Size; readonly isAssumed: boolean }
  /** Both sides at most `mm`; `isAssumed` as for a size. */
  | { readonly as: 'upTo'; readonly mm: number; readonly isAssumed: boolean }
  | { readonly as: 'used' }
  | { readonly as: 'withDie' }
  /** Came in from this date on, or before it; dates may be years or months. */
  | { readonly as: 'cameIn'; readonly from: string | null; readonly before: string | null }
)

export interface ReadAsk {
  readonly parts: readonly Part[]
  /** The rest, searched as words. */
  readonly words: string
  /** Words that no answer may have, each with its text in the ask. */
  readonly without: readonly { readonly word: string; readonly text: string }[]
}
export interface AskSense {
  readonly kinds: Iterable<Pick<Kind, 'id' | 'name' | 'family'>>
  /** The unit of a size written without one. */
  readonly unit: LengthUnit
  /** Texts that the person turned back into words. */
  readonly takenBack?: ReadonlySet<string>
}

const FAMILY_WORDS: ReadonlyMap<string, KindFamily> = new Map([
  ['die', 'die'],
  ['dies', 'die'],
  ['stencil', 'stencil'],
  ['stencils', 'stencil'],
  ['folders', 'folder'],
])
const NOT = /^(?:not|no|without)\s+/i
const BEGUN_NOT = /(\S\s+)(?:not|without)\s*$/i
const NUMBER = String.raw`\d+(?:[.,]\d+)?(?:[\s-]\d+/\d+|/\d+)?`
const UNIT = String.raw`(?:\s?(?:in|inch|inches|cm|mm)\b\.?|")?`
const SIZE = new RegExp(String.raw`^${NUMBER}${UNIT}\s?(?:x|×|\*|by)\s?${NUMBER}${UNIT}(?![\p{L}\d])`, 'iu')
const UP_TO = new RegExp(String.raw`^(?:up to|at most|no (?:longer|wider|larger) than)\s+(${NUMBER}${UNIT})(?![\p{L}\d])`, 'iu')
const YEAR = String.raw`(?:19|20)\d\d(?:-(?:0[1-9]|1[0-2]))?`
const CAME_IN = new RegExp(String.raw`^(?:(?:came|bought|new)\s+in|bought)\s+(${YEAR})(?![\p{L}\d-])`, 'iu')
const SINCE = new RegExp(String.raw`^(since|before)\s+(${YEAR})(?![\p{L}\d-])`, 'iu')
const USED = /^(unused|never used|not used|used)(?![\p{L}\d])/iu
const WITH_DIE = /^(with|without|no|has|has no)\s+(?:a\s+|the\s+|its\s+)?(?:matching\s+)?dies?(?![\p{L}\d])/iu
/** Tolerance for equal sizes, each side: a trimmed sleeve keeps its size. Common practice. */
const SAME_SIZE_MM = MM_PER_INCH / 8

/** Reads the beginning of a text as a part, with its length; null: it is a word. */
type Reader = (text: string, sense: AskSense) => { readonly part: Part; readonly length: number } | null

const nextPeriod = (period: string): string => {
  const [year = 0, month] = period.split('-').map(Number)
  if (month === undefined) return String(year + 1)
  return month === 12 ? `${year + 1}-01` : `${year}-${String(month + 1).padStart(2, '0')}`
}

/** Tried in order; the first reader that succeeds wins. */
const READERS: readonly Reader[] = [
  text => {
    const [found = '', how = ''] = WITH_DIE.exec(text) ?? []
    const isNot = /^(without|no|has no)$/i.test(how)
    return found ? { part: { as: 'withDie', isNot, text: found }, length: found.length } : null
  },
  text => {
    const [found = '', how = ''] = USED.exec(text) ?? []
    return found ? { part: { as: 'used', isNot: !/^used$/i.test(how), text: found }, length: found.length } : null
  },
  text => {
    const [found = '', period = ''] = CAME_IN.exec(text) ?? []
    if (found) return { part: { as: 'cameIn', isNot: false, text: found, from: period, before: nextPeriod(period) }, length: found.length }
    const [other = '', how = '', since = ''] = SINCE.exec(text) ?? []
    const isSince = how.toLowerCase() === 'since'
    return other
      ? {
          part: { as: 'cameIn', isNot: false, text: other, from: isSince ? since : null, before: isSince ? null : since },
          length: other.length,
        }
      : null
  },
  (text, { unit }) => {
    const [found = ''] = SIZE.exec(text) ?? []
    const reading = found ? readSize(found, unit) : null
    return reading?.ok
      ? {
          part: { as: 'size', isNot: false, text: found, size: reading.size, isAssumed: reading.unitFrom === 'assumed' },
          length: found.length,
        }
      : null
  },
  (text, { unit }) => {
    const [found = '', length = ''] = UP_TO.exec(text) ?? []
    const [own, assumed] = [readLength(length), readLength(length, unit)]
    return found && assumed.ok
      ? { part: { as: 'upTo', isNot: false, text: found, mm: assumed.mm, isAssumed: !own.ok }, length: found.length }
      : null
  },
  (text, { kinds }) => {
    const asked = wordsWithEnds(text)
    const named = [...kinds]
      .map(kind => ({ kind, words: tokensOf(kind.name) }))
      // A single word of a kind's name can be an ordinary word (clear skies): a kind is read only if all words of a longer name are there.
      .filter(({ words }) => words.length > 1 && words.every((word, at) => isSameWord(word, asked[at]?.word)))
      .toSorted((a, b) => b.words.length - a.words.length)[0]
    if (named) {
      const length = asked[named.words.length - 1]?.end ?? 0
      return { part: { as: 'kind', isNot: false, text: text.slice(0, length), kindId: named.kind.id }, length }
    }
    const family = FAMILY_WORDS.get(asked[0]?.word ?? '')
    const length = asked[0]?.end ?? 0
    return family ? { part: { as: 'family', isNot: false, text: text.slice(0, length), family }, length } : null
  },
]
const isSameWord = (word: string, asked = ''): boolean => word === asked || `${word}s` === asked

/** The words at the beginning of a text, each with its end. */
function wordsWithEnds(text: string): readonly { readonly word: string; readonly end: number }[] {
  return [...text.slice(0, 80).matchAll(/[\p{L}\p{Mn}\p{N}]+/gu)].map(match => ({
    word: tokensOf(match[0])[0] ?? '',
    end: match.index + match[0].length,
  }))
}

/**
 * Splits an ask into parts (sizes, kinds, `unused`, `with die`, `came in 2024`, each also denied: `not dies`, `not 4x6`) and words.
 * O(length x kinds).
 * @example readAsk('unused dies 4x6 kelp', { kinds: [], unit: 'in' }).words //=> 'kelp'
 */
export function readAsk(text: string, sense: AskSense): ReadAsk {
  const [parts, words]: [Part[], string[]] = [[], []]
  const without: ReadAsk['without'][number][] = []
  let rest = text.slice(0, LONGEST_ASK)
  const read = (from: string): ReturnType<Reader> => {
    for (const reader of READERS) {
      const found = reader(from, sense)
      if (found) return found
    }
    return null
  }
  const isTakenBack = (part: string): boolean => sense.takenBack?.has(part) ?? false
  while (rest !== '') {
    const [blank = ''] = /^[\s,]+/.exec(rest) ?? []
    if (blank) {
      rest = rest.slice(blank.length)
      words.push(blank)
      continue
    }
    const own = read(rest)
    const [not = ''] = own ? [] : (NOT.exec(rest) ?? [])
    const denied = not ? read(rest.slice(not.length)) : null
    const [word = ''] = /^[^\s,]+/.exec(rest.slice(not.length)) ?? []
    if (own && !isTakenBack(own.part.text)) {
      parts.push(own.part)
      rest = rest.slice(own.length)
    } else if (denied && !isTakenBack(rest.slice(0, not.length + denied.length))) {
      const length = not.length + denied.length
      parts.push({ ...denied.part, isNot: !denied.part.isNot, text: rest.slice(0, length) })
      rest = rest.slice(length)
    } else if (/^(?:not|without)\s/i.test(not) && word !== '' && !isTakenBack(rest.slice(0, not.length + word.length))) {
      without.push({ word, text: rest.slice(0, not.length + word.length) })
      rest = rest.slice(not.length + word.length)
    } else {
      const length = own ? own.length : (/^[^\s,]+/.exec(rest)?.[0].length ?? rest.length)
      words.push(rest.slice(0, length))
      rest = rest.slice(length)
    }
  }
  // `kelp not`: the unwanted word is still being typed.
  const asked = words.join('').replace(BEGUN_NOT, '$1')
  return { parts, words: asked.trim() === '' ? '' : asked.trimStart(), without }
}
/** Length of the ask field. */
const LONGEST_ASK = 200

/** Facts of a set that are not in its own record. */
export interface PartFacts {
  readonly kinds: ReadonlyMap<string, Pick<Kind, 'family'>>
  /** Whether it has a matching die; null: not known. */
  readonly hasDie: (holding: Holding) => boolean | null
  /** null: not noted. */
  readonly wasUsed: (holdingId: string) => boolean | null
}

/** For each part, whether a set matches it; null: the record does not say. */
const ANSWERS: { readonly [A in Part['as']]: (part: Extract<Part, { as: A }>, holding: Holding, facts: PartFacts) => boolean | null } = {
  family: ({ family }, { kindId }, { kinds }) => (kindId === null ? null : kinds.get(kindId)?.family === family),
  kind: (part, { kindId }) => (kindId === null ? null : kindId === part.kindId),
  size: (part, { size }) => (size === null ? null : isSameSize(part.size, size)),
  // Any measured piece that fits; if no piece is measured, the whole set.
  upTo: ({ mm }, { size, pieces }) => {
    const measured = pieces.flatMap(piece => piece.size ?? [])
    const whole = size ? [size] : []
    const sizes = measured.length > 0 ? measured : whole
    return sizes.length === 0 ? null : sizes.some(each => Math.max(each.widthMm, each.heightMm) <= mm + SAME_SIZE_MM)
  },
  used: (_part, { id }, { wasUsed }) => wasUsed(id),
  withDie: (_part, holding, { hasDie }) => hasDie(holding),
  cameIn: ({ from, before }, { acquiredOn }) => {
    const bounds = [from, before].filter(bound => bound !== null)
    // A date that is only a year is neither before nor after a month of it.
    if (acquiredOn === null || bounds.some(bound => bound !== acquiredOn && bound.startsWith(acquiredOn))) return null
    // Partial dates compare as text: a month sorts before its days.
    return (from === null || acquiredOn >= from) && (before === null || acquiredOn < before)
  },
}
const close = (a: number, b: number): boolean => Math.abs(a - b) <= SAME_SIZE_MM
/** In either orientation. */
const isSameSize = (a: Size, b: Size): boolean =>
  (close(a.widthMm, b.widthMm) && close(a.heightMm, b.heightMm)) || (close(a.widthMm, b.heightMm) && close(a.heightMm, b.widthMm))

/** Whether a set matches a part; null: its record does not say. */
export function answersTo(part: Part, holding: Holding, facts: PartFacts): boolean | null {
  const found = (ANSWERS[part.as] as (part: Part, holding: Holding, facts: PartFacts) => boolean | null)(part, holding, facts)
  return found === null ? null : found !== part.isNot
}
