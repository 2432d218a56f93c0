import { readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type Container, LIMITS } from '#core/catalog'
import { readListFile } from '#core/exchange'
import { arrangeContainer, containerClash, type ContainerRow } from '#core/room'
import { containerOf } from '../../../tests/support/containers'
import { placeByHand } from '../../../tests/support/placesByHand'
import { MOST_OF_A_FAMILY } from './choose'
import {
  familiesOf,
  type FamilyChoice,
  type ListedPlace,
  meaningOf,
  pageAndCell,
  planFromList,
  proposeChoice,
  readPlace,
  type RoomPlan,
} from './index'

const NAMES = { pages: (cells: number) => ({ name: `Pages of ${cells}`, code: `P${cells}` }) }
const listed = (texts: readonly string[]): readonly ListedPlace[] => texts.map((text, at) => ({ id: `s${at}`, text }))

function plan(
  texts: readonly string[],
  rows: readonly ContainerRow[] = [],
  own: (choice: FamilyChoice) => Partial<FamilyChoice> = () => ({}),
) {
  const families = familiesOf(listed(texts))
  const choices = new Map(
    families.map(family => {
      const choice = proposeChoice(family, 'z', type => ({ name: `For ${type}`, type: 'bookcase' }))
      return [family.key, { ...choice, ...own(choice) }]
    }),
  )
  return planFromList(families, choices, { rows, fixtures: new Map() }, NAMES)
}
function spotOf(cell: RoomPlan['holders'][number]['cell'], somewhere: RoomPlan['holders'][number]['somewhere']): string {
  if (cell) return `${cell.page}/${cell.cell}`
  if (!somewhere) return 'in order'
  return somewhere.page ? `p${somewhere.page}` : 'somewhere'
}
/** By set: the name of the container that it goes to, with page, cell or `somewhere`. */
function placesIn({ containers, holders }: RoomPlan, rows: readonly ContainerRow[] = []): ReadonlyMap<string, string> {
  const name = (ref: RoomPlan['holders'][number]['container']): string =>
    ('id' in ref ? rows.find(row => row.container.id === ref.id)?.container.name : containers.find(each => each.key === ref.key)?.name) ??
    'nowhere'
  return new Map(
    holders.flatMap(({ container, cell, somewhere, holdingIds }) =>
      holdingIds.map((id): [string, string] => [id, [name(container), spotOf(cell, somewhere)].join(' ')]),
    ),
  )
}
/** A room as the plan makes it. */
const built = ({ containers, holders }: RoomPlan): readonly ContainerRow[] =>
  containers.map(({ key, fixture: _fixture, ...shape }) => {
    const container: Container = { ...shape, id: `id ${key}`, fixtureId: 'f', rank: 0, isTable: false }
    const own = holders.filter(holder => 'key' in holder.container && holder.container.key === key)
    return arrangeContainer(
      container,
      own.map(({ container: _ref, ...holder }, at) => ({
        ...holder,
        id: `h${at}`,
        holderTypeId: null,
        containerId: container.id,
        order: `a${at}`,
        apartBecause: null,
      })),
      [],
    )
  })

describe('families, against brute force', () => {
  const text = fc.constantFrom(
    ...[
      'CD 4',
      'cd4',
      'CD#04',
      'CD 5',
      'Bin 4',
      'bin four',
      'Kiste 4',
      'box 4',
      'bin 4 front',
      'vorne in bin 4',
      '12-308',
      '12 - 308',
      '16-308',
    ],
    ...['table', 'auf dem Tisch', '??', 'n/a', 'with Anna', 'With  anna', '123 W', '', 'binder A p6', 'Ordner A S. 6', 'binder A p7'],
  )
  test('texts that are read alike are one place, others never; each set is in one place (property)', () => {
    fc.assert(
      fc.property(fc.array(text, { maxLength: 30 }), texts => {
        const families = familiesOf(listed(texts))
        const where = new Map(
          families.flatMap(({ key, spots }) => spots.flatMap((spot, at) => spot.ids.map(id => [id, `${key} ${at}`] as const))),
        )
        expect([...where.keys()].sort()).toEqual(
          listed(texts)
            .flatMap(each => (each.text === '' ? [] : [each.id]))
            .sort(),
        )
        const means = (one: string): string => {
          const reading = readPlace(one)
          if (!reading) return one.toLowerCase().split(/\s+/).join(' ')
          return reading.as === 'out' || reading.as === 'unknown' ? reading.as : JSON.stringify(reading)
        }
        for (const [a, one] of texts.entries())
          for (const [b, other] of texts.entries())
            if (one !== '' && other !== '') expect(where.get(`s${a}`) === where.get(`s${b}`)).toBe(means(one) === means(other))
      }),
    )
  })
})

describe('the room that a list tells of', () => {
  const standing = (container: Container, holders: Parameters<typeof arrangeContainer>[1] = []): ContainerRow =>
    arrangeContainer(container, holders, [])

  const word = fc.constantFrom('Bin', 'Box', 'Basket', 'Binder', 'Board', 'Drawer', 'CD', 'Case', 'Shed', 'B', 'Bi', 'Kiste', 'Ring')
  const some = fc.array(
    fc.record({
      word,
      mark: fc.constantFrom('1', '2', '3', '12', 'A', 'B'),
      behind: fc.constantFrom('', ' p2', ' front', ' left', ', 1', ', 2', ', 3'),
    }),
    { maxLength: 25 },
  )
  const write = (each: { readonly word: string; readonly mark: string; readonly behind: string }): string =>
    `${each.word} ${each.mark}${each.behind}`

  test('counts add up to the rows, each set goes to one place, and no address can be read as another (property)', () => {
    fc.assert(
      fc.property(some, entries => {
        const texts = entries.map(write)
        const made = plan(texts)
        const families = familiesOf(listed(texts))
        for (const [at, family] of made.families.entries())
          expect(family.placed + family.somewhere + family.out + family.left).toBe(families[at]?.sets)
        const ids = [...made.holders.flatMap(({ holdingIds }) => holdingIds), ...made.out.map(({ holdingId }) => holdingId)]
        expect(new Set(ids).size).toBe(ids.length)
        expect(made.families.reduce((sum, { placed, somewhere, out }) => sum + placed + somewhere + out, 0)).toBe(ids.length)
        const containers = built(made).map(row => row.container)
        for (const one of containers) expect(containerClash(one, containers, {})).toBeNull()
        for (const { shelf, fixture } of made.containers)
          expect(shelf).toBeLessThanOrEqual(made.fixtures.find(each => 'key' in fixture && each.key === fixture.key)?.shelves ?? 0)
      }),
    )
  })

  test('in the room that it made, the same list finds everything and makes nothing (property)', () => {
    fc.assert(
      fc.property(some, entries => {
        const texts = entries.map(write)
        const first = plan(texts)
        const rows = built(first)
        const empty = rows.map(row => arrangeContainer(row.container, [], []))
        const again = plan(texts, empty)
        expect(again.containers).toEqual([])
        expect([...placesIn(again, rows)].sort()).toEqual([...placesIn(first)].sort())
      }),
    )
  })

  test('what is written differently goes to one place, and shares one slot', () => {
    const made = plan(['CD 82', 'cd-082', 'CD82', 'CD 7', 'Drawer three', 'Schublade 3', 'drawer #3', 'Bin 4, right, 2'])
    const where = placesIn(made)
    expect([...where.values()]).toEqual(expect.arrayContaining(['CD 82/1', 'CD 7/1', 'Drawer 3 somewhere', 'Bin 4 somewhere']))
    expect(made.holders.find(({ holdingIds }) => holdingIds.includes('s0'))?.holdingIds).toEqual(['s0', 's1', 's2'])
    expect(made.holders.filter(({ holdingIds }) => ['s4', 's5', 's6'].includes(holdingIds[0] ?? '')).map(each => each.holdingIds)).toEqual([
      ['s4'],
      ['s5'],
      ['s6'],
    ])
    expect(made.containers.find(({ name }) => name === 'Bin 4')).toMatchObject({ lanes: 2 })
    expect(made.containers.find(({ name }) => name === 'CD')?.cells).toMatchObject({ rows: 1, columns: 1, pages: 90 })
  })

  test('each word has letters of its own, also beside what is there and counts on', () => {
    const there = standing(containerOf('x', { name: 'Bin 1', code: 'B1' }))
    const codes = (texts: readonly string[], rows: readonly ContainerRow[]) => plan(texts, rows).containers.map(({ code }) => code)
    expect(codes(['Bin 2', 'Bin 3', 'Box 4'], [there])).toEqual(['B2', 'B3', 'BO4'])
    expect(codes(['Box 4'], [there])).toEqual(['BO4'])
    expect(codes(['Shed 1', 'CD 3', '4-101', '8-101'], [])).toEqual(expect.arrayContaining(['CD', 'P4', 'P8', 'S1']))
  })

  test('a binder of which no page is named has the usual number of them, and what is in it is somewhere', () => {
    const made = plan(['Binder A', 'binder b'])
    expect(made.containers.map(({ name, cells }) => [name, cells?.pages])).toEqual([
      ['Binder A', 20],
      ['Binder B', 20],
    ])
    expect([...placesIn(made).values()]).toEqual(['Binder A somewhere', 'Binder B somewhere'])
  })

  test('positions that are all there are taken; with gaps the order is kept, and it is told', () => {
    const whole = plan(['Bin 4, 2', 'Bin 4, 1', 'Bin 4, 3'])
    expect(whole.holders.map(({ holdingIds, somewhere }) => [holdingIds[0], somewhere])).toEqual([
      ['s1', null],
      ['s0', null],
      ['s2', null],
    ])
    const gaps = plan(['Bin 4, 9', 'Bin 4, 1'])
    expect(gaps.holders.map(({ holdingIds, somewhere }) => [holdingIds[0], somewhere])).toEqual([
      ['s1', { page: null }],
      ['s0', { page: null }],
    ])
    expect(gaps.families[0]?.doubts).toMatchObject([{ code: 'positionsHaveGaps', sets: 2 }])
  })

  test('codes: page and cell, or cells counted through, as the family is read; a cell beyond its page is told (checks.md)', () => {
    expect(pageAndCell({ cells: 12, page: 2, cell: 3 }, 'cell')).toEqual({ page: 2, cell: 3 })
    const codes = ['12-203', '12-104b', '12-115']
    expect([...placesIn(plan(codes)).values()]).toEqual(['Pages of 12 2/3', 'Pages of 12 1/4', 'Pages of 12 p1'])
    expect(plan(codes).families[0]?.doubts).toEqual([{ code: 'cellBeyondPage', sets: 1, texts: ['12-115'] }])
    // Counted through by hand: 17 pages of 12 are 204, so 203 is the eleventh of page 17.
    const serial = plan(codes, [], () => ({ reading: 'serial' }))
    expect([...placesIn(serial).values()]).toEqual(['Pages of 12 17/11', 'Pages of 12 9/8', 'Pages of 12 10/7'])
    expect(serial.families[0]?.doubts).toEqual([])
  })

  test('what is there is recognised by its name or short form; two that are called alike are told, and take nothing', () => {
    const rows = [standing(containerOf('x', { name: 'Wide one', code: 'B4' })), standing(containerOf('y', { name: 'Bin 5', code: 'W5' }))]
    const made = plan(['B4', 'B4-11', 'bin 5', 'Bin 6'], rows)
    expect([...placesIn(made, rows).values()].sort()).toEqual([
      'Bin 5 somewhere',
      'Bin 6 somewhere',
      'Wide one somewhere',
      'Wide one somewhere',
    ])
    expect(made.containers.map(({ name }) => name)).toEqual(['Bin 6'])
    const two = plan(['Bin 5'], [...rows, standing(containerOf('v', { name: 'BIN 5', code: 'V' }))])
    expect(two).toMatchObject({ holders: [], containers: [], families: [{ left: 1, doubts: [{ code: 'twoAreCalledSo' }] }] })
  })

  test('in a binder that is there: no page beyond the last, no cell that is taken; both stay in it, and are told', () => {
    const cells = { rows: 2, columns: 2, pages: 3, isTwoSided: false, cellSize: null, reuse: 'last' as const }
    const holder = {
      id: 'h',
      holderTypeId: null,
      type: 'celledPage' as const,
      containerId: 'x',
      lane: 1,
      order: 'a0',
      cell: { page: 2, cell: 3, side: 'front' as const },
      somewhere: null,
      apartBecause: null,
      holdingIds: ['old'],
    }
    const rows = [standing(containerOf('x', { name: 'Quay binder', code: 'Q', type: 'binder', cells }), [holder])]
    const made = plan(['4-203', '4-201', '4-901'], rows)
    expect([...placesIn(made, rows).values()]).toEqual(['Quay binder p2', 'Quay binder 2/1', 'Quay binder somewhere'])
    expect(made.families[0]?.doubts.map(({ code }) => code).sort()).toEqual(['cellTaken', 'pageBeyondBinder'])
  })

  test('what would make thousands of containers is no place until its owner says so, and then too many are told', () => {
    const texts = Array.from({ length: 4000 }, (_, at) => `Bin ${at + 1}`)
    expect(meaningOf(familiesOf(listed(texts))[0] ?? never())).toEqual({ as: 'none', because: 'manyFigures' })
    expect(plan(texts)).toMatchObject({ containers: [], holders: [], families: [{ left: 4000 }] })
    expect(plan(texts, [], () => ({ as: 'containers' }))).toMatchObject({
      containers: [],
      families: [{ left: 4000, doubts: [{ code: 'tooMany' }] }],
    })
    expect(plan(texts, [], () => ({ as: 'slots' }))).toMatchObject({
      containers: [],
      families: [{ left: 4000, doubts: [{ code: 'tooMany' }] }],
    })
    expect(plan(['B1079', 'B1080'], [])).toMatchObject({ containers: [], families: [{ left: 2 }] })
    // As many as may be are made; one more, and none is.
    const bins = (count: number) =>
      plan(
        Array.from({ length: count }, (_, at) => `Bin ${at + 1}`),
        [],
        () => ({ as: 'containers' }),
      )
    expect([bins(MOST_OF_A_FAMILY).containers.length, bins(MOST_OF_A_FAMILY + 1).containers.length]).toEqual([MOST_OF_A_FAMILY, 0])
    // Slots are the pages of one binder: as many as a binder may have, and no more.
    const slots = (last: number) => plan(['CD 1', `CD ${last}`], [], () => ({ as: 'slots' })).containers.length
    expect([slots(LIMITS.pages), slots(LIMITS.pages + 1)]).toEqual([1, 0])
  })
})

function never(): never {
  throw new Error('no family')
}

describe('whole lists, each text held against what a person reads in it', () => {
  test.each([
    ['tests/fixtures/hand-kept-list.csv', 'Where', 0],
    ['tests/fixtures/liste-laternenkai.csv', 'Ort', 1],
  ])('%s', async (file, column, unread) => {
    const read = await readListFile(new Uint8Array(readFileSync(file)), null)
    if (!read.ok) throw new Error(read.code)
    const at = read.table.headings.indexOf(column)
    const texts = read.table.rows.map(row => row[at] ?? '')
    const made = plan(texts)
    const where = placesIn(made)
    let named = 0
    for (const [row, text] of texts.entries()) {
      const expected = placeByHand(text)
      if (expected !== undefined) named += 1
      expect([text, where.get(`s${row}`) ?? null]).toEqual([text, expected ?? null])
    }
    expect(named).toBeGreaterThan(30)
    const families = familiesOf(listed(texts))
    expect(families.find(({ as }) => as === 'unread')?.sets ?? 0).toBe(unread)
    expect(families.reduce((sum, { sets }) => sum + sets, 0)).toBe(texts.filter(text => text !== '').length)
  })
})
