import type { Page } from '@playwright/test'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { readByPoppler } from './poppler'
import { bytesOf, databaseOf, expect, openDemo, openEmpty, test } from './helpers'

async function pdfOf(page: Page): Promise<{ pages: string[][]; box: number[]; pdf: Buffer }> {
  await page.getByRole('button', { name: 'Make the index' }).click()
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
  return { pages, box: first.view, pdf }
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

test('the index read back by two independent readers: every set under every theme, one number, fonts embedded', async ({ page }) => {
  await openDemo(page)
  await page.goto('/index')
  const printed = await pdfOf(page)
  const { pages, box } = printed
  await expectTheSameByPoppler(printed)
  // ISO 216 A4, 210 x 297 mm, tolerance 2 mm, in points.
  expect(Math.abs(((box[2] ?? 0) / 72) * 25.4 - 210)).toBeLessThan(2)
  expect(Math.abs(((box[3] ?? 0) / 72) * 25.4 - 297)).toBeLessThan(2)
  pages.forEach((texts, index) => expect(texts).toContain(`Page ${index + 1} of ${pages.length}`))
  const { holdings, themes } = (await databaseOf(page, ['holdings', 'themes'])) as {
    holdings: { number: number; name: string; themeIds: string[] }[]
    themes: { id: string; name: string }[]
  }
  const byTheme = pages.filter(texts => texts.includes('By theme')).flat()
  const byNumber = pages.filter(texts => texts.includes('By number')).flat()
  for (const { number, name, themeIds } of holdings) {
    // Long names end with an ellipsis on paper; the first letters are enough to tell.
    const stem = name.slice(0, 12)
    const entries = byTheme.flatMap((text, at) =>
      text.startsWith(stem) && byTheme.slice(Math.max(0, at - 2), at).includes(String(number)) ? [at] : [],
    )
    expect(entries.length).toBeGreaterThanOrEqual(themeIds.length)
    expect(
      byNumber.filter((text, at) => text.startsWith(stem) && byNumber.slice(Math.max(0, at - 2), at).includes(String(number))).length,
    ).toBe(1)
  }
  for (const { name } of themes) expect(byTheme.some(text => text === name)).toBe(true)
})

test('an empty room says what the index needs; Letter is printed on Letter', async ({ page }) => {
  await openEmpty(page)
  await page.goto('/index')
  await expect(page.getByText('There is nothing to print yet.')).toBeVisible()
  await page.goto('/take-in')
  await page.getByLabel('Name', { exact: true }).fill('Ærø færge — ½ Tide')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
  await page.goto('/index')
  await page.getByRole('radio', { name: 'Letter' }).check()
  const { pages, box } = await pdfOf(page)
  expect(box).toEqual([0, 0, 612, 792])
  expect(pages).toHaveLength(3)
  expect(pages[0]).toContain('Ærø færge — ½ Tide')
})
