import type { Page } from '@playwright/test'
import { ask, databaseOf, expect, go, matItem, openEmpty, test } from './helpers'

const done = (page: Page, text: string | RegExp) => expect(page.getByRole('status').filter({ hasText: text })).toBeVisible()
const idsOfRows = async (page: Page): Promise<(string | null)[]> =>
  page.locator('[data-holder]').evaluateAll(rows => rows.map(row => row.getAttribute('data-id')))
const openContainer = async (page: Page, name: RegExp): Promise<void> => {
  await go(page, '/storeroom')
  await page.locator('[data-elevation]').getByRole('link', { name }).click()
  await expect(page.locator('[data-holder], [data-cell]').first()).toBeVisible()
}

test('two containers become one: what stood in the first stands behind the other in its order; undo parts them', async ({ demo: page }) => {
  await openContainer(page, /^Basket 3:/)
  const moved = await idsOfRows(page)
  expect(moved.length).toBeGreaterThan(3)
  await page.getByRole('button', { name: 'Empty or remove' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('8 sets stand in it')
  await dialog.getByRole('combobox').selectOption({ label: 'to the end of Basket 2, in their order' })
  await dialog.getByLabel('Take the container out of the room as well').check()
  await dialog.getByRole('button', { name: 'Empty it' }).click()
  await done(page, 'Basket 3 is out of the room')
  await expect(page.locator('[data-elevation]').getByRole('link', { name: /^Basket 3:/ })).toHaveCount(0)
  await page
    .locator('[data-elevation]')
    .getByRole('link', { name: /^Basket 2: 30 sets/ })
    .click()
  await expect(page).toHaveTitle('Basket 2 - Yondercrest')
  await expect(page.locator('[data-holder]').first()).toBeVisible()
  await page.locator('#sheet').evaluate(sheet => sheet.scrollTo(0, sheet.scrollHeight))
  await expect.poll(async () => (await idsOfRows(page)).slice(-moved.length)).toEqual(moved)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await done(page, 'Undone: ')
  await go(page, '/storeroom')
  await expect(page.locator('[data-elevation]').getByRole('link', { name: /^Basket 3: 8 sets/ })).toBeVisible()
})

test('a zone is ended: its containers and kinds go over to another, and undo brings it back', async ({ demo: page }) => {
  await go(page, '/storeroom/zones')
  await page.getByRole('button', { name: /^Small singles/ }).click()
  await expect(page.locator('[data-members] label:has(:checked)')).toHaveText([/^\s*Binder A/, /^\s*Binder C/])
  await page.locator('#zone-end').selectOption({ label: await page.locator('#zone-end option', { hasText: 'Thin dies' }).innerText() })
  await expect(page.getByRole('button', { name: /^Small singles/ })).toHaveCount(0)
  await page.getByRole('button', { name: /^Thin dies/ }).click()
  await expect(page.locator('[data-members] label:has(:checked)').filter({ hasText: 'Binder A' })).toBeVisible()
  const { zones, containers } = (await databaseOf(page, ['zones', 'containers'])) as {
    zones: { id: string }[]
    containers: { zoneId: string }[]
  }
  expect(containers.every(container => zones.some(zone => zone.id === container.zoneId))).toBe(true)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('button', { name: /^Small singles/ })).toBeVisible()
})

test('what harms is pointed out: a sticky set beside others, and a bin too heavy for its shelf with a better one', async ({
  demo: page,
}) => {
  await go(page, '/storeroom/fill')
  await expect(page.getByText('No container is heavier than is recommended for its shelf.')).toBeVisible()
  await go(page, '/')
  // One that lies bare between two others.
  await ask(page, 'wood mounted')
  await page.locator('[data-mat-item]').filter({ hasText: /D2/ }).nth(1).click()
  const name = await page.locator('[data-slip] h2').innerText()
  await page.getByLabel('Sticky: keep it from others').check()
  await expect
    .poll(async () => ((await databaseOf(page, ['holdings'])).holdings as { isSticky: boolean }[]).filter(each => each.isSticky).length)
    .toBe(1)
  await go(page, '/storeroom/fill')
  await expect(page.locator('[data-care]')).toContainText(`${name} is sticky and lies beside`)
  await openContainer(page, /^Bin 1:/)
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.locator('#new-weight').fill('13000')
  await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click()
  await expect
    .poll(async () =>
      ((await databaseOf(page, ['containers'])).containers as { emptyWeightG: number | null }[]).some(each => each.emptyWeightG === 13_000),
    )
    .toBe(true)
  await go(page, '/storeroom/fill')
  const bin = page.locator('[data-lifts] li').filter({ hasText: 'Bin 1:' })
  await expect(bin).toContainText('more than is recommended; easier to lift from shelf')
  // Its inputs can be changed, and the limit follows: less reach, more weight.
  const before = await bin.innerText()
  await page.locator('#lift-reach').fill('60')
  await page.locator('#lift-reach').blur()
  const limit = (text: string): number => Number(/of ([\d.]+) kg/.exec(text)?.[1])
  await expect.poll(async () => limit(await bin.innerText())).toBeLessThan(limit(before))
  // Beyond its limit a setting is set to the limit; emptied, it is what it was; between whole numbers, what was typed.
  for (const [typed, kept] of [
    ['400', '63'],
    ['', '63'],
    ['41.5', '41.5'],
  ] as const) {
    await page.locator('#lift-reach').fill(typed)
    await page.locator('#lift-reach').blur()
    await expect(page.locator('#lift-reach')).toHaveValue(kept)
    await expect
      .poll(async () => (await databaseOf(page, ['settings'])).settings?.[0])
      .toMatchObject({ lifting: { reachMm: Number(kept) * 10 } })
  }
})

test('a re-filing left off half-way: what was carried stays at its new address, the old rule holds again, the table is a table', async ({
  demo: page,
}) => {
  await go(page, '/storeroom/refile')
  await page.getByLabel('Corner').selectOption({ label: 'Thin dies (brand, then name)' })
  await page.getByLabel('First by').selectOption('theme')
  await page.getByRole('button', { name: 'Work it out' }).click()
  await page.getByRole('button', { name: 'Begin', exact: true }).click({ timeout: 20_000 })
  // Every step shown has its picture.
  await expect(page.locator('[data-step]').first()).toBeVisible()
  expect(await page.locator('[data-step] svg[role=img]').count()).toBe(await page.locator('[data-step]').count())
  await page.locator('[data-tick]').click()
  await expect(page.locator('[data-refiling-progress]')).toContainText('1 step done')
  const { holders: carried } = await databaseOf(page, ['holders'])
  await page.getByRole('button', { name: 'Leave off here' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'in the order before' }).click()
  await done(page, 'Left off. Everything stays where it stands.')
  const after = (await databaseOf(page, ['holders', 'zones', 'containers', 'refilings'])) as {
    holders: unknown[]
    zones: { name: string; filingRule: { keys: { by: string }[] } }[]
    containers: { isTable: boolean }[]
    refilings: { state: string }[]
  }
  expect(after.holders).toEqual(carried)
  expect(after.zones.find(zone => zone.name === 'Thin dies')?.filingRule.keys.map(key => key.by)).toEqual(['brand', 'name'])
  expect(after.containers.some(container => container.isTable)).toBe(false)
  expect(after.refilings.map(each => each.state)).toEqual(['left'])
})

test('a set cut in two stands at two addresses, and both are told together', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/storeroom/holders')
  await page.getByRole('button', { name: 'Begin with the common sizes' }).click()
  await go(page, '/take-in')
  await page.getByLabel('Name', { exact: true }).fill('Tall Ship Backdrop')
  // Of what kind it is must be known: what may be metal is never cut.
  await page.locator('#take-kind').selectOption({ label: 'Cling' })
  await page.locator('#take-size').fill('9 x 12 in')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await done(page, 'Tall Ship Backdrop is in.')
  for (const stage of ['class', 'fit', 'label', 'file']) {
    await go(page, `/take-in/work?stage=${stage}`)
    if (stage === 'fit')
      await page
        .locator('[data-work] fieldset label')
        .filter({ hasText: /cut in two/i })
        .first()
        .click()
    if ((await page.locator('[data-settle]').count()) === 0) await page.locator('[data-settle]').waitFor()
    await page.locator('[data-settle]').click()
    await expect(page.locator(`[data-stage="${stage}"]`)).toHaveAttribute('data-count', '0')
  }
  await go(page, '/?ask=ship')
  await matItem(page, 'Tall Ship Backdrop').click()
  await expect(page.locator('[data-place]')).toContainText('It was cut in two: the other half stands at')
  const { holders } = (await databaseOf(page, ['holders'])) as { holders: { holdingIds: string[] }[] }
  expect(holders).toHaveLength(2)
  expect(holders[0]?.holdingIds).toEqual(holders[1]?.holdingIds)
})

test('a zone in another order: every set with its address, what is missing told, and one press away from where it stands', async ({
  demo: page,
}) => {
  await go(page, '/storeroom/orders')
  await expect(page.getByText('349 sets. Nothing is moved')).toBeVisible()
  await page.getByLabel('Sets of').selectOption('Thin dies')
  await page.getByLabel('Show in the order of').selectOption('number')
  await expect(page.locator('[data-line="missing"]').first()).toContainText('not here')
  const numbers = async (): Promise<number[]> =>
    (await page.locator('[data-line="set"]').allInnerTexts()).map(text => Number(/\d+/.exec(text)?.[0]))
  expect(await numbers()).toEqual([...(await numbers())].sort((a, b) => a - b))
  await page.getByLabel('Show in the order of').selectOption('brand')
  await expect(page.locator('[data-line="group"]').first()).toBeVisible()
  await expect(page).toHaveURL(/by=brand/)
  const groups = await page.locator('[data-line="group"]').allInnerTexts()
  expect(groups).toEqual([...groups].sort((a, b) => a.localeCompare(b)))
  await page.reload()
  await expect(page.getByLabel('Show in the order of')).toHaveValue('brand')
  await page.locator('[data-line="set"] a').nth(2).click()
  await expect(page.locator('[data-holder]:focus')).toBeVisible()
})
