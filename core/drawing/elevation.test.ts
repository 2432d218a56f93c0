import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type Container, CONTAINER_TYPES, type Fixture, PLAIN_FIXTURE } from '#core/catalog'
import { layElevation } from './index'

const fixture = (shelves: number, more: Partial<Fixture> = {}): Fixture => ({
  id: 'f',
  name: 'Bookcase',
  type: 'bookcase',
  shelves,
  rank: 0,
  ...PLAIN_FIXTURE,
  ...more,
})
const container = (id: string, type: Container['type'], inner: Container['inner'], lengthMm = 300): Container => ({
  id,
  fixtureId: 'f',
  shelf: 1,
  rank: 0,
  name: id,
  code: id,
  type,
  lanes: 1,
  lengthMm,
  inner,
  cells: null,
  zoneId: 'z',
  emptyWeightG: null,
  isTable: false,
})
const someContainer = fc.record({
  type: fc.constantFrom(...CONTAINER_TYPES),
  inner: fc.option(fc.record({ widthMm: fc.integer({ min: 20, max: 700 }), heightMm: fc.integer({ min: 20, max: 500 }) })),
  lengthMm: fc.integer({ min: 20, max: 900 }),
})
const someShelves = fc
  .array(fc.array(someContainer, { maxLength: 12 }), { minLength: 1, maxLength: 5 })
  .map(shelves =>
    shelves.map((each, at) => each.map(({ type, inner, lengthMm }, index) => container(`${at}.${index}`, type, inner, lengthMm))),
  )

test('every container is drawn once, in its own proportions, inside its furniture, and over no other (property)', () => {
  fc.assert(
    fc.property(someShelves, shelves => {
      const { fronts, boardsMm, widthMm, heightMm } = layElevation(fixture(shelves.length), shelves)
      expect(fronts.map(front => front.id)).toEqual(shelves.flat().map(each => each.id))
      for (const front of fronts) {
        const inner = shelves.flat().find(each => each.id === front.id)?.inner
        if (inner) expect(front).toMatchObject(inner)
        expect(front.xMm + front.widthMm).toBeLessThanOrEqual(widthMm)
        expect(front.bottomMm + front.heightMm).toBeLessThanOrEqual(heightMm)
        expect(front.bottomMm).toBeGreaterThanOrEqual(boardsMm[Number(front.id.split('.')[0])] ?? Infinity)
      }
      for (const [at, a] of fronts.entries()) {
        for (const b of fronts.slice(at + 1)) {
          const isBeside = a.xMm + a.widthMm <= b.xMm || b.xMm + b.widthMm <= a.xMm
          expect(isBeside || a.bottomMm + a.heightMm <= b.bottomMm || b.bottomMm + b.heightMm <= a.bottomMm).toBe(true)
        }
      }
      boardsMm.slice(1).forEach((board, at) => expect(board).toBeLessThan(boardsMm[at] ?? 0))
    }),
  )
})

test('boards and width lie as they were measured', () => {
  const bin = container('a', 'bin', { widthMm: 200, heightMm: 285 })
  const drawn = layElevation(fixture(2, { shelfHeightsMm: [700, 90], widthMm: 800 }), [
    [bin],
    [
      { ...bin, id: 'b' },
      { ...bin, id: 'c' },
    ],
  ])
  expect(drawn).toMatchObject({ boardsMm: [700, 90], widthMm: 800, heightMm: 1025 })
  expect(drawn.fronts).toEqual([
    { id: 'a', xMm: 0, bottomMm: 700, widthMm: 200, heightMm: 285 },
    { id: 'b', xMm: 0, bottomMm: 90, widthMm: 200, heightMm: 285 },
    { id: 'c', xMm: 215, bottomMm: 90, widthMm: 200, heightMm: 285 },
  ])
})
test('a binder shows its spine; what does not stand beside each other is stacked', () => {
  const { fronts } = layElevation(fixture(1, { widthMm: 150 }), [
    [container('a', 'binder', null, 60), container('b', 'binder', null, 60), container('c', 'binder', null, 60)],
  ])
  expect(fronts.map(({ xMm, bottomMm, widthMm }) => [xMm, bottomMm, widthMm])).toEqual([
    [0, 80, 60],
    [75, 80, 60],
    [0, 400, 60],
  ])
})
