import { cp, mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Download, expect, type Page, test as base } from '@playwright/test'

/** Every journey also watches that its page reports no error and that nothing is asked of another machine. */
async function watch(page: Page, use: (page: Page) => Promise<void>): Promise<void> {
  const problems: string[] = []
  page.on('pageerror', error => problems.push(String(error)))
  page.on('console', message => {
    if (message.type() === 'error') problems.push(message.text())
  })
  page.on('request', request => {
    if (!/^(http:\/\/127\.0\.0\.1|blob:)/.test(request.url())) problems.push(`asked ${request.url()}`)
  })
  await use(page)
  expect(problems).toEqual([])
}
const newFolder = (): Promise<string> => mkdtemp(join(tmpdir(), 'yondercrest-journey-'))
/** Where a browser keeps what the databases of its pages hold, in the folder of its user. */
const DATABASES = join('Default', 'IndexedDB')

/**
 * `page` is of a browser that has never been here. `demo` is of one in which the demo room was opened before and has been looked
 * through: once for all such journeys, each of which begins with a copy of its databases, and of nothing else.
 */
export const test = base.extend<{ demo: Page }, { demoDatabases: string }>({
  page: ({ page }, use) => watch(page, use),
  demo: async ({ playwright, demoDatabases }, use) => {
    const folder = await newFolder()
    await cp(demoDatabases, join(folder, DATABASES), { recursive: true })
    const context = await playwright.chromium.launchPersistentContext(folder)
    try {
      await watch(context.pages()[0] ?? (await context.newPage()), use)
    } finally {
      await context.close()
      await rm(folder, { recursive: true })
    }
  },
  demoDatabases: [
    async ({ playwright }, use, { project }) => {
      const folder = await newFolder()
      const context = await playwright.chromium.launchPersistentContext(folder, project.use)
      const page = context.pages()[0] ?? (await context.newPage())
      await openDemo(page)
      // What a picture shows is read once, in the background of Take in.
      await go(page, '/take-in')
      await expect
        .poll(
          async () => {
            const { pictures, inkMaps } = await countsOf(page, ['pictures', 'inkMaps'])
            return inkMaps === pictures
          },
          { timeout: 90_000 },
        )
        .toBe(true)
      await context.close()
      await use(join(folder, DATABASES))
      await rm(folder, { recursive: true })
    },
    // Made before the first of them, and not in its time.
    { scope: 'worker', timeout: 120_000 },
  ],
})
export { expect }

/**
 * To another page as a link leads there, without reading the application anew; where it is not open yet, by its address. Who asks
 * what an address or a reload shows says `goto` or `reload`.
 */
export async function go(page: Page, path: string): Promise<void> {
  const isThere = await page.evaluate(async to => {
    const app = window.useNuxtApp?.()
    await app?.$router.push(to)
    return app !== undefined
  }, path)
  if (isThere) return
  await page.goto(path)
  // It is there a moment before it can be led anywhere.
  await page.waitForFunction(() => '$router' in (window.useNuxtApp?.() ?? {}))
}
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
  await go(page, '/take-in')
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
/** As one text: Playwright looks at every value of what comes as records, on both of its sides. */
async function askTables<T>(page: Page, tables: readonly string[], question: 'getAll' | 'count'): Promise<Record<string, T>> {
  const answers = await page.evaluate(
    async ({ tables: names, question: each }) => {
      const open = indexedDB.open('yondercrest')
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        open.onsuccess = () => resolve(open.result)
        open.onerror = () => reject(new Error('no database'))
      })
      const read = (name: string): Promise<unknown> =>
        new Promise((resolve, reject) => {
          const store = db.transaction(name).objectStore(name)
          const request = each === 'count' ? store.count() : store.getAll()
          request.onsuccess = () => resolve(request.result)
          request.onerror = () => reject(new Error(name))
        })
      const found = await Promise.all(names.map(async name => [name, await read(name)] as const))
      db.close()
      return JSON.stringify(Object.fromEntries(found))
    },
    { tables, question },
  )
  return JSON.parse(answers) as Record<string, T>
}
/** What the database of the page holds, table by table, without pictures; the register and journal on request. */
export const databaseOf = (page: Page, tables: readonly string[]): Promise<Record<string, unknown[]>> => askTables(page, tables, 'getAll')
/** How many records the database of the page holds, table by table. */
export const countsOf = (page: Page, tables: readonly string[]): Promise<Record<string, number>> => askTables(page, tables, 'count')
export const SAMPLE_LIST = 'tests/fixtures/hand-kept-list.csv'

/** A list from the file to the catalogue, as it is proposed. */
export async function bringIn(
  page: Page,
  list: string | { readonly name: string; readonly mimeType: string; readonly buffer: Buffer },
): Promise<void> {
  await go(page, '/take-in/list')
  await page.locator('input[type=file]').setInputFiles(list)
  await expect(page.locator('[data-sums]')).toBeVisible()
  await page.getByRole('button', { name: /^Take in \d+ sets?$/ }).click()
  await expect(page.locator('[data-taken]')).toBeVisible()
}
export const csv = (lines: readonly string[]) => ({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) })
