import type { Locator, Page } from '@playwright/test'
import { databaseOf, expect, headline, matItem, openEmpty, test } from './helpers'

/** Keys alone, and every one of them counted. */
class Hands {
  strokes = 0
  constructor(private readonly page: Page) {}
  async press(...keys: readonly string[]): Promise<void> {
    for (const key of keys) {
      this.strokes += 1
      await this.page.keyboard.press(key)
    }
  }
  async type(text: string): Promise<void> {
    await this.press(...text)
  }
  /** On to something by Tab, as anybody would who sees it; far off is a fault. */
  async tabTo(target: Locator, atMost = 30): Promise<void> {
    await expect(target).toBeVisible()
    for (let tabs = 0; tabs < atMost; tabs += 1) {
      if (await target.evaluate(each => each === document.activeElement)) return
      await this.press('Tab')
    }
    throw new Error('further than anybody would tab')
  }
}

test('the first hour by keyboard alone: a room, three brands, five sets, one moved, one found, a copy saved', async ({ page }) => {
  test.slow()
  const hands = new Hands(page)
  await page.route('**/api/start', route => route.fulfill({ json: { demo: false } }))
  await page.goto('/')
  await hands.tabTo(page.getByRole('button', { name: /^Start empty/ }))
  await hands.press('Enter')
  await expect(page).toHaveTitle('Take in - Yondercrest')

  // The room: a bookcase of two shelves with two bins on each.
  await hands.press('3')
  await hands.tabTo(page.getByRole('button', { name: 'New furniture' }))
  await hands.press('Enter')
  await expect(page.getByRole('dialog').getByLabel('What it is')).toBeFocused()
  await hands.press('Tab', 'Tab', '2', 'Tab', '2', 'Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Bookcase is kept.' })).toBeVisible()

  // Five sets of three brands, each put in its place.
  await hands.press('n')
  const name = page.getByLabel('Name', { exact: true })
  await hands.tabTo(name)
  for (const [set, brand] of [
    ['Kelp Study', 'Tidewrack'],
    ['Rope Ends', 'Greywether'],
    ['Lamp Oil', 'Grey'],
    ['Ferry Bell', 'Copperlatch'],
    ['Limpets', 'Tide'],
  ] as const) {
    await expect(name).toBeFocused()
    await hands.type(set)
    await hands.press('Tab')
    await hands.press('Control+a')
    await hands.type(brand)
    await hands.press('Tab', 'Control+Enter')
    await expect(page.getByRole('status').filter({ hasText: set })).toBeVisible()
  }
  const { brands, holdings, holders } = await databaseOf(page, ['brands', 'holdings', 'holders'])
  expect((brands as { name: string }[]).map(brand => brand.name).sort()).toEqual(['Copperlatch', 'Greywether', 'Tidewrack'])
  expect([holdings?.length, holders?.length]).toEqual([5, 5])

  // One moved to the front.
  await hands.press('Shift+Tab', '3')
  await hands.tabTo(page.getByRole('link', { name: /^Bin 1: 5 sets/ }), 40)
  await hands.press('Enter')
  const rows = page.locator('[data-holder]')
  await hands.tabTo(rows.first())
  const before = await rows.allInnerTexts()
  await hands.press('End', 'm', 'ArrowUp', 'ArrowUp', 'Enter')
  await expect
    .poll(async () => (await rows.allInnerTexts()).map(text => text.replace(/\d+/, '')))
    .not.toEqual(before.map(text => text.replace(/\d+/, '')))

  // One found, and a copy.
  await hands.press('/')
  await hands.type('kelp')
  await expect(headline(page)).toHaveText('1 set in 1 container')
  await hands.press('ArrowDown')
  await expect(matItem(page, 'Kelp Study')).toBeFocused()
  await hands.press('Enter')
  await expect(page.locator('[data-slip]')).toContainText('Shelf 2, bin 1')
  await hands.press('Escape')
  await hands.tabTo(page.getByRole('banner').getByRole('link', { name: /Copies/ }), 40)
  await hands.press('Enter')
  await hands.tabTo(page.getByRole('button', { name: 'Save a copy now' }), 40)
  const saved = page.waitForEvent('download')
  await hands.press('Enter')
  expect((await saved).suggestedFilename()).toMatch(/\.yondercrest\.zip$/)
  // 196 when this was written, letters of names and brands included.
  expect(hands.strokes).toBeLessThanOrEqual(210)
})

test("a maker's own number is said as it is written, the very first one too; the next plain set goes on with the run", async ({ page }) => {
  await openEmpty(page)
  await page.goto('/take-in/names?list=brands')
  await page.getByRole('button', { name: 'New brand' }).click()
  await page.getByLabel('Preferred name').fill('Bellrope Row')
  await page.getByLabel('It numbers its sets itself').check()
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Bellrope Row is kept.' })).toBeVisible()
  await page.goto('/take-in')
  for (const [name, written, code] of [
    ['Ferry Bell', 'B1079', 'B1079'],
    ['Rope Ends', '', '1'],
    ['Gull Chorus', 'B1082', 'B1082'],
  ] as const) {
    await page.getByRole('combobox', { name: 'Brand' }).fill('Bellrope Row')
    await page.getByLabel('Number written on it').fill(written)
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: `${name} is in.` })).toHaveText(new RegExp(`(?:^|\\s)${code} ${name}`))
  }
})
