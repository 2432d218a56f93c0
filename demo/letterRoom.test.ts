import { beforeAll, describe, expect, test } from '@jest/globals'
import { TABLE_NAMES, TABLES } from '#core/catalog'
import { arrangeRoom, isLookedAt, shortAddress } from '#core/room'
import { tallyUses, wasUsed } from '#core/fetching'
import { type LetterRoom, makeLetterRoom } from './letterRoom'
import { MOTIFS } from './motifs'
import { FACE_NAMES } from './type'

describe('the letter room', () => {
  let room: LetterRoom
  beforeAll(() => {
    room = makeLetterRoom()
  })

  test('every record is of the shape the product expects', () => {
    for (const table of TABLE_NAMES) expect(TABLES[table].array().safeParse(room.data[table]).success).toBe(true)
  })
  test('is as large and as various as it should be, and each set has one place at most', () => {
    expect(room.data.holdings).toHaveLength(360)
    expect(Object.keys(MOTIFS).length).toBeGreaterThanOrEqual(25)
    expect(FACE_NAMES.length).toBeGreaterThanOrEqual(4)
    expect(room.data.fixtures).toHaveLength(5)
    const { placements } = arrangeRoom(room.data)
    expect(placements.size).toBe(349)
    // Four pockets hold two sets each.
    const looked = [...placements.values()].filter(isLookedAt)
    expect(new Set(looked.map(place => shortAddress(place))).size).toBe(338)
    // Seven are somewhere in a basket: nobody has looked.
    expect(placements.size - looked.length).toBe(7)
  })
  test('is lived in: every screen has something to show', () => {
    const { holdings, drafts, loans, relations } = room.data
    expect(drafts).toHaveLength(8)
    const waiting = (state: string): number => holdings.filter(holding => holding.state === state).length
    for (const state of ['toClass', 'toPocket', 'toLabel', 'toFile']) {
      expect(waiting(state)).toBeGreaterThanOrEqual(2)
      expect(waiting(state)).toBeLessThanOrEqual(4)
    }
    expect(loans.map(loan => holdings.find(holding => holding.id === loan.holdingId)?.state).sort()).toEqual(['lent', 'lent', 'out', 'out'])
    expect(holdings.filter(holding => holding.questions.length > 0)).toHaveLength(4)
    expect(new Set(relations.map(relation => relation.kind)).size).toBeGreaterThanOrEqual(4)
    const tallies = tallyUses(room.data.uses)
    expect(tallies.size).toBe(holdings.length - 1)
    expect([...tallies.values()].filter(({ lastOn }) => lastOn !== null && lastOn > '2025-10-31').length).toBeGreaterThan(80)
    expect(holdings.filter(({ id }) => wasUsed(tallies.get(id)) === false).length).toBeGreaterThan(50)
    expect(room.data.pullLists.map(({ lines }) => lines.length)).toEqual([expect.any(Number), expect.any(Number)])
  })
  test('has measured pieces on at least 120 sets, each no larger than its sheet', () => {
    const measured = room.data.holdings.filter(holding => holding.pieces.length > 0)
    expect(measured.length).toBeGreaterThanOrEqual(120)
    for (const { size, pieces } of measured)
      for (const piece of pieces) {
        expect(piece.size?.widthMm).toBeGreaterThan(2)
        expect(piece.size?.heightMm).toBeGreaterThan(1)
        expect(piece.size?.widthMm).toBeLessThanOrEqual(size?.widthMm ?? 0)
        expect(piece.size?.heightMm).toBeLessThanOrEqual(size?.heightMm ?? 0)
      }
  })
  test('is the same room every time', () => {
    const again = makeLetterRoom()
    expect(again.data).toEqual(room.data)
    expect([...again.drawings.values()].join('').length).toBe([...room.drawings.values()].join('').length)
  })
})
