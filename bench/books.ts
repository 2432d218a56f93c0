import { readdirSync, readFileSync } from 'node:fs'
import { group } from 'd3-array'
import type { Browser, Page } from '@playwright/test'
import { blankBook, type BookWay, type IndexBook } from '#core/catalog'
import { type BookSource, changesOf, layLeaves, type Leaf, leafShape, type PrintedLeaf, wantedWays } from '#core/printing'
import { chance } from '../demo/random'
import { bookSources } from '../demo/printed'
import { paperWords } from '~/areas/index/book/paperWords'
import { makeLarge, packLarge } from './collection'
import { median, ms, report } from './measure'
import { BASE, close, freshPage, restore, shown } from './page'

const THREE: readonly BookWay[] = ['theme', 'brand', 'number']

function lay(book: IndexBook, sources: readonly BookSource[], printed: readonly PrintedLeaf[]): readonly Leaf[] {
  const choices = { shape: leafShape(book), freeShare: book.freeShare, ownLeafFrom: book.ownLeafFrom, isByHand: false }
  return layLeaves(wantedWays(book.ways, sources, book, paperWords), printed, choices)
}
const print = (leaves: readonly Leaf[]): PrintedLeaf[] =>
  leaves.map(({ label, way, group, content }) => ({ id: label, label, way, group, ...content }))

/** 20 arrivals, 5 renames and 3 lettings-go, all over the room. */
function aMonth(sources: readonly BookSource[], count: number): readonly BookSource[] {
  const luck = chance(640)
  const renamed = new Set(
    luck.some(
      sources.slice(0, count).map(({ id }) => id),
      5,
    ),
  )
  const gone = new Set(
    luck.some(
      sources
        .slice(0, count)
        .map(({ id }) => id)
        .filter(id => !renamed.has(id)),
      3,
    ),
  )
  return sources.filter(({ id }) => !gone.has(id)).map(each => (renamed.has(each.id) ? { ...each, name: `${each.name}, renamed` } : each))
}
/** Every line of each heading, as it is printed. */
function linesOf(leaves: readonly Pick<PrintedLeaf, 'way' | 'lines'>[]): ReadonlyMap<string, ReadonlyMap<string, string>> {
  const all = new Map<string, Map<string, string>>()
  for (const { way, lines } of leaves)
    for (const { head, key, says } of lines) {
      const under = all.get(`${way} ${head}`) ?? new Map<string, string>()
      all.set(`${way} ${head}`, under.set(key, says.join(' ')))
    }
  return all
}
/** So few points meet all intervals, ends included: greedily from the left. */
function stabbed(all: readonly Span[]): number {
  let [points, last] = [0, -1]
  for (const { from, to } of [...all].sort((a, b) => a.to - b.to)) {
    if (from <= last) continue
    ;[points, last] = [points + 1, to]
  }
  return points
}
interface Span {
  readonly from: number
  readonly to: number
}
/** Where each new line may go: from the leaf of the line before it in its group to that of the line behind it. */
function spansOfNew(before: readonly PrintedLeaf[], now: readonly Leaf[]): readonly Span[] {
  const leafOf = new Map(before.flatMap(({ way, lines }, at) => lines.map(({ head, key }) => [`${way} ${head} ${key}`, at] as const)))
  const groups = group(now, ({ way, group: of }) => `${way} ${of}`)
  return [...groups.values()].flatMap(leaves => {
    const was = leaves.flatMap(({ way, content }) => content.lines.map(({ head, key }) => leafOf.get(`${way} ${head} ${key}`) ?? null))
    const known = was.filter(each => each !== null)
    return was.flatMap((own, at) => {
      if (own !== null || known.length === 0) return []
      const [from, to] = [was.slice(0, at).findLast(each => each !== null), was.slice(at).find(each => each !== null)]
      return [{ from: from ?? to ?? 0, to: to ?? known.at(-1) ?? 0 }]
    })
  })
}
/**
 * Two bounds to measure against. Headings touched: the fewest leaves that meet every heading in which something changed, as if each
 * had one leaf only. If no line may change its page: leaves with a line that is no longer true, and the fewest others that can take
 * what is new where the order has it.
 */
function bounds(before: readonly PrintedLeaf[], now: readonly Leaf[]): { readonly headings: number; readonly kept: number } {
  const [was, is] = [linesOf(before), linesOf(now.map(({ way, content }) => ({ way, lines: content.lines })))]
  const spans = new Map<string, Span>()
  const isFalse = before.map(({ way, heads, lines }, at) => {
    for (const { key } of heads) spans.set(`${way} ${key}`, { from: spans.get(`${way} ${key}`)?.from ?? at, to: at })
    return lines.some(({ head, key, says }) => is.get(`${way} ${head}`)?.get(key) !== says.join(' '))
  })
  const touched = [...is].flatMap(([heading, lines]) => {
    const span = spans.get(heading)
    const isSame = [...lines].every(([key, says]) => was.get(heading)?.get(key) === says) && lines.size === was.get(heading)?.size
    return span && !isSame ? [span] : []
  })
  const elsewhere = spansOfNew(before, now).filter(({ from, to }) => !isFalse.slice(from, to + 1).includes(true))
  return { headings: stabbed(touched), kept: isFalse.filter(Boolean).length + stabbed(elsewhere) }
}

const PLAIN: Partial<IndexBook> = { picture: 'none', sides: 2 }
const CASES: readonly (readonly [what: string, choices: Partial<IndexBook>])[] = [
  ['small pictures, 25 % free', {}],
  ['small pictures, 10 % free', { freeShare: 0.1 }],
  ['small pictures, 40 % free', { freeShare: 0.4 }],
  ['no pictures, both sides', PLAIN],
  ['no pictures, both sides, by word too', { ...PLAIN, ways: [...THREE, 'word'] }],
]

/** What has to be printed after a month, against the least that could be and against a fresh layout; and how long laying takes. */
export function booksLaid(): void {
  const data = makeLarge(660)
  const all = bookSources(data)
  for (const [what, choices] of CASES) {
    const book: IndexBook = { ...blankBook({ id: '', name: '', createdAt: '' }), ways: [...THREE], ...choices }
    const binder = print(lay(book, all.slice(0, 640), []))
    const now = aMonth(all, 640)
    const times = Array.from({ length: 5 }, () => {
      const start = performance.now()
      changesOf(lay(book, now, binder), binder)
      return performance.now() - start
    })
    const leaves = lay(book, now, binder)
    const prints = changesOf(leaves, binder).toPrint.length
    const { headings, kept } = bounds(binder, leaves)
    const fresh = changesOf(lay(book, now, []), binder).toPrint.length
    const [overHeadings, overKept] = [headings, kept].map(least => (prints / least).toFixed(2))
    report(`640 sets by ${book.ways.join(', ')}, ${what}`, `${prints} sheets of ${binder.length}`, `${fresh} when laid afresh`)
    report('  headings touched', `${headings}, ${overHeadings} x`, '1.3 x')
    report('  the fewest, if no line may change its page', `${kept}, ${overKept} x`, '1.3 x')
    report('  laying out what changed', ms(median(times)), '300 ms')
  }
}

/** Resident memory of the largest process that draws pages: workers live in it. */
function rendererMb(): number {
  const sizes = readdirSync('/proc')
    .filter(name => /^\d+$/.test(name))
    .flatMap(pid => {
      try {
        if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) return []
        return [Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1000]
      } catch {
        return []
      }
    })
  return Math.max(0, ...sizes)
}

async function printed(
  page: Page,
  ways: readonly string[],
): Promise<{ readonly time: number; readonly mb: number; readonly said: string }> {
  await page.goto(`${BASE}/index`)
  await page.getByRole('button', { name: 'Begin a book' }).click()
  for (const way of ['By theme', 'By number', 'By brand', 'By word']) {
    const box = page.getByLabel(way)
    if ((await box.isChecked()) !== ways.includes(way)) await box.click()
  }
  await page.locator('[data-make]').waitFor()
  await page.waitForTimeout(3000)
  const before = rendererMb()
  let most = before
  const watching = setInterval(() => (most = Math.max(most, rendererMb())), 100)
  const start = performance.now()
  await page.locator('[data-make]').click()
  await shown(page, '[data-ready]')
  const time = performance.now() - start
  clearInterval(watching)
  return { time, mb: most - before, said: await page.locator('[data-ready]').innerText() }
}

export async function booksPrinted(browser: Browser): Promise<void> {
  for (const [count, ways, aim] of [
    [2000, ['By theme', 'By brand', 'By number', 'By word'], '8 s, 300 MB'],
    [20_000, ['By number'], '20 s'],
  ] as const) {
    const page = await freshPage(browser, false)
    await restore(page, await packLarge(count))
    const { time, mb, said } = await printed(page, ways)
    report(`${count} sets, ${ways.length} ways in: ${said}`, `${(time / 1000).toFixed(1)} s, ${Math.round(mb)} MB more than before`, aim)
    await close(page)
  }
}
