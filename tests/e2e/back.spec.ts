import { test as plainTest } from '@playwright/test'
import { expect, test } from './helpers'

/** Back, a reload and an address: nothing that was chosen or typed is gone. */
test('what is typed and not kept is there again, said so, and can be given up', async ({ demo: page }) => {
  // A name: over another page, and a reload.
  await page.goto('/take-in/names?list=brands')
  await page.getByRole('button', { name: /^Gannet House/ }).click()
  await page.getByLabel('Other spellings').fill('Gannet Hse')
  await page.getByRole('link', { name: 'Find' }).first().click()
  await expect(page.locator('[data-mat-item]').first()).toBeVisible()
  await page.goBack()
  await expect(page.getByLabel('Other spellings')).toHaveValue('Gannet Hse')
  await page.reload()
  await expect(page.getByLabel('Other spellings')).toHaveValue('Gannet Hse')
  await page.locator('[data-typed]').getByRole('button', { name: 'Begin afresh' }).click()
  await expect(page.getByLabel('Other spellings')).not.toHaveValue('Gannet Hse')
  await expect(page.locator('[data-typed]')).toBeHidden()
  // A dialog: Escape loses nothing, Cancel gives it up.
  await page.goto('/storeroom')
  await page.getByRole('button', { name: 'Add a container' }).click()
  await page.getByRole('dialog').getByLabel('Name', { exact: true }).fill('Rope chest')
  await page.keyboard.press('Escape')
  await page.reload()
  await page.getByRole('button', { name: 'Add a container' }).click()
  await expect(page.getByRole('dialog').getByLabel('Name', { exact: true })).toHaveValue('Rope chest')
  await page.getByRole('dialog').getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Add a container' }).click()
  await expect(page.getByRole('dialog').getByLabel('Name', { exact: true })).toHaveValue('Bin 11')
  await page.keyboard.press('Escape')
  // A set.
  await page.goto('/')
  await page.locator('[data-mat-item]').first().click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^Change/, level: 1 })).toBeVisible()
  await page.getByLabel('Notes').fill('Lent to the chapel last winter')
  await page.goBack()
  await expect(page.locator('[data-slip]')).toBeVisible()
  await page.goForward()
  await expect(page.getByRole('heading', { name: /^Change/, level: 1 })).toBeVisible()
  await expect(page.getByLabel('Notes')).toHaveValue('Lent to the chapel last winter')
  await expect(page.locator('[data-typed]')).toBeVisible()
})

test('what is chosen has an address: a corner, a pocket, a name, an open list', async ({ demo: page }) => {
  for (const [path, name] of [
    ['/storeroom/zones', /^Thin dies/],
    ['/storeroom/holders', /^pocket 6 x 9/],
    ['/take-in/names?list=themes', /^Winter lights/],
  ] as const) {
    await page.goto(path)
    await page.getByRole('button', { name }).first().click()
    await expect(page.getByRole('button', { name }).first()).toHaveAttribute('aria-expanded', 'true')
    await page.reload()
    await expect(page.getByRole('button', { name }).first()).toHaveAttribute('aria-expanded', 'true')
  }
  await page.goto('/take-in/list')
  const list = 'Name;Brand;Bought\nRope Ends;Greywether;03/04/2019\nLamp Oil;Greywether;05/06/2020\n'
  await page.locator('input[type=file]').setInputFiles({ name: 'mine.csv', mimeType: 'text/csv', buffer: Buffer.from(list) })
  await page.getByRole('radio', { name: 'Month first' }).check()
  await page.reload()
  await expect(page.locator('[data-file-facts]')).toContainText('mine.csv')
  await expect(page.getByRole('radio', { name: 'Month first' })).toBeChecked()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.reload()
  await expect(page.locator('[data-file-facts]')).toBeHidden()
})

test('whoever scrolls while a page is still filled in is left alone', async ({ demo: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const sheet = (): Promise<{ top: number; height: number }> =>
    page.evaluate(() => {
      const { scrollTop = 0, scrollHeight = 0 } = document.getElementById('sheet') ?? {}
      return { top: scrollTop, height: scrollHeight }
    })
  await page.goto('/take-in')
  await expect(page.locator('[data-look-alikes]')).toBeVisible()
  await page.evaluate(() => document.getElementById('sheet')?.scrollBy(0, 260))
  const { height } = await sheet()
  await page.mouse.move(195, 400)
  await page.reload()
  await expect.poll(async () => (await sheet()).top).toBeGreaterThan(0)
  await page.mouse.wheel(0, -2000)
  await expect.poll(async () => (await sheet()).top).toBe(0)
  await expect.poll(async () => (await sheet()).height).toBeGreaterThanOrEqual(height)
  expect((await sheet()).top).toBe(0)
})

// Without the watch over the console: the browser itself reports a status of 404 there.
plainTest('an address that leads nowhere is told, with a way back', async ({ page, request }) => {
  for (const [path, status] of [
    ['/storeroom/fill', 200],
    ['/storeroom/01ARZ3NDEKTSV4RRFFQ69G5FAV', 200],
    ['/storerom', 404],
    ['/take-in/list/more', 404],
  ] as const)
    expect([path, (await request.get(path)).status()]).toEqual([path, status])
  await page.goto('/storerom')
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
  await page.getByRole('link', { name: 'To all sets' }).click()
  await expect(page.locator('[data-headline]')).toBeVisible()
  await page.goto('/storeroom/01ARZ3NDEKTSV4RRFFQ69G5FAV')
  await expect(page.getByRole('heading', { name: 'It is no longer in the room' })).toBeVisible()
  await expect(page).toHaveTitle('It is no longer in the room - Yondercrest')
  await page.getByRole('link', { name: 'To the storeroom' }).click()
  await expect(page.locator('[data-elevation]')).toBeVisible()
})
