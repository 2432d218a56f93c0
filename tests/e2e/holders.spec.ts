import type { Page } from '@playwright/test'
import { ask, databaseOf, expect, go, matItem, openDemo, openEmpty, test } from './helpers'

/** A set by name on the pile of an empty room, brought to the stage where its holder is found. */
async function takeToFit(page: Page, name: string, size: string, theme = '', kind = ''): Promise<void> {
  await go(page, '/take-in')
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.locator('#take-size').fill(size)
  if (kind) await page.locator('#take-kind').selectOption({ label: kind })
  if (theme) {
    await page.locator('#take-themes, #take-theme').first().fill(theme)
    await page.keyboard.press('Escape')
  }
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: `${name} is in.` })).toBeVisible()
  await go(page, '/take-in/work?stage=class')
  await page.locator('[data-settle]').click()
  await expect(page.locator('[data-stage="fit"]')).toHaveAttribute('data-count', '1')
}

test('a photo becomes a measured set with its pieces: corners by keys, pieces joined and parted, kept on the slip', async ({
  demo: page,
}) => {
  test.slow()
  await openDemo(page)
  await ask(page, 'lighthouse')
  await matItem(page, /\w/).first().click()
  const name = await page.locator('[data-slip] h2').innerText()
  await page.locator('[data-slip]').getByRole('button', { name: 'Change' }).click()
  await page.getByRole('link', { name: 'Measure it from a photo' }).click()
  await page.waitForURL(/\/take-in\/measure\?set=/)
  await page.goto(`${page.url()}&seed=8&reference=A4`)
  await page.getByRole('button', { name: 'Try with a made-up photo' }).click()
  const corner = page.getByRole('slider', { name: 'Upper left' })
  await expect(corner).toBeVisible({ timeout: 60_000 })
  const before = Number(await corner.getAttribute('aria-valuenow'))
  await corner.focus()
  await page.keyboard.press('ArrowRight')
  await expect(corner).toHaveAttribute('aria-valuenow', String(before + 1))
  await page.getByRole('button', { name: 'Measure', exact: true }).click()
  await expect(page.locator('[data-measured]')).toContainText('plus or minus', { timeout: 30_000 })
  const pieces = async (): Promise<number> => Number((await page.locator('[data-pieces]').innerText()).split(' ')[0])
  const count = await pieces()
  expect(count).toBeGreaterThan(2)
  for (const at of [0, 1]) await page.getByLabel(new RegExp(`^Piece ${at + 1}:`)).check()
  await page.getByRole('button', { name: 'Join them' }).click()
  await expect.poll(pieces).toBe(count - 1)
  await page.getByLabel(new RegExp(`^Piece ${count - 1}:`)).check()
  await page.getByRole('button', { name: 'Part it in two' }).click()
  await expect.poll(pieces).toBe(count)
  await page.getByLabel(/^Piece 1:/).check()
  await page.getByRole('button', { name: 'Drop' }).click()
  await expect.poll(pieces).toBe(count - 1)
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.waitForURL(url => !url.pathname.endsWith('/measure'))
  const { holdings = [] } = (await databaseOf(page, ['holdings'])) as {
    holdings: { name: string; size: { widthMm: number } | null; pieces: { size: object | null }[] }[]
  }
  const measured = holdings.find(each => each.name === name)
  expect(measured?.pieces).toHaveLength(count - 1)
  expect(measured?.size?.widthMm).toBeGreaterThan(50)
})

test('what cannot be measured gets a plain sentence: a bent sheet, crossed corners, no picture', async ({ demo: page }) => {
  test.slow()
  await go(page, '/take-in/measure')
  await page.getByLabel('What of known size is in it').selectOption('A4')
  const photo = async (trouble: string): Promise<Buffer> =>
    (await page.request.get(`/api/camera?seed=2&reference=A4&megapixels=1.5&trouble=${trouble}`)).body()
  const input = page.locator('input[type=file]').first()
  await input.setInputFiles({ name: 'bent.png', mimeType: 'image/png', buffer: await photo('bent') })
  await page.getByRole('button', { name: 'Measure', exact: true }).click({ timeout: 30_000 })
  await expect(page.locator('[data-measure-problem]')).toContainText('not flat', { timeout: 30_000 })
  await input.setInputFiles({ name: 'flat.png', mimeType: 'image/png', buffer: await photo('none') })
  const corner = page.getByRole('slider', { name: 'Upper left' })
  await expect(corner).toBeVisible({ timeout: 30_000 })
  await corner.focus()
  for (let step = 0; step < 140; step += 1) await page.keyboard.press('Shift+ArrowRight')
  await page.getByRole('button', { name: 'Measure', exact: true }).click()
  await expect(page.locator('[data-measure-problem]')).toBeVisible()
  await expect(page.locator('[data-measured]')).toHaveCount(0)
  await input.setInputFiles({ name: 'words.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.locator('[data-measure-problem]')).toContainText('cannot be read as a picture')
  expect((await page.request.get('/api/camera?megapixels=400')).status()).toBe(400)
})

test('a set too big for any pocket: what could be done is ranked, a cut is said to be for good', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/storeroom/holders')
  await page.getByRole('button', { name: 'Begin with the common sizes' }).click()
  await takeToFit(page, 'Tall Ship Backdrop', '9 x 12 in', '', 'Cling')
  await go(page, '/take-in/work?stage=fit')
  const ways = page.locator('[data-work] fieldset label')
  await expect(page.getByRole('heading', { name: 'What does it sit in?' })).toBeVisible()
  await ways
    .filter({ hasText: /cut in two/i })
    .first()
    .click()
  await expect(page.getByRole('alert')).toContainText('cannot be taken back')
  await go(page, '/storeroom/holders')
  for (const way of ['Cut in two', 'Sticks out', 'Trimmed'])
    await page.locator('li').filter({ hasText: way }).getByRole('checkbox').first().check()
  await expect.poll(async () => (await databaseOf(page, ['settings'])).settings).toMatchObject([{ fitNever: { length: 3 } }])
  await go(page, '/take-in/work?stage=fit')
  await expect(page.getByRole('heading', { name: 'What does it sit in?' })).toBeVisible()
  await expect(page.locator('[data-work]')).not.toContainText(/cut in two|sticks out|trimmed/i)
  // Now nothing takes it, and that is said with what it needs and what there is.
  await expect(page.locator('[data-too-big]')).toBeVisible()
  await expect(page.locator('[data-work] details li').first()).toContainText(/it needs .* there is room for/)
})

test('ten small sets into pages: each into the next free cell, in order of arrival, on to a new page', async ({ page }) => {
  test.slow()
  await openEmpty(page)
  await go(page, '/storeroom')
  await page.getByRole('button', { name: 'Add a container' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Begin from').selectOption('pages4')
  await dialog.getByLabel('Letters for the label').fill('P')
  await dialog.getByRole('button', { name: 'Add a container' }).click()
  await expect(page.getByRole('heading', { level: 1, name: /^Binder/ })).toBeVisible()
  // The bin goes: what is left of the zone is pages.
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 1:/ }).click()
  await page.getByRole('button', { name: 'Empty or remove' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'is out of the room' })).toBeVisible()
  await go(page, '/take-in')
  for (let at = 1; at <= 10; at += 1) {
    await page.getByLabel('Name', { exact: true }).fill(`Small Knot ${at}`)
    if (at === 1) await page.locator('#take-size').fill('2 x 3 in')
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: `Small Knot ${at} is in.` })).toBeVisible()
  }
  await go(page, '/take-in/placeless')
  await page.getByRole('button', { name: 'Put all where they belong' }).click()
  await page.getByRole('button', { name: 'Put them there' }).click()
  await expect(page.getByRole('banner').getByText('without a place')).toHaveCount(0, { timeout: 15_000 })
  await go(page, '/storeroom')
  await page
    .getByRole('link', { name: /^Binder/ })
    .first()
    .click()
  const taken = page.locator('[data-cell]:not([aria-label$="free"])')
  await expect(taken.first()).toBeVisible()
  const cells = await page
    .locator('[data-cell]')
    .evaluateAll(all =>
      all.filter(each => !/free$/.test(each.getAttribute('aria-label') ?? '')).map(each => each.getAttribute('data-cell') ?? ''),
    )
  // Both sides of four cells a page: eight on the first, two on the second.
  expect(cells.filter(cell => cell.startsWith('1/')).length).toBe(8)
  expect(cells.filter(cell => cell.startsWith('2/')).length).toBe(2)
})

test('one size for all: how many go in plainly, how many with which exception, and what it takes', async ({ demo: page }) => {
  await go(page, '/storeroom/holders')
  await page.getByRole('button', { name: /^pocket 6 x 9/ }).click()
  const report = page.locator('[data-one-size]')
  await expect(report.getByText(/sets? of \d+ go in plainly/)).toBeVisible({ timeout: 15_000 })
  await expect(report.getByText(/It takes \d+;/)).toBeVisible()
  await expect(report.getByText('If it is no longer sold')).toBeVisible()
  await page.getByLabel('Inner width and height').fill('0 x 5 in')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('needs a width and a height')
})
