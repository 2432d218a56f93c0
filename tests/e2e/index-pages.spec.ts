import type { Page } from '@playwright/test'
import { getDocument, OPS, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { BookLeaf, IndexBook } from '#core/catalog'
import { readByPoppler } from './poppler'
import { bytesOf, databaseOf, expect, go, newStrip, openEmpty, test } from './helpers'

/** What is to be printed, as pdf.js reads it. */
async function pdfOf(page: Page): Promise<{ pages: string[][]; box: number[]; pdf: Buffer; doc: PDFDocumentProxy }> {
  await page.locator('[data-make]').click()
  await expect(page.locator('[data-ready]')).toBeVisible({ timeout: 30_000 })
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save it' }).click()])
  const pdf = await bytesOf(download)
  const doc = await getDocument({ data: new Uint8Array(pdf) }).promise
  const pages: string[][] = []
  for (let number = 1; number <= doc.numPages; number += 1) {
    const content = await (await doc.getPage(number)).getTextContent()
    pages.push(content.items.flatMap(item => ('str' in item && item.str.trim() ? [item.str] : [])))
  }
  // pdf.js marks a font whose file is not in the document.
  const first = await doc.getPage(1)
  const operators = await first.getOperatorList()
  const fontNames = operators.fnArray.flatMap((fn, at) => (fn === OPS.setFont ? [String((operators.argsArray[at] as unknown[])[0])] : []))
  const fonts = [...new Set(fontNames)].map(name => first.commonObjs.get(name) as { missingFile?: boolean; name: string })
  expect(fonts.length).toBeGreaterThanOrEqual(3)
  expect(fonts.filter(font => font.missingFile).map(font => font.name)).toEqual([])
  return { pages, box: first.view, pdf, doc }
}

/** A second reader, which draws as well, sees the same: fonts embedded as subsets, every page with its text and its ink. */
async function expectTheSameByPoppler({ pages, box, pdf }: Awaited<ReturnType<typeof pdfOf>>): Promise<void> {
  const seen = await readByPoppler(pdf)
  expect(seen.pageCount).toBe(pages.length)
  expect(Math.abs(seen.box[0] - (box[2] ?? 0)) + Math.abs(seen.box[1] - (box[3] ?? 0))).toBeLessThan(0.1)
  expect(seen.fonts.length).toBeGreaterThanOrEqual(3)
  for (const font of seen.fonts)
    expect(font).toEqual({ name: expect.stringMatching(/^[A-Z]{6}\+/), isEmbedded: true, isSubset: true, hasUnicode: true })
  expect(seen.texts).toHaveLength(pages.length)
  // What one reader finds on a page the other finds on the same page, letters and spaces as they come.
  const bare = (text: string): string => text.replace(/\s+/g, '')
  pages.forEach((texts, at) => {
    const text = bare(seen.texts[at] ?? '')
    expect(texts.filter(each => !text.includes(bare(each)))).toEqual([])
  })
  // A page of two columns of entries is neither empty nor black.
  expect(seen.ink).toHaveLength(pages.length)
  for (const [at, share] of seen.ink.entries()) {
    const entries = (pages[at] ?? []).filter(text => /^\d+$/.test(text)).length
    expect(share).toBeGreaterThan(entries * 0.0004)
    expect(share).toBeLessThan(0.5)
  }
}

const status = (page: Page) => page.locator('[data-book-status]')
const sentence = (page: Page) => page.locator('[data-headline-book]')

/** A book of the demo room that has every way in, at true size. */
async function beginBook(page: Page, ways: readonly string[]): Promise<void> {
  await go(page, '/index')
  await expect(page.locator('[data-to-print]')).toBeVisible()
  await page.getByRole('button', { name: 'Another book' }).click()
  await expect(sentence(page)).toContainText('Nothing of it is printed yet')
  for (const way of ways) await page.getByLabel(way).check()
}

test('a whole book read back by two independent readers: every set under every theme, one number, fonts, links and bookmarks', async ({
  demo: page,
}) => {
  await beginBook(page, ['By place', 'By word', 'By series'])
  // Stopped in the middle, nothing was made; begun again, all of it.
  await page.locator('[data-make]').click()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Stopped. No pages were made.')).toBeVisible()
  const printed = await pdfOf(page)
  const { pages, box, doc } = printed
  await expectTheSameByPoppler(printed)
  // ISO 216 A4, 210 x 297 mm, tolerance 2 mm, in points.
  expect(Math.abs(((box[2] ?? 0) / 72) * 25.4 - 210)).toBeLessThan(2)
  expect(Math.abs(((box[3] ?? 0) / 72) * 25.4 - 297)).toBeLessThan(2)
  const { info } = await doc.getMetadata()
  expect(info).toMatchObject({ Title: 'Index 2, The letter room at Lantern Quay', Language: 'en' })
  const { holdings, themes } = (await databaseOf(page, ['holdings', 'themes'])) as {
    holdings: { number: number; name: string; themeIds: string[]; words: string[] }[]
    themes: { id: string; name: string }[]
  }
  const under = (way: string): readonly string[] => pages.filter(texts => texts[0] === way).flat()
  const [byTheme, byNumber, byWord] = [under('By theme'), under('By number'), under('By word')]
  for (const { number, name, themeIds } of holdings) {
    // Long names end with an ellipsis on paper; the first letters are enough to tell.
    const stem = name.slice(0, 12)
    const entries = (texts: readonly string[]): number =>
      texts.filter((text, at) => text.startsWith(stem) && texts.slice(Math.max(0, at - 2), at).includes(String(number))).length
    expect(entries(byTheme)).toBeGreaterThanOrEqual(themeIds.length)
    expect(entries(byNumber)).toBe(1)
  }
  for (const { name } of themes) expect(byTheme.some(text => text === name)).toBe(true)
  expect(byWord.filter(text => /^steady$/i.test(text)).length).toBeGreaterThan(1)
  expect(under('By series').join(' ')).toContain('No. 3 is lacking')
  // Each line of the contents leads to the page that it names.
  const outline = await doc.getOutline()
  expect(outline.map(({ title }) => title)).toEqual(['In front', 'By theme', 'By series', 'By word', 'By number', 'By place'])
  expect(outline[1]?.items.map(({ title }) => title)).toEqual(expect.arrayContaining(['Birthdays', 'Harbour', 'Winter lights']))
  const contents = await (await doc.getPage(1)).getAnnotations()
  expect(contents.length).toBeGreaterThan(40)
  for (const link of contents.slice(0, 12) as { dest: [{ num: number; gen: number }] }[]) {
    const index = await doc.getPageIndex(link.dest[0])
    expect(pages[index]?.at(0)).toBe('By theme')
  }
  expect(pages[0]).toEqual(expect.arrayContaining(['Where each heading begins', 'Harbour']))
  expect(under('In front')).toEqual(expect.arrayContaining(['B5R', 'Bookcase, shelf 2, bin 5, right row', 'Wood mounted']))
})

test('three sets change, three pages are printed, and nothing is left to print; what did not come out is told again', async ({
  demo: page,
}) => {
  await go(page, '/index')
  // The demo's binder lags behind: what changed since it was printed is told, printed and taken as good.
  await expect(sentence(page)).toHaveText('12 of 57 pages have changed since November 4, 2026.')
  await expect(page.locator('[data-why]')).toHaveText('3 new sets and 2 renamed.')
  const { pages } = await pdfOf(page)
  expect(pages).toHaveLength(12)
  // The demo's journal is young: what a year costs goes by the days on which its sets came in. Addresses cost more than numbers.
  await page.getByRole('button', { name: 'What does each cost in a year?' }).click()
  await expect(page.locator('[data-yearly]')).toContainText('this goes by the days on which sets came in')
  const [, numbers = 0, addresses = 0] = (
    /numbers (\d+) pages a year, with addresses (\d+)/.exec(await page.locator('[data-yearly]').innerText()) ?? []
  ).map(Number)
  expect(numbers).toBeGreaterThan(0)
  expect(addresses).toBeGreaterThan(numbers)
  // Whoever comes back later is still asked.
  await page.reload()
  await expect(page.locator('[data-waiting]')).toContainText('You made 12 pages to print on')
  await page.locator('[data-well]').click()
  await expect(sentence(page)).toContainText('All 57 pages are as they were printed on')
  await expect(page.locator('[data-make]')).toHaveCount(0)

  // One set more, in its place among the themes and the numbers.
  await newStrip(page)
  await page.getByLabel('Name', { exact: true }).fill('Zenith Kelp')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
  await go(page, '/index')
  await expect(sentence(page)).toContainText('2 of 57 pages have changed since')
  await expect(page.locator('[data-why]')).toHaveText('1 new set.')
  const told = await page.locator('[data-to-print]').innerText()
  await expect(page.locator('[data-preview] [data-leaf]')).toContainText('Zenith Kelp')
  const again = await pdfOf(page)
  expect(again.pages.every(texts => texts.includes('Zenith Kelp'))).toBe(true)
  // By the keys: one of the two came out badly.
  await page.getByRole('button', { name: 'Not all' }).focus()
  await page.keyboard.press('Enter')
  await status(page).getByRole('checkbox').first().focus()
  await page.keyboard.press('Space')
  await page.getByRole('button', { name: 'These came out well' }).focus()
  await page.keyboard.press('Enter')
  await expect(sentence(page)).toContainText('1 of 57 pages has changed since')
  const [first = ''] = /\d+[a-z]?/.exec(told) ?? []
  await expect(page.locator('[data-to-print]')).toHaveText(`Print ${first}.`)
  // Undone, both are to be printed.
  await page.keyboard.press('u')
  await expect(sentence(page)).toContainText('2 of 57 pages have changed since')
})

test('who prints nothing writes it in by hand; other choices make all of it new, and undo brings the pages back', async ({
  demo: page,
}) => {
  await go(page, '/index')
  await page.getByRole('button', { name: 'Write it in by hand' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.locator('[data-hand]')).toHaveCount(12)
  await expect(dialog).toContainText('Harbour Corners')
  await dialog.locator('[data-hand-done]').click()
  await expect(sentence(page)).toContainText('All 57 pages are as they were printed on')
  await page.getByRole('radio', { name: 'Number and address' }).check()
  await expect(sentence(page)).toContainText('You changed how it is made, so all of it is new')
  await expect(
    page
      .locator('[data-preview] [data-leaf]')
      .getByText(/^[A-Z]\d+[LR]?-\d+$/)
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(sentence(page)).toContainText('All 57 pages are as they were printed on')
  // What was made with two columns came out well with two, whatever was chosen since.
  await page.getByRole('button', { name: 'Make all 57 pages' }).click()
  await expect(page.locator('[data-ready]')).toBeVisible()
  await page.getByLabel('Columns').selectOption('3')
  await expect(sentence(page)).toContainText('You changed how it is made, so all of it is new')
  await page.locator('[data-well]').click()
  await expect(page.getByRole('status').filter({ hasText: '57 pages count as printed now' })).toBeVisible()
  await expect(sentence(page)).toContainText('You changed how it is made, so all of it is new')
  await page.getByLabel('Columns').selectOption('2')
  await expect(sentence(page)).toContainText('All 57 pages are as they were printed on')
})

test('two tabs and one book: what one has made the other asks about, and once it is answered none asks again', async ({ demo: page }) => {
  await go(page, '/index')
  await pdfOf(page)
  const other = await page.context().newPage()
  await go(other, '/index')
  await other.bringToFront()
  await expect(other.locator('[data-waiting]')).toContainText('You made 12 pages to print on')
  await other.locator('[data-well]').click()
  await expect(sentence(other)).toContainText('All 57 pages are as they were printed on')
  await page.bringToFront()
  await expect(sentence(page)).toContainText('All 57 pages are as they were printed on')
  await expect(page.locator('[data-well]')).toHaveCount(0)
})

test('two books are made before either is answered for: each is asked about by itself, and counts its own pages', async ({
  demo: page,
}) => {
  await go(page, '/index')
  await page.locator('[data-make]').click()
  await expect(page.locator('[data-waiting]')).toContainText('You made 12 pages to print on')
  await beginBook(page, [])
  await page.locator('[data-make]').click()
  await expect(page.locator('[data-waiting]')).toContainText(/You made \d+ pages to print on/)
  const { books = [] } = (await databaseOf(page, ['books'])) as { books?: readonly IndexBook[] }
  const [first, second] = books.toSorted((a, b) => b.printings - a.printings)
  await go(page, `/index?book=${first?.id}`)
  await expect(page.locator('[data-waiting]')).toContainText('You made 12 pages to print on')
  await page.locator('[data-well]').click()
  await expect(page.getByRole('status').filter({ hasText: '12 pages count as printed now' })).toBeVisible()
  await expect(sentence(page)).toContainText('All 57 pages are as they were printed on')
  const leaves = (await databaseOf(page, ['bookLeaves'])).bookLeaves as readonly BookLeaf[]
  expect(leaves).toHaveLength(57)
  // The other one is still asked about, also after a reload.
  await page.goto(`/index?book=${second?.id}`)
  await expect(page.locator('[data-waiting]')).toContainText(/You made \d+ pages to print on/)
  await page.getByRole('button', { name: 'No, or not printed' }).click()
  await expect(page.locator('[data-waiting]')).toHaveCount(0)
  await expect(sentence(page)).toContainText('Nothing of it is printed yet')
})

test('a picture at true size is as large on paper as its set; a sheet printed on both sides has a back', async ({ demo: page }) => {
  await beginBook(page, [])
  await page.getByLabel('By theme').uncheck()
  await page.getByLabel('Picture').selectOption('life')
  await page.getByLabel('Printed on').selectOption('2')
  await page.getByLabel('Columns').selectOption('1')
  await expect(sentence(page)).toContainText('sheets')
  const { doc, pages } = await pdfOf(page)
  expect(pages.length % 2).toBe(0)
  const { holdings } = (await databaseOf(page, ['holdings'])) as { holdings: { size: { widthMm: number; heightMm: number } | null }[] }
  const sizes = holdings.flatMap(({ size }) => (size ? [size] : []))
  let compared = 0
  for (let number = 2; number < 12; number += 1) {
    const { fnArray, argsArray } = await (await doc.getPage(number)).getOperatorList()
    fnArray.forEach((fn, at) => {
      if (fn !== OPS.paintImageXObject) return
      const [widthPt = 0, , , heightPt = 0] = argsArray
        .slice(0, at)
        .findLast((_, before) => fnArray[before] === OPS.transform && argsArray[before]?.[0] > 1) as number[]
      const [widthMm, heightMm] = [(widthPt / 72) * 25.4, (heightPt / 72) * 25.4]
      if (Math.max(widthMm, heightMm) < 14) return
      compared += 1
      expect(sizes.some(size => Math.abs(size.widthMm - widthMm) < 0.2 && Math.abs(size.heightMm - heightMm) < 0.2)).toBe(true)
    })
  }
  expect(compared).toBeGreaterThan(8)
})

test('an empty room says what the index needs; Letter is printed on Letter; letters that no font has are told', async ({ page }) => {
  // What is done now was done long ago: the journal has a past.
  const before = (days: number): Promise<void> => page.clock.setFixedTime(Date.now() - days * 86_400_000)
  await before(90)
  await openEmpty(page)
  await go(page, '/index')
  await expect(page.getByText('There is nothing to print yet.')).toBeVisible()
  for (const [name, days] of [
    ['Ærø færge — ½ Tide', 80],
    ['Θάλασσα и море', 40],
    ['海 Kelp', 10],
  ] as const) {
    await before(days)
    await go(page, '/take-in')
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByRole('button', { name: 'Take it in' }).click()
    await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
  }
  await go(page, '/index')
  await page.getByRole('button', { name: 'Begin a book' }).click()
  await page.getByLabel('Paper').selectOption('Letter')
  await expect(sentence(page)).toHaveText('Nothing of it is printed yet: 3 pages.')
  const { pages, box } = await pdfOf(page)
  expect(box).toEqual([0, 0, 612, 792])
  expect(pages).toHaveLength(3)
  expect(pages[1]).toContain('Ærø færge — ½ Tide')
  expect(pages[1]?.join(' ')).toContain('Θάλασσα')
  await expect(page.locator('[data-missing]')).toContainText('海')
  await page.getByRole('button', { name: 'What does each cost in a year?' }).click()
  await expect(page.locator('[data-yearly]')).toContainText(
    /By your own last \d months?, printed once a month: with numbers \d+ pages a year/,
  )
})
