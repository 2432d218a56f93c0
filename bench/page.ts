import type { Browser, Page } from '@playwright/test'

export const PORT = 4199
export const BASE = `http://127.0.0.1:${PORT}`

/** Unless it is what is measured, nothing is fetched beside the work for when there is no network. */
export async function freshPage(browser: Browser, isDemo: boolean, serviceWorkers: 'allow' | 'block' = 'block'): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers })).newPage()
  if (!isDemo) await page.route('**/api/start', route => route.fulfill({ json: { demo: false } }))
  return page
}
/** Until it is there, looked for at each frame: a locator looks every half second only, once it has waited for one. */
export async function shown(page: Page, selector: string, timeout = 120_000): Promise<void> {
  await page.waitForFunction(each => document.querySelector(each) !== null, selector, { timeout, polling: 'raf' })
}
export const close = (page: Page): Promise<void> => page.context().close()

export async function restore(page: Page, zip: Uint8Array): Promise<void> {
  await page.goto(`${BASE}/copies`)
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'large.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
  await page.getByRole('status').filter({ hasText: 'are back' }).waitFor({ timeout: 180_000 })
}
