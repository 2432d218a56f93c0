import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Container, Holder } from '#core/catalog'
import {
  addressBook,
  type AddressedPlace,
  type AddressPatterns,
  arrangeContainer,
  containerClash,
  containersCalled,
  firstClash,
  patternFault,
  type Placement,
  shortAddress,
} from './index'
import { containerOf as container } from '../../tests/support/containers'

const held = (at: number, containerId: string, more: Partial<Holder> = {}): Holder => ({
  id: `${containerId}-${at}`,
  holderTypeId: null,
  type: 'pocket',
  containerId,
  lane: 1,
  order: `a${String(at).padStart(3, '0')}`,
  cell: null,
  somewhere: null,
  apartBecause: null,
  holdingIds: ['x'],
  ...more,
})
const PAGES = { rows: 4, columns: 3, pages: 12, isTwoSided: true, cellSize: null, reuse: 'last' as const }
/** Bins with lanes, binders with both sides of their cells in use, a rack of cases, drawers. */
function room(counts: readonly number[]): Placement[] {
  const cells = Array.from({ length: counts[2] ?? 0 }, (_, at) =>
    held(at, '16', { cell: { page: 1 + (at % 12), cell: 1 + (Math.floor(at / 24) % 12), side: at % 24 < 12 ? 'front' : 'back' } }),
  )
  return [
    ...arrangeContainer(
      container('4', {}),
      Array.from({ length: counts[0] ?? 0 }, (_, at) => held(at, '4')),
      [],
    ).placements,
    ...arrangeContainer(
      container('41', { lanes: 2 }),
      Array.from({ length: counts[1] ?? 0 }, (_, at) => held(at, '41', { lane: 1 + (at % 2) })),
      [],
    ).placements,
    ...arrangeContainer(container('16', { type: 'binder', code: 'A', name: 'Binder A', cells: PAGES }), cells, []).placements,
    ...arrangeContainer(
      container('CD', { type: 'caseRack', code: 'CD', name: 'Rack' }),
      Array.from({ length: counts[3] ?? 0 }, (_, at) => held(at, 'CD')),
      [],
    ).placements,
  ]
}
const counts = fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 4, maxLength: 4 })
const PATTERNS: AddressPatterns = { bin: '{code}-{lane}{position:2}', binder: '{cells}-{page}{cell:2}{side}', caseRack: 'CD {position}' }
/** Other ways to write the same: small letters, other signs between, noughts in front. */
const otherwise = [
  (text: string) => text.toLowerCase(),
  (text: string) => text.replace(/-/g, ' '),
  (text: string) => text.replace(/-/g, ' – '),
  (text: string) => ` ${text.replace(/(^|[^\d])(\d)/, '$10$2')} `,
]

describe("addresses the owner's way", () => {
  test('read back in every written form, and never the same for two places (property)', () => {
    fc.assert(
      fc.property(counts, fc.constantFrom({}, PATTERNS), (list, patterns) => {
        const placements = room(list)
        const book = addressBook(placements, patterns)
        expect(firstClash(placements, patterns)).toBeNull()
        for (const placement of placements) {
          const address = shortAddress(placement, patterns)
          for (const write of [(text: string) => text, ...otherwise]) expect(book.read(write(address))).toEqual([placement])
          const { cell } = placement
          const side = placement.lane === 1 ? 'left' : 'right'
          const lane = placement.container.lanes > 1 ? side : ''
          expect(
            book.read(
              cell
                ? `binder a, page ${cell.page}, cell ${cell.cell} ${cell.side}`
                : `${placement.container.name} ${lane} ${placement.position}`,
            ),
          ).toEqual([placement])
        }
      }),
      { numRuns: 40 },
    )
  })
  test('B4-11, 16-203, CD 17, Drawer 3 (common practice)', () => {
    const [bin, , , rack] = [room([11, 0, 0, 0]), 0, 0, room([0, 0, 0, 17])]
    expect(shortAddress(bin.at(-1) as Placement, {})).toBe('B4-11')
    expect(shortAddress(rack.at(-1) as Placement, PATTERNS)).toBe('CD 17')
    const sixteen = arrangeContainer(
      container('p', { type: 'binder', cells: { ...PAGES, rows: 4, columns: 4 } }),
      [held(1, 'p', { cell: { page: 2, cell: 3, side: 'back' } })],
      [],
    ).placements[0] as Placement
    expect(shortAddress(sixteen, PATTERNS)).toBe('16-203b')
    const drawer = arrangeContainer(container('3', { type: 'drawer', name: 'Drawer 3' }), [held(1, '3'), held(2, '3')], []).placements
    expect(drawer.map(place => shortAddress(place, { drawer: '{name}' }))).toEqual(['Drawer 3', 'Drawer 3'])
    // The whole drawer is one place.
    expect(firstClash(drawer, { drawer: '{name}' })).toBeNull()
    expect(addressBook(drawer, { drawer: '{name}' }).read('drawer 3')).toEqual(drawer)
  })
  test('a pattern that would write two places alike is refused, with the two', () => {
    const placements = room([3, 3, 0, 0])
    expect(patternFault('bin', '{position}', placements, {})).toMatchObject({ code: 'sameForTwo', address: '1' })
    expect(patternFault('bin', 'no {where}', placements, {})).toEqual({ code: 'unknownToken', token: 'where' })
    expect(patternFault('bin', 'Bin', placements, {})).toEqual({ code: 'noToken' })
    expect(patternFault('bin', '{code} {', placements, {})).toMatchObject({ code: 'unknownToken' })
    expect(patternFault('bin', '{name}/{lane}{position}', placements, {})).toBeNull()
  })
  test('what is no address reads as nothing', () => {
    const book = addressBook(room([3, 0, 0, 0]))
    for (const text of ['', 'B9-1', 'B4-99', '💌', 'b411']) expect(book.read(text)).toEqual([])
  })
})

describe('an address names one place only', () => {
  let made = 0
  const box = (code: string, more: Partial<Container> = {}): Container => ({
    id: `c${(made += 1)}`,
    fixtureId: 'f',
    shelf: 1,
    rank: 0,
    name: `Box ${code}`,
    code,
    type: 'bin',
    lanes: 1,
    lengthMm: 300,
    inner: null,
    cells: null,
    zoneId: 'z',
    emptyWeightG: null,
    isTable: false,
    ...more,
  })
  const pages = { rows: 4, columns: 3, pages: 20, isTwoSided: true, cellSize: null, reuse: 'last' as const }
  test('a lane of one and a container of its own: B4L-1 is in both', () => {
    expect(containerClash(box('B4', { lanes: 2 }), [box('B5'), box('B4L')], {})).toMatchObject({ other: { code: 'B4L' }, address: 'B4L-1' })
    expect(containerClash(box('B4', { lanes: 1 }), [box('B4L')], {})).toBeNull()
  })
  test.each(['B4', 'B-4', 'B04', 'b 4'])('%s is read as B4', code => {
    expect(containerClash(box(code), [box('B4')], {})?.other.code).toBe('B4')
  })
  test('a row whose positions read like cells of a page; and an own way of writing', () => {
    expect(containerClash(box('A12'), [box('A', { type: 'binder', cells: pages })], {})?.address).toBe('A12-1')
    expect(containerClash(box('R1', { type: 'caseRack' }), [box('R2', { type: 'caseRack' })], { caseRack: 'CD {position}' })?.address).toBe(
      'CD 1',
    )
  })
  test('whoever does not clash writes no address twice, whatever stands in them (brute force; property)', () => {
    const some = fc.record({
      code: fc.constantFrom('B', 'B4', 'B4L', 'B-4', 'A', 'A12', 'A-12', 'A1', 'L', 'B1'),
      lanes: fc.integer({ min: 1, max: 4 }),
      isPages: fc.boolean(),
    })
    const make = ({ code, lanes, isPages }: { code: string; lanes: number; isPages: boolean }): Container =>
      box(code, isPages ? { type: 'binder', cells: pages } : { lanes })
    const places = (container: Container): AddressedPlace[] =>
      container.cells
        ? [1, 2, 11].flatMap(page =>
            [1, 2, 12].flatMap(cell =>
              (['front', 'back'] as const).map(side => ({ container, lane: 1, position: 1, cell: { page, cell, side } })),
            ),
          )
        : Array.from({ length: container.lanes }, (_, at) =>
            [1, 2, 12, 101, 112, 1112].map(position => ({ container, lane: at + 1, position, cell: null })),
          ).flat()
    fc.assert(
      fc.property(some, some, (a, b) => {
        const [one, other] = [make(a), make(b)]
        const clash = firstClash([...places(one), ...places(other)], {})
        if (clash) expect(containerClash(one, [other], {})).not.toBeNull()
      }),
      { numRuns: 500 },
    )
  })
})

test('a container is found by its short form before its name, however it is written, and by nothing else', () => {
  const room = [
    container('a', { name: 'Bin 4', code: 'B4' }),
    container('b', { name: 'B 14', code: 'K2' }),
    container('c', { name: 'K 2', code: 'X9' }),
  ]
  const ids = (text: string): readonly string[] => containersCalled(room, text).map(({ id }) => id)
  expect(['b4', 'B-04', 'B4-?', 'bin 4', 'b14', 'K2', ' ', 'B', 'bin'].map(ids)).toEqual([
    ['a'],
    ['a'],
    ['a'],
    ['a'],
    ['b'],
    ['b'],
    [],
    [],
    [],
  ])
})
