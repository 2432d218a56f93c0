import { findsNothing } from './axe'
import { ask, expect, go, matItem, openDemo, SAMPLE_LIST, test } from './helpers'

test('a slip, a bin and a list that is open, by day and by night: axe-core finds nothing moderate or serious', async ({ demo: page }) => {
  await openDemo(page)
  await ask(page, 'lighthouse')
  await matItem(page, /./).first().click()
  await findsNothing(page)
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 5:/ }).click()
  await expect(page.locator('[data-holder]').first()).toBeVisible()
  await findsNothing(page)
  await go(page, '/take-in/list')
  await page.locator('input[type=file]').setInputFiles(SAMPLE_LIST)
  await expect(page.locator('[data-sums]')).toBeVisible()
  await findsNothing(page)
})

test('a phone: tabs below, and a set opens over the whole screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  await go(page, '/storeroom')
  await page.getByRole('navigation', { name: 'Areas' }).getByRole('link', { name: 'Find' }).click()
  await ask(page, 'teacup')
  await matItem(page, /./).first().click()
  await expect(page.locator('[data-slip]')).toBeVisible()
})

test('strict headers on every answer', async ({ request }) => {
  for (const path of ['/', '/api/start', '/api/demo-room', '/favicon.svg']) {
    const headers = (await request.get(path)).headers()
    expect(headers['content-security-policy']).toContain("default-src 'none'")
    expect(headers['content-security-policy']).not.toContain('unsafe')
    expect(headers['x-content-type-options']).toBe('nosniff')
  }
})

test('the code of the first screen holds no validator: what shows records needs no schema', async ({ request }) => {
  const shell = await (await request.get('/')).text()
  const files = new Set([...shell.matchAll(/<script[^>]* src="\/_nuxt\/([\w-]+\.js)"/g)].map(found => found[1] ?? ''))
  expect(files.size).toBeGreaterThan(0)
  // A set that grows is walked to its end: each file adds those that it cannot run without.
  for (const file of files) {
    const code = await (await request.get(`/_nuxt/${file}`)).text()
    for (const [, needed = ''] of code.matchAll(/(?:from|import)"\.\/([\w-]+\.js)"/g)) files.add(needed)
    expect(code.includes('ZodError'), file).toBe(false)
  }
})

test('keys can be turned off; a screen is printed whole and without bars; colours of the system keep bars and pins', async ({
  demo: page,
}) => {
  await openDemo(page)
  await page.keyboard.press('?')
  await page.getByLabel('Single keys do something').uncheck()
  await page.keyboard.press('Escape')
  await page.keyboard.press('3')
  await page.keyboard.press('n')
  await expect(page).toHaveTitle('Find - Yondercrest')
  // A dialog gives the focus back, the first time as well.
  const lifeSize = page.getByRole('button', { name: 'Life size' })
  await lifeSize.click()
  await expect(page.getByRole('dialog').getByRole('slider')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(lifeSize).toBeFocused()
  await page.reload()
  await page.locator('[data-headline]').waitFor()
  await page.keyboard.press('3')
  await expect(page).toHaveTitle('Find - Yondercrest')

  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 5:/ }).click()
  const all = Number(await page.locator('[data-entries]').first().getAttribute('data-entries'))
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('[data-entries]').first().locator('[data-holder], [data-tab]')).toHaveCount(all)
  await expect(page.getByRole('banner')).toBeHidden()
  await expect(page.locator('[data-ridge]')).toBeHidden()
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeGreaterThan(1500)
  await page.emulateMedia({ media: 'screen', forcedColors: 'active' })
  await ask(page, 'lighthouse')
  await expect(page.locator('[data-ridge="up"]')).toBeVisible()
  const kept = await page
    .locator('[data-ridge] svg')
    .first()
    .evaluate(each => getComputedStyle(each).forcedColorAdjust)
  expect(kept).toBe('none')
})
