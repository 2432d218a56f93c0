import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { bestMatches } from './index'

const NAMES = [
  'Plumb Bob Paperworks',
  'Old Plum',
  'Duplum',
  'plum',
  'Slack-water',
  'Crème & Co',
  '12 Quay',
  '2 Quay',
  '35 Kelp',
  '135 Tide',
]

test('what is typed in full comes first, then beginnings, then words, then what holds it somewhere (by hand)', () => {
  expect(bestMatches('plum', NAMES, 8)).toEqual(['plum', 'Plumb Bob Paperworks', 'Old Plum', 'Duplum'])
  expect(bestMatches('CREME', NAMES, 8)).toEqual(['Crème & Co'])
  expect(bestMatches('35', NAMES, 8)).toEqual(['35 Kelp', '135 Tide'])
  expect(bestMatches('quay', NAMES, 8)).toEqual(['2 Quay', '12 Quay'])
  expect(bestMatches('', NAMES, 3)).toHaveLength(3)
})

test('whole: nothing that holds what is typed is left out, and nothing else comes in (property)', () => {
  const letters = fc.string({ unit: fc.constantFrom('a', 'b', ' ', 'é'), minLength: 1, maxLength: 5 })
  fc.assert(
    fc.property(fc.uniqueArray(letters, { maxLength: 12 }), letters, (names, typed) => {
      const flat = (text: string): string => text.replaceAll('é', 'e').trim().replace(/ +/g, ' ')
      const found = bestMatches(typed, names, 99)
      expect([...found].sort()).toEqual(names.filter(name => flat(name).includes(flat(typed))).sort())
      const exact = found.findIndex(name => flat(name) === flat(typed))
      if (names.some(name => flat(name) === flat(typed))) expect(exact).toBe(0)
    }),
  )
})
