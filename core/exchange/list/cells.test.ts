import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LIMITS } from '#core/catalog'
import { cutText, nameOf } from './cells'
import { readWrittenParts, themesOf, writeParts } from './parts'
import { dateOrderOf, kindGuesser, readDate, readPrice, readUse, readWords, readYesNo, wordsFit, writePrice } from '../index'

test.each([
  ['$35.64', 3564, 'USD'],
  ['35,64 EUR', 3564, 'EUR'],
  ['1,234.50', 123450, 'EUR'],
  ['£7', 700, 'GBP'],
  ['9,5 €', 950, 'EUR'],
  ['12.5', 1250, 'EUR'],
  ['$.99', 99, 'USD'],
  ['5,- EUR', 500, 'EUR'],
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
  expect(themesOf([])('food & drink / travel;Travel')).toEqual(['food & drink', 'travel'])
  expect(readWords('"so, proud", kelp; kelp')).toEqual(['so, proud', 'kelp'])
})
test.each([
  ['birthday & baby', ['birthday & baby', 'birthday', 'baby'], ['birthday', 'baby']],
  ['food & drink', ['food & drink', 'drink'], ['food & drink']],
  ['winter + travel', [], ['winter', 'travel']],
  ['his/hers', ['his/hers', 'his/hers', 'his/hers'], ['his/hers']],
  ['his/hers', ['his/hers', 'his/hers', 'his/hers', 'hers'], ['his', 'hers']],
  ['A/C', ['A/C'], ['A/C']],
  ['n/a', ['n/a'], []],
  ['winter, ?', [], ['winter']],
  ['winter\nbaby', [], ['winter', 'baby']],
  ['a & b / c', ['a & b / c', 'c'], ['a & b', 'c']],
])('themes of %s beside %j', (text, column, themes) => {
  expect(themesOf(column)(text)).toEqual(themes)
})
test('an owner may say that signs divide always, or never', () => {
  expect(themesOf([], 'divide')('food & drink/tea')).toEqual(['food', 'drink', 'tea'])
  expect(themesOf(['baby', 'winter'], 'whole')('baby/winter; tea')).toEqual(['baby/winter', 'tea'])
})
test('several texts in one cell read back as they were written, whatever they hold (property)', () => {
  const text = fc
    .string({
      unit: fc.constantFrom('a', 'b', ' ', ';', ',', '/', '|', '&', '+', '"', "'", '\n', '?', '-', '=', '@'),
      minLength: 1,
      maxLength: 9,
    })
    .map(each => each.trim().replace(/\s+/g, ' '))
    .filter(each => each !== '')
  fc.assert(
    fc.property(fc.uniqueArray(text, { minLength: 1, maxLength: 5 }), parts => {
      expect(readWrittenParts(writeParts(parts))).toEqual(parts)
      expect(themesOf([writeParts(parts)])(writeParts(parts))).toEqual(parts)
    }),
    { numRuns: 500 },
  )
})
test.each([
  ['2014-02-15', '2014-02-15'],
  ['Feb 3, 2011', '2011-02-03'],
  ['Dec 2011', '2011-12'],
  ['2/15/14', '2014-02-15'],
  ['31 Jan 99', '1999-01-31'],
  ['04/2020', '2020-04'],
  ['15-Mar-2019', '2019-03-15'],
  ['15. März 2019', '2019-03-15'],
  ["Mar '19", '2019-03'],
  ['Mar-19', '2019-03'],
  ['Mar 19', null],
  ['2020/04/15', '2020-04-15'],
  ['4/15/2020 3:15 PM', '2020-04-15'],
  ['2020-04-15T10:00:00Z', '2020-04-15'],
  ['3 de marzo de 2019', '2019-03-03'],
  ['1er févr. 2019', '2019-02-01'],
  ['jui 2019', null],
  ['13/2019', null],
  ['2/30/2014', null],
  ['5/5/2020', '2020-05-05'],
])('date %s', (text, date) => {
  const reading = readDate(text, { order: 'monthFirst', shortYears: true, thisYear: 2026 })
  expect(reading.ok ? reading.date : null).toBe(date)
})
test('months of every language that lists come in, as ICU writes them, whole and cut short', () => {
  for (const language of ['en', 'de', 'fr', 'nl', 'es', 'it', 'sv', 'da', 'nb'])
    for (const width of ['long', 'short'] as const)
      for (let month = 0; month < 12; month += 1) {
        const date = new Date(Date.UTC(2019, month, 15))
        const parts = new Intl.DateTimeFormat(language, { month: width, day: 'numeric', year: 'numeric', timeZone: 'UTC' }).formatToParts(
          date,
        )
        const written = parts.map(part => part.value).join('')
        const reading = readDate(written, { order: null, shortYears: false, thisYear: 2026 })
        expect([language, written, reading]).toEqual([
          language,
          written,
          { ok: true, date: `2019-${String(month + 1).padStart(2, '0')}-15`, hadShortYear: false },
        ])
      }
})
test('kinds and the order of dates', () => {
  expect(kindGuesser([])('woodblock')).toEqual({ as: 'kind', name: 'Wood mounted' })
  expect(kindGuesser([])('Background 6x6')).toEqual({ as: 'category', name: 'Backgrounds' })
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
