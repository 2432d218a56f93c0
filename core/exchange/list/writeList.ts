import Papa from 'papaparse'
import { safeCell } from './formula'
import { writeParts } from './parts'

/** One line of the exported list, already in words. The headings are those that the import knows by themselves. */
export interface ListLine {
  readonly number: number
  readonly code: string
  readonly name: string
  readonly brand: string
  readonly kind: string
  readonly category: string
  readonly themes: readonly string[]
  readonly size: string
  readonly words: readonly string[]
  readonly searchWords: readonly string[]
  readonly notes: string
  readonly acquiredOn: string
  readonly price: string
  readonly used: string
  readonly matchingDie: string
  readonly place: string
  readonly packaging: string
}

const COLUMNS: readonly (readonly [heading: string, cell: (line: ListLine) => string])[] = [
  ['Number', line => String(line.number)],
  ['Name', line => line.name],
  ['Brand', line => line.brand],
  ['Kind', line => line.kind],
  ['Category', line => line.category],
  ['Themes', line => writeParts(line.themes)],
  ['Size', line => line.size],
  ['Words', line => writeParts(line.words)],
  ['Search words', line => writeParts(line.searchWords)],
  ['Notes', line => line.notes],
  ['Date in', line => line.acquiredOn],
  ['Paid', line => line.price],
  ['Used', line => line.used],
  ['Matching die', line => line.matchingDie],
  ['Place', line => line.place],
  ['Packaging', line => line.packaging],
  ['Code', line => line.code],
]

/** The list as RFC 4180 CSV with CRLF; cells that a spreadsheet would run are made safe. */
export function writeList(lines: readonly ListLine[]): string {
  const cells = lines.map(line => COLUMNS.map(([, cell]) => safeCell(cell(line))))
  return Papa.unparse({ fields: COLUMNS.map(([heading]) => heading), data: cells }, { newline: '\r\n' }) + '\r\n'
}
