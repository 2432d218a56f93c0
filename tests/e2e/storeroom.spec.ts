import type { Locator, Page } from '@playwright/test'
import { ask, expect, go, openDemo, openEmpty, test } from './helpers'

const rows = (page: Page) => page.locator('[data-holder]')
const namesOf = async (page: Page): Promise<string[]> =>
  (await rows(page).allInnerTexts()).map(text => text.split('\n').find(part => /[A-Za-z]{3}/.test(part)) ?? text)

/** As a hand does it: pressed, moved along in steps, let go. */
async function drag(page: Page, from: Locator, to: Locator): Promise<void> {
  await to.scrollIntoViewIfNeeded()
  await from.scrollIntoViewIfNeeded()
  const start = await from.boundingBox()
  const end = await to.boundingBox()
  if (!start || !end) throw new Error('nothing to drag')
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2)
  await page.mouse.down()
  await page.mouse.move(start.x + start.width / 2 + 12, start.y + start.height / 2 + 6, { steps: 4 })
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 12 })
  await page.waitForTimeout(150)
  await page.mouse.up()
}

async function openBin(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: /^Raise the ridge/ }).click()
  await page.getByRole('link', { name: new RegExp(`^${name},`) }).click()
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible()
}

test('a set is carried by keyboard; the addresses of everything behind it follow; undo puts it back', async ({ demo: page }) => {
  await openDemo(page)
  await openBin(page, 'Bin 1')
  const before = await namesOf(page)
  const [first, second, third] = before
  await rows(page).first().focus()
  await page.keyboard.press('m')
  await expect(page.getByText(/^Carrying /)).toBeVisible()
  for (let step = 0; step < 3; step += 1) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'now stands at B1-3' })).toBeVisible()
  await expect.poll(async () => (await namesOf(page)).slice(0, 3)).toEqual([second, third, first])
  await expect(rows(page).first()).toContainText('B1-1')
  await page.reload()
  await expect(rows(page).nth(2)).toContainText(first ?? '')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(rows(page).first()).toContainText(first ?? '')
  expect((await namesOf(page)).slice(0, 3)).toEqual([first, second, third])
})

test('a set is dragged with the mouse in its row, and onto a block of the ridge', async ({ demo: page }) => {
  await openDemo(page)
  await openBin(page, 'Bin 2')
  const [first, second] = await namesOf(page)
  await drag(page, rows(page).first(), rows(page).nth(1))
  await expect(rows(page).first()).toContainText(second ?? '')
  await expect(rows(page).nth(1)).toContainText(first ?? '')
  await drag(page, rows(page).first(), page.getByRole('link', { name: /^Bin 10,/ }))
  await expect(page.getByRole('status').filter({ hasText: /now stands at B10-/ })).toBeVisible()
  await expect(rows(page).first()).toContainText(first ?? '')
})

test('a marked run keeps its order when it is carried to another container', async ({ demo: page }) => {
  await openDemo(page)
  await openBin(page, 'Drawer 1')
  const [first, second] = await namesOf(page)
  for (const index of [0, 1]) await rows(page).nth(index).getByRole('checkbox').check()
  await page.getByRole('combobox', { name: 'Carry to another container' }).selectOption({ label: 'Bin 10' })
  await page.getByRole('button', { name: 'Carry there' }).click()
  await expect(page.getByRole('status').filter({ hasText: '2 sets now stand in Bin 10.' })).toBeVisible()
  await page.getByRole('link', { name: /^Bin 10,/ }).click()
  await expect(rows(page).first()).toContainText(first ?? '')
  await expect(rows(page).nth(1)).toContainText(second ?? '')
})

test('pages of cells: a taken cell is refused, a free one takes the set', async ({ demo: page }) => {
  await openDemo(page)
  await openBin(page, 'Binder C')
  await page.locator('[data-cell="1/1/front"]').focus()
  await page.keyboard.press('m')
  await page.locator('[data-cell="4/2/front"]').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'C 6-402' })).toBeVisible()
  await expect(page.locator('[data-cell="1/1/front"]')).toHaveAccessibleName('C 6-101, free')
})

test('pins rise on the ridge for an ask, and a block opens by keyboard', async ({ demo: page }) => {
  await openDemo(page)
  await ask(page, 'lighthouse')
  const pinned = page.locator('.ridge-block[data-hits]:not([data-hits="0"])')
  await expect(pinned.first()).toBeVisible()
  const name = (await pinned.first().getAttribute('aria-label'))?.split(',')[0] ?? ''
  await pinned.first().focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible()
})

test('an empty room grows: a binder on new furniture, a tab, a changed rule', async ({ page }) => {
  await openEmpty(page)
  await page.getByRole('link', { name: 'Storeroom' }).first().click()
  await page.getByRole('button', { name: 'Add a container' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Letters for the label').fill('B1')
  await dialog.getByRole('button', { name: 'Add a container' }).click()
  await expect(dialog.getByText('B1-1 would be read as a place in Bin 1 as well.')).toBeVisible()
  await dialog.getByLabel('Letters for the label').fill('K')
  await dialog.getByLabel('Name', { exact: true }).fill('Kitchen bin')
  await dialog.getByLabel('It stands on').selectOption({ label: 'New furniture' })
  await dialog.getByLabel('Its name').fill('Kitchen shelf')
  await dialog.getByRole('button', { name: 'Add a container' }).click()
  await expect(page.getByRole('heading', { name: 'Kitchen bin' })).toBeVisible()
  await page.getByRole('button', { name: 'Put in a tab' }).click()
  await page.getByRole('combobox', { name: 'What stands on it' }).fill('Harbour')
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('gridcell', { name: 'Tab Harbour' })).toBeVisible()
  await page.getByRole('button', { name: 'Change the order' }).click()
  await page.getByLabel('First by').selectOption('brand')
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(', by brand')).toBeVisible()
})

/** Clicks of buttons and keys pressed, counted. */
function hands(page: Page) {
  let strokes = 0
  return {
    strokes: () => strokes,
    async click(name: string): Promise<void> {
      strokes += 1
      await page.getByRole('button', { name, exact: true }).last().click()
    },
    async keys(...all: readonly string[]): Promise<void> {
      for (const key of all) {
        strokes += 1
        await page.keyboard.press(key)
      }
    },
  }
}

test('forty-one containers in four pieces of furniture, in at most 60 clicks and keys', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/storeroom')
  const { strokes, click, keys } = hands(page)
  // What it is, its shelves, and how many stand on each: the name is proposed, and bins are.
  await click('New furniture')
  await expect(page.getByRole('dialog').getByLabel('What it is')).toBeFocused()
  await keys('Tab', 'Tab', '4', 'Tab', '4')
  await expect(page.locator('[data-building]')).toContainText('Bin 2 to Bin 17, 16 in all, will stand in Bookcase, 4 on each of 4 shelves.')
  await keys('Enter')
  await click('New furniture')
  await keys('c', 'Tab', 'Tab', '6', 'Tab', '2', 'Tab', 's')
  await expect(page.locator('[data-building]')).toContainText('Drawer 1 to Drawer 12')
  await click('Keep')
  await click('New furniture')
  await keys('w', 'Tab', 'Tab', '1', 'Tab', '3', 'Tab', 'b', 'i')
  await click('Keep')
  await click('New furniture')
  await keys('t', 'Tab', 'Tab', '2', 'Tab', '5')
  await page.getByRole('dialog').getByLabel('What it is').waitFor()
  await click('Keep')
  await expect(page.locator('[data-elevation] a')).toHaveCount(42)
  expect(strokes()).toBeLessThanOrEqual(60)
})

test('eight bins on two bookcases, a drawer cabinet and two binders, in at most 40 clicks and keys and two minutes', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/storeroom')
  const { strokes, click, keys } = hands(page)
  const begun = Date.now()
  for (const last of ['Bin 5', 'Bin 9']) {
    await click('New furniture')
    await keys('Tab', 'Tab', '2', 'Tab', '2')
    await expect(page.locator('[data-building]')).toContainText(`to ${last}, 4 in all, will stand in Bookcase`)
    await keys('Enter')
    await expect(page.getByRole('dialog')).toHaveCount(0)
  }
  await click('New furniture')
  await keys('c', 'Tab', 'Tab', '5', 'Tab', '1', 'Tab', 's')
  await expect(page.locator('[data-building]')).toContainText('Drawer 1 to Drawer 5')
  await click('Keep')
  await click('New furniture')
  await keys('Tab', 'Tab', '1', 'Tab', '2', 'Tab', 'b', 'i')
  await expect(page.locator('[data-building]')).toContainText('Binder 1 to Binder 2')
  await click('Keep')
  await expect(page.locator('[data-elevation] a')).toHaveCount(1 + 8 + 5 + 2)
  expect(strokes()).toBeLessThanOrEqual(40)
  expect(Date.now() - begun).toBeLessThan(120_000)
})
