import { expect, test } from './helpers'
import { geometryOf, PAGES, settled, tooSmall, WINDOWS } from '../support/geometry'

// A page is opened in the first window of its group, and the others are tried on it: as a window is made smaller, or a phone is turned.
for (const windows of WINDOWS) {
  const [{ width: opened, height: openedHigh }] = windows
  const sizes = windows.map(({ width, height }) => `${width} x ${height}`).join(', ')
  test(`${sizes}: on every page the sheet has its share, work begins near its top, nothing is too small`, async ({ demo: page }) => {
    test.slow()
    await page.setViewportSize({ width: opened, height: openedHigh })
    await page.goto('/storeroom')
    const bin = (await page.locator('[data-elevation] a').first().getAttribute('href')) ?? ''
    for (const [path, first] of [...Object.entries(PAGES), [bin, '[data-holder], [data-tab]'] as const]) {
      await page.setViewportSize({ width: opened, height: openedHigh })
      await page.goto(path)
      await expect(page.locator(first.replaceAll('main ', '#sheet ')).first()).toBeVisible()
      for (const { width, height, leastShare } of windows) {
        await page.setViewportSize({ width, height })
        await settled(page)
        if (width === opened) expect([path, await tooSmall(page)]).toEqual([path, []])
        if (path.includes('ask=')) await expect(page.locator('[data-ridge="up"]')).toBeVisible()
        const found = await geometryOf(page, first)
        const where = `${path} at ${width} x ${height}`
        expect([where, 'wider than the window by', found.over]).toEqual([where, 'wider than the window by', 0])
        expect(found.share, `${where}: share of the sheet`).toBeGreaterThanOrEqual(leastShare)
        // At 200 % zoom, or on the narrowest of screens, a line of head alone is a fifth of the sheet.
        if (width > 320 && height > 600) expect(found.first ?? 1, `${where}: where work begins`).toBeLessThanOrEqual(0.25)
      }
    }
    await page.setViewportSize({ width: opened, height: openedHigh })
    await page.goto('/take-in/work?stage=fit')
    await expect(page.locator('[data-fit-drawing]').first()).toBeVisible()
    expect(await tooSmall(page)).toEqual([])
  })
}
