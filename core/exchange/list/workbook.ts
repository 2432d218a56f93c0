import { unzip } from 'fflate'
import type { CellObject, WorkBook, WorkSheet } from '@e965/xlsx'
import { MAX_LIST_BYTES } from './decode'
import { MAX_CELL, MAX_COLUMNS, MAX_ROWS } from './lines'
import { readTable, tableOf, type TableReading } from './table'

/** A workbook of 100,000 sets unpacks to about 100 MB; one that unpacks to more than this is none. */
const MAX_UNPACKED = 256 * 1024 * 1024
/** So many sheets are looked through for one that holds a list; any other can be chosen. */
const SHEETS_TRIED = 20

const ZIP = [0x50, 0x4b, 0x03, 0x04] as const
/** The container of older spreadsheets, and of newer ones with a password. */
const OLE = [0xd0, 0xcf, 0x11, 0xe0] as const
const begins = (bytes: Uint8Array, magic: readonly number[]): boolean => magic.every((byte, at) => bytes[at] === byte)

/**
 * Reads a list from delimited text or from a workbook (.xlsx, .ods, .xls), by its first bytes. Of a workbook, the sheet `sheetName` is
 * read, or the first that holds a list. Macros and formulas are never run: the stored value of a formula is read. The code for workbooks
 * is loaded only when it is needed.
 */
export async function readListFile(bytes: Uint8Array, sheetName: string | null = null): Promise<TableReading> {
  const isZip = begins(bytes, ZIP)
  if (!isZip && !begins(bytes, OLE)) return readTable(bytes)
  if (bytes.length > MAX_LIST_BYTES) return { ok: false, code: 'tooLarge' }
  if (isZip) {
    const trouble = await zipTrouble(bytes)
    if (trouble) return { ok: false, code: trouble }
  }
  try {
    return await readSheets(bytes, sheetName)
  } catch (reason) {
    if (/password|encrypt/i.test(String(reason))) return { ok: false, code: 'password' }
    return { ok: false, code: isZip ? 'brokenWorkbook' : 'notSpreadsheet' }
  }
}

/** What a zip is, by the list of its files alone: nothing is unpacked. */
function zipTrouble(bytes: Uint8Array): Promise<'notSpreadsheet' | 'tooLarge' | 'brokenWorkbook' | null> {
  return new Promise(resolve => {
    let [unpacked, isBook] = [0, false]
    unzip(
      bytes,
      {
        filter: ({ name, originalSize }) => {
          unpacked += originalSize
          isBook ||= name === 'xl/workbook.xml' || name === 'content.xml' || name === 'xl/workbook.bin'
          return false
        },
      },
      error => {
        if (error) return resolve('brokenWorkbook')
        if (unpacked > MAX_UNPACKED) return resolve('tooLarge')
        resolve(isBook ? null : 'notSpreadsheet')
      },
    )
  })
}

async function readSheets(bytes: Uint8Array, sheetName: string | null): Promise<TableReading> {
  const { read, SSF } = await import('@e965/xlsx')
  const options = {
    type: 'array',
    dense: true,
    cellNF: true,
    cellHTML: false,
    bookVBA: false,
    sheetStubs: true,
    sheetRows: MAX_ROWS + 20,
  } as const
  // Only the sheet that is asked for is read: unpacking is most of the work.
  let book = read(bytes, { ...options, sheets: sheetName ?? 0 })
  const sheets = book.SheetNames
  const tried = sheetName !== null ? [sheetName] : sheets.slice(0, SHEETS_TRIED)
  let first: TableReading | null = null
  for (const [at, name] of tried.entries()) {
    if (at > 0) book = read(bytes, { ...options, sheets: name })
    const sheet = book.Sheets[name]
    // A sheet that it names and cannot give is damaged: it may name texts that the file does not hold.
    const reading = sheet ? readSheet(sheet, name, sheets, book, SSF) : ({ ok: false, code: 'brokenWorkbook' } as const)
    if (reading.ok) return reading
    first ??= reading
  }
  return first ?? { ok: false, code: 'empty' }
}

/** So many rows joined cells may cover: several in each row of the longest list. */
const MAX_COVERED = 2_000_000
type Formats = typeof import('@e965/xlsx').SSF

function readSheet(sheet: WorkSheet, name: string, sheets: readonly string[], book: WorkBook, formats: Formats): TableReading {
  const is1904 = book.Workbook?.WBProps?.date1904 === true
  const cells = (sheet['!data'] ?? []) as (readonly (CellObject | undefined)[] | undefined)[]
  let withoutValue = 0
  const textOf = (cell: CellObject | undefined): string => {
    if (!cell) return ''
    if (cell.v === undefined || cell.t === 'z') {
      if (cell.f !== undefined) withoutValue += 1
      return ''
    }
    return cellText(cell, is1904, formats)
  }
  const grid: string[][] = []
  let letters = 0
  for (let at = 0; at < cells.length; at += 1) {
    const row = (cells[at] ?? []).slice(0, MAX_COLUMNS + 1)
    const texts = Array.from(row, textOf)
    const long = texts.findIndex(text => text.length > MAX_CELL)
    if (long >= 0) return { ok: false, code: 'cellTooLong', line: at + 1 }
    // A text that many cells share stands in the file once.
    letters = texts.reduce((sum, text) => sum + text.length, letters)
    if (letters > MAX_LIST_BYTES) return { ok: false, code: 'tooLarge' }
    grid.push(texts)
  }
  if (coveredBy(sheet) > MAX_COVERED) return { ok: false, code: 'tooManyJoined' }
  const merged = fillMerged(grid, sheet)
  // Formatted and empty: a sheet may have a million such rows, and columns.
  while (grid.length > 0 && grid.at(-1)?.every(text => text.trim() === '')) grid.pop()
  const width = grid.reduce((most, row) => Math.max(most, row.findLastIndex(text => text.trim() !== '') + 1), 0)
  if (width === 0) return { ok: false, code: 'empty' }
  const trimmed = grid.map(row => row.slice(0, width))
  return tableOf(trimmed, { kind: 'sheet', name, sheets, withoutValue, merged })
}

/** A cell as a person reads it: a date as year, month and day, however it is shown; everything else as it is shown. */
function cellText(cell: CellObject, is1904: boolean, formats: Formats): string {
  if (cell.t === 'n' && typeof cell.v === 'number' && typeof cell.z === 'string' && formats.is_date(cell.z)) {
    const date = formats.parse_date_code(cell.v, { date1904: is1904 })
    // A time of day alone is no date.
    if (date && date.y > 0 && (cell.v >= 1 || is1904)) {
      const hasDay = /d/i.test(cell.z.replace(/\[[^\]]*\]|"[^"]*"/g, ''))
      const parts = [String(date.y).padStart(4, '0'), String(date.m).padStart(2, '0'), ...(hasDay ? [String(date.d).padStart(2, '0')] : [])]
      return parts.join('-')
    }
  }
  if (cell.t === 'b') return cell.v ? 'yes' : 'no'
  return (cell.w ?? String(cell.v)).trim()
}

/** Rows that joined cells cover, of all of them. */
const coveredBy = (sheet: WorkSheet): number => (sheet['!merges'] ?? []).reduce((sum, { s, e }) => sum + e.r - s.r, 0)

/** What a joined cell says, it says of each row it covers; how many there were. Across columns it is said once. */
function fillMerged(grid: string[][], sheet: WorkSheet): number {
  let merged = 0
  for (const { s, e } of sheet['!merges'] ?? []) {
    const text = grid[s.r]?.[s.c] ?? ''
    if (e.r === s.r || text === '') continue
    merged += 1
    for (let at = s.r + 1; at <= Math.min(e.r, grid.length - 1); at += 1) {
      const row = grid[at]
      if (!row) continue
      while (row.length <= s.c) row.push('')
      if (row[s.c] === '') row[s.c] = text
    }
  }
  return merged
}
