import type { Page } from '@playwright/test'
import { geometryOf, PAGES, settled, tooSmall, WINDOWS } from '../support/geometry'
import { findsNothing } from './axe'
import { expect, go, test } from './helpers'

type Windows = (typeof WINDOWS)[number]
type Entry = readonly [path: string, page: readonly [title: string, first: string]]

/** The sheet has its share of each window, work begins near its top, and in the first of them nothing is too small. */
async function fits(page: Page, path: string, first: string, windows: Windows): Promise<void> {
  for (const [at, { width, height, leastShare }] of windows.entries()) {
    await page.setViewportSize({ width, height })
    await settled(page)
    const where = `${path} at ${width} x ${height}`
    if (at === 0) expect([where, await tooSmall(page)]).toEqual([where, []])
    if (path.includes('ask=')) await expect(page.locator('[data-ridge="up"]')).toBeVisible()
    const found = await geometryOf(page, first)
    expect([where, 'wider than the window by', found.over]).toEqual([where, 'wider than the window by', 0])
    expect(found.share, `${where}: share of the sheet`).toBeGreaterThanOrEqual(leastShare)
    expect(found.first ?? 0, `${where}: looked at from its top`).toBeGreaterThanOrEqual(0)
    // At 200 % zoom, or on the narrowest of screens, a line of head alone is a fifth of the sheet.
    if (width > 320 && height > 600) expect(found.first ?? 1, `${where}: where work begins`).toBeLessThanOrEqual(0.25)
  }
}

/** What can be read on the sheet, and how far below its upper edge; then, in the same moment, the page is left by a link. */
const lying = (page: Page, leaveBy: string | null): Promise<readonly string[]> =>
  page.evaluate(link => {
    const sheet = document.getElementById('sheet')
    const { top = 0, bottom = 0 } = sheet?.getBoundingClientRect() ?? {}
    const read = [...(sheet?.querySelectorAll('*') ?? [])].flatMap(each => {
      const text = each.childElementCount === 0 ? (each.textContent ?? '').trim() : ''
      const { y } = each.getBoundingClientRect()
      return text && y >= top && y < bottom ? [`${text} ${Math.round(y - top)}`] : []
    })
    const links = [...document.querySelectorAll<HTMLElement>('header a')]
    if (link) links.find(each => each.textContent?.trim().startsWith(link))?.click()
    return read
  }, leaveBy)
async function shareThatLies(page: Page, before: readonly string[]): Promise<number> {
  const now = new Set(await lying(page, null))
  return before.filter(each => now.has(each)).length / before.length
}
/** By a wheel: what the page itself moves while it is filled in is put back. */
const scrolled = (page: Page, by: number): Promise<number> =>
  page.evaluate(pixels => {
    const sheet = document.getElementById('sheet')
    if (pixels !== 0) sheet?.dispatchEvent(new WheelEvent('wheel', { bubbles: true }))
    sheet?.scrollBy(0, pixels)
    return sheet?.scrollTop ?? 0
  }, by)

/** Back and a reload bring the page to where it was. */
async function comesBack(page: Page, title: string, shown: string): Promise<void> {
  await scrolled(page, 260)
  const other = title === 'Copies' ? 'Find' : 'Copies'
  // As it lies when it is left: what stands above may be filled in before or after, and moves nothing that is read.
  const before = await lying(page, other)
  await expect(page).toHaveTitle(`${other} - Yondercrest`)
  await expect.poll(() => scrolled(page, 0)).toBe(0)
  await page.goBack()
  await expect(page).toHaveTitle(`${title} - Yondercrest`)
  await expect.poll(() => shareThatLies(page, before)).toBeGreaterThan(0.5)
  await page.reload()
  await page.locator(shown).first().waitFor()
  await expect(page).toHaveTitle(`${title} - Yondercrest`)
  await expect.poll(() => shareThatLies(page, before)).toBeGreaterThan(0.5)
}

/** Opened on a desk, and once more on a phone. */
async function lookOver(page: Page, [path, [title, first]]: Entry): Promise<void> {
  const [desk, phone] = WINDOWS
  const shown = first.replaceAll('main ', '#sheet ')
  await page.setViewportSize(desk[0])
  // What an address asks is read as the application opens.
  await (path.includes('ask=') ? page.goto(path) : go(page, path))
  await expect(page.locator(shown).first()).toBeVisible()
  await expect(page).toHaveTitle(`${title} - Yondercrest`)
  await findsNothing(page)
  await fits(page, path, first, desk)
  await page.setViewportSize(phone[0])
  await comesBack(page, title, shown)
  await scrolled(page, -10_000)
  await fits(page, path, first, phone)
}

const AREAS = {
  Find: /^\/(?:$|\?|find)/,
  'Take in': /^\/take-in/,
  'the storeroom': /^\/storeroom/,
  'the index and the copies': /^\/(?:index|copies)/,
}
for (const [area, address] of Object.entries(AREAS))
  test(`every page of ${area}: for every eye, in every window, and where it was after Back and a reload`, async ({ demo: page }) => {
    test.slow()
    for (const entry of Object.entries(PAGES).filter(([path]) => address.test(path))) await lookOver(page, entry)
  })

test('a bin: for every eye, in every window, and where it was; what is fitted is as large as a finger', async ({ demo: page }) => {
  await go(page, '/storeroom')
  const bin = page.locator('[data-elevation] a').first()
  const title = /^[^:]+/.exec((await bin.getAttribute('aria-label')) ?? '')?.[0] ?? ''
  await lookOver(page, [(await bin.getAttribute('href')) ?? '', [title, '[data-holder], [data-tab]']])
  await go(page, '/take-in/work?stage=fit')
  for (const [window] of WINDOWS) {
    await page.setViewportSize(window)
    await expect(page.locator('[data-fit-drawing]').first()).toBeVisible()
    await settled(page)
    expect(await tooSmall(page)).toEqual([])
  }
})

test('each page has a title of its own, and is looked over in its area', () => {
  // Two asks of Find are one page.
  expect(new Set(Object.values(PAGES).map(([title]) => title)).size).toBe(Object.keys(PAGES).length - 1)
  for (const path of Object.keys(PAGES)) expect([path, Object.values(AREAS).filter(each => each.test(path)).length]).toEqual([path, 1])
})
