import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import {
  blankBrand,
  blankHolding,
  type Container,
  type FilingRule,
  type Fixture,
  type Holder,
  type Holding,
  PLAIN_FIXTURE,
  type Section,
  type Theme,
  type Zone,
} from '#core/catalog'
import { layRidge } from '#core/drawing'
import { arrangeContainer, arrangeRoom, keysBehind, nextFreeCell, planMove, shortAddress } from '#core/room'
import {
  type Authority,
  compareFilingKeys,
  filingKeyOf,
  leastDisorder,
  proposePlace,
  type RoomFacts,
  targetInContainer,
  zoneFor,
} from './index'

const THEMES: readonly Theme[] = ['Harbour', 'Weather', 'Tide pools', 'Botanicals'].map((name, index) => ({
  id: ulid(),
  name,
  rank: (index * 7) % 4,
  seeAlsoIds: [],
  sharesPage: false,
}))
const BRANDS = ['Greywether', 'Copperlatch', 'Tidewrack Press'].map(name => blankBrand(ulid(), name))
const authority: Authority = {
  brands: new Map(BRANDS.map(each => [each.id, each])),
  themes: new Map(THEMES.map(each => [each.id, each])),
  categories: new Map(),
  kinds: new Map(),
}
const fixture: Fixture = { id: ulid(), name: 'Bookcase', type: 'bookcase', shelves: 2, rank: 0, ...PLAIN_FIXTURE }
const zone: Zone = {
  id: ulid(),
  name: 'Everything',
  rank: 0,
  filingRule: {
    keys: [
      { by: 'theme', order: 'own' },
      { by: 'brand', order: 'alphabetical' },
    ],
  },
  takesKindIds: [],
  growthReserve: 0,
  capHoldings: null,
  labelTemplate: null,
  habits: { insert: true, magnet: false, packaging: 'none', dies: 'apart' },
}
const bin = (code: string, rank = 0, more: Partial<Container> = {}): Container => ({
  id: ulid(),
  fixtureId: fixture.id,
  shelf: 1,
  rank,
  name: `Bin ${code}`,
  code,
  type: 'bin',
  lanes: 1,
  lengthMm: 300,
  inner: null,
  cells: null,
  zoneId: zone.id,
  emptyWeightG: null,
  isTable: false,
  ...more,
})

const set = (number: number, theme: number, brand: number, name = `Set ${number}`): Holding => ({
  ...blankHolding({ id: ulid(), number, seriesId: 's', name, createdAt: '2026-01-01T00:00:00.000Z' }),
  themeIds: [THEMES[theme]?.id ?? ''],
  brandId: BRANDS[brand]?.id ?? null,
})
const held = (holding: Holding, container: Container, order: string, lane = 1): Holder => ({
  id: ulid(),
  holderTypeId: null,
  type: 'pocket',
  containerId: container.id,
  lane,
  order,
  cell: null,
  somewhere: null,
  apartBecause: null,
  holdingIds: [holding.id],
})

function factsOf(
  containers: readonly Container[],
  holders: readonly Holder[],
  holdings: readonly Holding[],
  sections: readonly Section[] = [],
): RoomFacts {
  const { rows } = arrangeRoom({ containers, holders, sections })
  return {
    fixtures: new Map([[fixture.id, fixture]]),
    zones: [zone],
    rows,
    holdings: new Map(holdings.map(each => [each.id, each])),
    authority,
  }
}
const compare =
  (rule: FilingRule) =>
  (a: Holding, b: Holding): number =>
    compareFilingKeys(filingKeyOf(a, rule, authority), filingKeyOf(b, rule, authority))

const someSet = fc.record({
  theme: fc.integer({ min: 0, max: 3 }),
  brand: fc.integer({ min: 0, max: 2 }),
  name: fc.constantFrom('Kelp 2', 'Kelp 10', 'anchor', 'Ångström', 'Limpets'),
})
const someSets = fc
  .array(someSet, { maxLength: 40 })
  .map(list => list.map((each, index) => set(index + 1, each.theme, each.brand, each.name)))

describe('insertion point', () => {
  test('against a naive sort: a set put where proposed leaves the run sorted, over any number of containers', () => {
    fc.assert(
      fc.property(someSets, someSet, fc.integer({ min: 1, max: 4 }), (sets, extra, binCount) => {
        const sorted = [...sets].sort(compare(zone.filingRule))
        const bins = Array.from({ length: binCount }, (_, index) => bin(`B${index}`, index))
        const keys = keysBehind([], -1, sorted.length)
        const holders = sorted.map((holding, index) =>
          held(holding, bins[Math.floor((index * binCount) / sorted.length)] as Container, keys[index] ?? ''),
        )
        const added = set(900, extra.theme, extra.brand, extra.name)
        const proposal = proposePlace(added, factsOf(bins, holders, sets))
        if (!proposal.ok) throw new Error(proposal.code)
        const after = factsOf(bins, [...holders, held(added, proposal.point.container, proposal.point.order)], [...sets, added])
        const run = bins
          .flatMap(each => after.rows.get(each.id)?.placements ?? [])
          .map(placement => after.holdings.get(placement.holder.holdingIds[0] ?? '')?.number)
        expect(run).toEqual([...sorted, added].sort(compare(zone.filingRule)).map(holding => holding.number))
      }),
    )
  })

  test('against brute force: in a row put out of order by hand, no other cut has fewer pairs out of order', () => {
    fc.assert(
      fc.property(someSets, someSet, (sets, extra) => {
        const own = bin('B1')
        const keys = keysBehind([], -1, sets.length)
        const facts = factsOf(
          [own],
          sets.map((holding, index) => held(holding, own, keys[index] ?? '')),
          sets,
        )
        const added = set(900, extra.theme, extra.brand, extra.name)
        const disorder = (cut: number): number =>
          sets.filter((other, index) =>
            index < cut ? compare(zone.filingRule)(other, added) > 0 : compare(zone.filingRule)(other, added) <= 0,
          ).length
        const cut = leastDisorder(added, zone.filingRule, facts.rows.get(own.id)?.placements ?? [], facts)
        expect(disorder(cut)).toBe(Math.min(...Array.from({ length: sets.length + 1 }, (_, index) => disorder(index))))
      }),
    )
  })

  test('a tab of its own draws the set to it, even an empty one', () => {
    const own = bin('B1')
    const sets = [set(1, 0, 0), set(2, 1, 0)]
    const tab = (title: string, order: string, theme: number): Section => ({
      id: ulid(),
      containerId: own.id,
      lane: 1,
      order,
      title,
      colour: 0,
      standsFor: { by: 'theme', id: THEMES[theme]?.id ?? '' },
    })
    const sections = [tab('Harbour', 'a0', 0), tab('Botanicals', 'a2', 3), tab('Weather', 'a3', 1)]
    const facts = factsOf([own], [held(sets[0] as Holding, own, 'a1'), held(sets[1] as Holding, own, 'a4')], sets, sections)
    const proposal = proposePlace(set(3, 3, 0), facts)
    expect(
      proposal.ok && [
        proposal.point.section?.title,
        proposal.point.front?.holder.holdingIds[0],
        proposal.point.behind?.holder.holdingIds[0],
      ],
    ).toEqual(['Botanicals', sets[0]?.id, sets[1]?.id])
  })

  test('no zone, no container, no free cell: said, not thrown', () => {
    expect(zoneFor({ kindId: 'x' }, [{ ...zone, takesKindIds: ['y'] }])).toBeNull()
    expect(proposePlace(set(1, 0, 0), { ...factsOf([], [], []), zones: [] })).toMatchObject({ ok: false, code: 'noZoneTakesKind' })
    const other = { ...factsOf([], [], []), zones: [{ ...zone, takesKindIds: ['y'] }] }
    expect(proposePlace({ ...set(1, 0, 0), kindId: 'x' }, other)).toMatchObject({ ok: false, code: 'noZoneTakesKind' })
    expect(proposePlace({ ...set(1, 0, 0), kindId: null }, other)).toMatchObject({ ok: false, code: 'kindNotSaid' })
    expect(proposePlace(set(1, 0, 0), factsOf([], [], []))).toMatchObject({ ok: false, code: 'zoneHasNoContainer' })
    const page = bin('A', 0, { type: 'binder', cells: { rows: 1, columns: 1, pages: 1, isTwoSided: false, cellSize: null, reuse: 'last' } })
    const only = set(1, 0, 0)
    const full = factsOf([page], [{ ...held(only, page, 'a0'), cell: { page: 1, cell: 1, side: 'front' } }], [only])
    expect(proposePlace(set(2, 0, 0), full)).toMatchObject({ ok: false, code: 'allCellsTaken' })
  })
})

describe('moving', () => {
  test('against a plain list: a moved run stands behind its target in its own order, and nothing else changes (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.infiniteStream(fc.nat()), (count, numbers) => {
        const next = (below: number): number => Number(numbers.next().value) % below
        const own = bin('B1')
        const keys = keysBehind([], -1, count)
        const holders = keys.map((order, index) => held(set(index + 1, 0, 0), own, order))
        const moved = holders.filter(() => next(3) === 0)
        const target = next(count + 1) - 1
        const row = arrangeContainer(own, holders, [])
        const plan = planMove(
          moved,
          { type: 'row', containerId: own.id, lane: 1, behindId: holders[target]?.id ?? null },
          new Map([[own.id, row]]),
        )
        if (!plan.ok) throw new Error(plan.code)
        const movedIds = new Set(moved.map(holder => holder.id))
        const after = arrangeContainer(own, [...holders.filter(holder => !movedIds.has(holder.id)), ...plan.holders], []).placements.map(
          placement => placement.holder.id,
        )
        const kept = holders.filter(holder => !movedIds.has(holder.id))
        const front = holders.slice(0, target + 1).filter(holder => !movedIds.has(holder.id)).length
        expect(after).toEqual([...kept.slice(0, front), ...moved, ...kept.slice(front)].map(holder => holder.id))
      }),
    )
  })

  test('two records that share an order key still let something in behind them', () => {
    const own = bin('B1')
    const twins = [held(set(1, 0, 0), own, 'a0'), held(set(2, 0, 0), own, 'a0'), held(set(3, 0, 0), own, 'a1')]
    const row = arrangeContainer(own, twins, [])
    const plan = planMove(
      [twins[2] as Holder],
      { type: 'row', containerId: own.id, lane: 1, behindId: row.placements[0]?.holder.id ?? null },
      new Map([[own.id, row]]),
    )
    expect(plan.ok).toBe(true)
  })

  test('cells: a taken one is refused; the next free one is behind the last taken, then the gaps', () => {
    const page = bin('A', 0, { type: 'binder', cells: { rows: 4, columns: 3, pages: 2, isTwoSided: false, cellSize: null, reuse: 'last' } })
    const at = (pageNumber: number, cell: number): Holder => ({
      ...held(set(cell, 0, 0), page, 'a0'),
      cell: { page: pageNumber, cell, side: 'front' },
    })
    const row = arrangeContainer(page, [at(1, 2), at(2, 3)], [])
    expect(nextFreeCell(row)).toEqual({ page: 2, cell: 4, side: 'front' })
    expect(
      planMove([at(1, 5)], { type: 'cell', containerId: page.id, cell: { page: 2, cell: 3, side: 'front' } }, new Map([[page.id, row]])),
    ).toEqual({ ok: false, code: 'cellTaken' })
    // Common practice: 12-203 is the 12-cell page 2, cell 03.
    expect(row.placements.map(place => shortAddress(place))).toEqual(['A 12-102', 'A 12-203'])
  })

  test('the smallest cell that takes the size; a freed cell is used again by the rule of its pages', () => {
    const pages = (id: string, rank: number, side: number, reuse: 'last' | 'first' | 'never') =>
      bin(id, rank, {
        type: 'binder',
        cells: { rows: 2, columns: 2, pages: 1, isTwoSided: false, cellSize: { widthMm: side, heightMm: side }, reuse },
      })
    const [small, large] = [pages('S', 1, 60, 'last'), pages('L', 0, 90, 'last')]
    const facts = (...containers: Container[]) => factsOf(containers, [], [])
    const sized = (mm: number) => ({ ...set(1, 0, 0), size: { widthMm: mm, heightMm: mm } })
    const proposed = (mm: number) => {
      const found = proposePlace(sized(mm), facts(small, large))
      return found.ok ? found.point.container.code : found.code
    }
    expect([proposed(50), proposed(80), proposed(100)]).toEqual(['S', 'L', 'noCellFits'])
    const freed = (reuse: 'last' | 'first' | 'never', ...cells: number[]) => {
      const page = pages('S', 0, 60, reuse)
      return (
        nextFreeCell(
          arrangeContainer(
            page,
            cells.map(cell => ({ ...held(set(cell, 0, 0), page, 'a0'), cell: { page: 1, cell, side: 'front' as const } })),
            [],
          ),
        )?.cell ?? null
      )
    }
    expect([freed('last', 1, 3), freed('first', 1, 3), freed('never', 1, 3)]).toEqual([4, 2, 4])
    expect([freed('last', 1, 4), freed('never', 1, 4), freed('never', 1, 2, 3, 4)]).toEqual([2, null, null])
  })
})

describe('addresses', () => {
  test('an address names one place only, lanes and pages included (property)', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            code: fc.constantFrom('B1', 'B11', 'B', 'A'),
            lanes: fc.integer({ min: 1, max: 3 }),
            count: fc.integer({ min: 0, max: 15 }),
          }),
          { maxLength: 4 },
        ),
        plans => {
          const unique = [...new Map(plans.map(plan => [plan.code, plan])).values()]
          const containers = unique.map(({ code, lanes }) => bin(code, 0, { lanes }))
          const holders = containers.flatMap((own, index) =>
            keysBehind([], -1, unique[index]?.count ?? 0).map((order, at) => held(set(at + 1, 0, 0), own, order, (at % own.lanes) + 1)),
          )
          const addresses = [...arrangeRoom({ containers, holders, sections: [] }).placements.values()].map(place => shortAddress(place))
          expect(new Set(addresses).size).toBe(holders.length)
        },
      ),
    )
  })

  test('arranging only what was touched gives the same room as arranging all', () => {
    const bins = [bin('B1'), bin('B2', 1)]
    const holders = bins.flatMap(own => keysBehind([], -1, 5).map((order, at) => held(set(at + 1, 0, 0), own, order)))
    const before = arrangeRoom({ containers: bins, holders, sections: [] })
    const moved = holders.map((holder, index) => (index === 0 ? { ...holder, containerId: bins[1]?.id ?? '', order: 'zz' } : holder))
    expect(arrangeRoom({ containers: bins, holders: moved, sections: [] }, before, new Set(bins.map(own => own.id)))).toEqual(
      arrangeRoom({ containers: bins, holders: moved, sections: [] }),
    )
  })
})

test('the ridge: blocks as wide as their length, as high as they are full, never overlapping', () => {
  const sources = [100, 200, 300].map((lengthMm, index) => ({
    id: `${index}`,
    fixtureId: index < 2 ? 'f' : 'g',
    lengthMm,
    share: index / 2,
    depth: 0,
    tabs: [],
  }))
  const { blocks, fixtures } = layRidge(sources, { width: 1200, height: 60, least: 26, leastFixture: 96 })
  expect((blocks[1]?.width ?? 0) / (blocks[0]?.width ?? 1)).toBeCloseTo(2)
  expect(blocks[2]?.height).toBe(60)
  expect(blocks.slice(1).every((block, index) => block.x >= (blocks[index]?.x ?? 0) + (blocks[index]?.width ?? 0))).toBe(true)
  expect(fixtures).toHaveLength(2)
})

test('the ridge fits any room into its width; with a least width no block is narrower, and it is wider only then (property)', () => {
  const lengths = fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 1, maxLength: 60 })
  fc.assert(
    fc.property(lengths, fc.integer({ min: 900, max: 2000 }), (list, width) => {
      const sources = list.map((lengthMm, at) => ({
        id: `${at}`,
        fixtureId: `f${Math.floor(at / 20)}`,
        lengthMm,
        share: 0.5,
        depth: 0,
        tabs: [],
      }))
      const endOf = (least: number): number => {
        const { blocks } = layRidge(sources, { width, height: 50, least, leastFixture: 0 })
        expect(Math.min(...blocks.map(block => block.width))).toBeGreaterThanOrEqual(least)
        return Math.max(...blocks.map(block => block.x + block.width))
      }
      expect(endOf(0)).toBeLessThanOrEqual(width)
      // 3 px between blocks and 26 px around furniture: what is left over is enough for all at their least.
      if (list.length * 47 + 26 * 4 <= width) expect(endOf(44)).toBeLessThanOrEqual(width)
    }),
  )
})

test('carried into a container as a whole, a set stands in the order of its rule, whatever kinds the zone takes (property)', () => {
  fc.assert(
    fc.property(fc.array(someSet, { minLength: 1, maxLength: 12 }), list => {
      const [first, ...others] = list.map((each, at) => set(at + 1, each.theme, each.brand, each.name))
      const container = bin('B1')
      const inOrder = [...others].sort(compare(zone.filingRule))
      const keys = keysBehind([], -1, inOrder.length)
      const holders = inOrder.map((each, at) => held(each, container, keys[at] ?? ''))
      const facts = factsOf([container], holders, inOrder)
      const row = facts.rows.get(container.id)
      const picky = { ...facts, zones: [{ ...zone, takesKindIds: ['another'] }] }
      const target = row && first ? targetInContainer(row, first, picky) : null
      if (target?.type !== 'row' || !first) throw new Error('a place in the row')
      const at = target.behindId === null ? 0 : holders.findIndex(holder => holder.id === target.behindId) + 1
      const after = [...inOrder.slice(0, at), first, ...inOrder.slice(at)]
      after.slice(1).forEach((each, index) => expect(compare(zone.filingRule)(after[index] as Holding, each)).toBeLessThanOrEqual(0))
    }),
  )
})
test('of pages the next free cell, and none where all are taken', () => {
  const pages = bin('P1', 0, { cells: { rows: 1, columns: 1, pages: 1, isTwoSided: false, cellSize: null, reuse: 'first' } })
  const kelp = set(1, 0, 0)
  const empty = factsOf([pages], [], [])
  const cell = { page: 1, cell: 1, side: 'front' as const }
  expect(targetInContainer(empty.rows.get(pages.id) as never, kelp, empty)).toMatchObject({ type: 'cell', cell })
  const full = factsOf([pages], [{ ...held(kelp, pages, 'a0'), cell }], [kelp])
  expect(targetInContainer(full.rows.get(pages.id) as never, set(2, 0, 0), full)).toBeNull()
})
