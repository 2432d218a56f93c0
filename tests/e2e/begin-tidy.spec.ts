import type { Page } from '@playwright/test'
import type { Brand, Container, Holder, Holding, Theme } from '#core/catalog'
import { bringIn, csv, databaseOf, expect, go, openDemo, openEmpty, test } from './helpers'

const THEMES = ['Tides', 'Harbour', 'Kelp', 'Lights', 'Birds', 'Ropes', 'Weather']
const BRANDS = ['Greywether', 'Copperlatch', 'Tidewrack Press']
const SIZES = ['4 x 6 in', '3 x 4 in', '4 x 8 in', '6 x 8 in', '4 x 6 in']
/** Sets in no order, two in five of them in pockets of one size. */
const list = (count: number) =>
  csv([
    'Name,Brand,Kind,Themes,Size',
    ...Array.from({ length: count }, (_, at) => {
      const [brand, theme] = [BRANDS[(at * 7) % BRANDS.length], THEMES[(at * 5) % THEMES.length]]
      return `Heap Set ${(at * 37) % count},${brand},${at % 9 === 0 ? 'Thin die' : 'Clear'},${theme},${SIZES[at % SIZES.length]}`
    }),
  ])
/** The sets as they stand, container by container in the order in which one walks; and how many have no place. */
async function standing(page: Page) {
  const tables = await databaseOf(page, ['holdings', 'holders', 'containers', 'themes', 'brands'])
  const { holdings, holders, containers, themes, brands } = tables as unknown as {
    readonly holdings: readonly Holding[]
    readonly holders: readonly Holder[]
    readonly containers: readonly Container[]
    readonly themes: readonly Theme[]
    readonly brands: readonly Brand[]
  }
  const rows = containers.filter(({ isTable }) => !isTable).sort((a, b) => a.rank - b.rank)
  const inOrder = rows.flatMap(({ id }) =>
    holders.filter(({ containerId }) => containerId === id).sort((a, b) => (a.order < b.order ? -1 : 1)),
  )
  const sets = inOrder.flatMap(({ holdingIds }) => holdings.filter(({ id }) => holdingIds.includes(id)))
  const keys = sets.map(({ brandId, themeIds, name }) =>
    [themes.find(({ id }) => id === themeIds[0])?.name, brands.find(({ id }) => id === brandId)?.name, name.padStart(20)].join('/'),
  )
  return { holdings, holders, containers, sets, keys, placeless: holdings.length - new Set(holders.flatMap(each => each.holdingIds)).size }
}
const steps = (page: Page) => page.locator('[data-refiling]')
async function tick(page: Page): Promise<void> {
  const text = page.locator('[data-refiling-progress]')
  const before = Number(/(\d+) steps? done/.exec(await text.innerText())?.[1])
  await page.locator('[data-tick]').click()
  await expect(text).toContainText(`${before + 1} step`)
  await expect(steps(page)).toHaveAttribute('aria-busy', 'false')
}
async function fileFromHeap(page: Page, count: number): Promise<void> {
  await page.getByRole('link', { name: `File ${count} sets from the heap` }).click()
  await expect(page.getByLabel(`With ${count} sets that stand nowhere yet, from a heap`)).toBeChecked()
  await page.getByRole('button', { name: 'Work it out' }).click()
  await expect(page.locator('[data-moves]')).toContainText(`${count} pockets to move`)
}

test('two hundred sets from a heap: the room they need in one step, then filed in order; left off half-way and gone on with', async ({
  page,
}) => {
  test.slow()
  await openEmpty(page)
  await bringIn(page, list(200))
  await go(page, '/take-in/moving')
  await page.locator('[data-step="room"]').getByRole('link', { name: 'See what room they need' }).click()
  await expect(page.getByRole('heading', { name: 'Everything: 200 sets' })).toBeVisible()
  const holders = page.locator('[data-holders] li')
  await expect(holders.filter({ hasText: 'pocket 5 x 7' })).toBeVisible()
  const counts = (await holders.allInnerTexts()).map(text => Number(/^\d+/.exec(text)?.[0]))
  expect(counts.reduce((sum, each) => sum + each, 0)).toBe(200)
  // A longer bin takes fewer of them; what cannot be read says so and changes nothing.
  const makes = page.locator('[data-makes]')
  await expect(makes).toHaveText(/^It takes 3 more beside the one that is there: Bin 2 to Bin 4, short B2 to B4\.$/)
  await page.getByLabel('Length inside').fill('much')
  await expect(page.getByText('Write lengths like 30 cm or 12 in.')).toBeVisible()
  await page.getByLabel('Length inside').fill('80 cm')
  await expect(makes).toHaveText(/^It takes one more beside the one that is there: Bin 2, short B2\.$/)
  await page.reload()
  await expect(page.getByLabel('Length inside')).toHaveValue('80 cm')
  await expect(makes).toHaveText(/^It takes one more/)
  await page.getByLabel('Length inside').fill('1 mm')
  await expect(makes).toContainText('Bin 2 to Bin 145')
  await page.getByLabel('Length inside').fill('')
  await page.getByLabel('It stands on').selectOption({ label: 'Cart, new' })
  await page.getByRole('button', { name: 'Build 3 containers' }).click()
  await expect(page.getByRole('status').filter({ hasText: '3 containers stand in the room.' })).toBeVisible()
  const built = await standing(page)
  expect(built.containers).toHaveLength(4)
  expect(built.holdings.filter(({ holderTypeId }) => holderTypeId !== null)).toHaveLength(200)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Build 3 containers' })).toBeVisible()
  expect((await standing(page)).holdings.filter(({ holderTypeId }) => holderTypeId !== null)).toHaveLength(0)
  await page.getByRole('button', { name: 'Build 3 containers' }).click()

  await fileFromHeap(page, 200)
  const labels = page.locator('[data-labels]')
  await labels.locator('summary').click()
  await expect(labels.locator('li')).toHaveCount(200)
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.locator('[data-from-heap] ol li').first()).toBeVisible()
  await tick(page)
  await tick(page)
  await page.reload()
  await expect(page.locator('[data-refiling-progress]')).toContainText('2 steps done')
  await page.getByRole('button', { name: 'Leave off here' }).click()
  const dialog = page.getByRole('dialog')
  const onHeap = Number(/(\d+) pockets lie on The heap still/.exec(await dialog.innerText())?.[1])
  await dialog.getByRole('button', { name: 'in the new order' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Left off.' })).toBeVisible()
  const half = await standing(page)
  expect([half.placeless, half.sets.length, half.containers.some(({ isTable }) => isTable)]).toEqual([onHeap, 200 - onHeap, false])
  expect(half.keys).toEqual([...half.keys].sort())
  expect(half.sets.every(({ state }) => state === 'filed')).toBe(true)

  await go(page, '/take-in/tidy')
  await fileFromHeap(page, onHeap)
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(steps(page)).toHaveAttribute('aria-busy', 'false')
  while ((await page.locator('[data-tick]').count()) > 0) await tick(page)
  await page.getByRole('button', { name: 'The dividers are in: finish' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Finished.' })).toBeVisible()
  const { placeless, sets, keys, containers } = await standing(page)
  expect([placeless, sets.length, containers.length]).toEqual([0, 200, 4])
  expect(keys).toEqual([...keys].sort())
  await go(page, '/take-in/moving')
  await expect(page.locator('[data-step="places"]')).toHaveAttribute('data-done', 'true')
})

test('begin tidy on a phone, in a corner of pages: as many binders as it takes, and every set gets its cell', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openEmpty(page)
  await bringIn(
    page,
    csv(['Name,Kind,Size', ...Array.from({ length: 70 }, (_, at) => `Small ${at},Clear,${at === 0 ? '9 x 12' : '1.5 x 1.5'} in`)]),
  )
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 1:/ }).click()
  await page.getByRole('button', { name: 'Empty or remove' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Bin 1 is out of the room.' })).toBeVisible()
  await go(page, '/take-in/tidy')
  await page.getByLabel('Of this sort').selectOption({ label: 'tray of cells' })
  await expect(page.getByText('Too large for it: 1 Small 0.')).toBeVisible()
  await expect(page.locator('[data-makes]')).toHaveText('It takes 4 more: Tray 1 to Tray 4, short T1 to T4.')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.getByRole('button', { name: 'Build 4 containers' }).click()
  await page.getByRole('button', { name: 'Give 70 sets their cells' }).click()
  await expect(page.getByRole('status').filter({ hasText: '69 sets have their cells' })).toBeVisible()
  const { holders, placeless } = await standing(page)
  expect([placeless, holders.every(({ cell }) => cell !== null)]).toEqual([1, true])
})

test('a corner that is filed already takes a few more one by one: nothing that stands there is moved', async ({ demo: page }) => {
  await openDemo(page)
  const before = await standing(page)
  await go(page, '/take-in/tidy')
  await expect(page.getByRole('link', { name: 'File the whole corner anew with them' }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Put 2 sets where they belong' }).click()
  await expect(page.getByRole('status').filter({ hasText: '2 sets have a place now.' })).toBeVisible()
  const after = await standing(page)
  expect(after.placeless).toBe(before.placeless - 2)
  const ids = new Set(before.sets.map(({ id }) => id))
  expect(after.sets.filter(({ id }) => ids.has(id)).map(({ id }) => id)).toEqual(before.sets.map(({ id }) => id))
})
