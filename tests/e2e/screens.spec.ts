import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { ask, expect, matItem, openDemo, SAMPLE_LIST, test } from './helpers'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
interface Finding {
  id: string
  impact: string | null
  nodes: { html: string }[]
}

/** axe-core (WCAG 2.2 A and AA): no serious or critical finding. */
async function check(page: Page): Promise<void> {
  await page.evaluate(axe)
  const findings = await page.evaluate(async () => {
    const engine = (globalThis as unknown as { axe: { run: (options: object) => Promise<{ violations: Finding[] }> } }).axe
    return (await engine.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })).violations
  })
  expect(
    findings
      .filter(each => each.impact === 'serious' || each.impact === 'critical')
      .map(each => `${each.id}: ${each.nodes.map(node => node.html.slice(0, 160)).join(' | ')}`),
  ).toEqual([])
}

for (const scheme of ['light', 'dark'] as const) {
  test(`main screens, ${scheme}: axe-core finds nothing serious`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme })
    await openDemo(page)
    await ask(page, 'lighthouse')
    await matItem(page, /./).first().click()
    await check(page)
    for (const path of [
      '/take-in',
      '/take-in/placeless',
      '/take-in/work',
      '/take-in/names?list=brands',
      '/take-in/numbers',
      '/take-in/measure',
      '/storeroom',
      '/storeroom/holders',
      '/storeroom/fill',
      '/storeroom/refile',
      '/storeroom/ways',
      '/storeroom/zones',
      '/index',
      '/copies',
    ]) {
      await page.goto(path)
      await expect(page.locator('h1').first()).toBeAttached()
      await check(page)
    }
    await page.goto('/storeroom')
    await page.getByRole('link', { name: /^Bin 5:/ }).click()
    await expect(page.locator('[data-holder]').first()).toBeVisible()
    await check(page)
    await page.goto('/take-in/list')
    await page.locator('input[type=file]').setInputFiles(SAMPLE_LIST)
    await expect(page.locator('[data-sums]')).toBeVisible()
    await check(page)
  })
}

test('a phone: one column, tabs below, nothing wider than the screen', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  for (const path of [
    '/',
    '/take-in',
    '/take-in/names',
    '/take-in/numbers',
    '/take-in/measure',
    '/storeroom',
    '/storeroom/holders',
    '/storeroom/fill',
    '/storeroom/refile',
    '/storeroom/ways',
    '/storeroom/zones',
    '/index',
    '/copies',
  ]) {
    await page.goto(path)
    await expect(page.locator('h1').first()).toBeAttached()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    expect(
      await page.evaluate(() => {
        const sheet = document.getElementById('sheet')
        return sheet ? sheet.scrollWidth - sheet.clientWidth : 0
      }),
    ).toBeLessThanOrEqual(0)
  }
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
