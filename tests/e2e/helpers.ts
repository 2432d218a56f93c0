import { type Download, expect, type Page, test as base } from '@playwright/test'

/** Every journey also watches that the page reports no error and that nothing is asked of another machine. */
export const test = base.extend<{ watched: undefined }>({
  watched: [
    async ({ page }, use) => {
      const problems: string[] = []
      page.on('pageerror', error => problems.push(String(error)))
      page.on('console', message => {
        if (message.type() === 'error') problems.push(message.text())
      })
      page.on('request', request => {
        if (!/^(http:\/\/127\.0\.0\.1|blob:)/.test(request.url())) problems.push(`asked ${request.url()}`)
      })
      await use(undefined)
      expect(problems).toEqual([])
    },
    { auto: true },
  ],
})
export { expect }

/** The demo room, loaded into an empty browser. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/')
  await expect(page.locator('[data-headline]')).toHaveText('All 360 sets', { timeout: 30_000 })
}

/** An empty room: the demo is loaded first (as a first start does) and then set aside. */
export async function openEmpty(page: Page): Promise<void> {
  await page.route('**/api/start', route => route.fulfill({ json: { demo: false } }))
  await page.goto('/')
  await page.getByRole('button', { name: /^Start empty/ }).click()
  await expect(page.getByRole('heading', { name: 'Take in', exact: true })).toBeVisible()
}

/** A strip with nothing on it: the demo room has sets on its pile, and the first of them is open. */
export async function newStrip(page: Page): Promise<void> {
  await page.goto('/take-in')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Ferry Timetable')
  await page.getByRole('button', { name: 'Begin a new one' }).click()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
}

export const ask = async (page: Page, text: string): Promise<void> => page.getByRole('searchbox', { name: 'Ask' }).fill(text)
export const headline = (page: Page) => page.locator('[data-headline]')
export const matItem = (page: Page, name: string | RegExp) => page.locator('[data-mat-item]').filter({ hasText: name })

export async function bytesOf(download: Download): Promise<Buffer> {
  const chunks: Buffer[] = []
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}
/** What the database of the page holds, table by table, without pictures; the register and journal on request. */
export async function databaseOf(page: Page, tables: readonly string[]): Promise<Record<string, unknown[]>> {
  return page.evaluate(async names => {
    const open = indexedDB.open('yondercrest')
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      open.onsuccess = () => resolve(open.result)
      open.onerror = () => reject(new Error('no database'))
    })
    const read = (name: string): Promise<unknown[]> =>
      new Promise((resolve, reject) => {
        const request = db.transaction(name).objectStore(name).getAll()
        request.onsuccess = () => resolve(request.result as unknown[])
        request.onerror = () => reject(new Error(name))
      })
    const found = Object.fromEntries(await Promise.all(names.map(async name => [name, await read(name)] as const)))
    db.close()
    return found
  }, tables)
}
export const SAMPLE_LIST = 'tests/fixtures/hand-kept-list.csv'

/** A list from the file to the catalogue, as it is proposed. */
export async function bringIn(
  page: Page,
  list: string | { readonly name: string; readonly mimeType: string; readonly buffer: Buffer },
): Promise<void> {
  await page.goto('/take-in/list')
  await page.locator('input[type=file]').setInputFiles(list)
  await expect(page.locator('[data-sums]')).toBeVisible()
  await page.getByRole('button', { name: /^Take in \d+ sets?$/ }).click()
  await expect(page.locator('[data-taken]')).toBeVisible()
}
export const csv = (lines: readonly string[]) => ({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) })
