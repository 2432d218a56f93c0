import type { Page } from '@playwright/test'
import { databaseOf, expect, go, newStrip, openEmpty, test } from './helpers'

interface Holder {
  readonly id: string
  readonly containerId: string
  readonly lane: number
  readonly order: string
}
/** Every place names one set: read from the database itself. */
async function placesAreTrue(page: Page): Promise<void> {
  const { holders = [] } = (await databaseOf(page, ['holders'])) as { holders: Holder[] }
  expect(
    new Set(holders.map(holder => `${holder.containerId}/${holder.lane}/${holder.order}`)).size +
      holders.filter(holder => 'cell' in holder && holder.cell !== null).length,
  ).toBeGreaterThanOrEqual(holders.length)
}
const stepsLeft = async (page: Page): Promise<number> =>
  Number(/(\d+) steps? left/.exec(await page.locator('[data-refiling-progress]').innerText())?.[1] ?? -1)
const stepsDone = async (page: Page): Promise<number> =>
  Number(/(\d+) steps? done/.exec(await page.locator('[data-refiling-progress]').innerText())?.[1] ?? -1)
async function tick(page: Page): Promise<void> {
  const before = await stepsDone(page)
  await page.locator('[data-tick]').click()
  await expect.poll(() => stepsDone(page)).toBe(before + 1)
}
/** Whether there is a step to do, once the steps are those of the room as it stands. */
async function hasStep(page: Page): Promise<boolean> {
  await expect(page.locator('[data-refiling]')).toHaveAttribute('aria-busy', 'false')
  return (await page.locator('[data-tick]').count()) > 0
}

test('from brand to theme: half of it, a reload, a set taken in meanwhile, and on to the end', async ({ demo: page }) => {
  test.slow()
  await go(page, '/storeroom/refile')
  await page.getByLabel('Corner').selectOption({ label: 'Thin dies (brand, then name)' })
  await page.getByLabel('First by').selectOption('theme')
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(page.locator('[data-moves]')).toContainText('to move', { timeout: 20_000 })
  await expect(page.getByText('Where it is cut, and why')).toBeVisible()
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.locator('[data-step]').first()).toBeVisible()
  const all = await stepsLeft(page)
  expect(all).toBeGreaterThan(2)
  // Its dividers are wanted before they stand in the room.
  await page.getByRole('link', { name: 'Print its dividers' }).click()
  const said = page.locator('[data-cards-laid]')
  await expect(said).toHaveText(/^\d+ dividers on 1 sheet\.$/)
  await page.getByRole('button', { name: 'Make a PDF' }).click()
  await page.getByRole('button', { name: 'Yes, all' }).click()
  await expect(said).toHaveText(/^All \d+ dividers are as they were made\.$/)
  await go(page, '/storeroom/refile')
  await expect(page.locator('[data-step]').first()).toBeVisible()
  for (let step = 0; step < Math.floor(all / 2); step += 1) await tick(page)
  await placesAreTrue(page)
  await page.reload()
  await expect(page.locator('[data-refiling-progress]')).toContainText(`${Math.floor(all / 2)} steps done`)
  // A step is undone alone, and done again.
  const half = await stepsLeft(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect.poll(() => stepsDone(page)).toBe(Math.floor(all / 2) - 1)
  await expect.poll(() => stepsLeft(page)).toBeGreaterThan(half - 1)
  await newStrip(page)
  await page.getByLabel('Name', { exact: true }).fill('Meanwhile Die')
  await page.locator('#take-kind').selectOption({ label: 'Thin die' })
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Meanwhile Die is in.' })).toBeVisible()
  await go(page, '/take-in/placeless')
  await page.getByRole('listitem').filter({ hasText: 'Meanwhile Die' }).getByRole('button', { name: 'Put it there' }).click()
  await expect(page.getByRole('banner').getByText('11 without a place')).toBeVisible()
  await go(page, '/storeroom/refile')
  await expect(page.locator('[data-refiling-progress]')).toBeVisible()
  while (await hasStep(page)) await tick(page)
  await placesAreTrue(page)
  await page.getByRole('button', { name: 'The dividers are in: finish' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Finished.' })).toBeVisible()
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Basket 1:/ }).click()
  await expect(page.locator('[data-out-of-order]')).toHaveText('All in order.')
  // What was made for them while they were planned counts, now that they stand.
  await go(page, '/index/cards?what=dividers')
  await page.getByLabel('Where').selectOption({ label: 'Basket 1' })
  await expect(said).toHaveText(/^All \d+ dividers are as they were made\.$/)
})

test('a room from nothing: furniture, common shapes, copies, an address read back, a measured lane', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/storeroom')
  await page.getByRole('button', { name: 'New furniture' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').fill('Long shelf')
  await dialog.getByLabel('Shelves, drawers or tiers').fill('2')
  await dialog.getByLabel(/^Height of each shelf/).fill('120 cm')
  await expect(dialog.getByText('Write 2 heights')).toBeVisible()
  await dialog.getByLabel(/^Height of each shelf/).fill('120 cm; 40 cm')
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.getByRole('button', { name: 'Add a container' }).click()
  await page.getByRole('dialog').getByLabel('Begin from').selectOption('wideBin')
  await page.getByRole('dialog').getByLabel('It stands on').selectOption({ label: 'Long shelf' })
  await page.getByRole('dialog').getByLabel('How many').fill('99')
  await expect(page.getByText('A whole number from 1 to 40, please.')).toBeVisible()
  await page.getByRole('dialog').getByRole('button', { name: 'Add a container' }).click()
  await page.getByRole('dialog').getByLabel('How many').fill('1')
  await page.getByRole('dialog').getByLabel('Where on it').selectOption({ label: 'shelf 2, lowest' })
  await page.getByRole('dialog').getByRole('button', { name: 'Add a container' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Bin 2' })).toBeVisible()
  await page.getByRole('button', { name: 'Copy' }).click()
  await page.getByLabel('How many').fill('3')
  await page.getByRole('dialog').getByRole('button', { name: 'Copy' }).click()
  await expect(page.getByRole('status').filter({ hasText: '3 containers like Bin 2' })).toBeVisible()
  await go(page, '/take-in')
  await page.getByLabel('Name', { exact: true }).fill('Rope Ends')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Rope Ends is in.' })).toBeVisible()
  await go(page, '/take-in/placeless')
  await page.getByRole('button', { name: 'Put it there' }).click()
  await expect(page.getByRole('banner').getByText('without a place')).toHaveCount(0)
  await go(page, '/storeroom')
  await page.getByLabel('What stands at').fill('b1 - 1')
  await page.getByRole('button', { name: 'Go there' }).click()
  await expect(page.locator('[data-holder]')).toContainText('Rope Ends')
  await page.getByRole('button', { name: 'Measure a row' }).click()
  await page.getByLabel('Filled length').fill('1/2 in')
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'The length of Bin 1 is kept' })).toBeVisible()
  await go(page, '/storeroom/fill')
  await expect(page.getByText('Bin 1: 1/2 in')).toBeVisible()
  // An address pattern that would name two places is refused.
  await go(page, '/storeroom/zones')
  await page.getByLabel('Bin', { exact: true }).selectOption('B1-01')
  await expect(page.getByRole('status').filter({ hasText: 'Addresses are written so' })).toBeVisible()
  await page
    .locator('details', { has: page.getByLabel(/^Bin: written as/) })
    .locator('summary')
    .click()
  await page.getByLabel(/^Bin: written as/).fill('{shelf}{wrong}')
  await expect(page.getByText('{wrong} is nothing that can be filled in.')).toBeVisible()
  await page.getByLabel(/^Bin: written as/).fill('{name} no. {position:2}')
  await page.getByLabel(/^Bin: written as/).blur()
  // Once it is kept it is one of the ways to choose.
  await expect(page.getByLabel('Bin', { exact: true }).locator('option', { hasText: 'Bin 1 no. 01' })).toBeAttached()
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 1:/ }).click()
  await expect(page.locator('[data-holder]')).toContainText('Bin 1 no. 01')
})

test('overflow is told before it happens; a cap warns at Take in; the run is split over more containers', async ({ demo: page }) => {
  await go(page, '/storeroom/zones')
  await page.getByRole('button', { name: /^Thin dies/ }).click()
  await page.getByLabel('At most so many sets').fill('10')
  await page.getByLabel('At most so many sets').blur()
  await expect
    .poll(async () => ((await databaseOf(page, ['zones'])).zones as { capHoldings: number | null }[]).some(zone => zone.capHoldings === 10))
    .toBe(true)
  await go(page, '/storeroom/fill')
  await expect(page.getByText(/more than the 10 you want/)).toBeVisible()
  await newStrip(page)
  await page.getByLabel('Name', { exact: true }).fill('One Die More')
  await page.locator('#take-kind').selectOption({ label: 'Thin die' })
  await expect(page.locator('[data-cap]').first()).toContainText('the 10 sets that you want at most')
  await go(page, '/storeroom/refile')
  await page.getByLabel('Corner').selectOption({ label: 'Thin dies (brand, then name)' })
  for (const name of ['Basket 2', 'Basket 3']) await page.getByLabel(name, { exact: true }).uncheck()
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(page.getByRole('alert')).toContainText('It does not all go in', { timeout: 20_000 })
  for (const name of ['Basket 2', 'Basket 3']) await page.getByLabel(name, { exact: true }).check()
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(page.locator('[data-refiling-preview]')).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('Dividers', { exact: false }).first()).toBeVisible()
})

test('which way of filing suits: compared on the sets there are, with what decides the answer', async ({ demo: page }) => {
  await go(page, '/storeroom/ways')
  await page.getByRole('button', { name: 'mostly by brand' }).click()
  await page.getByRole('button', { name: 'Compare' }).click()
  await expect(page.locator('[data-reading]')).toContainText('minutes a year', { timeout: 30_000 })
  await expect(page.locator('[data-ways] svg rect')).not.toHaveCount(0)
  // The zone files by theme in its own order, which is none of the six schools: it is compared beside them as it is.
  await expect(page.locator('[data-ways] tbody tr')).toHaveCount(7)
  await expect(page.locator('[data-ways] tbody tr').first()).toContainText('theme in your own order')
  await page.getByRole('link', { name: 'Re-file this way' }).nth(2).click()
  await expect(page.getByLabel('First by')).toHaveValue('brand')
  await page.goBack()
  await page.getByRole('button', { name: 'Compare' }).click()
  await page.getByRole('link', { name: 'Re-file this way' }).first().click()
  await expect(page.getByLabel('First by')).toHaveValue('theme')
  await expect(page.getByLabel('in my own order')).toHaveValue('own')
})

test('another order to look at, a set kept apart, an order of themes shown before it is taken', async ({ demo: page }) => {
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 1:/ }).click()
  const first = await page.locator('[data-holder]').first().innerText()
  await page.locator('[data-order-view]').selectOption('number')
  await expect(page.getByText('are not here').first()).toBeVisible()
  await page.locator('[data-order-view]').selectOption('')
  expect(await page.locator('[data-holder]').first().innerText()).toBe(first)
  await page
    .locator('[data-holder]')
    .first()
    .getByRole('button', { name: /^Pin it here/ })
    .click()
  await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('Say why, please.')).toBeVisible()
  await page.getByLabel('The reason').fill('kept on the desk, used daily')
  await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.locator('[data-holder]').first()).toContainText('Pinned here: kept on the desk, used daily')
  await expect(page.locator('[data-holder]').first()).toContainText('B1-1')
  await go(page, '/take-in/names?list=themes')
  const names = page.locator('[data-name]')
  const before = await names.first().getAttribute('data-name')
  await names.first().focus()
  await page.keyboard.press('m')
  for (let step = 0; step < 3; step += 1) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-would-move]')).toContainText('would stand out of order')
  await page.getByRole('button', { name: 'Leave it as it was' }).click()
  await expect(names.first()).toHaveAttribute('data-name', before ?? '')
})
