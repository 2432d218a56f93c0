import { expect, test } from '@jest/globals'
import { type Container, type Fixture, PLAIN_FIXTURE } from '#core/catalog'
import { containerOf } from '../../tests/support/containers'
import { placesAlong } from './along'

const fixture = (id: string, rank: number, widthMm: number): Fixture => ({
  ...PLAIN_FIXTURE,
  id,
  name: id,
  type: 'bookcase',
  shelves: 2,
  rank,
  widthMm,
})
const bin = (id: string, fixtureId: string, shelf: number, rank: number, widthMm: number): Container => ({
  ...containerOf(id, {}),
  ...{ id, fixtureId, shelf, rank, inner: { widthMm, heightMm: 200 } },
})

test('furniture side by side in its order with a step between, and in it each container at its middle, shelf by shelf', () => {
  const containers = [
    bin('b', 'second', 1, 0, 300),
    bin('a2', 'first', 1, 1, 100),
    bin('a1', 'first', 1, 0, 300),
    bin('low', 'first', 2, 0, 300),
  ]
  const along = placesAlong([fixture('second', 2, 900), fixture('first', 1, 1200)], containers)
  const at = (id: string): number => along.get(id) ?? NaN
  expect([...along.keys()].sort()).toEqual(['a1', 'a2', 'b', 'low'])
  // Each first one of a shelf begins at the left.
  expect(at('a1')).toBeCloseTo(at('low'), 6)
  // From the middle of one to the middle of the next: half of each, and the gap between.
  expect(at('a2') - at('a1') - (300 + 100) / 2).toBeGreaterThanOrEqual(0)
  expect(at('a2') - at('a1') - (300 + 100) / 2).toBeLessThan(40)
  // The second furniture begins 1200 mm and a step of 600 mm further on, and its first bin is as far in it as that of the first.
  expect(at('b') - at('a1')).toBeCloseTo(1800, 6)
  expect(at('a1')).toBeGreaterThanOrEqual(150)
})
