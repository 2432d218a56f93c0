import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Container, type Holder, type Holding, type Kind } from '#core/catalog'
import { arrangeContainer, type ContainerRow, keysBehind } from '#core/room'
import { containerOf } from '../../tests/support/containers'
import { fillOf, overBy, roomFor, roomIn, thicknessIn, UNKNOWN_THICKNESS_MM } from './index'

const KINDS: readonly Kind[] = [
  {
    id: 'clear',
    name: 'Clear',
    family: 'stamp',
    suffix: null,
    typicalThicknessMm: 5,
    typicalWeightG: 60,
    isLightSensitive: false,
    mayTrim: true,
    mayCut: true,
    rank: 0,
  },
  {
    id: 'block',
    name: 'Wood mounted',
    family: 'stamp',
    suffix: 'W',
    typicalThicknessMm: 25,
    typicalWeightG: 60,
    isLightSensitive: false,
    mayTrim: true,
    mayCut: true,
    rank: 1,
  },
]
const kindOf = (id: string): Kind | undefined => KINDS.find(kind => kind.id === id)
const bin = (more: Partial<Container> = {}): Container => containerOf('1', { id: 'bin', ...more })
const set = (index: number, kindId: string | null, thicknessMm: number | null): Holding => ({
  ...blankHolding({ id: `set${index}`, number: index + 1, seriesId: 's', name: `Set ${index}`, createdAt: '2026-01-01T00:00:00.000Z' }),
  kindId,
  thicknessMm,
})
function rowOf(container: Container, sets: readonly Holding[]): ContainerRow {
  const keys = keysBehind([], -1, sets.length)
  const holders = sets.map((holding, index): Holder => ({
    id: `h${index}`,
    holderTypeId: null,
    type: 'pocket',
    containerId: container.id,
    lane: 1,
    order: keys[index] ?? '',
    cell: container.cells ? { page: 1, cell: index + 1, side: 'front' } : null,
    somewhere: null,
    apartBecause: null,
    holdingIds: [holding.id],
  }))
  return arrangeContainer(container, holders, [])
}
const filled = (container: Container, sets: readonly Holding[]) =>
  fillOf(rowOf(container, sets), id => sets.find(each => each.id === id), kindOf)
const someSets = fc
  .array(
    fc.record({
      kind: fc.constantFrom('clear', 'block', 'gone', null),
      measured: fc.option(fc.integer({ min: 1, max: 40 }), { nil: null }),
    }),
    { maxLength: 30 },
  )
  .map(list => list.map((each, index) => set(index, each.kind, each.measured)))

describe('how full a container is', () => {
  test('the sum of what stands in it, a measured thickness before the usual one of its kind (property)', () => {
    fc.assert(
      fc.property(someSets, sets => {
        const usual = new Map([
          ['clear', 5],
          ['block', 25],
        ])
        const expected = sets.reduce((sum, each) => sum + (each.thicknessMm ?? usual.get(each.kindId ?? '') ?? UNKNOWN_THICKNESS_MM), 0)
        const fill = filled(bin(), sets)
        expect(fill.usedMm).toBeCloseTo(expected, 9)
        expect(fill.share).toBeCloseTo(expected / 300, 9)
        expect(fill.isMeasured).toBe(sets.every(each => each.thicknessMm !== null))
      }),
    )
  })

  test('one set more never makes a container emptier; twice the lanes, half as full (properties)', () => {
    fc.assert(
      fc.property(someSets, fc.constantFrom('clear', 'block'), (sets, kind) => {
        const before = filled(bin(), sets)
        expect(filled(bin(), [...sets, set(99, kind, null)]).share).toBeGreaterThan(before.share)
        expect(filled(bin({ lanes: 2 }), sets).share).toBeCloseTo(before.share / 2, 9)
      }),
    )
  })

  // Common practice: about 30 pocketed sets in one lane is ordinary.
  test('thirty pocketed clear sets fill half of a bin of 300 mm', () => {
    expect(
      filled(
        bin(),
        Array.from({ length: 30 }, (_, index) => set(index, 'clear', null)),
      ).share,
    ).toBeCloseTo(0.5)
  })

  test('pages count cells, not millimetres; both sides double them (common practice: 16 cells hold 32)', () => {
    const pages = { rows: 4, columns: 4, pages: 1, isTwoSided: false, cellSize: null, reuse: 'last' as const }
    const sets = Array.from({ length: 8 }, (_, index) => set(index, 'block', null))
    expect(filled(bin({ type: 'binder', cells: pages }), sets).share).toBe(0.5)
    expect(filled(bin({ type: 'binder', cells: { ...pages, isTwoSided: true } }), sets).share).toBe(0.25)
  })

  test('an empty container is empty, and measured; a set that nobody knows any more takes no room', () => {
    expect(filled(bin(), [])).toEqual({ usedMm: 0, lengthMm: 300, share: 0, isMeasured: true })
    const orphan = arrangeContainer(
      bin(),
      [
        {
          id: 'h',
          holderTypeId: null,
          type: 'pocket',
          containerId: 'bin',
          lane: 1,
          order: 'a0',
          cell: null,
          somewhere: null,
          apartBecause: null,
          holdingIds: ['unknown'],
        },
      ],
      [],
    )
    expect(fillOf(orphan, () => undefined, kindOf).usedMm).toBe(0)
    expect(thicknessIn(set(1, null, null), { type: 'pocket' }, kindOf, new Map()).mm).toBe(UNKNOWN_THICKNESS_MM)
  })
})

test('what a set more would be too much is what the container is over by when it stands in it (property)', () => {
  fc.assert(
    fc.property(
      someSets,
      fc.constantFrom('clear', 'block', null),
      fc.option(fc.integer({ min: 1, max: 40 }), { nil: null }),
      (sets, kind, mm) => {
        const more = set(99, kind, mm)
        const [before, after] = [filled(bin(), sets), filled(bin(), [...sets, more])]
        expect(overBy(before, more, kindOf)).toBeCloseTo(after.usedMm - after.lengthMm, 9)
        expect(overBy(before, null, kindOf)).toBeCloseTo(before.usedMm + UNKNOWN_THICKNESS_MM - 300, 9)
      },
    ),
  )
})

test('so many more go in as go in one after the other until one does not, lane by lane', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ kindId: fc.constantFrom('clear', 'block', null), mm: fc.option(fc.integer({ min: 1, max: 60 }), { nil: null }) }),
        {
          maxLength: 12,
        },
      ),
      fc.integer({ min: 20, max: 200 }),
      fc.integer({ min: 1, max: 3 }),
      fc.constantFrom('clear', 'block'),
      (stood, lengthMm, lanes, kindId) => {
        const container = bin({ lengthMm, lanes })
        let sets = stood.map(({ kindId: of, mm }, index) => set(index, of, mm))
        const one = set(999, kindId, null)
        const holdingOf = (id: string): Holding | undefined => sets.find(each => each.id === id)
        const told = roomFor(holdingOf, kindOf, new Map())(rowOf(container, sets), one)
        let count = 0
        // All stand in the first lane; the others are empty.
        while (roomIn(holdingOf, kindOf, new Map())(rowOf(container, sets), 1, one)) {
          sets = [...sets, set(1000 + count, kindId, null)]
          count += 1
        }
        const anEmptyLane = Math.floor((lengthMm + 1e-6) / (kindId === 'clear' ? 5 : 25))
        expect(told).toBe(count + (lanes - 1) * anEmptyLane)
      },
    ),
  )
})

test('pages of cells have room in the cells that nothing is in', () => {
  const cells = { rows: 2, columns: 3, pages: 4, isTwoSided: true, cellSize: null, reuse: 'last' as const }
  const one = set(1, 'clear', null)
  const room = roomFor(() => one, kindOf, new Map())
  expect(room(rowOf(bin({ cells }), []), one)).toBe(48)
  expect(room(rowOf(bin({ cells }), [set(1, 'clear', 400), set(2, null, null)]), one)).toBe(46)
})
