import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LIMITS } from '#core/catalog'
import { cutText, nameOf } from './cells'
import { dateOrderOf, guessKind, readDate, readPrice, readThemes, readUse, readWords, readYesNo, wordsFit, writePrice } from '../index'

test.each([
  ['$35.64', 3564, 'USD'],
  ['35,64 EUR', 3564, 'EUR'],
  ['1,234.50', 123450, 'EUR'],
  ['£7', 700, 'GBP'],
])('price %s', (text, minor, currency) => {
  expect(readPrice(text, 'EUR')).toEqual({ minor, currency })
})
test("a dollar is the room's own; what is no price is none", () => {
  expect(readPrice('$5', 'CAD')?.currency).toBe('CAD')
  expect([readPrice('gift', 'EUR'), readPrice('3/4', 'EUR')]).toEqual([null, null])
})
test('use and yes or no; a bare x is neither', () => {
  expect([readUse('2x'), readUse('never'), readUse('perhaps')]).toEqual([
    { isUsed: true, useCount: 2 },
    { isUsed: false, useCount: 0 },
    null,
  ])
  expect([readYesNo('Y'), readYesNo('n/a'), readYesNo('x')]).toEqual([true, false, null])
})
test('themes and words', () => {
  expect(readThemes('food & drink / travel;Travel')).toEqual(['food & drink', 'travel'])
  expect(readWords('"so, proud", kelp; kelp')).toEqual(['so, proud', 'kelp'])
})
test.each([
  ['2014-02-15', '2014-02-15'],
  ['Feb 3, 2011', '2011-02-03'],
  ['Dec 2011', '2011-12'],
  ['2/15/14', '2014-02-15'],
  ['31 Jan 99', null],
  ['2/30/2014', null],
  ['5/5/2020', '2020-05-05'],
])('date %s', (text, date) => {
  const reading = readDate(text, { order: 'monthFirst', shortYears: true, thisYear: 2026 })
  expect(reading.ok ? reading.date : null).toBe(date)
})
test('kinds and the order of dates', () => {
  expect(guessKind('woodblock', [])).toEqual({ as: 'kind', name: 'Wood mounted' })
  expect(guessKind('Background 6x6', [])).toEqual({ as: 'category', name: 'Backgrounds' })
  expect(dateOrderOf(['13/1/2020', '1/2/2020']).order).toBe('dayFirst')
})

test('what is written as a price reads back as that price (property); a sum beyond all money is none', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: LIMITS.moneyMinor }), fc.constantFrom('EUR', 'USD', 'CAD', 'JPY'), (minor, currency) => {
      fc.pre(minor < 99_999_999)
      expect(readPrice(writePrice({ minor, currency }), 'EUR')).toEqual({ minor, currency })
    }),
  )
  expect(readPrice('9 999 999 999.00', 'EUR')).toBeNull()
})
test('a text is cut at the length asked, or one short of it where a letter of two units would be cut through (property)', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 20 }), fc.nat(40), (text, most) => {
      const cut = cutText(text, most)
      expect(text.startsWith(cut)).toBe(true)
      expect(cut + text.slice(cut.length)).toBe(text)
      expect(/\p{Surrogate}/u.test(cut)).toBe(false)
      expect(cut.length).toBeGreaterThanOrEqual(Math.min(text.length, most - 1))
      expect(cut.length).toBeLessThanOrEqual(most)
    }),
  )
  expect(nameOf(`  ${'k'.repeat(299)}  elp`)).toBe('k'.repeat(299))
})
test('words fit as far as a set has room', () => {
  expect(wordsFit(['k'.repeat(LIMITS.name)])).toBe(true)
  expect(wordsFit(['k'.repeat(LIMITS.name + 1)])).toBe(false)
  expect(wordsFit(Array.from({ length: LIMITS.words + 1 }, (_, at) => `${at}`))).toBe(false)
})
