import { isNotSaid, plainLetters } from '#core/classing'
import { plainFigure } from '#core/grammar'
import { countedWord, figureWord, isFiller, isOutWord, type PlaceSort, placeWord, type Side, sideWord } from './words'

/** Reads one place text; `families.ts` decides what it means in this list. */
export type PlaceReading =
  /** A container and, often, a spot in it. */
  | {
      readonly as: 'in'
      /** The family of its word, or the letters before the figure: `B` in `B4`. */
      readonly family: string
      readonly sort: PlaceSort | null
      /** Its figure without leading zeros, or its letter; empty: there is only one. */
      readonly mark: string
      readonly behind: Behind
    }
  /** A code of page and cell alone: `16-203` is cell 3 on page 2 of pages of 16 cells. */
  | { readonly as: 'cell'; readonly cells: number; readonly page: number; readonly cell: number; readonly isBack: boolean }
  /** A number of the set itself: `123 W`. */
  | { readonly as: 'number'; readonly text: string }
  | { readonly as: 'out' }
  | { readonly as: 'unknown' }

/** The rest of the text, after the container. */
interface Behind {
  readonly page: number | null
  readonly cell: number | null
  readonly slot: number | null
  readonly side: Side | null
}

/** A longer text is no place. */
const LONGEST = 60
const MAX_FIGURE = 9_999_999

/** Words and figures of a text, plain; a letter right behind a figure is a token of its own. */
const tokensOf = (text: string): readonly string[] => plainLetters(text).match(/\p{L}+|\d+/gu) ?? []
const isFigure = (token = ''): boolean => /^\d+$/.test(token)
/** A single letter behind a word is a mark (`binder A`), unless a figure follows (`n° 5`). */
const isMark = (token: string, at: number, next: string | undefined): boolean =>
  token.length === 1 && at > 0 && !(token === 'n' && isFigure(next))

/**
 * Reads one text as a place; null: it names none ("with Anna"). O(length).
 * @example readPlace('16-203') //=> { as: 'cell', cells: 16, page: 2, cell: 3, isBack: false }
 */
export function readPlace(text: string): PlaceReading | null {
  const trimmed = text.trim()
  if (trimmed === '' || trimmed.length > LONGEST) return null
  if (isNotSaid(trimmed)) return { as: 'unknown' }
  const code = /^(\d{1,2})\s*[-–—]\s*(\d{1,2})(\d{2})\s*([ab])?$/i.exec(trimmed)
  if (code && Number(code[1]) > 0 && Number(code[2]) > 0 && Number(code[3]) > 0)
    return { as: 'cell', cells: Number(code[1]), page: Number(code[2]), cell: Number(code[3]), isBack: code[4]?.toLowerCase() === 'b' }
  const tokens = tokensOf(trimmed).filter((token, at, all) => !isFiller(token) || isMark(token, at, all[at + 1]))
  const [first, ...rest] = tokens
  if (first === undefined) return null
  if (tokens.length <= 2 && tokens.some(isOutWord) && tokens.every(token => isOutWord(token) || !isFigure(token))) return { as: 'out' }
  if (isFigure(first)) {
    const isOfSet = Number(first) <= MAX_FIGURE && (rest.length === 0 || (rest.length === 1 && /^\p{L}{1,3}$/u.test(rest[0] ?? '')))
    return isOfSet ? { as: 'number', text: tokens.join(' ').toUpperCase() } : null
  }
  const known = placeWord(first)
  if (!known) {
    // Unknown letters need a figure right behind them: `B4`, `Shed 2`.
    const [mark, ...behind] = rest
    if (mark === undefined || !isFigure(mark)) return null
    return inContainer(first, null, plainFigure(mark), behind)
  }
  const { mark, behind } = markOf(rest)
  return inContainer(known.family, known.sort, mark, behind)
}

/** The figure or the single letter of a container, and the tokens after it. */
function markOf(tokens: readonly string[]): { readonly mark: string; readonly behind: readonly string[] } {
  const [first, second, ...more] = tokens
  if (first === undefined) return { mark: '', behind: [] }
  if (isFigure(first)) return { mark: plainFigure(first), behind: tokens.slice(1) }
  const figure = figureWord(first)
  if (figure !== null) return { mark: String(figure), behind: tokens.slice(1) }
  // A letter and its figure are one mark (`A2`), unless the letter counts something (`p6`).
  if (/^\p{L}$/u.test(first) && !(countedWord(first) && isFigure(second)))
    return { mark: first.toUpperCase(), behind: second === undefined ? [] : [second, ...more] }
  return { mark: '', behind: tokens }
}

function inContainer(family: string, sort: PlaceSort | null, mark: string, tokens: readonly string[]): PlaceReading | null {
  const behind: { page: number | null; cell: number | null; slot: number | null; side: Side | null } = {
    page: null,
    cell: null,
    slot: null,
    side: null,
  }
  for (let at = 0; at < tokens.length; at += 1) {
    const [token = '', next] = [tokens[at], tokens[at + 1]]
    const counted = countedWord(token)
    const side = sideWord(token)
    if (counted && isFigure(next)) {
      if (behind[counted] !== null) return null
      behind[counted] = Number(next)
      at += 1
    } else if (side) {
      behind.side = side
    } else if (isFigure(token)) {
      // A bare figure is the cell behind a page, and a position otherwise.
      const spot = behind.page !== null ? 'cell' : 'slot'
      if (behind[spot] !== null) return null
      behind[spot] = Number(token)
    } else {
      return null
    }
  }
  return { as: 'in', family, sort, mark, behind }
}
