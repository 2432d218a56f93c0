import { isNotSaid } from '#core/classing'

/** What divides a cell of several texts, or could: a text that holds one of them is written in quotes. */
const DIVIDERS = /[;,/|&+\n"]/

/**
 * Several texts as one cell, so that they are read back as they are, whatever they hold.
 * @example writeParts(['food; drink', 'tea']) //=> '"food; drink"; tea'
 */
export function writeParts(parts: readonly string[]): string {
  return parts.map(part => (DIVIDERS.test(part) || isNotSaid(part) ? `"${part.replaceAll('"', '""')}"` : part)).join('; ')
}

const WRITTEN = /\s*(?:"((?:[^"]|"")*)"|([^;"]*))\s*(;|$)/y

/** A cell as `writeParts` writes it; null where somebody wrote it otherwise. */
export function readWrittenParts(text: string): readonly string[] | null {
  const parts: string[] = []
  let hasQuotes = false
  WRITTEN.lastIndex = 0
  while (WRITTEN.lastIndex < text.length) {
    const match = WRITTEN.exec(text)
    if (!match) return null
    const [, quoted, plain = ''] = match
    hasQuotes ||= quoted !== undefined
    if (quoted === undefined && DIVIDERS.test(plain)) return null
    const part = quoted === undefined ? plain.trim() : quoted.replaceAll('""', '"')
    if (part !== '') parts.push(part)
    if (match[3] === '') break
  }
  return hasQuotes || parts.length > 0 ? parts : null
}

/** Each text once, tidied, as it was written first. */
export function distinct(texts: readonly string[]): readonly string[] {
  const seen = new Map<string, string>()
  for (const text of texts) {
    const tidy = text.trim().replace(/\s+/g, ' ')
    if (tidy && !seen.has(tidy.toLowerCase())) seen.set(tidy.toLowerCase(), tidy)
  }
  return [...seen.values()]
}

/** A theme that is written with a sign within it so often, and never parted, is one theme. */
const OFTEN = 3
export type ThemeSigns = 'tell' | 'whole' | 'divide'
// A run of blanks is tried from its head alone: a cell can be long.
const SOFT_SIGNS = [/(?<!\s)\s*\/\s*/, /(?<!\s)\s+\+\s+/, /(?<!\s)\s+&\s+/]
const SOFT = new RegExp(SOFT_SIGNS.map(({ source }) => source).join('|'))
/** A cell cut where themes are always divided. */
export const hardThemes = (text: string): readonly string[] => readWrittenParts(text) ?? text.split(/[;,|\n]+/)
export const hasSoftSign = (text: string): boolean => SOFT.test(text) && !isNotSaid(text)
const plain = (text: string): string => text.trim().replace(/\s+/g, ' ').toLowerCase()

/**
 * Splits the themes of a column. Semicolons, commas, bars and line breaks always split. A slash, a plus or an `&` splits if the parts
 * occur alone elsewhere in the column: `birthday & baby` is two if both are themes, `food & drink` is one. Without such evidence a slash
 * and a plus split and an `&` does not; `A/C` and `n/a` stay whole. O(all cells) to build, O(cell) to read.
 * @example themesOf(['food & drink / travel', 'travel'])('food & drink / travel') //=> ['food & drink', 'travel']
 */
export function themesOf(cells: Iterable<string>, signs: ThemeSigns = 'tell'): (text: string) => readonly string[] {
  const alone = new Map<string, number>()
  const whole = new Map<string, number>()
  const note = (counts: Map<string, number>, text: string): void => void counts.set(text, (counts.get(text) ?? 0) + 1)
  for (const cell of cells) for (const piece of hardThemes(cell)) note(SOFT.test(piece.trim()) ? whole : alone, plain(piece))

  const tells = (text: string, parts: readonly string[], known: number): boolean => {
    if (/\s&\s/.test(text) && !/\/|\s\+\s/.test(text)) return known === parts.length
    return known > 0 || (parts.some(part => part.length > 2) && (whole.get(plain(text)) ?? 0) < OFTEN)
  }
  const softPieces = (piece: string): readonly string[] => {
    const text = piece.trim()
    const sign = SOFT_SIGNS.find(each => each.test(text))
    if (!sign || isNotSaid(text) || signs === 'whole') return [text]
    const parts = text.split(sign).filter(part => part !== '')
    const known = parts.filter(part => alone.has(plain(part))).length
    const divides = signs === 'divide' || tells(text, parts, known)
    return divides ? parts.flatMap(softPieces) : [text]
  }
  return text => {
    const written = readWrittenParts(text)
    // What stands in quotes was put there to stay whole.
    return distinct(
      written && text.includes('"')
        ? written
        : hardThemes(text)
            .flatMap(softPieces)
            .filter(part => !isNotSaid(part)),
    )
  }
}
