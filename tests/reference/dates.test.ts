import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { dateOrderOf, readDate } from '#core/exchange'

// Written by ICU, through the Intl that Node ships: an independent writer of dates.
const writers: readonly (readonly [title: string, order: 'dayFirst' | 'monthFirst' | null, write: (date: Date) => string])[] = [
  ['Britain, in figures', 'dayFirst', new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC' }).format],
  ['Britain, short', 'dayFirst', new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', dateStyle: 'medium' }).format],
  ['Britain, in full', null, new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', dateStyle: 'long' }).format],
  ['the United States, in figures', 'monthFirst', new Intl.DateTimeFormat('en-US', { timeZone: 'UTC' }).format],
  ['the United States, short', null, new Intl.DateTimeFormat('en-US', { timeZone: 'UTC', dateStyle: 'medium' }).format],
  ['the United States, in full', null, new Intl.DateTimeFormat('en-US', { timeZone: 'UTC', dateStyle: 'long' }).format],
  ['Germany, with points', 'dayFirst', new Intl.DateTimeFormat('de-DE', { timeZone: 'UTC' }).format],
  ['Sweden, as ISO 8601 has it', null, new Intl.DateTimeFormat('sv-SE', { timeZone: 'UTC' }).format],
]
const days = fc.integer({ min: Date.UTC(1970, 0, 1) / 864e5, max: Date.UTC(2099, 11, 31) / 864e5 }).map(day => new Date(day * 864e5))
const iso = (date: Date): string => date.toISOString().slice(0, 10)

describe('dates as people write them', () => {
  test.each(writers)('%s: every day of 130 years is read as the day it is (property)', (_title, order, write) => {
    fc.assert(
      fc.property(days, date => {
        expect(readDate(write(date), { order, shortYears: false, thisYear: 2026 })).toEqual({
          ok: true,
          date: iso(date),
          hadShortYear: false,
        })
      }),
      { numRuns: 300 },
    )
  })
  test.each(writers.slice(0, 1))(
    '%s, with nobody to say which number is the month: read where it leaves no choice, asked where it does (property)',
    (_title, _order, write) => {
      fc.assert(
        fc.property(days, date => {
          const [day, month] = [date.getUTCDate(), date.getUTCMonth() + 1]
          const reading = readDate(write(date), { order: null, shortYears: false, thisYear: 2026 })
          expect(reading).toEqual(
            day > 12 || day === month ? { ok: true, date: iso(date), hadShortYear: false } : { ok: false, code: 'orderUnknown' },
          )
        }),
      )
    },
  )
  test('a month is read to the month, in words or figures (property)', () => {
    const [long, short] = (['long', 'short'] as const).map(
      month => new Intl.DateTimeFormat('en-US', { timeZone: 'UTC', month, year: 'numeric' }),
    )
    fc.assert(
      fc.property(days, date => {
        for (const text of [long?.format(date) ?? '', short?.format(date) ?? '', iso(date).slice(0, 7)]) {
          expect([text, readDate(text, { order: null, shortYears: false, thisYear: 2026 })]).toEqual([
            text,
            { ok: true, date: iso(date).slice(0, 7), hadShortYear: false },
          ])
        }
      }),
    )
  })
  test('a year of two figures is the latest such year that is not to come (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99 }), fc.integer({ min: 1990, max: 2060 }), (short, thisYear) => {
        const reading = readDate(`3/3/${String(short).padStart(2, '0')}`, { order: 'dayFirst', shortYears: true, thisYear })
        const year = reading.ok ? Number(reading.date.slice(0, 4)) : 0
        expect(year % 100).toBe(short)
        expect(year).toBeLessThanOrEqual(thisYear)
        expect(year).toBeGreaterThan(thisYear - 100)
      }),
    )
  })
  test.each([
    'marketing 2012',
    'junk 2011',
    'sept of sorts',
    '31 Feb 2011',
    '2/30/2014',
    '29/2/2023',
    '0/5/2020',
    '13/13/2020',
    '2020-13',
    '2020-00-10',
    '31 Jan 2 2019',
    'toString 2012',
    '99999',
  ])('%s is no date', text => {
    expect(readDate(text, { order: 'dayFirst', shortYears: true, thisYear: 2026 })).toEqual({ ok: false, code: 'unread' })
  })
  test.each([
    ['29/2/2024', '2024-02-29'],
    ['Sept 3, 2011', '2011-09-03'],
    ['3rd March 2011', '2011-03-03'],
    ['may 2011', '2011-05'],
    ['2009', '2009'],
  ])('%s is %s', (text, date) => {
    expect(readDate(text, { order: 'dayFirst', shortYears: true, thisYear: 2026 })).toMatchObject({ ok: true, date })
  })
  test("the order of a column is what its dates prove, and nobody's where they prove both or nothing (property)", () => {
    const [british, american] = [writers[0]?.[2], writers[3]?.[2]]
    if (!british || !american) throw new Error('two writers')
    fc.assert(
      fc.property(fc.array(days, { maxLength: 12 }), fc.array(days, { maxLength: 12 }), (here, there) => {
        const [dayFirst, monthFirst] = [here, there].map(list => list.filter(date => date.getUTCDate() > 12).length)
        const first = dayFirst ? 'dayFirst' : 'monthFirst'
        const expected = Boolean(dayFirst) === Boolean(monthFirst) ? null : first
        expect(dateOrderOf([...here.map(date => british(date)), ...there.map(date => american(date))])).toEqual({
          order: expected,
          dayFirst,
          monthFirst,
        })
      }),
    )
  })
})
