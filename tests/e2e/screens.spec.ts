import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { PAGES, settled } from '../support/geometry'
import { ask, expect, matItem, openDemo, SAMPLE_LIST, test } from './helpers'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
interface Finding {
  id: string
  impact: string | null
  nodes: { html: string }[]
}

/** axe-core (WCAG 2.2 A and AA): no finding but minor ones. */
async function check(page: Page): Promise<void> {
  await page.evaluate(axe)
  const findings = await page.evaluate(async () => {
    const engine = (globalThis as unknown as { axe: { run: (options: object) => Promise<{ violations: Finding[] }> } }).axe
    return (await engine.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })).violations
  })
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
    await check(page)
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
  test(`${area}, by day and by night: axe-core finds nothing moderate or serious`, async ({ page }) => {
    test.slow()
    await openDemo(page)
    for (const path of paths) {
      await page.goto(path)
      await expect(page.locator('h1').first()).toBeAttached()
      await checkBoth(page)
    }
  })
test('a slip, a bin and a list that is open, by day and by night: axe-core finds nothing moderate or serious', async ({ page }) => {
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

/**
 * What can be pressed and is smaller than 44 x 44, links inside a sentence and what is drawn to scale left out; letters below 14, those
 * left out that are shown as large as they are on paper.
 */
const tooSmall = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const pressed = 'a[href], button, input, select, textarea, summary, [role="option"], [tabindex="0"]'
    const found: string[] = []
    for (const each of document.querySelectorAll<HTMLElement>(pressed)) {
      const isTicked = each.matches('[type="checkbox"], [type="radio"]')
      const target = (isTicked && each.closest('label')) || each
      const { width, height } = target.getBoundingClientRect()
      const isDrawn = each.closest('[data-elevation], [data-ridge], [aria-hidden="true"]') !== null
      if (isDrawn || each.matches('[type="file"]') || width < 2 || height < 2 || getComputedStyle(each).display === 'inline') continue
      if (Math.min(width, height) < 43.5)
        found.push(`${each.tagName} ${each.getAttribute('aria-label') ?? each.textContent} ${width} x ${height}`)
    }
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (texts.nextNode()) {
      const { parentElement, textContent } = texts.currentNode
      if (!parentElement || !textContent?.trim() || parentElement.getBoundingClientRect().width < 2) continue
      if (parentElement.closest('svg')?.closest('[data-preview], [data-label-preview]')) continue
      const scale = parentElement instanceof SVGElement ? (parentElement.closest('svg')?.getScreenCTM()?.a ?? 1) : 1
      const size = Number.parseFloat(getComputedStyle(parentElement).fontSize) * scale
      if (size < 13.9) found.push(`letters of ${size}: ${textContent}`)
    }
    return found
  })

test('what is pressed is 44 x 44 at least, and no letter is below 14, on a screen and on a phone', async ({ page }) => {
  test.slow()
  await openDemo(page)
  await page.goto('/storeroom')
  const bin = (await page.locator('[data-elevation] a').first().getAttribute('href')) ?? ''
  for (const [path, first] of [
    ...Object.entries(PAGES),
    ['/take-in/work?stage=fit', '[data-fit-drawing]'],
    [bin, '[data-holder]'],
  ] as const) {
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(path)
    await expect(page.locator(first.replaceAll('main ', '#sheet ')).first()).toBeVisible()
    expect([path, await tooSmall(page)]).toEqual([path, []])
    await page.setViewportSize({ width: 390, height: 844 })
    await settled(page)
    expect([path, await tooSmall(page)]).toEqual([path, []])
  }
})

test('keys can be turned off; a screen is printed whole and without bars; colours of the system keep bars and pins', async ({ page }) => {
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
