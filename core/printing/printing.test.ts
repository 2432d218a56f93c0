import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { buildParts, clipText, type IndexSource, layBook, type Measure, PAPERS } from './index'

/** Every letter half an em wide: enough to lay pages out without a font. */
const measure: Measure = (text, _font, sizePt) => [...text].length * sizePt * 0.5
const words = {
  roomName: 'Lantern Quay',
  madeOn: 'today',
  pageOf: (page: number, pages: number) => `Page ${page} of ${pages}`,
  continued: (heading: string) => `${heading} (continued)`,
  range: (first: string, last: string) => `${first} to ${last}`,
}
const partWords = {
  titles: { byTheme: 'By theme', byNumber: 'By number', byPlace: 'By place' },
  noTheme: 'Without a theme',
  noPlace: 'No place yet',
  numberRange: (first: number, last: number) => `${first} to ${last}`,
}
const source = (number: number, themes: readonly string[], shared: readonly string[] = []): IndexSource => ({
  accession: number,
  themes: themes.map(name => ({ name, sharesPage: shared.includes(name) })),
  // Not in the order of the numbers.
  place: number % 3 ? { heading: `Bin ${number % 4}`, containerRank: number % 4, position: 1000 - number } : null,
  entry: {
    id: `id${number}`,
    figure: String(number),
    suffix: '',
    name: `Set ${number}`,
    brand: 'Tidewrack',
    address: `B-${number}`,
    picture: null,
  },
})
const sources = fc
  .array(fc.subarray(['Harbour', 'Weather', 'Tide pools']), { maxLength: 120 })
  .map(list => list.map((themes, index) => source(index + 1, themes)))

describe('the printed index', () => {
  test('every set stands once by number, once by place, and under each of its themes (property)', () => {
    fc.assert(
      fc.property(sources, all => {
        const [byTheme, byNumber, byPlace] = buildParts(['byTheme', 'byNumber', 'byPlace'], all, partWords).map(part =>
          part.groups.flatMap(group => group.entries),
        )
        expect(byNumber?.map(entry => entry.figure)).toEqual(all.map(each => each.entry.figure))
        const places = all.filter(each => each.place).map(each => each.place ?? { containerRank: 0, position: 0 })
        const inOrder = places.sort((a, b) => a.containerRank - b.containerRank || a.position - b.position)
        const numberAt = new Map(all.map(each => [`${each.place?.containerRank} ${each.place?.position}`, each.entry.figure]))
        expect(byPlace?.map(entry => entry.figure)).toEqual([
          ...inOrder.map(place => numberAt.get(`${place.containerRank} ${place.position}`)),
          ...all.filter(each => !each.place).map(each => each.entry.figure),
        ])
        expect(byTheme).toHaveLength(all.reduce((sum, each) => sum + Math.max(1, each.themes.length), 0))
      }),
    )
  })
  test('nothing stands outside the sheet, and pages are numbered through (property)', () => {
    fc.assert(
      fc.property(sources, fc.constantFrom('A4' as const, 'Letter' as const), (all, paper) => {
        const pages = layBook(buildParts(['byTheme', 'byNumber'], all, partWords), PAPERS[paper], words, measure)
        pages.forEach((page, index) => {
          expect(page.items.some(item => item.type === 'text' && item.text === `Page ${index + 1} of ${pages.length}`)).toBe(true)
          for (const item of page.items) {
            expect(item.x).toBeGreaterThanOrEqual(0)
            expect(item.y).toBeLessThanOrEqual(PAPERS[paper].heightPt)
          }
        })
      }),
    )
  })
  test('a clipped text fits, and a text that fits is not clipped (property)', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), fc.integer({ min: 20, max: 200 }), (text, width) => {
        const clipped = clipText(text, 'text', 10, width, measure)
        expect(measure(clipped, 'text', 10)).toBeLessThanOrEqual(width)
        if (measure(text, 'text', 10) <= width) expect(clipped).toBe(text)
      }),
    )
  })
})
