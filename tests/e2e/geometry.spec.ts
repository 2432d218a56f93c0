import { expect, openDemo, test } from './helpers'
import { geometryOf, PAGES, WINDOWS } from '../support/geometry'

for (const { width, height, leastShare } of WINDOWS) {
  test(`${width} x ${height}: the sheet has its share of the window on every page, and work begins near its top`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await openDemo(page)
    await page.goto('/storeroom')
    const bin = (await page.locator('[data-elevation] a').first().getAttribute('href')) ?? ''
    for (const [path, first] of [...Object.entries(PAGES), [bin, '[data-holder], [data-tab]'] as const]) {
      await page.goto(path)
      await expect(page.locator(first.replaceAll('main ', '#sheet ')).first()).toBeVisible()
      if (path.includes('ask=')) await expect(page.locator('[data-ridge="up"]')).toBeVisible()
      const found = await geometryOf(page, first)
      expect([path, 'wider than the window by', found.over]).toEqual([path, 'wider than the window by', 0])
      expect(found.share, `${path}: share of the sheet`).toBeGreaterThanOrEqual(leastShare)
      // At 200 % zoom, or on the narrowest of screens, a line of head alone is a fifth of the sheet.
      if (width > 320 && height > 600) expect(found.first ?? 1, `${path}: where work begins`).toBeLessThanOrEqual(0.25)
    }
  })
}
