import { describe, expect, test } from '@jest/globals'
import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { eachDetail } from '#core/catalog'
import { readTable, restoreCell, safeCell, writeList, type ListLine } from '#core/exchange'

const cell = fc
  .oneof(
    fc.constantFrom(
      '',
      'plain',
      'two, parts',
      'a "quoted" word',
      'line\nbreak',
      'line\r\nbreak',
      '=SUM(A1)',
      '@clover',
      "'=x",
      ' lead',
      '½ Ærø',
    ),
    fc.string({ maxLength: 20 }),
  )
  .filter(text => [...text].every(letter => letter >= ' ' || '\t\n\r'.includes(letter)))
const line = fc.record({ name: cell, notes: cell, words: fc.constant([]) }).map((each): ListLine => ({
  number: 1,
  code: '1',
  brand: '',
  kind: '',
  category: '',
  themes: [],
  size: '',
  searchWords: [],
  ...eachDetail(() => ''),
  used: '',
  matchingDie: '',
  place: '',
  ...each,
}))

describe('RFC 4180', () => {
  // Section 2: quotes around fields with commas, quotes or line breaks; quotes doubled; CRLF at the end of each record.
  test('what is written is read the same by csv-parse, an independent parser (property)', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 8 }), lines => {
        const csv = writeList(lines)
        const rows = parse(csv, { columns: true }) as Record<string, string>[]
        expect(rows.map(row => restoreCell(row.Name ?? ''))).toEqual(lines.map(each => each.name))
        expect(rows.map(row => restoreCell(row.Notes ?? ''))).toEqual(lines.map(each => each.notes))
      }),
    )
  })

  test('what an independent writer would quote is read the same as csv-parse reads it (property)', () => {
    const quoted = (text: string): string => `"${text.replaceAll('"', '""')}"`
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 8 }), rows => {
        const csv = [['Name', 'Brand', 'Notes'], ...rows].map(row => row.map(quoted).join(',')).join('\r\n')
        const reading = readTable(new TextEncoder().encode(csv))
        const [, ...expected] = parse(csv) as string[][]
        expect(reading.ok && reading.table.rows).toEqual(expected.map(row => row.map(restoreCell)))
      }),
    )
  })

  // OWASP, CSV Injection: cells that begin with = + - @ tab or carriage return.
  test('no written cell begins with a trigger, and every cell comes back as it was (property)', () => {
    fc.assert(
      fc.property(fc.oneof(cell, fc.constantFrom('+1', '-2', '\t=x', '\r=x', "''=x", "'plain")), text => {
        expect(safeCell(text)).not.toMatch(/^[=+\-@\t\r]/)
        expect(restoreCell(safeCell(text))).toBe(text)
      }),
    )
  })
})
