import { PT_PER_MM } from '#core/units'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { layList, type ListLine } from '../lists/list'
import { type Measure, PAPERS, wrapText } from '../page'
import { dividerFull, type DividerShape, dividerTab } from './divider'
import { type CutPiece, imposePieces } from './impose'
import { type CardSet, imprintCard } from './imprint'
import { slipCard } from './slip'

const measure: Measure = (text, _font, sizePt) => text.length * sizePt * 0.5
const A4 = { widthMm: 210, heightMm: 297 }
/** A piece that is known again where it lies: by an area of its whole size. */
const piece = (of: string, widthMm: number, heightMm: number): CutPiece => ({
  of,
  widthMm,
  heightMm,
  name: of,
  says: [],
  items: [
    { type: 'outline', x: 0, y: 0, widthPt: widthMm * PT_PER_MM, heightPt: heightMm * PT_PER_MM, ink: 'line' },
    { type: 'rule', x: 0, y: 0, toX: widthMm * PT_PER_MM, weightPt: 1, ink: 'line' },
    { type: 'text', x: 0, y: 0, sizePt: 8, font: 'text', ink: 'night', text: of },
  ],
})
const set = (number: number, picture: CardSet['picture'], name = `Kelp ${number}`): CardSet => ({
  id: String(number),
  figure: String(number),
  suffix: '',
  name,
  brand: null,
  picture,
})

describe('pieces on sheets', () => {
  const sizes = fc.array(fc.tuple(fc.integer({ min: 8, max: 240 }), fc.integer({ min: 8, max: 320 })), { maxLength: 40 })
  test('each lies on one sheet once, over no other, in order from left to right and downwards; what is too large is told', () => {
    fc.assert(
      fc.property(sizes, all => {
        const pieces = all.map(([wide, high], at) => piece(String(at), wide, high))
        const { pages, tooLarge, sheet } = imposePieces(pieces, A4)
        const spots = pages.flatMap(({ items }, page) =>
          items.flatMap((item, at) => {
            const [name, rule] = [items[at + 2], items[at + 1]]
            if (item.type !== 'outline' || name?.type !== 'text' || rule?.type !== 'rule') return []
            const [x, y, w, h] = [item.x, item.y, item.widthPt, item.heightPt].map(each => each / PT_PER_MM) as [
              number,
              number,
              number,
              number,
            ]
            // What a piece is made of moves with it, both ends of a line too.
            expect([rule.x, rule.toX, rule.y]).toEqual([item.x, expect.closeTo(item.x + item.widthPt, 6), item.y])
            return [{ of: Number(name.text), page, x, y, w, h }]
          }),
        )
        const [wideMm, highMm] = [sheet.widthMm - 6, sheet.heightMm - 6]
        expect([wideMm, highMm].sort()).toEqual([204, 291])
        const isLarge = ([wide = 0, high = 0]: readonly number[]): boolean => wide > wideMm || high > highMm
        expect(tooLarge).toEqual(all.flatMap((each, at) => (isLarge(each) ? [String(at)] : [])))
        expect(spots.map(({ of }) => of)).toEqual(all.flatMap((each, at) => (isLarge(each) ? [] : [at])))
        spots.forEach((a, at) => {
          expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(3 - 1e-6)
          expect(a.x + a.w).toBeLessThanOrEqual(3 + wideMm + 1e-6)
          expect(a.y + a.h).toBeLessThanOrEqual(3 + highMm + 1e-6)
          for (const b of spots.slice(at + 1)) {
            if (a.page !== b.page) continue
            const isApart = a.x + a.w + 5 <= b.x + 1e-6 || a.y + a.h + 5 <= b.y + 1e-6
            expect(isApart).toBe(true)
          }
        })
      }),
    )
  })
  test('the sheets lie across where fewer are needed that way, or more pieces find room', () => {
    const of = (wide: number, high: number, count: number) =>
      imposePieces(
        Array.from({ length: count }, (_, at) => piece(String(at), wide, high)),
        A4,
      )
    expect(of(140, 200, 4)).toMatchObject({ sheet: { widthMm: 297 }, pages: { length: 2 } })
    expect(of(200, 140, 4)).toMatchObject({ sheet: { widthMm: 210 }, pages: { length: 2 } })
    expect(of(140, 200, 1)).toMatchObject({ sheet: { widthMm: 210 }, pages: { length: 1 } })
    expect(of(250, 90, 1)).toMatchObject({ sheet: { widthMm: 297 }, tooLarge: [] })
  })
  test('two marks at each corner, outside of the piece and no further than half way to the next', () => {
    const { pages } = imposePieces([piece('a', 60, 40)], A4)
    const marks = (pages[0]?.items ?? []).flatMap(item => (item.type === 'area' ? [item] : []))
    expect(marks).toHaveLength(8)
    for (const { x, y, widthPt, heightPt } of marks) {
      const [left, top, right, foot] = [x, y, x + widthPt, y + heightPt].map(each => each / PT_PER_MM) as [number, number, number, number]
      const isOutside = right <= 3 + 1e-6 || left >= 63 - 1e-6 || foot <= 3 + 1e-6 || top >= 43 - 1e-6
      expect(isOutside).toBe(true)
      expect(Math.max(3 - left, right - 63, 3 - top, foot - 43)).toBeLessThanOrEqual(2.5)
    }
  })
})

describe('the card beneath the stamps', () => {
  const card = (sets: readonly CardSet[], widthMm = 110, heightMm = 160) =>
    imprintCard({ of: 'card:h', widthMm, heightMm, sets, address: 'B4-11' }, measure)
  test('number, name and address stand on it; the impression has its true size, and lies within it', () => {
    const picture = fc.record({
      hash: fc.constant('a'.repeat(64)),
      widthMm: fc.integer({ min: 5, max: 130 }),
      heightMm: fc.integer({ min: 5, max: 180 }),
    })
    fc.assert(
      fc.property(fc.array(picture, { minLength: 1, maxLength: 4 }), pictures => {
        const { items, withoutPicture } = card(pictures.map((each, at) => set(at + 1, each)))
        const drawn = items.flatMap(item => (item.type === 'picture' ? [item] : []))
        expect(drawn.length + withoutPicture.length).toBe(pictures.length)
        const left = pictures.filter((_, at) => !withoutPicture.includes(String(at + 1)))
        // Alone it may be as much larger as the card is smaller than its pocket, half of it at each side.
        const beyond = pictures.length === 1 ? 1.6 * PT_PER_MM + 1e-6 : 1e-6
        drawn.forEach((item, at) => {
          expect([item.widthPt / PT_PER_MM, item.heightPt / PT_PER_MM]).toEqual([
            expect.closeTo(left[at]?.widthMm ?? 0, 6),
            expect.closeTo(left[at]?.heightMm ?? 0, 6),
          ])
          expect(Math.min(item.x, item.y)).toBeGreaterThanOrEqual(-beyond)
          expect(item.x + item.widthPt).toBeLessThanOrEqual(110 * PT_PER_MM + beyond)
          expect(item.y + item.heightPt).toBeLessThanOrEqual(160 * PT_PER_MM + beyond)
          for (const other of drawn.slice(at + 1)) expect(other.x >= item.x + item.widthPt || other.y >= item.y + item.heightPt).toBe(true)
        })
        const texts = items.flatMap(item => (item.type === 'text' ? [item.text] : []))
        expect(texts).toEqual(expect.arrayContaining(['B4-11', '1', 'Kelp 1']))
        // One picture is left out only where the card itself is smaller.
        const [only] = pictures
        if (pictures.length === 1 && only) expect(withoutPicture.length).toBe(only.widthMm > 113.2 || only.heightMm > 163.2 ? 1 : 0)
      }),
    )
  })
  test('it says something else once the name, the address, the picture or the size is another', () => {
    const picture = { hash: 'a'.repeat(64), widthMm: 50, heightMm: 50 }
    const says = [
      card([set(1, picture)]),
      card([set(1, picture, 'Limpets')]),
      card([set(1, { ...picture, hash: 'b'.repeat(64) })]),
      card([set(1, picture)], 100),
      imprintCard({ of: 'card:h', widthMm: 110, heightMm: 160, sets: [set(1, picture)], address: 'B4-12' }, measure),
    ].map(each => each.says.join(' '))
    expect(new Set(says).size).toBe(5)
  })
})

describe('slips', () => {
  const words = fc.array(fc.constantFrom('Kelp', 'of', 'the', 'Lighthouses', 'x'.repeat(90)), { minLength: 1, maxLength: 40, size: 'max' })
  test('all that is on it lies within it, over nothing else, whatever it is called and wherever it is (property)', () => {
    fc.assert(
      fc.property(words, words, fc.option(fc.double({ min: 0.2, max: 5, noNaN: true })), (name, place, ratio) => {
        const source = {
          ...set(123456, null, name.join(' ')),
          brand: { name: name.toReversed().join(' '), abbreviation: '' },
          address: place.slice(0, 3).join('-'),
          place: place.join(' '),
          picture: ratio === null ? null : { hash: 'a'.repeat(64), ratio },
        }
        const { items, widthMm, heightMm } = slipCard(source, { takenOut: 'Taken out:' }, measure)
        const boxes = items.flatMap(item => {
          if (item.type === 'picture') {
            expect(item.widthPt / item.heightPt).toBeCloseTo(ratio ?? 0, 6)
            return [{ x: item.x, y: item.y, toX: item.x + item.widthPt, toY: item.y + item.heightPt }]
          }
          // Letters stand on their line; below it hangs a fifth of them.
          if (item.type !== 'text') return []
          return [{ x: item.x, y: item.y - item.sizePt * 0.75, toX: item.x + measure(item.text, item.font, item.sizePt), toY: item.y }]
        })
        expect(boxes.length).toBeGreaterThanOrEqual(4)
        boxes.forEach((a, at) => {
          expect(Math.min(a.x, a.y)).toBeGreaterThanOrEqual(0)
          expect(a.toX).toBeLessThanOrEqual((widthMm - 4) * PT_PER_MM + 0.01)
          expect(a.toY).toBeLessThanOrEqual((heightMm - 4) * PT_PER_MM + 0.01)
          for (const b of boxes.slice(at + 1))
            expect(a.toX <= b.x + 0.01 || b.toX <= a.x + 0.01 || a.toY <= b.y + 0.01 || b.toY <= a.y + 0.01).toBe(true)
        })
      }),
    )
  })
  test('lines are parted at blanks: none is lost while there is room, and none is longer than there is room (property)', () => {
    fc.assert(
      fc.property(words, fc.integer({ min: 1, max: 6 }), fc.integer({ min: 40, max: 300 }), (all, most, width) => {
        const rows = wrapText(all.join(' '), 'text', 10, width, most, measure)
        expect(rows.length).toBeLessThanOrEqual(most)
        for (const row of rows) expect(measure(row, 'text', 10)).toBeLessThanOrEqual(Math.max(width, measure('…', 'text', 10)))
        if (!rows.some(row => row.endsWith('…'))) expect(rows.join(' ')).toBe(all.join(' '))
        // Every line is as full as it can be.
        rows.slice(1).forEach((row, at) => expect(measure(`${rows[at]} ${row.split(' ')[0]}`, 'text', 10)).toBeGreaterThan(width))
      }),
    )
  })
})

describe('dividers', () => {
  const shape: DividerShape = { widthMm: 150, heightMm: 200, tabMm: 12, positions: 3 }
  test('tabs of three colours on stand left, in the middle and right in turn, each face within its own third', () => {
    const lefts = [0, 1, 2, 3].map(colour => {
      const { items } = dividerFull({ of: 'divider:a', title: 'Harbour', colour }, shape, measure)
      const [bar, text] = [items.find(({ type }) => type === 'area'), items.find(({ type }) => type === 'text')]
      const from = (bar?.x ?? 0) / PT_PER_MM
      expect((text?.x ?? 0) / PT_PER_MM).toBeGreaterThan(from)
      const lines = items.flatMap(item => (item.type === 'rule' ? [(item.toX - item.x) / PT_PER_MM] : []))
      // What is cut away and the tab make the whole width.
      expect(lines.reduce((sum, each) => sum + each, 0)).toBeCloseTo(100, 6)
      return Math.round(from)
    })
    expect(lefts).toEqual([0, 50, 100, 0])
  })
  test('a title that is too long is made smaller, then shorter; a label is as large as its tab', () => {
    const long = dividerTab({ of: 'divider:a', title: 'Lighthouses and harbours of the outer islands', colour: 1 }, shape, measure)
    const text = long.items.flatMap(item => (item.type === 'text' ? [item] : []))[0]
    expect([long.widthMm, long.heightMm]).toEqual([50, 12])
    expect((text?.x ?? 0) + measure(text?.text ?? '', 'bold', text?.sizePt ?? 0)).toBeLessThanOrEqual(50 * PT_PER_MM)
    expect(text?.sizePt).toBeLessThan(13)
  })
})

describe('short lists', () => {
  const lines = fc.array(
    fc.record({
      code: fc.constantFrom('1', '352 W', '1234567890123'),
      text: fc.constantFrom('Kelp', 'Lighthouses '.repeat(20)),
      detail: fc.constantFrom('', 'B4-11', 'x'.repeat(90)),
      isHeading: fc.boolean(),
    }),
    { minLength: 40, maxLength: 150, size: 'max' },
  )
  test('each line stands there once, in order, within its sheet; no heading is alone at the foot', () => {
    fc.assert(
      fc.property(lines, fc.constantFrom('A4' as const, 'A5' as const), fc.boolean(), (all: readonly ListLine[], paper, hasTicks) => {
        const numbered = all.map((line, at) => ({ ...line, text: `${at}# ${line.text}` }))
        const size = PAPERS[paper]
        const words = { foot: 'The letter room', page: (nth: number, count: number) => `Page ${nth} of ${count}` }
        const pages = layList({ title: 'What is out', lead: '', lines: numbered, hasTicks }, size, words, measure)
        const found = pages.map(({ items }) =>
          items.flatMap(item => {
            if (item.type !== 'text') return []
            expect(item.x + measure(item.text, item.font, item.sizePt)).toBeLessThanOrEqual(size.widthPt - 15 * PT_PER_MM + 0.1)
            expect(item.y).toBeLessThanOrEqual(size.heightPt - 15 * PT_PER_MM + 0.1)
            const at = /^(\d+)#/.exec(item.text)?.[1]
            return at === undefined ? [] : [Number(at)]
          }),
        )
        expect(found.flat()).toEqual(all.map((_, at) => at))
        // No text of a line runs into another.
        for (const { items } of pages) {
          const texts = items.flatMap(item => (item.type === 'text' ? [item] : []))
          texts.forEach((text, at) => {
            const next = texts[at + 1]
            if (next?.y === text.y && next.x > text.x)
              expect(text.x + measure(text.text, text.font, text.sizePt)).toBeLessThanOrEqual(next.x)
          })
        }
        found.slice(0, -1).forEach(on => expect(all[on.at(-1) ?? 0]?.isHeading && !all[(on.at(-1) ?? 0) + 1]?.isHeading).toBe(false))
        const boxes = pages.flatMap(({ items }) => items.filter(({ type }) => type === 'outline')).length
        expect(boxes).toBe(hasTicks ? all.filter(({ isHeading }) => !isHeading).length : 0)
      }),
      { numRuns: 30 },
    )
  })
})
