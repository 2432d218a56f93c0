import Papa from 'papaparse'
import { LIST_FIELDS, LIST_HEADINGS, type ListField } from './fields'
import { safeCell } from './formula'
import { writeParts } from './parts'

/** One line of the exported list, already in words; several of a kind as a list of them. */
export type ListLine = Readonly<Record<ListField, string | number | readonly string[]>>

const cellOf = (said: ListLine[ListField]): string => (typeof said === 'object' ? writeParts(said) : String(said))

/** The list as RFC 4180 CSV with CRLF; cells that a spreadsheet would run are made safe. */
export function writeList(lines: readonly ListLine[]): string {
  const fields = LIST_FIELDS.map(field => LIST_HEADINGS[field])
  const data = lines.map(line => LIST_FIELDS.map(field => safeCell(cellOf(line[field]))))
  return Papa.unparse({ fields, data }, { newline: '\r\n' }) + '\r\n'
}
