import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Use } from '#core/catalog'
import { daysOfUse, saidUse, tallyUses, wasUsed } from './index'

const uses = fc.array(
  fc.record({
    id: fc.string(),
    holdingId: fc.constantFrom('a', 'b', 'c'),
    on: fc.option(fc.constantFrom('2024', '2024-05', '2024-05-12', '2026-11-27')),
    times: fc.option(fc.nat(3)),
    from: fc.constantFrom('fetched' as const, 'noted' as const, 'said' as const),
  }),
  { maxLength: 20 },
)

test('counts and last days are those of the log, in whatever order it is read (property)', () => {
  fc.assert(
    fc.property(uses, log => {
      const tallies = tallyUses(log)
      const backwards = tallyUses([...log].reverse())
      for (const [id, tally] of tallies) expect(backwards.get(id)).toEqual(tally)
      for (const id of ['a', 'b', 'c']) {
        const own = log.filter((use: Use) => use.holdingId === id)
        const tally = tallies.get(id)
        expect(tally === undefined).toBe(own.length === 0)
        expect(wasUsed(tally)).toBe(own.length === 0 ? null : own.some(({ times }) => times !== 0))
        if (!tally) continue
        expect(tally.times).toBe(own.reduce((sum, { times }) => sum + (times ?? 0), 0))
        expect(tally.isCounted).toBe(own.every(({ times }) => times !== null))
        const days = own.flatMap(({ on, times }) => (on !== null && times !== 0 ? [on] : [])).sort()
        expect(tally.lastOn).toBe(days.at(-1) ?? null)
      }
    }),
  )
})
test.each([
  [{ isUsed: null, useCount: null }, null],
  [{ isUsed: false, useCount: 0 }, 0],
  [{ isUsed: false, useCount: null }, 0],
  [{ isUsed: true, useCount: 4 }, 4],
  [{ isUsed: null, useCount: 0 }, 0],
])('what a list says, %j, is a line of the log: %p times', (said, times) => {
  expect(saidUse(said)?.times ?? null).toBe(times)
})
test('fetched and back on one day is one day of use, else two', () => {
  expect(daysOfUse('2026-11-27', '2026-11-27')).toEqual(['2026-11-27'])
  expect(daysOfUse('2026-11-25', '2026-11-27')).toEqual(['2026-11-25', '2026-11-27'])
})
