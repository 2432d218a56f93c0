import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type IndexEntry, type IndexGroup, type IndexPart, layBook, type Measure, type Page, type PageItem, PAPERS } from './index'

/** Letters of three widths: near enough to a font, and exact to count with. */
const measure: Measure = (text, _font, sizePt) =>
  [...text].reduce((sum, letter) => sum + (/[il.,]/.test(letter) ? 0.25 : /[MW]/.test(letter) ? 0.9 : 0.5), 0) * sizePt
const words = {
  roomName: 'Lantern Quay',
  madeOn: 'today',
  pageOf: (page: number, pages: number) => `${page} of ${pages}`,
  continued: (heading: string) => `${heading} (goes on)`,
  range: (first: string, last: string) => `${first} to ${last}`,
}

const title = fc.stringMatching(/^[A-Z][a-zMWil ]{2,40}$/)
const entry = fc.record({
  name: title,
  brand: title,
  suffix: fc.constantFrom('', 'W', 'D'),
  picture: fc.option(fc.record({ hash: fc.constantFrom('a', 'b'), ratio: fc.double({ min: 0.2, max: 5, noNaN: true }) })),
})
const books = fc
  .array(fc.array(fc.record({ heading: title, entries: fc.array(entry, { maxLength: 45 }) }), { maxLength: 6 }), {
    minLength: 1,
    maxLength: 3,
  })
  .map(parts =>
    parts.map((groups, at): IndexPart => ({
      title: `Part ${at + 1}`,
      groups: groups.map((group, index): IndexGroup => ({
        // A sign in front, so that no heading is another's beginning.
        heading: `${index}: ${group.heading}`,
        entries: group.entries.map((each, number): IndexEntry => ({
          ...each,
          id: `${at}.${index}.${number}`,
          figure: `${at + 1}${index}${String(number).padStart(3, '0')}`,
          address: `B${index}-${number}`,
        })),
      })),
    })),
  )
const papers = fc.constantFrom('A4' as const, 'Letter' as const)

const textsOf = (page: Page) => page.items.flatMap(item => (item.type === 'text' ? [item] : []))
/** Numbers of entries are set at 13 points, headings at 12 in their colour: what stands below the running head. */
const isNumber = (item: Extract<PageItem, { type: 'text' }>): boolean => item.sizePt === 13 && /^\d+$/.test(item.text)
const isHeading = (item: Extract<PageItem, { type: 'text' }>): boolean => item.sizePt === 12
const columnsOf = (page: Page, widthPt: number) =>
  [0, 1].map(column =>
    textsOf(page)
      .filter(item => (item.x < widthPt / 2 ? 0 : 1) === column && (isNumber(item) || isHeading(item)))
      .toSorted((a, b) => a.y - b.y),
  )

describe('a book of the index', () => {
  test('every entry stands once, in order, down one column and on in the next (property)', () => {
    fc.assert(
      fc.property(books, papers, (parts, paper) => {
        const pages = layBook(parts, PAPERS[paper], words, measure)
        const set = pages.flatMap(page =>
          columnsOf(page, PAPERS[paper].widthPt).flatMap(column => column.filter(isNumber).map(item => item.text)),
        )
        expect(set).toEqual(parts.flatMap(part => part.groups.flatMap(group => group.entries.map(each => each.figure))))
      }),
      { numRuns: 60 },
    )
  })
  test('a heading stands before its entries, never alone at the foot, and again where they go on; none without entries (property)', () => {
    fc.assert(
      fc.property(books, papers, (parts, paper) => {
        const headingOf = new Map(
          parts.flatMap(part => part.groups.flatMap(group => group.entries.map(each => [each.figure, group.heading] as const))),
        )
        let last = ''
        for (const page of layBook(parts, PAPERS[paper], words, measure)) {
          for (const column of columnsOf(page, PAPERS[paper].widthPt)) {
            let heading = ''
            column.forEach((item, at) => {
              if (isHeading(item)) {
                expect(column[at + 1] && isNumber(column[at + 1] as typeof item)).toBe(true)
                heading = item.text
              } else {
                const wanted = headingOf.get(item.text) ?? ''
                // Clipped to the column, it begins as the heading does; at the top of a column it says that it goes on.
                const isFirst = isHeading(column[at - 1] as typeof item)
                if (isFirst) expect(heading.slice(0, 3)).toBe(wanted.slice(0, 3))
                if (isFirst && last === wanted && measure(words.continued(wanted), 'title', 12) < 200)
                  expect(heading).toBe(words.continued(wanted))
                last = wanted
              }
            })
          }
          last = last && page.items.length > 0 ? last : ''
        }
      }),
      { numRuns: 60 },
    )
  })
  test('nothing overlaps: entries keep their distance, texts end in their column, pictures keep their shape (property)', () => {
    fc.assert(
      fc.property(books, papers, (parts, paper) => {
        const { widthPt, heightPt } = PAPERS[paper]
        const ratios = new Map(
          parts.flatMap(part => part.groups.flatMap(group => group.entries.map(each => [each.figure, each.picture?.ratio] as const))),
        )
        for (const page of layBook(parts, PAPERS[paper], words, measure)) {
          for (const column of columnsOf(page, widthPt)) {
            column.slice(1).forEach((item, at) => expect(item.y - (column[at]?.y ?? 0)).toBeGreaterThanOrEqual(13))
            for (const item of column) {
              expect(item.x + measure(item.text, item.font, item.sizePt)).toBeLessThanOrEqual(
                item.x < widthPt / 2 ? widthPt / 2 : widthPt - 40 + 0.01,
              )
              expect(item.y).toBeLessThan(heightPt - 40)
            }
          }
          for (const item of page.items) {
            if (item.type !== 'picture') continue
            const number = textsOf(page).find(
              each => isNumber(each) && each.x > item.x && each.x - item.x < 60 && Math.abs(each.y - item.y) < 40,
            )
            expect([...ratios.values()].some(ratio => ratio !== undefined && Math.abs(ratio - item.widthPt / item.heightPt) < 1e-6)).toBe(
              true,
            )
            expect(number).toBeDefined()
            expect(Math.max(item.widthPt, item.heightPt)).toBeCloseTo(38, 6)
          }
        }
      }),
      { numRuns: 40 },
    )
  })
  test('each part begins a page; the head names it, and the first and last heading of the page (property)', () => {
    fc.assert(
      fc.property(books, papers, (parts, paper) => {
        const pages = layBook(parts, PAPERS[paper], words, measure)
        const titles = pages.map(page => textsOf(page).find(item => item.sizePt === 13 && item.text.startsWith('Part'))?.text)
        expect([...new Set(titles)]).toEqual(parts.map(part => part.title))
        expect(titles).toEqual([...titles].sort())
        for (const page of pages) {
          const headings = columnsOf(page, PAPERS[paper].widthPt).flatMap(column =>
            column.filter(isHeading).map(item => item.text.replace(/ \(goes on\)$/, '')),
          )
          const range = textsOf(page).find(item => item.sizePt === 10)?.text ?? ''
          const [first, final] = [headings[0] ?? '', headings.at(-1) ?? '']
          if (first && !range.endsWith('…')) expect(range.startsWith(first.slice(0, 3)) && range.includes(final.slice(0, 3))).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })
})
