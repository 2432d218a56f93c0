import { ask, databaseOf, expect, go, headline, matItem, newStrip, openEmpty, test } from './helpers'
import type { Page } from '@playwright/test'

const row = (page: Page, name: string) => page.locator(`[data-name="${name}"]`)
const namesInOrder = (page: Page) => page.locator('[data-name]').evaluateAll(rows => rows.map(each => (each as HTMLElement).dataset.name))

test('a brand is joined into another: its sets go over, its spelling means the other, undo takes it back', async ({ demo: page }) => {
  await go(page, '/take-in/names?list=brands')
  const before = await databaseOf(page, ['holdings'])
  await row(page, 'Greywether').click()
  await page.getByText('Join into another').click()
  await expect(page.getByText(/sets of Greywether will go over/)).toBeVisible()
  await page.getByLabel('Into', { exact: true }).selectOption({ label: 'Copperlatch' })
  await page.getByRole('button', { name: 'Join', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'went over' })).toBeVisible()
  await expect(row(page, 'Greywether')).toHaveCount(0)
  await expect(page.getByLabel('Other spellings')).toHaveValue(/Greywether/)
  await newStrip(page)
  await page.getByLabel('Name', { exact: true }).fill('Gulls at Dusk')
  await page.getByRole('combobox', { name: 'Brand' }).fill('greywether')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Gulls at Dusk is in.' })).toBeVisible()
  await ask(page, 'gulls dusk copperlatch')
  await expect(headline(page)).toHaveText('1 set')
  await page.locator('h1').first().click({ force: true })
  for (const undone of ['Undone: took in', 'Undone: joined two names']) {
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(page.getByRole('status').filter({ hasText: undone })).toBeVisible()
  }
  await go(page, '/take-in/names?list=brands')
  await expect(row(page, 'Greywether')).toBeVisible()
  expect(await databaseOf(page, ['holdings'])).toEqual(before)
})

test("themes in an order of one's own: carried by keys and by mouse, kept through a reload", async ({ demo: page }) => {
  await go(page, '/take-in/names?list=themes')
  await expect(row(page, 'Harbour')).toBeVisible()
  const before = await namesInOrder(page)
  await row(page, before[0] ?? '').focus()
  await page.keyboard.press('m')
  await page.keyboard.press('ArrowDown')
  await expect.poll(() => namesInOrder(page)).toEqual([before[1], before[0], ...before.slice(2)])
  await page.keyboard.press('Enter')
  // Zones file by this order: what it would move is shown before it is taken.
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await row(page, before[4] ?? '').dragTo(row(page, before[1] ?? ''))
  await page.getByRole('button', { name: 'Take it' }).click()
  // The list stands in its new order before it is kept; the dialog closes once it is.
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect.poll(() => namesInOrder(page)).toEqual([before[4], before[1], before[0], before[2], before[3], ...before.slice(5)])
  await page.reload()
  await expect.poll(() => namesInOrder(page)).toEqual([before[4], before[1], before[0], before[2], before[3], ...before.slice(5)])
})

test('a name is made, renamed, and split; a spelling that belongs to another is refused', async ({ demo: page }) => {
  await go(page, '/take-in/names?list=themes')
  await page.getByRole('button', { name: 'New theme' }).click()
  await page.getByLabel('Preferred name').fill('Harbour')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('That spelling belongs to Harbour.')).toBeVisible()
  await page.getByLabel('Preferred name').fill('Night watches')
  await page.getByLabel('See also').fill('harbour, Nowhere')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(row(page, 'Night watches')).toBeVisible()
  await expect(page.getByLabel('See also')).toHaveValue(/harbour/i)

  await row(page, 'Weather').click()
  await page.getByText('Split sets off').click()
  await page.getByLabel('The new name').fill('Storms')
  await page.locator('details[open] li input').nth(0).check()
  await page.locator('details[open] li input').nth(1).check()
  await page.getByRole('button', { name: 'Split 2 sets off' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Storms has 2 sets of its own.' })).toBeVisible()
  await expect(row(page, 'Storms')).toContainText('2 sets')
})

test('numbers: another writing shows what becomes stale; two series never print one code; gaps are told', async ({ demo: page }) => {
  await go(page, '/take-in/numbers')
  await expect(page.locator('[data-reports]')).toContainText('gap')
  await page.getByLabel('How many digits').fill('4')
  await expect(page.locator('[data-sample]')).toContainText('0042')
  await expect(page.locator('[data-stale]')).toContainText('352 labels will be stale')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'is kept.' })).toBeVisible()
  await page.getByRole('button', { name: 'New series' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Dies')
  await page.getByLabel('In front').fill('7')
  await expect(page.getByText('Running number could print the same code.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeDisabled()
  await page.getByLabel('In front').fill('D-')
  await page.getByLabel('New sets get their number here').check()
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Dies is kept.' })).toBeVisible()
  await newStrip(page)
  await expect(page.locator('.ticket').first()).toHaveText(/D-1/)
  await page.getByLabel('Name', { exact: true }).fill('Rope Ends')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Rope Ends is in.' })).toBeVisible()
  await expect(page.locator('.ticket').first()).toHaveText(/D-2/)
  await ask(page, 'D-1')
  await expect(page.locator('[data-shelf]').first()).toContainText('The set with this number')
  await expect(matItem(page, 'Rope Ends').first()).toBeVisible()
})

test('what goes with what, and pieces that live elsewhere: both slips say so', async ({ page }) => {
  await openEmpty(page)
  for (const [name, kind] of [
    ['Anchor Stamps', 'Clear'],
    ['Anchor Cutter', 'Thin die'],
    ['Bell Border', 'Clear'],
  ] as const) {
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.locator('#take-kind').selectOption({ label: kind })
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: `${name} is in.` })).toBeVisible()
  }
  await ask(page, 'anchor stamps')
  await matItem(page, 'Anchor Stamps').click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('How', { exact: true }).selectOption({ label: 'Die for this stamp' })
  const which = page.getByRole('combobox', { name: 'Which set' })
  await which.fill('bell')
  await page.getByRole('option', { name: /Bell Border/ }).click()
  await page.getByRole('button', { name: 'They go together' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'is no die' })).toBeVisible()
  await which.fill('cutter')
  await page.getByRole('option', { name: /Anchor Cutter/ }).click()
  await page.getByRole('button', { name: 'They go together' }).click()
  await expect(page.getByRole('button', { name: 'Anchor Cutter does not go with it' })).toBeVisible()

  await page.getByRole('button', { name: 'Add a piece' }).click()
  await page.getByLabel('What it is').fill('little bell')
  await page.getByRole('combobox', { name: /Lives with/ }).fill('bell bor')
  await page.getByRole('option', { name: /Bell Border/ }).click()
  await page.getByRole('button', { name: 'Keep the pieces' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'The pieces are kept.' })).toBeVisible()

  await ask(page, 'anchor stamps')
  await matItem(page, 'Anchor Stamps').click()
  await expect(page.locator('[data-slip]')).toContainText('little bell (lives with 3 Bell Border)')
  await expect(page.locator('[data-slip]')).toContainText('Die for this stamp')
  await page.keyboard.press('Escape')
  await ask(page, 'bell border')
  await matItem(page, 'Bell Border').first().click()
  await expect(page.locator('[data-slip]')).toContainText('little bell of 1 Anchor Stamps')
})

test('a number that stands on the thing already is taken over, or kept as another number of it', async ({ page }) => {
  await openEmpty(page)
  for (const [name, written, code] of [
    ['Kelp Study', '352', '352'],
    ['Limpets', '352', '353'],
    ['Gulls', '12-203', '354'],
  ] as const) {
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Number written on it').fill(written)
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: `${code} ${name} is in.` })).toBeVisible()
  }
  await go(page, '/take-in/numbers')
  await expect(page.locator('[data-reports]')).toContainText('1 code on more than one set')
  await expect(page.locator('[data-reports]')).toContainText('1 code with two readings')
  await expect(page.locator('[data-reports]')).toContainText('1 to 351')
  await ask(page, '352')
  await expect(page.locator('[data-shelf] h2')).toHaveText('The set with this number')
  await expect(headline(page)).toHaveText('The same as words: 2 sets')
})
