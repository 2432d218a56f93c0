import { beforeAll, describe, expect, test } from '@jest/globals'
import { TABLE_NAMES, TABLES } from '#core/catalog'
import { arrangeRoom, shortAddress } from '#core/room'
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
  test('is as large and as various as it should be, and each set has one place', () => {
    expect(room.data.holdings).toHaveLength(360)
    expect(Object.keys(MOTIFS).length).toBeGreaterThanOrEqual(25)
    expect(FACE_NAMES.length).toBeGreaterThanOrEqual(4)
    expect(room.data.fixtures).toHaveLength(5)
    const { placements } = arrangeRoom(room.data)
    expect(placements.size).toBe(360)
    expect(new Set([...placements.values()].map(place => shortAddress(place))).size).toBe(360)
  })
  test('is the same room every time', () => {
    const again = makeLetterRoom()
    expect(again.data).toEqual(room.data)
    expect([...again.drawings.values()].join('').length).toBe([...room.drawings.values()].join('').length)
  })
})
