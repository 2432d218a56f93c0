import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { SET_LABELS } from '#core/catalog'
import type { Measure } from '../page'
import { composeLabels, type LabelSpace } from './compose'
import { gridFault, type LabelGrid, spotsOn, START_SHEETS } from './grids'
import { shortenText } from './shorten'
import { wishesOf } from './stale'
import { tapeLengths } from './tape'
import { inFilingOrder, type LabelThing } from './things'

/** Letters as wide as their code says: no two alike, as in a font. */
const measure: Measure = (text, font, sizePt) =>
  [...text].reduce((sum, letter) => sum + 0.3 + (((letter.codePointAt(0) ?? 0) * 7) % 11) / 20, 0) * sizePt * (font === 'bold' ? 1.1 : 1)
const words = { sets: (count: number) => `${count} sets` }
const thing = (number: number, name: string, more: Partial<LabelThing> = {}): LabelThing => ({
  of: `set:${String(number).padStart(26, '0')}`,
  kind: 'set',
  template: 'name',
  sets: [{ id: String(number), figure: String(number), suffix: '', name, brand: null }],
  title: '',
  detail: '',
  rank: 0,
  position: number,
  ...more,
})
const shared = (numbers: readonly number[], nameOf: (number: number) => string): LabelThing => ({
  ...thing(numbers[0] ?? 0, '', { of: `shared:${String(numbers[0]).padStart(26, '0')}`, kind: 'shared', template: 'shared' }),
  sets: numbers.map(number => ({ id: String(number), figure: String(number), suffix: '', name: nameOf(number), brand: null })),
})
const tape = (wholeMm: number, longestMm: number): LabelSpace => ({ printableMm: wholeMm - 2, wholeMm, longestMm, isFixed: false })
const compose = (things: readonly LabelThing[], space: LabelSpace, hasCode = false) =>
  composeLabels(things, { space, hasCode, words, measure })

const word = fc.constantFrom('Birthday', 'and', 'Christmas', 'Harbour', 'Otter', 'Thank', 'you', 'Κύμα', '波', 'Sentiments', 'x')
const name = fc.array(word, { minLength: 1, maxLength: 40 }).map(all => all.join(' '))

describe('shortening', () => {
  test('what comes fits, is the same again, and what fits stays whole', () => {
    fc.assert(
      fc.property(name, fc.integer({ min: 2, max: 200 }), fc.option(word), (text, room, abbreviation) => {
        const fits = (each: string): boolean => measure(each, 'text', 10) <= room
        const found = shortenText(text, fits, abbreviation)
        expect(shortenText(text, fits, abbreviation)).toEqual(found)
        if (fits(text)) expect(found).toEqual({ text, how: null })
        else if (found) expect(fits(found.text)).toBe(true)
        // Nothing but its first letter and an ellipsis is left before it is given up.
        else expect(fits(`${[...text][0]}\u2026`) && [...text].length > 1).toBe(false)
      }),
    )
  })
  test('the short form of the owner comes first, then known ones, then letters', () => {
    const upTo = (count: number) => (text: string) => text.length <= count
    expect(shortenText('Driftwood Handmade', upTo(9), 'DH')).toEqual({ text: 'DH', how: 'abbreviation' })
    expect(shortenText('Christmas and Birthday', upTo(14), null)).toEqual({ text: 'Xmas and Bday', how: 'shortForms' })
    expect(shortenText('Lighthouses', upTo(7), null)).toEqual({ text: 'Lghthss', how: 'letters' })
    // Only whole words have short forms.
    for (const name of ['Sandcastle Islands', 'Grand Harbour'])
      expect(shortenText(name, upTo(name.length - 1), null)?.text).not.toContain('&')
  })
})

describe('labels', () => {
  const room = fc.uniqueArray(fc.tuple(fc.integer({ min: 1, max: 400 }), name), { selector: ([number]) => number, maxLength: 30 })
  test('no two sets say the same, all of it fits, and what else is printed changes nothing but the order', () => {
    fc.assert(
      fc.property(
        room,
        fc.constantFrom(...SET_LABELS),
        fc.constantFrom(6, 9, 12, 24),
        fc.integer({ min: 15, max: 90 }),
        (sets, template, wide, long) => {
          const things = sets.map(([number, text]) => thing(number, text, { template }))
          const laid = compose(things, tape(wide, long))
          const good = [...laid.values()].filter(({ troubles }) => !troubles.includes('noRoom'))
          expect(new Set(good.map(({ says }) => says.join('\n'))).size).toBe(good.length)
          for (const { items, lengthMm } of good) {
            expect(lengthMm).toBeLessThanOrEqual(long + 0.01)
            for (const item of items)
              if (item.type === 'text') {
                expect(item.x + measure(item.text, item.font, item.sizePt)).toBeLessThanOrEqual((lengthMm * 72) / 25.4 + 0.01)
                expect(item.y).toBeLessThanOrEqual(((wide - 2) * 72) / 25.4)
                expect(item.y - item.sizePt * 0.7).toBeGreaterThanOrEqual(-0.01)
              }
          }
          expect(compose([...things].reverse(), tape(wide, long))).toEqual(new Map([...laid].map(([of]) => [of, laid.get(of)])))
        },
      ),
    )
  })
  test('of two alike the later one bears its number; one whose name ends as that number is not taken for it', () => {
    const says = [...compose([thing(5, 'Otters'), thing(3, 'Otters 5'), thing(4, 'Otters')], tape(12, 80)).values()].map(
      each => each.says[0],
    )
    expect(says).toEqual(['Otters 5', 'Otters', 'Otters (5)'])
  })
  test('a shared pocket names all its sets; else their numbers; else how many there are', () => {
    const one = shared([12, 45, 88], number => `All of the harbour ${number}`)
    const says = (long: number, wide = 12): readonly string[] => [...compose([one], tape(wide, long)).values()][0]?.says ?? []
    expect(says(200, 24)).toEqual(['12 All of the harbour 12', '45 All of the harbour 45', '88 All of the harbour 88'])
    expect(says(200, 6)).toEqual([[12, 45, 88].map(number => `All of the harbour ${number}`).join('; ')])
    expect(says(38)).toEqual(['12, 45, 88', '3 sets'])
    expect(says(24)).toEqual(['12,', '45, 88', '3 sets'])
    // Nine numbers find no room: then how many there are, and two such pockets are told apart.
    const many = (from: number): LabelThing =>
      shared(
        Array.from({ length: 9 }, (_, at) => from + at),
        number => `Kelp ${number}`,
      )
    const two = [...compose([many(101), many(201)], tape(12, 26)).values()].map(each => each.says)
    expect(two).toEqual([['9 sets'], ['9 sets 201']])
  })
  test('a name too long for one line takes two before anything of it is left out', () => {
    const long = thing(7, 'All of the lighthouses along the outer harbour', { template: 'name' })
    const says = (wide: number, most: number): readonly string[] => [...compose([long], tape(wide, most)).values()][0]?.says ?? []
    expect(says(12, 200)).toHaveLength(1)
    expect(says(12, 70)).toEqual(['All of the lighthouses', 'along the outer harbour'])
    // Too low for two lines that can be read: then it is shortened.
    expect(says(5, 60)).toHaveLength(1)
  })
  test('300 letters on 6 mm: as much as there is room for, told; no room at all: told', () => {
    const [label] = compose([thing(1, 'Windjammer '.repeat(27).trim())], tape(6, 60)).values()
    expect(label).toMatchObject({ troubles: [], shortened: [{ how: 'letters' }] })
    expect([...compose([thing(1, 'Windjammer')], tape(12, 1)).values()][0]?.troubles).toContain('noRoom')
    const low = [...compose([thing(1, 'Windjammer', { template: 'brandAboveName' })], tape(4, 60)).values()][0]
    expect(low?.troubles).toContain('tiny')
  })
  test('a code too small for a phone is left out, and told', () => {
    const codes = (wide: number) => [...compose([thing(214, 'Otters')], tape(wide, 60), true).values()][0]
    expect(codes(9)?.troubles).toEqual(['noCode'])
    expect(codes(9)?.items.some(({ type }) => type === 'area')).toBe(false)
    expect(codes(12)?.troubles).toEqual([])
    // ISO/IEC 18004: four modules are blank on all sides, the edges of the tape among them.
    for (const wide of [12, 24]) {
      const items = codes(wide)?.items ?? []
      const areas = items.flatMap(item => (item.type === 'area' ? [item] : []))
      const module = areas[0]?.heightPt ?? 0
      const [top, foot] = [Math.min(...areas.map(({ y }) => y)), Math.max(...areas.map(({ y }) => y + module))]
      const [left, right] = [Math.min(...areas.map(({ x }) => x)), Math.max(...areas.map(({ x, widthPt }) => x + widthPt))]
      expect(foot - top).toBeCloseTo(right - left, 6)
      expect(left).toBeCloseTo(4 * module, 6)
      expect(Math.min(top, ((wide - 2) * 72) / 25.4 - foot) + 72 / 25.4).toBeGreaterThanOrEqual(4 * module - 1e-6)
      for (const item of items) if (item.type === 'text') expect(item.x).toBeGreaterThanOrEqual(right + 4 * module - 1e-6)
    }
  })
})

test('filing order: container after container, place after place, and what has none last, by number', () => {
  const sorts = fc.record({
    rank: fc.constantFrom(0, 1, Infinity),
    position: fc.constantFrom(1, 2, Infinity),
    number: fc.integer({ min: 1, max: 99 }),
  })
  fc.assert(
    fc.property(fc.uniqueArray(sorts, { selector: ({ number }) => number, maxLength: 12 }), all => {
      const sorted = inFilingOrder(all.map(({ rank, position, number }) => thing(number, 'x', { rank, position })))
      for (const [at, { rank, position, sets }] of sorted.entries()) {
        const next = sorted[at + 1]
        if (!next) continue
        expect(rank <= next.rank).toBe(true)
        if (rank === next.rank) expect(position <= next.position).toBe(true)
        if (rank === next.rank && position === next.position) expect(Number(sets[0]?.figure)).toBeLessThan(Number(next.sets[0]?.figure))
      }
      expect(new Set(sorted.map(({ of }) => of)).size).toBe(all.length)
    }),
  )
})

test('tape: as a machine feeds it, step by step', () => {
  const feeds = fc.record({ beforeMm: fc.nat(10), afterMm: fc.nat(10), singlyAfterMm: fc.nat(30), toCutterMm: fc.nat(30) })
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 5, max: 90 }), { maxLength: 20 }), feeds, (lengths, feed) => {
      // The tape between head and cutter is blank when a print begins; a cut is made once the label's end is at the cutter.
      const fed = (chain: readonly number[], afterMm: number): number => {
        let tape = 0
        for (const length of chain) tape += feed.beforeMm + length + afterMm
        return chain.length > 0 ? tape + feed.toCutterMm : 0
      }
      const { singlyMm, chainedMm } = tapeLengths(lengths, feed)
      expect(chainedMm).toBe(fed(lengths, feed.afterMm))
      expect(singlyMm).toBe(lengths.reduce((sum, each) => sum + fed([each], feed.singlyAfterMm), 0))
    }),
  )
})

describe('sheets', () => {
  const plain: LabelGrid = { paper: 'A4', columns: 3, rows: 8, widthMm: 60, heightMm: 30, leftMm: 5, topMm: 5, acrossMm: 65, downMm: 35 }
  test('the start set lies on its sheet with as much to the left as to the right, and above as below', () => {
    const paper = { A4: [210, 297], Letter: [215.9, 279.4] } as Readonly<Record<string, readonly [number, number]>>
    for (const grid of START_SHEETS) {
      const [wide = 0, high = 0] = paper[grid.paper] ?? []
      expect(gridFault(grid)).toBeNull()
      expect(wide - (grid.leftMm + (grid.columns - 1) * grid.acrossMm + grid.widthMm)).toBeCloseTo(grid.leftMm, 1)
      expect(high - (grid.topMm + (grid.rows - 1) * grid.downMm + grid.heightMm)).toBeCloseTo(grid.topMm, 1)
    }
  })
  test('a grid has a fault exactly where two labels share some of the sheet, or one leaves it', () => {
    const some = fc.record({
      columns: fc.integer({ min: 1, max: 4 }),
      rows: fc.integer({ min: 1, max: 4 }),
      widthMm: fc.integer({ min: 10, max: 90 }),
      heightMm: fc.integer({ min: 10, max: 90 }),
      acrossMm: fc.integer({ min: 10, max: 90 }),
      downMm: fc.integer({ min: 10, max: 90 }),
      leftMm: fc.nat(20),
      topMm: fc.nat(20),
    })
    fc.assert(
      fc.property(some, each => {
        const grid = { ...plain, ...each }
        const spots = spotsOn({ ...grid, nextFree: 0 }, grid.columns * grid.rows)
        const isOver = spots.some((a, at) =>
          spots.slice(at + 1).some(b => Math.abs(a.leftMm - b.leftMm) < grid.widthMm && Math.abs(a.topMm - b.topMm) < grid.heightMm),
        )
        const leaves = spots.some(({ leftMm, topMm }) => leftMm + grid.widthMm > 210 || topMm + grid.heightMm > 297)
        expect(gridFault(grid) !== null).toBe(isOver || leaves)
      }),
    )
  })
  test('a begun sheet goes on at its first free label, and the next one at its beginning', () => {
    expect(spotsOn({ ...plain, nextFree: 22 }, 4).map(({ sheet, at }) => [sheet, at])).toEqual([
      [0, 22],
      [0, 23],
      [1, 0],
      [1, 1],
    ])
    expect(spotsOn({ ...plain, nextFree: 4 }, 1)[0]).toMatchObject({ leftMm: 5 + 65, topMm: 5 + 35 })
    // A sheet that is used up is a new one.
    expect(spotsOn({ ...plain, nextFree: 24 }, 1)[0]).toMatchObject({ sheet: 0, at: 0 })
  })
})

test('a label that breaks its lines elsewhere says the same; one of another form does not', () => {
  const long = thing(7, 'All of the lighthouses along the outer harbour', { template: 'name' })
  const made = (template: 'name' | 'ticket', says: readonly string[]) =>
    wishesOf([long], compose([long], tape(12, 200)), new Map([[long.of, { template, says }]]), () => null).map(({ reason }) => reason)
  expect(made('name', ['All of the lighthouses', 'along the outer harbour'])).toEqual([null])
  expect(made('name', ['All of the lighthouses along the outer', 'harbour'])).toEqual([null])
  expect(made('name', ['All of the lighthouses', 'along the inner harbour'])).toEqual(['differs'])
  expect(made('ticket', ['All of the lighthouses along the outer harbour'])).toEqual(['otherForm'])
})

test('what is to be made, and why', () => {
  const things = [thing(1, 'Otters'), thing(2, 'Gulls'), thing(3, 'Kelp'), thing(4, 'Limpets', { template: 'ticket' })]
  const known = new Map([
    [things[1]?.of ?? '', { template: 'name' as const, says: ['Gulls and Terns'] }],
    [things[2]?.of ?? '', { template: 'ticket' as const, says: ['3'] }],
  ])
  const found = wishesOf(things, compose(things, tape(12, 80)), known, of => (of === things[3]?.of ? '4' : null))
  expect(found.map(({ reason, was }) => [reason, was[0]])).toEqual([
    ['none', undefined],
    ['differs', 'Gulls and Terns'],
    ['otherForm', '3'],
    [null, '4'],
  ])
})
