import Papa from 'papaparse'
import { type Decoded, decodeList, type Encoding } from './decode'
import { restoreCell } from './formula'
import { evenLines, MAX_COLUMNS } from './lines'

/** A list as it stands in the file: a row of headings and rows of cells, every row as wide as the headings. */
export interface ListTable {
  readonly headings: readonly string[]
  readonly rows: readonly (readonly string[])[]
  readonly delimiter: string
  readonly encoding: Encoding
}

export type TableReading =
  | { readonly ok: true; readonly table: ListTable }
  | {
      readonly ok: false
      readonly code: Exclude<Decoded, { ok: true }>['code'] | 'oneColumn' | 'noRows' | 'brokenQuotes' | 'cellTooLong' | 'tooManyRows'
      readonly line?: number
    }

const DELIMITERS = [',', ';', '\t'] as const
/** As much of a text as is looked at to tell its delimiter. */
const LOOKED_AT = 200_000

/**
 * Reads a delimited list by RFC 4180 (quotes, doubled quotes, line breaks inside quotes), with comma, semicolon or tab,
 * LF, CRLF or CR, mixed or not. Blank lines at the end are not rows; blank lines between are, so that every line stays accounted for.
 */
export function readTable(bytes: Uint8Array): TableReading {
  const decoded = decodeList(bytes)
  if (!decoded.ok) return decoded
  const trimmed = decoded.text.replace(/^\ufeff/, '').replace(/[\r\n]+$/, '')
  const delimiter = likelyDelimiter(trimmed)
  const even = evenLines(trimmed, delimiter)
  if (!even.ok) return even.code === 'tooManyColumns' ? { ok: false, code: 'oneColumn' } : { ok: false, code: even.code, line: even.line }
  const { text } = even
  const parsed = Papa.parse<string[]>(text, { delimiter, newline: '\n', skipEmptyLines: false })
  const broken = parsed.errors.find(error => error.type === 'Quotes')
  if (broken) return { ok: false, code: 'brokenQuotes', line: (broken.row ?? 0) + 1 }
  const [headings = [], ...rows] = parsed.data
  if (headings.length < 2 || headings.length > MAX_COLUMNS) return { ok: false, code: 'oneColumn' }
  if (rows.length === 0) return { ok: false, code: 'noRows' }
  const width = Math.max(headings.length, ...[...new Set(rows.map(row => row.length))])
  if (width > MAX_COLUMNS || looksLikeMarkup(text)) return { ok: false, code: 'oneColumn' }
  const widen = (row: readonly string[]): readonly string[] => Array.from({ length: width }, (_, at) => restoreCell(row[at] ?? ''))
  return {
    ok: true,
    table: { headings: widen(headings).map(each => each.trim()), rows: rows.map(widen), delimiter, encoding: decoded.encoding },
  }
}

/** The delimiter that cuts the first lines into the most columns of equal count. */
function likelyDelimiter(text: string): string {
  const scores = DELIMITERS.map(delimiter => {
    const even = evenLines(text.slice(0, LOOKED_AT), delimiter)
    const rows = even.ok ? Papa.parse<string[]>(even.text, { delimiter, preview: 40, newline: '\n' }).data : []
    const width = rows[0]?.length ?? 0
    const agreeing = rows.filter(row => row.length === width).length
    return { delimiter, score: rows.length === 0 || width < 2 ? 0 : width * (agreeing / rows.length) }
  })
  return scores.reduce((best, each) => (each.score > best.score ? each : best)).delimiter
}

function looksLikeMarkup(text: string): boolean {
  return /^\s*(<(!doctype|html|\?xml)|[{[]\s*")/i.test(text)
}
