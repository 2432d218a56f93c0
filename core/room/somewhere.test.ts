import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Container, type Holder } from '#core/catalog'
import { fillOf } from '#core/capacity'
import {
  addressBook,
  allIn,
  arrangeContainer,
  type ContainerRow,
  neighboursOf,
  nextFreeCell,
  planEmptying,
  setsIn,
  shortAddress,
} from './index'
import { containerOf } from '../../tests/support/containers'

const container = (id: string, lanes: number, isPages: boolean): Container =>
  containerOf(
    id,
    isPages ? { type: 'binder', cells: { rows: 2, columns: 2, pages: 9, isTwoSided: false, cellSize: null, reuse: 'last' } } : { lanes },
  )
/** A container with some holders that were looked at, each at a place of its own, and some that were not. */
const filled = fc
  .record({
    isPages: fc.boolean(),
    lanes: fc.integer({ min: 1, max: 3 }),
    spots: fc.uniqueArray(fc.nat(30), { maxLength: 14 }),
    unseen: fc.array(fc.record({ lane: fc.integer({ min: 1, max: 3 }), page: fc.option(fc.integer({ min: 1, max: 9 })) }), {
      maxLength: 8,
    }),
  })
  .map(({ isPages, lanes, spots, unseen }) => {
    const own = container('1', lanes, isPages)
    const plain = { holderTypeId: null, type: 'pocket' as const, containerId: '1', apartBecause: null }
    const known = spots.map((spot, at): Holder => ({
      ...plain,
      id: `k${at}`,
      lane: isPages ? 1 : 1 + (spot % lanes),
      order: `a${String(spot).padStart(2, '0')}`,
      cell: isPages ? { page: 1 + Math.floor(spot / 4), cell: 1 + (spot % 4), side: 'front' } : null,
      somewhere: null,
      holdingIds: [`k${at}`],
    }))
    const somewhere = unseen.map(({ lane, page }, at): Holder => ({
      ...plain,
      id: `s${at}`,
      lane: Math.min(lane, own.lanes),
      order: `a${at}`,
      cell: null,
      somewhere: { page: isPages ? page : null },
      holdingIds: [`s${at}`, `t${at}`],
    }))
    return { own, known, somewhere, row: arrangeContainer(own, [...somewhere, ...known], []) }
  })
const ids = (row: ContainerRow): readonly string[] => allIn(row).map(({ holder }) => holder.id)

test('what nobody has looked at is in the container, in no row, beside nothing, and counted (property)', () => {
  fc.assert(
    fc.property(filled, ({ own, known, somewhere, row }) => {
      expect([...ids(row)].sort()).toEqual([...known, ...somewhere].map(({ id }) => id).sort())
      expect(setsIn(row)).toBe(known.length + 2 * somewhere.length)
      const alone = arrangeContainer(own, known, [])
      expect(row.placements.map(({ holder }) => holder.id)).toEqual(alone.placements.map(({ holder }) => holder.id))
      for (const [at, placement] of row.placements.entries()) {
        const before = somewhere.filter(({ lane }) => !own.cells && lane < placement.lane).length
        expect(placement.position).toBe(at + 1 + before)
        const { front, behind } = neighboursOf(row, placement)
        const beside = neighboursOf(alone, alone.placements[at] ?? placement)
        expect([front?.holder.id, behind?.holder.id]).toEqual([beside.front?.holder.id, beside.behind?.holder.id])
      }
      // Full is full, whoever has looked.
      const holdingOf = (id: string) => ({ ...blankHolding({ id, number: 1, seriesId: 's', name: id, createdAt: '' }), thicknessMm: 4 })
      const all = arrangeContainer(own, [...known, ...somewhere.map(each => ({ ...each, somewhere: null }))], [])
      expect(fillOf(row, holdingOf, () => undefined).share).toBeCloseTo(fillOf(all, holdingOf, () => undefined).share)
    }),
  )
})

test('its address says so, and no address is read as it (property)', () => {
  fc.assert(
    fc.property(filled, ({ row, own }) => {
      const book = addressBook(allIn(row))
      for (const each of row.placements) expect(book.read(shortAddress(each))).toEqual([each])
      for (const each of row.somewhere) {
        expect(shortAddress(each)).toBe(own.cells ? `B1 4-${each.page ?? '?'}?` : 'B1-?')
        expect(book.read(shortAddress(each))).toEqual([])
      }
    }),
  )
})

test('no cell is said to be free on a page where something stands unseen, nor anywhere while a page is not known (property)', () => {
  fc.assert(
    fc.property(filled, ({ own, row }) => {
      const cell = nextFreeCell(row)
      if (!own.cells || row.somewhere.some(({ page }) => page === null)) return expect(cell).toBeNull()
      const unseen = new Set(row.somewhere.map(({ page }) => page))
      const taken = new Set(row.placements.map(each => `${each.cell?.page}/${each.cell?.cell}`))
      if (cell) expect([unseen.has(cell.page), taken.has(`${cell.page}/${cell.cell}`)]).toEqual([false, false])
      else
        for (let page = 1; page <= 9; page += 1) expect(unseen.has(page) || [1, 2, 3, 4].every(at => taken.has(`${page}/${at}`))).toBe(true)
    }),
  )
})

test('emptied into another, everything is there once, and what was unseen stays so (property)', () => {
  fc.assert(
    fc.property(filled, fc.boolean(), ({ known, somewhere, row }, isPages) => {
      const into = arrangeContainer(container('2', 2, isPages), [], [])
      const plan = planEmptying(row, into)
      if (!plan.ok) return
      const after = arrangeContainer(into.container, plan.holders, [])
      expect([...ids(after)].sort()).toEqual([...known, ...somewhere].map(({ id }) => id).sort())
      expect(after.somewhere.map(({ holder }) => holder.id).sort()).toEqual(somewhere.map(({ id }) => id).sort())
    }),
  )
})
