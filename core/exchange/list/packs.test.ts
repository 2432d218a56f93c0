import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { readPacks, writePacks } from '../index'

const packs = fc.array(
  fc.record({ pieces: fc.integer({ min: 1, max: 9999 }), priceMinor: fc.option(fc.integer({ min: 1, max: 99_999 }), { nil: null }) }),
  { maxLength: 4 },
)

test('packs that are written are read the same (property)', () => {
  fc.assert(
    fc.property(packs, fc.constantFrom('EUR', 'USD', 'GBP'), (list, currency) => {
      expect(readPacks(writePacks(list, currency), currency)).toEqual(list)
    }),
  )
})
test.each(['many', '0', '50 at', '50 at much', '1000000'])('“%s” is no pack', text => {
  expect(readPacks(text, 'EUR')).toBeNull()
})
test('a decimal comma is of the price, another one parts packs', () => {
  expect(readPacks('50 at 7,50, 100', 'EUR')).toEqual([
    { pieces: 50, priceMinor: 750 },
    { pieces: 100, priceMinor: null },
  ])
})
