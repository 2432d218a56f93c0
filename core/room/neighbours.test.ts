import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Container, Holder } from '#core/catalog'
import { arrangeContainer, keysBehind, neighboursOf } from './index'

const box = (lanes: number): Container => ({
  id: 'box',
  fixtureId: 'f',
  shelf: 1,
  rank: 0,
  name: 'Box',
  code: 'B1',
  type: 'bin',
  lanes,
  lengthMm: 300,
  inner: null,
  cells: null,
  zoneId: 'z',
  emptyWeightG: null,
  isTable: false,
})

test('neighbours are those in front and behind in the same lane: walking from one to the next goes through a lane once (property)', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 3 }), { maxLength: 30 }), lanes => {
      const keys = keysBehind([], -1, lanes.length)
      const holders = lanes.map((lane, at): Holder => ({
        id: `h${at}`,
        holderTypeId: null,
        type: 'pocket',
        containerId: 'box',
        lane,
        order: keys[at] ?? '',
        cell: null,
        somewhere: null,
        apartBecause: null,
        holdingIds: [],
      }))
      const row = arrangeContainer(box(3), holders, [])
      for (const lane of [1, 2, 3]) {
        const standing = holders.filter(holder => holder.lane === lane).map(holder => holder.id)
        const first = row.placements.find(placement => placement.holder.id === standing[0])
        if (!first) continue
        expect(neighboursOf(row, first).front).toBeNull()
        const walked: string[] = []
        for (let at: typeof first | null = first; at; at = neighboursOf(row, at).behind) {
          walked.push(at.holder.id)
          const { behind } = neighboursOf(row, at)
          if (behind) expect(neighboursOf(row, behind).front?.holder.id).toBe(at.holder.id)
        }
        expect(walked).toEqual(standing)
      }
    }),
  )
})
