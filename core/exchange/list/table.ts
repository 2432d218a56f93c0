import Papa from 'papaparse'
import { cleanText } from '#core/grammar'
import { type Decoded, decodeList, type Encoding } from './decode'
import { LIST_FIELDS } from './fields'
import { restoreCell } from './formula'
import { EXACT, headingScore } from './headings'
import { evenLines, MAX_COLUMNS, MAX_ROWS } from './lines'

/** Where the cells of a list came from, and what of it is worth telling. */
export type ListSource =
  | { readonly kind: 'text'; readonly delimiter: string; readonly encoding: Encoding }
  | {
      readonly kind: 'sheet'
      readonly name: string
      /** All sheets of the workbook. */
      readonly sheets: readonly string[]
      /** Cells of a formula whose value was never stored: they are empty here. */
      readonly withoutValue: number
      /** Joined cells, whose text was taken for each of the rows they cover. */
      readonly merged: number
    }

/** A list as it stands in the file: a row of headings and rows of cells, every row as wide as the headings. */
export interface ListTable {
  readonly headings: readonly string[]
  readonly rows: readonly (readonly string[])[]
  readonly source: ListSource
  /** Lines above the headings: a title, most often. They are told, and stepped over. */
  readonly above: readonly string[]
}

export type TableReading =
  | { readonly ok: true; readonly table: ListTable }
  | {
      readonly ok: false
      readonly code:
        | Exclude<Decoded, { ok: true }>['code']
        | 'oneColumn'
        | 'tooManyColumns'
        | 'tooManyJoined'
        | 'noRows'
        | 'brokenQuotes'
        | 'cellTooLong'
        | 'tooManyRows'
        | 'notSpreadsheet'
        | 'password'
        | 'brokenWorkbook'
      readonly line?: number
    }

const DELIMITERS = [',', ';', '\t'] as const
/** As much of a text as is looked at to tell its delimiter. */
const LOOKED_AT = 200_000
/** So many lines may stand above the headings. */
const MOST_ABOVE = 12
/** So many cells that name a field make a row of headings. */
const HEADINGS_TO_KNOW = 2

/**
 * Reads a delimited list by RFC 4180 (quotes, doubled quotes, line breaks inside quotes), with comma, semicolon or tab, and LF, CRLF or
 * CR, mixed or not; cells pasted from a spreadsheet are such a list with tabs. A first line `sep=;` gives the delimiter. Blank lines at
 * the end are no rows; blank lines between rows are, so that every line is accounted for.
 */
export function readTable(bytes: Uint8Array): TableReading {
  const decoded = decodeList(bytes)
  if (!decoded.ok) return decoded
  const whole = decoded.text.replace(/^\ufeff/, '').replace(/(?<![\r\n])[\r\n]+$/, '')
  const said = /^"?sep=(.)"?\r?\n/i.exec(whole)
  const trimmed = said ? whole.slice(said[0].length) : whole
  const delimiter = said?.[1] ?? likelyDelimiter(trimmed)
  const even = evenLines(trimmed, delimiter)
  if (!even.ok) return { ok: false, code: even.code, line: even.line }
  if (looksLikeMarkup(even.text)) return { ok: false, code: 'oneColumn' }
  const parsed = Papa.parse<string[]>(even.text, { delimiter, newline: '\n', skipEmptyLines: false })
  const broken = parsed.errors.find(error => error.type === 'Quotes')
  if (broken) return { ok: false, code: 'brokenQuotes', line: (broken.row ?? 0) + 1 }
  return tableOf(parsed.data, { kind: 'text', delimiter, encoding: decoded.encoding })
}

/** Cells as a table: what stands above the headings is stepped over, every row made as wide as the widest. O(cells). */
export function tableOf(grid: readonly (readonly string[])[], source: ListSource): TableReading {
  const at = headingsAt(grid)
  const [headings = [], ...rows] = grid.slice(at)
  const width = rows.reduce((most, row) => Math.max(most, row.length), headings.length)
  if (width > MAX_COLUMNS) return { ok: false, code: 'tooManyColumns' }
  if (headings.length < 2) return { ok: false, code: 'oneColumn' }
  if (rows.length === 0) return { ok: false, code: 'noRows' }
  if (rows.length > MAX_ROWS) return { ok: false, code: 'tooManyRows', line: MAX_ROWS + at + 1 }
  const widen = (row: readonly string[]): readonly string[] =>
    Array.from({ length: width }, (_, column) => cleanText(restoreCell(row[column] ?? '')))
  const above = grid.slice(0, at).flatMap(
    row =>
      row
        .map(cell => cell.trim())
        .filter(Boolean)
        .join(' ') || [],
  )
  return { ok: true, table: { headings: widen(headings).map(each => each.trim()), rows: rows.map(widen), source, above } }
}

/** The row of headings: the first, unless one further down knows its fields and the first does not, or the first is a title. */
function headingsAt(grid: readonly (readonly string[])[]): number {
  const top = grid.slice(0, MOST_ABOVE)
  const known = top.map(row => row.filter(cell => LIST_FIELDS.some(field => headingScore(field, cell) === EXACT)).length)
  const byNames = known.findIndex(count => count >= HEADINGS_TO_KNOW)
  if (byNames > 0 && (known[0] ?? 0) === 0) return byNames
  const filled = top.findIndex(row => row.filter(cell => cell.trim() !== '').length >= 2)
  return Math.max(0, filled)
}

/** Quotes that do not close under it speak against a delimiter, more than any number of columns speaks for it. */
const BROKEN = 1e-3
/** The delimiter that cuts the first lines into the most columns of equal count. */
function likelyDelimiter(text: string): string {
  const scores = DELIMITERS.map(delimiter => {
    const even = evenLines(text.slice(0, LOOKED_AT), delimiter)
    const { data: rows, errors } = Papa.parse<string[]>(even.ok ? even.text : '', { delimiter, preview: 40, newline: '\n' })
    // Where the text was cut off, a quote may be open under any of them.
    const isBroken = text.length <= LOOKED_AT && errors.some(error => error.type === 'Quotes')
    const widths = new Map<number, number>()
    for (const { length } of rows) widths.set(length, (widths.get(length) ?? 0) + 1)
    // A title above the headings is one cell wide: the width that most lines have is the list's.
    const [width = 0, agreeing = 0] = [...widths].sort(([a, m], [b, n]) => n - m || b - a)[0] ?? []
    return { delimiter, score: width < 2 ? 0 : width * (agreeing / rows.length) * (isBroken ? BROKEN : 1) }
  })
  return scores.reduce((best, each) => (each.score > best.score ? each : best)).delimiter
}

function looksLikeMarkup(text: string): boolean {
  return /^\s*(<(!doctype|html|\?xml)|[{[]\s*")/i.test(text)
}
