import type { Page } from '@playwright/test'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { Container, Holder, Holding } from '#core/catalog'
import { bytesOf, databaseOf, expect, go, test } from './helpers'

interface Room {
  readonly holdings: readonly Holding[]
  readonly holders: readonly Holder[]
  readonly containers: readonly Container[]
  readonly labels: readonly { readonly of: string }[]
}
const roomOf = async (page: Page): Promise<Room> =>
  (await databaseOf(page, ['holdings', 'holders', 'containers', 'labels'])) as unknown as Room
const said = (page: Page) => page.locator('[data-cards-laid]')

interface Printed {
  readonly texts: readonly string[]
  /** Pictures, in millimetres. */
  readonly sizes: readonly { readonly widthMm: number; readonly heightMm: number }[]
}
async function pdfOf(page: Page): Promise<readonly Printed[]> {
  await page.locator('[data-make]').click()
  await expect(page.locator('[data-ready]')).toBeVisible({ timeout: 30_000 })
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save it' }).click()])
  const doc = await getDocument({ data: new Uint8Array(await bytesOf(download)) }).promise
  const pages: Printed[] = []
  for (let number = 1; number <= doc.numPages; number += 1) {
    const side = await doc.getPage(number)
    const texts = (await side.getTextContent()).items.flatMap(item => ('str' in item && item.str.trim() ? [item.str] : []))
    const { fnArray, argsArray } = await side.getOperatorList()
    const sizes = fnArray.flatMap((fn, at) => {
      if (fn !== OPS.paintImageXObject) return []
      // The picture is a unit square, made as large as the last transform says.
      const scale = (argsArray as number[][])
        .slice(0, at)
        .findLast((each, before) => fnArray[before] === OPS.transform && (each[0] ?? 0) > 1)
      return scale ? [{ widthMm: ((scale[0] ?? 0) / 72) * 25.4, heightMm: ((scale[3] ?? 0) / 72) * 25.4 }] : []
    })
    pages.push({ texts, sizes })
  }
  return pages
}

test('cards of a bin: in its order, each impression at true size; once good, only what changed is made again', async ({ demo: page }) => {
  await go(page, '/index')
  await page.getByRole('navigation', { name: 'Index' }).getByRole('link', { name: 'Cards and lists' }).click()
  await page.getByLabel('Where').selectOption({ label: 'Bin 3' })
  await expect(said(page)).toHaveText(/^\d+ cards on \d+ sheets\.$/)
  await expect(page.locator('[data-preview] img').first()).toBeVisible()
  const { holdings, holders, containers } = await roomOf(page)
  const bin = containers.find(({ name }) => name === 'Bin 3')
  const inIt = holders.filter(({ containerId }) => containerId === bin?.id).sort((a, b) => a.lane - b.lane || (a.order < b.order ? -1 : 1))
  const setOf = new Map(holdings.map(each => [each.id, each]))
  const printed = await pdfOf(page)
  const numbers = new Set(inIt.flatMap(({ holdingIds }) => holdingIds.map(id => String(setOf.get(id)?.number))))
  const wanted = inIt.flatMap(({ holdingIds }) => holdingIds.map(id => String(setOf.get(id)?.number)))
  expect(printed.flatMap(({ texts }) => texts.map(text => text.split(' ')[0] ?? '').filter(text => numbers.has(text)))).toEqual(wanted)
  // Each picture is as large as its set, within 0.2 mm.
  const sizes = printed.flatMap(each => each.sizes)
  expect(sizes.length).toBeGreaterThan(5)
  const known = inIt.flatMap(({ holdingIds }) => holdingIds.flatMap(id => setOf.get(id)?.size ?? []))
  for (const { widthMm } of sizes) expect(known.some(size => Math.abs(size.widthMm - widthMm) < 0.2)).toBe(true)
  // One by one they are called by number and name.
  await page.getByRole('button', { name: 'Not all' }).click()
  const [one] = inIt.flatMap(({ holdingIds }) => holdingIds.flatMap(id => setOf.get(id) ?? []))
  await expect(page.locator('[data-waiting] ~ fieldset label').first()).toHaveText(new RegExp(`^ ?${one?.number}( \\w)? ${one?.name}`))
  await page.locator('[data-well]').click()
  await expect(said(page)).toHaveText(`All ${inIt.length} cards are as they were made.`)
  expect((await roomOf(page)).labels.filter(({ of }) => of.startsWith('card:'))).toHaveLength(inIt.length)
  // Undone, they are to be made again.
  await page.keyboard.press('u')
  await expect(said(page)).toHaveText(/^\d+ cards on \d+ sheets\.$/)
  await page.keyboard.press('Shift+U')
  await expect(said(page)).toHaveText(`All ${inIt.length} cards are as they were made.`)
  // A set gets another name: one card, and no other, is made again. All of them, when that is asked for.
  const [first] = inIt.flatMap(({ holdingIds }) => holdingIds.flatMap(id => setOf.get(id) ?? []))
  await go(page, `/?ask=${encodeURIComponent(`#${first?.number}`)}&set=${first?.id}`)
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Name', { exact: true }).fill('Tallow Candles')
  await page.getByRole('button', { name: 'Keep the change' }).click()
  await expect.poll(async () => (await roomOf(page)).holdings.some(({ name }) => name === 'Tallow Candles')).toBe(true)
  await go(page, `/index/cards?where=${bin?.id}`)
  await expect(said(page)).toHaveText('1 card on 1 sheet.')
  expect((await pdfOf(page)).map(({ texts }) => texts.includes('Tallow Candles'))).toEqual([true])
  await page.getByRole('button', { name: 'No, or not printed' }).click()
  await page.getByRole('checkbox', { name: 'Only those that changed' }).uncheck()
  await expect(said(page)).toHaveText(new RegExp(`^${inIt.length} cards on`))
  // A browser that has thrown its pictures away: said, on cards and in a book, and not only left out.
  await expect(page.locator('[data-gone]')).toBeHidden()
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('yondercrest')
        open.onerror = () => reject(new Error('no database'))
        open.onsuccess = () => {
          const clearing = open.result.transaction('thumbs', 'readwrite')
          clearing.objectStore('thumbs').clear()
          clearing.oncomplete = () => {
            open.result.close()
            resolve()
          }
        }
      }),
  )
  await page.reload()
  await expect(page.locator('[data-gone]')).toContainText(/^This browser has lost \d+ pictures: they are left out here\./)
  await go(page, '/index')
  await expect(page.locator('[data-gone]')).toContainText('This browser has lost 3')
})

test('dividers as labels of tabs and whole; what is out, a pull list, gaps and the legend on paper', async ({ demo: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await go(page, '/index/cards?what=dividers&where=all')
  await expect(said(page)).toHaveText(/^\d+ dividers on \d+ sheets?\.$/)
  await page.getByLabel('Made as').selectOption('full')
  await expect(said(page)).toHaveText(/^(\d+) dividers on \1 sheets?\.$/)
  expect((await pdfOf(page))[0]?.texts.length).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'No, or not printed' }).click()
  for (const [what, text] of [
    ['out', 'Night desk, since'],
    ['pull', 'Bookcase'],
    ['gaps', 'No. 3'],
    ['slips', 'Taken out:'],
    ['legend', 'Wood mounted'],
    ['contents', 'B1-1'],
  ] as const) {
    await go(page, `/index/cards?what=${what}`)
    await expect(said(page)).toHaveText(/^\d+ (lines?|slips) on \d+ (pages?|sheets?)\.$/)
    const printed = await pdfOf(page)
    expect([what, printed.flatMap(each => each.texts).join(' ')]).toEqual([what, expect.stringContaining(text)])
  }
  const [body, view] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth])
  expect(body).toBeLessThanOrEqual(view ?? 0)
})

test('the slip of a set, from the set itself: its number, its place as a sentence, and its neighbours', async ({ demo: page }) => {
  await go(page, '/?ask=%23171')
  await page.locator('[data-mat-item]').first().click()
  const slip = page.locator('[data-slip]')
  const place = await slip.locator('[data-place]').innerText()
  await slip.getByRole('button', { name: 'Print it as a slip of paper' }).click()
  await expect(said(page)).toHaveText('1 slip on 1 sheet.')
  await expect(page.locator('[data-preview] img')).toBeVisible()
  const [printed] = await pdfOf(page)
  expect(printed?.texts[0]).toBe('171')
  expect(printed?.texts.join(' ')).toContain(place)
  // The whole list in its stead, and back by the address.
  await page.getByLabel('Which pull list').selectOption({ index: 1 })
  await expect(said(page)).toHaveText(/^\d+ slips on 1 sheet\.$/)
})
