import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Container, Holder, Section } from '#core/catalog'
import { containerOf } from '../../tests/support/containers'
import { allIn, arrangeRoom, type Room } from './index'

const CONTAINERS = ['a', 'b', 'c', 'd']
const container = (id: string, lanes: number, isPages: boolean): Container =>
  containerOf(
    id,
    isPages ? { type: 'binder', cells: { rows: 4, columns: 3, pages: 9, isTwoSided: true, cellSize: null, reuse: 'last' } } : { lanes },
  )
const place = fc.record({
  containerId: fc.constantFrom(...CONTAINERS),
  lane: fc.integer({ min: 1, max: 2 }),
  order: fc.constantFrom('a0', 'a1', 'a2', 'a3', 'a4'),
  page: fc.integer({ min: 1, max: 3 }),
  cell: fc.integer({ min: 1, max: 12 }),
  side: fc.constantFrom('front' as const, 'back' as const),
  isLookedAt: fc.boolean(),
})
type Place = typeof place extends fc.Arbitrary<infer T> ? T : never

const isPages = (id: string): boolean => id === 'd'
const holder = (id: string, at: Place, holdingIds: string[]): Holder => ({
  id,
  holderTypeId: null,
  type: 'pocket',
  containerId: at.containerId,
  lane: isPages(at.containerId) ? 1 : at.lane,
  order: at.order,
  somewhere: at.isLookedAt ? null : { page: isPages(at.containerId) ? at.page : null },
  apartBecause: null,
  holdingIds,
  cell: isPages(at.containerId) && at.isLookedAt ? { page: at.page, cell: at.cell, side: at.side } : null,
})
const section = (id: string, at: Place): Section => ({
  id,
  containerId: at.containerId,
  lane: at.lane,
  order: at.order,
  title: id,
  colour: 0,
  standsFor: null,
})

/** Sets, some in two holders because they were cut in two, some sharing one; dividers; and who is carried where, or taken out. */
const rooms = fc.record({
  lanes: fc.integer({ min: 1, max: 2 }),
  holders: fc.array(place, { minLength: 1, maxLength: 24 }),
  sections: fc.array(place, { maxLength: 6 }),
  carried: fc.array(fc.record({ which: fc.nat(23), to: fc.option(place) }), { minLength: 1, maxLength: 12 }),
})
// Every third set is cut in two: its halves are holders 3n and 3n + 2, with a set of its own in 3n + 1 and another sharing 3n.
const holdingsOf = (at: number): string[] => {
  if (at % 3 === 1) return [`own ${at}`]
  return at % 3 === 0 ? [`cut ${at}`, `shares ${at}`] : [`cut ${at - 2}`]
}

function made({
  lanes,
  holders,
  sections,
}: {
  readonly lanes: number
  readonly holders: readonly Place[]
  readonly sections: readonly Place[]
}) {
  return {
    containers: CONTAINERS.map(id => container(id, lanes, isPages(id))),
    holders: new Map(
      holders.map((at, index) => [
        `h${String(index).padStart(2, '0')}`,
        holder(`h${String(index).padStart(2, '0')}`, at, holdingsOf(index)),
      ]),
    ),
    sections: sections.filter(at => !isPages(at.containerId)).map((at, index) => section(`s${index}`, at)),
  }
}
const plain = ({ rows, placements, halves }: Room) => ({ rows: new Map(rows), placements: new Map(placements), halves: new Map(halves) })

describe('the room, arranged', () => {
  test('step by step, only what was touched: the same room as arranged at once, whichever half was carried last (property)', () => {
    fc.assert(
      fc.property(rooms, ({ carried, ...start }) => {
        const { containers, holders, sections } = made(start)
        let room = arrangeRoom({ containers, sections, holders: holders.values() })
        for (const { which, to } of carried) {
          const [id, before] = [...holders][which % holders.size] ?? []
          if (!id || !before) continue
          if (to) holders.set(id, holder(id, to, before.holdingIds))
          else if (holders.size > 1) holders.delete(id)
          room = arrangeRoom(
            { containers, sections, holders: holders.values() },
            room,
            new Set([before.containerId, to?.containerId ?? before.containerId]),
          )
          expect(plain(room)).toEqual(plain(arrangeRoom({ containers, sections, holders: holders.values() })))
        }
      }),
      { numRuns: 300 },
    )
  })

  test('every holder is there once; what was looked at is counted through; a divider heads what follows it (property)', () => {
    fc.assert(
      fc.property(rooms, start => {
        const { containers, holders, sections } = made(start)
        const { rows } = arrangeRoom({ containers, sections, holders: holders.values() })
        const all = [...rows.values()].flatMap(allIn)
        expect(all.map(each => each.holder.id).sort()).toEqual([...holders.keys()].sort())
        for (const row of rows.values()) {
          expect(row.placements.map(each => each.position)).toEqual(
            row.placements.map(
              ({ lane }, at) => at + 1 + (row.container.cells ? 0 : row.somewhere.filter(unseen => unseen.lane < lane).length),
            ),
          )
          expect(row.lanes.flatMap(lane => lane.flatMap(entry => (entry.type === 'holder' ? [entry.placement.holder.id] : [])))).toEqual(
            row.placements.map(each => each.holder.id),
          )
          for (const lane of row.lanes) {
            let [head, count] = [null as string | null, 0]
            for (const entry of lane) {
              if (entry.type === 'section') [head, count] = [entry.section.id, 0]
              else expect([entry.placement.section?.id ?? null, entry.placement.positionInSection]).toEqual([head, (count += 1)])
            }
            expect(lane.map(entry => entry.order)).toEqual(
              row.container.cells ? lane.map(entry => entry.order) : lane.map(entry => entry.order).sort(),
            )
          }
        }
      }),
    )
  })
})
