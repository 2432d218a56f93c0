import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  blankHolding,
  FIT_WAYS,
  type Holding,
  type HolderType,
  type Kind,
  START_HOLDER_TYPES,
  startCatalogue,
  type Zone,
} from '#core/catalog'
import { contentsOf, fitContainer, fitHolder } from '#core/holders'
import { heapOf, proposeRefiling } from '#core/refiling'
import { arrangeContainer, arrangeRoom, CONTAINER_SHAPES, nextFreeCell } from '#core/room'
import { authority, bin, factsOf, fixture, type Made, question, rooms, title, zone } from '../../tests/support/refilingRooms'
import { fittingsOf, lanesMore, planTidy, proposeShape, shapesFor, type TidyChoice, type TidyFacts } from './index'

const TYPES = new Map(START_HOLDER_TYPES.map((type, at): [string, HolderType] => [`t${at}`, { ...type, id: `t${at}`, rank: at }]))
const KINDS = new Map(startCatalogue(() => 'x').kinds.map((kind, at): [string, Kind] => [`k${at}`, { ...kind, id: `k${at}` }]))
const HABITS = { fitOrder: FIT_WAYS, fitNever: [] }
const named = (type: string): string => [...TYPES.values()].find(({ name }) => name === type)?.id ?? ''
const kindNamed = (kind: string): string => [...KINDS.values()].find(({ name }) => name === kind)?.id ?? ''
const firstName = (type: string) => ({ name: `${type} 0`, code: `${type.slice(0, 2)}0` })

function set(id: string, more: Partial<Holding> = {}): Holding {
  return {
    ...blankHolding({
      id,
      number: Number(/\d+/.exec(id)?.[0] ?? 1),
      seriesId: 's',
      name: `Set ${id}`,
      createdAt: '2026-01-01T00:00:00.000Z',
    }),
    ...more,
  }
}
const inches = (width: number, height: number): Holding['size'] => ({ widthMm: width * 25.4, heightMm: height * 25.4 })
function tidyFacts(made: Made, own: Zone = zone): TidyFacts {
  const { rows } = arrangeRoom({ containers: made.containers, holders: made.holders, sections: [] })
  return {
    rows,
    fixtures: new Map([['f', fixture]]),
    zones: [own],
    holdings: new Map(made.holdings.map(each => [each.id, each])),
    authority: { ...authority, kinds: KINDS },
    learnt: new Map(),
    holderTypes: TYPES,
    patterns: {},
  }
}
const NEW = { name: 'Bookcase', type: 'bookcase' } as const
function plan(waiting: readonly Holding[], facts: TidyFacts, choice: Partial<TidyChoice> = {}) {
  const fittings = fittingsOf(waiting, [...TYPES.values()], KINDS, facts.zones, HABITS)
  const shape = proposeShape('z', waiting, fittings, facts)
  const own = new Map([['z', { shapeId: shape?.id ?? '', lengthMm: null, fixture: NEW, ...choice }]])
  const holdings = new Map([...facts.holdings, ...waiting.map(each => [each.id, each] as const)])
  return planTidy(waiting, fittings, own, { ...facts, holdings }, firstName)
}
const EMPTY: Made = { containers: [], holders: [], holdings: [] }

describe('the room that sets need', () => {
  test('no cutting of a run takes fewer lanes (against every cutting; property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 12 }), { maxLength: 9 }),
        fc.array(fc.integer({ min: 0, max: 14 }), { maxLength: 3 }),
        fc.integer({ min: 12, max: 20 }),
        (lengths, there, moreMm) => {
          /** Whether what is left from `at` on goes into the lanes from `lane` on, of so many in all. */
          const goes = (at: number, lane: number, lanes: number): boolean =>
            at === lengths.length ||
            (lane < lanes &&
              lengths.slice(at).some((_, count) => {
                const used = lengths.slice(at, at + count).reduce((sum, mm) => sum + mm, 0)
                return used <= (there[lane] ?? moreMm) && goes(at + count, lane + 1, lanes)
              })) ||
            (lane < lanes && lengths.slice(at).reduce((sum, mm) => sum + mm, 0) <= (there[lane] ?? moreMm))
          const more = lanesMore(lengths, there, moreMm)
          expect(goes(0, 0, there.length + more)).toBe(true)
          expect(more === 0 || !goes(0, 0, there.length + more - 1)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
  test('the re-filing of the heap goes into what is built, and not with one container fewer (property)', () => {
    let built = 0
    fc.assert(
      fc.property(rooms, fc.integer({ min: 1, max: 30 }), fc.constantFrom(0, 0.1, 0.3), (start, count, growthReserve) => {
        const own = { ...zone, growthReserve }
        const waiting = start.holdings.slice(0, count)
        const ids = new Set(waiting.map(({ id }) => id))
        const short = start.containers.map(container => ({ ...container, lengthMm: 9 }))
        const bare: Made = {
          ...start,
          containers: short,
          holders: start.holders.filter(({ holdingIds }) => !holdingIds.some(id => ids.has(id))),
        }
        const facts = tidyFacts(bare, own)
        const { zones, containers } = plan(waiting, facts, { shapeId: 'c0' })
        expect(zones[0]?.made).toEqual(containers)
        expect(zones[0]?.runMm).toBeCloseTo(3 * waiting.length)
        expect(zones[0]?.filed).toBe(bare.holders.filter(({ apartBecause }) => apartBecause === null).length)
        built += Number(containers.length > 0)
        const withSome = (some: number) => {
          const added = containers.slice(0, some).map(({ name, code }, at) => ({ ...bin(50 + at, 9), name, code }))
          const now: Made = { ...bare, containers: [...bare.containers, ...added] }
          let made = 0
          const heap = heapOf(waiting, () => `heap${(made += 1)}`)
          return proposeRefiling(
            factsOf(now),
            question(now, { zone: own, rule: own.filingRule, reserve: growthReserve, heap, tableMm: 5000 }),
            title,
          )
        }
        expect(withSome(containers.length)).toMatchObject({ ok: true })
        if (containers.length > 0) expect(withSome(containers.length - 1)).toMatchObject({ ok: false, problem: { code: 'tooLong' } })
      }),
      { numRuns: 80 },
    )
    expect(built).toBeGreaterThan(10)
  })
  test('each set is counted in a holder that takes it as it is and goes into what it stands in; all are accounted for (property)', () => {
    const sizes = fc.record({ width: fc.double({ min: 1, max: 12, noNaN: true }), height: fc.double({ min: 1, max: 14, noNaN: true }) })
    const sets = fc.array(fc.record({ kind: fc.nat(10), size: fc.option(sizes), isHalved: fc.boolean() }), { minLength: 1, maxLength: 30 })
    fc.assert(
      fc.property(sets, drawn => {
        const waiting = drawn.map(({ kind, size, isHalved }, at) =>
          set(`s${at}`, { kindId: `k${kind}`, size: size && inches(size.width, size.height), isCutInTwo: isHalved }),
        )
        const facts = tidyFacts(EMPTY)
        const [own] = plan(waiting, facts).zones
        if (!own) throw new Error('a zone')
        const { holders, sits, assumed, unknown, fitsNone, tooLarge } = own
        const counted = waiting.filter(each => !fitsNone.includes(each))
        expect(sits.length + assumed + unknown + fitsNone.length).toBe(waiting.length)
        if (unknown === 0)
          expect(holders.reduce((sum, { count }) => sum + count, 0)).toBe(counted.reduce((sum, each) => sum + (each.isCutInTwo ? 2 : 1), 0))
        const shape = CONTAINER_SHAPES.find(
          ({ id }) => id === proposeShape('z', waiting, fittingsOf(waiting, [...TYPES.values()], KINDS, [zone], HABITS), facts)?.id,
        )
        for (const { holdingId, holderTypeId } of sits) {
          const [holding, type] = [waiting.find(({ id }) => id === holdingId) as Holding, TYPES.get(holderTypeId) as HolderType]
          const kind = KINDS.get(holding.kindId ?? '') ?? null
          if (type.type === 'none') expect((kind?.typicalThicknessMm ?? 0) >= 20).toBe(true)
          const contents = contentsOf(holding, kind, zone.habits)
          const fit =
            contents &&
            fitHolder(contents, type, { fitOrder: FIT_WAYS.filter(way => !['rearranged', 'trim', 'cutInTwo'].includes(way)), fitNever: [] })
          expect(type.type === 'none' || fit?.fits).toBe(true)
          if (fit?.fits && fit.answers[0] && shape && !tooLarge.includes(holding))
            expect(fitContainer(type, fit.answers[0], shape).fits).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
  test('by name: a sheet in its pocket, a block by itself, a size not known as most of its kind, a poster in none', () => {
    const [clear, wood] = [kindNamed('Clear'), kindNamed('Wood mounted')]
    const waiting = [
      set('1', { kindId: clear, size: inches(4.5, 6.5) }),
      set('2', { kindId: clear, size: inches(4.5, 6.5) }),
      set('3', { kindId: clear, size: inches(3, 5) }),
      set('4', { kindId: clear }),
      set('5', { kindId: wood, size: inches(2, 3) }),
      set('6', { kindId: clear, size: inches(12, 14) }),
      set('8', { kindId: kindNamed('Stencil'), size: inches(5.5, 8.2) }),
      set('9', { kindId: kindNamed('Stencil') }),
      set('7', { kindId: clear, size: inches(3, 4), sitsIn: 'box', holderTypeId: named('box 6 x 8') }),
    ]
    const [own] = plan(waiting, tidyFacts(EMPTY)).zones
    expect(new Map(own?.holders.map(({ typeId, count }) => [TYPES.get(typeId ?? '')?.name, count]))).toEqual(
      new Map([
        ['pocket 5 x 7', 3],
        // Of no known size, and counted as the other stencil.
        ['bag 6 x 9', 2],
        ['small square die pocket', 1],
        ['no holder', 1],
        ['box 6 x 8', 1],
      ]),
    )
    expect(own?.assumed).toBe(2)
    expect(own?.fitsNone.map(({ id }) => id)).toEqual(['6'])
    expect(own?.sits.map(({ holdingId }) => holdingId)).toEqual(['1', '2', '3', '5', '8'])
    // Kinds' usual depth, common practice: clear 5 mm, wood 25 mm, stencil 1.5 mm.
    expect(own?.runMm).toBe(6 * 5 + 25 + 2 * 1.5)
    // Nothing bare is to be bought; what is on hand is not bought again.
    const toGet = (types: ReadonlyMap<string, HolderType>) => {
      const facts = { ...tidyFacts(EMPTY), holderTypes: types }
      const fittings = fittingsOf(waiting, [...types.values()], KINDS, [zone], HABITS)
      const [found] = planTidy(
        waiting,
        fittings,
        new Map([['z', { shapeId: 'narrowBin', lengthMm: null, fixture: NEW }]]),
        facts,
        firstName,
      ).zones
      return found?.holders.reduce((sum, each) => sum + each.toGet, 0)
    }
    expect(toGet(TYPES)).toBe(7)
    const onHand = new Map([...TYPES].map(([id, type]) => [id, { ...type, stockOnHand: 2 }]))
    expect(toGet(onHand)).toBe(1)
  })
  test('cells: the pages that are built take all that goes in, with the reserve, and one binder fewer does not (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 600 }),
        fc.constantFrom(0, 0.2),
        fc.constantFrom('pages16', 'pages4', 'tray'),
        (count, growthReserve, shapeId) => {
          const waiting = Array.from({ length: count }, (_, at) => set(`s${at}`, { size: inches(at % 7 === 0 ? 9 : 1.5, 1.5) }))
          const { zones, containers } = plan(waiting, tidyFacts(EMPTY, { ...zone, growthReserve }), { shapeId })
          const large = waiting.filter((_, at) => at % 7 === 0).length
          expect(zones[0]?.tooLarge).toHaveLength(large)
          const room = (some: number): number =>
            containers
              .slice(0, some)
              .reduce((sum, { cells }) => sum + (cells ? cells.rows * cells.columns * cells.pages * (cells.isTwoSided ? 2 : 1) : 0), 0)
          expect(room(containers.length) * (1 - growthReserve)).toBeGreaterThanOrEqual(count - large)
          expect(containers.length === 0 || room(containers.length - 1) * (1 - growthReserve) < count - large + 1).toBe(true)
          const [first] = containers
          if (first)
            expect(
              nextFreeCell(arrangeContainer({ ...bin(0), ...first, id: 'b', fixtureId: 'f', rank: 0, isTable: false }, [], [])),
            ).not.toBeNull()
        },
      ),
      { numRuns: 60 },
    )
  })
  test('pages on which both sides are used take twice as many, and a reserve takes its share of them', () => {
    const built = (shapeId: string, count: number, growthReserve: number): readonly [cells: number, containers: number] => {
      const waiting = Array.from({ length: count }, (_, at) => set(`s${at}`, { size: inches(1.5, 1.5) }))
      const { containers } = plan(waiting, tidyFacts(EMPTY, { ...zone, growthReserve }), { shapeId })
      const [first] = containers
      const cells = first?.cells
      return [cells ? cells.rows * cells.columns * cells.pages * (cells.isTwoSided ? 2 : 1) : 0, containers.length]
    }
    for (const shape of CONTAINER_SHAPES.filter(({ cells }) => cells)) {
      const [room] = built(shape.id, 1, 0)
      expect([shape.id, built(shape.id, room, 0)[1], built(shape.id, room + 1, 0)[1]]).toEqual([shape.id, 1, 2])
      // A fifth kept free: what fills it to the last cell needs a second one.
      expect([shape.id, built(shape.id, room, 0.2)[1]]).toEqual([shape.id, 2])
    }
    expect(CONTAINER_SHAPES.some(({ cells }) => cells?.isTwoSided)).toBe(true)
  })
  test('more than a room can hold is told, and nothing is made of it', () => {
    const waiting = Array.from({ length: 500 }, (_, at) => set(`s${at}`, { size: inches(4, 6) }))
    const { zones, containers, fixtures } = plan(waiting, tidyFacts(EMPTY), { shapeId: 'narrowBin', lengthMm: 1 })
    expect([zones[0]?.tooMany, zones[0]?.made, containers, fixtures]).toEqual([500, [], [], []])
  })
  test('a zone goes on with what it has: its own bins first, rows beside rows, cells beside cells', () => {
    const own: Made = {
      ...EMPTY,
      containers: [
        { ...bin(0), lengthMm: 222 },
        { ...bin(1), lengthMm: 222 },
      ],
    }
    expect(shapesFor('z', tidyFacts(own)).map(({ id }) => id)).toEqual([
      'c0',
      ...CONTAINER_SHAPES.filter(each => !each.cells && each.type !== 'ring' && each.type !== 'board').map(each => each.id),
    ])
    const waiting = Array.from({ length: 200 }, (_, at) => set(`s${at}`, { size: inches(4, 6), kindId: kindNamed('Clear') }))
    const { containers, fixtures } = plan(waiting, tidyFacts(own))
    // 200 x 5 mm in bins of 222 mm: five, of which two are there.
    expect(containers.map(({ name, lengthMm, type }) => [name, lengthMm, type])).toEqual([
      ['bin 2', 222, 'bin'],
      ['bin 3', 222, 'bin'],
      ['bin 4', 222, 'bin'],
    ])
    expect(fixtures).toMatchObject([{ name: 'Bookcase', shelves: 1 }])
    const binder = { ...bin(0), type: 'binder' as const, cells: CONTAINER_SHAPES.find(({ id }) => id === 'pages4')?.cells ?? null }
    expect(shapesFor('z', tidyFacts({ ...EMPTY, containers: [binder] })).every(({ cells }) => cells !== null)).toBe(true)
    expect(proposeShape('z', waiting, new Map(), tidyFacts(EMPTY))?.cells).toBeNull()
  })
})
