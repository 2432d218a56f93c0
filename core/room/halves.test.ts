import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { CellGrid, Container, Holder } from '#core/catalog'
import { arrangeContainer, besideFirstHalf, keysBehind } from './index'

const container = (cells: CellGrid | null): Container => ({
  id: 'c',
  fixtureId: 'f',
  shelf: 1,
  rank: 0,
  name: 'Bin 1',
  code: 'B1',
  type: cells ? 'binder' : 'bin',
  lanes: cells ? 1 : 2,
  lengthMm: 300,
  inner: null,
  cells,
  zoneId: 'z',
  emptyWeightG: null,
  isTable: false,
})
const holder = (at: number, order: string, more: Partial<Holder> = {}): Holder => ({
  id: `h${String(at).padStart(2, '0')}`,
  holderTypeId: null,
  type: 'pocket',
  containerId: 'c',
  lane: 1,
  order,
  cell: null,
  somewhere: null,
  apartBecause: null,
  holdingIds: [`s${at}`],
  ...more,
})

describe('the second half of a set that was cut in two', () => {
  test('in a row it stands directly behind the first, dividers and all others as they were (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.nat(),
        fc.array(fc.boolean(), { minLength: 20, maxLength: 20 }),
        (count, which, isTab) => {
          const keys = keysBehind([], -1, count)
          const all = keys.map((order, at) => ({ order, isTab: isTab[at] === true && at !== which % count }))
          const holders = all.flatMap(({ order, isTab: tab }, at) => (tab ? [] : [holder(at, order)]))
          const sections = all.flatMap(({ order, isTab: tab }, at) =>
            tab ? [{ id: `t${at}`, containerId: 'c', lane: 1, order, title: 'Kelp', colour: 0, standsFor: null }] : [],
          )
          const first = holders.find(each => each.id === `h${String(which % count).padStart(2, '0')}`)
          if (!first) throw new Error('the first half')
          const before = arrangeContainer(container(null), holders, sections)
          const beside = besideFirstHalf(before, first)
          expect(beside?.cell).toBeNull()
          const after = arrangeContainer(
            container(null),
            [...holders, holder(99, beside?.order ?? '', { holdingIds: first.holdingIds })],
            sections,
          )
          const named = (row: typeof before): string[] =>
            (row.lanes[0] ?? []).map(entry => (entry.type === 'section' ? entry.section.id : entry.placement.holder.id))
          const names = named(after)
          expect(names[names.indexOf(first.id) + 1]).toBe('h99')
          expect(names.filter(each => each !== 'h99')).toEqual(named(before))
        },
      ),
    )
  })
  test('on pages it gets a cell that is free and on the page, as long as there is one; then none (property)', () => {
    const grids = fc.record({
      rows: fc.integer({ min: 1, max: 3 }),
      columns: fc.integer({ min: 1, max: 3 }),
      pages: fc.integer({ min: 1, max: 3 }),
      isTwoSided: fc.boolean(),
      cellSize: fc.constant(null),
      reuse: fc.constantFrom('last' as const, 'first' as const),
    })
    fc.assert(
      fc.property(grids, fc.array(fc.nat(200), { minLength: 1, maxLength: 60 }), (cells, taken) => {
        const sides = cells.isTwoSided ? (['front', 'back'] as const) : (['front'] as const)
        const every = Array.from({ length: cells.pages }, (_, page) =>
          Array.from({ length: cells.rows * cells.columns }, (_each, cell) =>
            sides.map(side => ({ page: page + 1, cell: cell + 1, side })),
          ),
        ).flat(2)
        const places = [...new Set(taken.map(at => at % every.length))].flatMap(at => every[at] ?? [])
        const holders = places.map((cell, at) => holder(at, 'a0', { type: 'celledPage', cell }))
        const [first] = holders
        if (!first) throw new Error('the first half')
        const beside = besideFirstHalf(arrangeContainer(container(cells), holders, []), first)
        const free = every.filter(cell => !places.includes(cell))
        if (free.length === 0) expect(beside).toBeNull()
        else expect(free).toContainEqual(beside?.cell)
      }),
    )
  })
})
