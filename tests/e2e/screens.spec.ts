import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { settled } from '../support/geometry'
import { ask, expect, matItem, openDemo, SAMPLE_LIST, test } from './helpers'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
interface Finding {
  id: string
  impact: string | null
  nodes: { html: string }[]
}

/** By day all of WCAG 2.2, A and AA. By night the page is the same in other colours: the rules that look at them. */
const RULES = {
  light: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
  dark: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] },
} as const

/** axe-core: no finding but minor ones. */
async function check(page: Page, colorScheme: keyof typeof RULES): Promise<void> {
  await page.evaluate(axe)
  const findings = await page.evaluate(async runOnly => {
    const engine = (globalThis as unknown as { axe: { run: (options: object) => Promise<{ violations: Finding[] }> } }).axe
    return (await engine.run({ runOnly })).violations
  }, RULES[colorScheme])
  expect(
    findings
      .filter(each => each.impact !== 'minor')
      .map(each => `${each.id}: ${each.nodes.map(node => node.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([])
}

/** By day and by night: the page stays as it is, and its colours change. */
async function checkBoth(page: Page): Promise<void> {
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme })
    await settled(page)
    await check(page, colorScheme)
  }
}
const TAKE_IN = ['placeless', 'places', 'moving', 'partners', 'tidy', 'work', 'names?list=brands', 'numbers', 'measure']
const STOREROOM = ['', '/holders', '/fill', '/refile', '/ways', '/zones']
for (const [area, paths] of [
  ['Take in', ['/take-in', ...TAKE_IN.map(path => `/take-in/${path}`)]],
  [
    'the storeroom and what is printed and kept',
    [...STOREROOM.map(path => `/storeroom${path}`), '/index', '/index/labels', '/index/cards', '/copies'],
  ],
  ['what is fetched and put back', ['/find/pull', '/find/out', '/find/card', '/find/picture', '/find/space', '/find/own']],
] as const)
  test(`${area}, by day and by night: axe-core finds nothing moderate or serious`, async ({ demo: page }) => {
    test.slow()
    for (const path of paths) {
      await page.goto(path)
      await expect(page.locator('h1').first()).toBeAttached()
      await checkBoth(page)
    }
  })
test('a slip, a bin and a list that is open, by day and by night: axe-core finds nothing moderate or serious', async ({ demo: page }) => {
  await openDemo(page)
  await ask(page, 'lighthouse')
  await matItem(page, /./).first().click()
  await checkBoth(page)
  await page.goto('/storeroom')
  await page.getByRole('link', { name: /^Bin 5:/ }).click()
  await expect(page.locator('[data-holder]').first()).toBeVisible()
  await checkBoth(page)
  await page.goto('/take-in/list')
  await page.locator('input[type=file]').setInputFiles(SAMPLE_LIST)
  await expect(page.locator('[data-sums]')).toBeVisible()
  await checkBoth(page)
})

test('a phone: tabs below, and a set opens over the whole screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  await page.goto('/storeroom')
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
  await page.reload()
  await page.locator('[data-headline]').waitFor()
  await page.keyboard.press('3')
  await expect(page).toHaveTitle('Find - Yondercrest')

  await page.goto('/storeroom')
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
