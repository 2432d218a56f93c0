import type { Page } from '@playwright/test'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { bytesOf, databaseOf, expect, openDemo, openEmpty, test } from './helpers'

async function pdfOf(page: Page): Promise<{ pages: string[][], box: number[] }> {
  await page.getByRole('button', { name: 'Make the index' }).click()
  await expect(page.locator('[data-ready]')).toBeVisible({ timeout: 30_000 })
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save it' }).click()])
  const doc = await getDocument({ data: new Uint8Array(await bytesOf(download)) }).promise
  const pages: string[][] = []
  for (let number = 1; number <= doc.numPages; number += 1) {
    const content = await (await doc.getPage(number)).getTextContent()
    pages.push(content.items.flatMap(item => 'str' in item && item.str.trim() ? [item.str] : []))
  }
  // pdf.js marks a font whose file is not in the document.
  const first = await doc.getPage(1)
  const operators = await first.getOperatorList()
  const fontNames = operators.fnArray.flatMap((fn, at) => fn === OPS.setFont ? [String((operators.argsArray[at] as unknown[])[0])] : [])
  const fonts = [...new Set(fontNames)].map(name => first.commonObjs.get(name) as { missingFile?: boolean, name: string })
  expect(fonts.length).toBeGreaterThanOrEqual(3)
  expect(fonts.filter(font => font.missingFile).map(font => font.name)).toEqual([])
  return { pages, box: first.view }
}

test('the index read back by an independent reader: every set under every theme, one number, running heads, page numbers', async ({ page }) => {
  await openDemo(page)
  await page.goto('/index')
  const { pages, box } = await pdfOf(page)
  // ISO 216 A4, 210 x 297 mm, tolerance 2 mm, in points.
  expect(Math.abs((box[2] ?? 0) / 72 * 25.4 - 210)).toBeLessThan(2)
  expect(Math.abs((box[3] ?? 0) / 72 * 25.4 - 297)).toBeLessThan(2)
  pages.forEach((texts, index) => expect(texts).toContain(`Page ${index + 1} of ${pages.length}`))
  const { holdings, themes } = await databaseOf(page, ['holdings', 'themes']) as { holdings: { number: number, name: string, themeIds: string[] }[], themes: { id: string, name: string }[] }
  const byTheme = pages.filter(texts => texts.includes('By theme')).flat()
  const byNumber = pages.filter(texts => texts.includes('By number')).flat()
  for (const { number, name, themeIds } of holdings) {
    // Long names end with an ellipsis on paper; the first letters are enough to tell.
    const stem = name.slice(0, 12)
    const entries = byTheme.flatMap((text, at) => text.startsWith(stem) && byTheme.slice(Math.max(0, at - 2), at).includes(String(number)) ? [at] : [])
    expect(entries.length).toBeGreaterThanOrEqual(themeIds.length)
    expect(byNumber.filter((text, at) => text.startsWith(stem) && byNumber.slice(Math.max(0, at - 2), at).includes(String(number))).length).toBe(1)
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
