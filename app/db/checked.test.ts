import { describe, expect, test } from '@jest/globals'
import { TABLE_NAMES } from '#core/catalog'
import { makeLetterRoom } from '#demo/letterRoom'
import { firstFault } from './checked'

describe('what records are checked by before they are written', () => {
  const { data } = makeLetterRoom()
  test('nothing is wrong with any record of the demo room', () => {
    for (const table of TABLE_NAMES) expect([table, firstFault(table, data[table])]).toEqual([table, null])
  })
  test.each(TABLE_NAMES.filter(table => data[table].length > 0))(
    'of %s, one wrong record among good ones is found, and said by its table and field',
    table => {
      const [good] = data[table]
      expect(firstFault(table, [good, { ...good, id: 'nowhere at all' }])).toMatch(new RegExp(`^${table}: id `))
      expect(firstFault(table, [good, null])).toMatch(new RegExp(`^${table}: `))
    },
  )
})
