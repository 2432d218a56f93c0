import { describe, expect, test } from '@jest/globals'
import { blankHolding, type CellGrid, type Container, type Holder } from '#core/catalog'
import { arrangeRoom, isLookedAt, shortAddress } from '#core/room'
import { containerOf, holderOf } from '../../tests/support/containers'
import { readShelf, type ShelfAnswer } from './index'

const grid = (rows: number, columns: number, pages: number): CellGrid => ({
  rows,
  columns,
  pages,
  isTwoSided: true,
  cellSize: null,
  reuse: 'last',
})
const CONTAINERS: readonly Container[] = [
  containerOf('1', { name: 'Bin 1', code: 'B1' }),
  containerOf('2', { name: 'Bin 2', code: 'B2' }),
  containerOf('20', { name: 'Bin 20', code: 'B20', lanes: 2 }),
  containerOf('k', { name: 'Kitchen bin', code: 'K2' }),
  containerOf('d4', { name: 'Drawer 4', code: 'D4', type: 'drawer' }),
  containerOf('d5', { name: 'Drawer 5', code: 'D5', type: 'drawer' }),
  containerOf('a', { name: 'Binder A', code: 'A', type: 'binder', cells: grid(4, 4, 6) }),
]
const HOLDERS: readonly Holder[] = [
  ...['a1', 'a2', 'a3', 'a4', 'a5'].map((order, at) => holderOf(`b1-${at + 1}`, '1', order)),
  holderOf('b2-1', '2', 'a1'),
  holderOf('b20l', '20', 'a1'),
  holderOf('b20r', '20', 'a1', { lane: 2 }),
  ...Array.from({ length: 14 }, (_, at) => holderOf(`k2-${at + 1}`, 'k', `a${String(at + 10)}`)),
  holderOf('d4-1', 'd4', 'a1', { holdingIds: ['d4-1', 'd4-1b'] }),
  holderOf('d4-2', 'd4', 'a2'),
  holderOf('d4-x', 'd4', 'a3', { somewhere: { page: null } }),
  holderOf('cell', 'a', 'a1', { cell: { page: 1, cell: 1, side: 'front' } }),
  holderOf('cell-back', 'a', 'a2', { cell: { page: 1, cell: 1, side: 'back' } }),
  holderOf('cell-6', 'a', 'a3', { cell: { page: 6, cell: 2, side: 'front' } }),
]
const room = arrangeRoom({ containers: CONTAINERS, sections: [], holders: HOLDERS })
const held = HOLDERS.flatMap(holder => holder.holdingIds)
const holdings = new Map(
  held.map((id, at) => [id, blankHolding({ id, number: at + 1, seriesId: 's', name: `Set ${id}`, createdAt: '2026-01-01T00:00:00.000Z' })]),
)
const SUFFIXES = new Map([
  [25, 'W'],
  [26, 'D'],
])
const codeOf = ({ number }: { readonly number: number }) => ({ figure: String(number), suffix: SUFFIXES.get(number) ?? '' })
const read = (text: string): readonly ShelfAnswer[] => readShelf(text, { rows: room.rows, patterns: {}, holdings, codeOf })
/** What it is, where, and which sets. */
const told = (text: string): readonly string[] =>
  read(text).map(answer =>
    [answer.as, 'container' in answer ? answer.container.code : '', 'ids' in answer ? answer.ids.join('+') : ''].filter(Boolean).join(' '),
  )

describe('what is written on the shelf', () => {
  test.each([
    ['B1-4', ['place B1 b1-4']],
    ['b1 4', ['place B1 b1-4']],
    ['bin 1, 4', ['place B1 b1-4']],
    ['B20L-1', ['place B20 b20l']],
    ['b20 right 2', ['place B20 b20r']],
    // Positions count on from row to row.
    ['b20 right 1', ['emptyPlace B20']],
    // Only left and right name a row; any other side names none.
    ['b20 middle 1', ['place B20 b20l']],
    ['K2-14', ['place K2 k2-14']],
    ['K2-15', ['emptyPlace K2']],
    ['16-101', ['place A cell']],
    ['16-101b', ['place A cell-back']],
    ['16-105', ['emptyPlace A']],
    ['8-203', ['noPlace']],
    ['16-701', ['noPlace']],
    ['drawer 4', ['container D4 d4-1+d4-1b+d4-2+d4-x']],
    ['Drawer 4', ['container D4 d4-1+d4-1b+d4-2+d4-x']],
    ['Schublade 4', ['container D4 d4-1+d4-1b+d4-2+d4-x']],
    ['D4', ['container D4 d4-1+d4-1b+d4-2+d4-x']],
    ['drawer 5', ['container D5']],
    ['drawer 9', ['noPlace']],
    ['CD 82', ['noPlace']],
    ['binder A p6', ['page A cell-6']],
    ['binder A p5', ['page A']],
    ['binder A p7', ['noPlace']],
    ['Z9-3', ['noPlace']],
    ['B9L-1', ['noPlace']],
    ['B1L-4', ['noPlace']],
    ['number 25', [`number ${held[24]}`]],
    ['#25', [`number ${held[24]}`]],
    ['no 25', [`number ${held[24]}`]],
    ['025', [`number ${held[24]}`]],
    ['25', [`number ${held[24]}`]],
    ['25 W', [`number ${held[24]}`]],
    ['25w', [`number ${held[24]}`]],
    // 25 is a block; somebody remembered the letter of a die.
    ['25 D', [`number ${held[24]}`]],
    ['#999', ['noNumber']],
    ['number 999', ['noNumber']],
  ])('%s', (text, expected) => {
    expect(told(text)).toEqual(expected)
  })
  test('a letter that the set does not have is told', () => {
    expect(read('25 D')).toMatchObject([{ as: 'number', isOtherLetter: true }])
    expect(read('25 W')).toMatchObject([{ as: 'number', isOtherLetter: false }])
  })
  test('a place that a number could be: written just so, the number goes first', () => {
    const byDrawer = (set: { readonly number: number }) => ({ figure: `D-${set.number}`, suffix: '' })
    const order = (text: string) => readShelf(text, { rows: room.rows, patterns: {}, holdings, codeOf: byDrawer }).map(({ as }) => as)
    expect(order('D-4')).toEqual(['number', 'container'])
    expect(order('D4')).toEqual(['container', 'number'])
    expect(order('drawer 4')).toEqual(['container'])
  })
  test.each([
    'kelp',
    'drawer',
    '999',
    '2024',
    '3x',
    'new year 2024',
    '4x6',
    'ring',
    '',
    '?',
    '25 harbours',
    'x'.repeat(5000),
    '🎂',
    'B1079',
  ])('%s is words', text => {
    expect(told(text)).toEqual([])
  })
  test('every place is found by its address, in whatever pattern it is written, and by the name of what it stands in', () => {
    for (const patterns of [{}, { bin: '{position} in {name}{lane}', binder: '{page}/{cell}{side} {code}' }])
      for (const place of [...room.placements.values()].filter(isLookedAt))
        for (const text of [shortAddress(place, patterns), shortAddress(place, patterns).toLowerCase().replaceAll('-', ' ')]) {
          const [answer] = readShelf(text, { rows: room.rows, patterns, holdings, codeOf })
          expect([text, answer]).toMatchObject([text, { as: 'place', ids: place.holder.holdingIds }])
        }
  })
})
