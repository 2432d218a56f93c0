import { execFile } from 'node:child_process'
import { mkdtemp, rm } from 'node:fs/promises'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { plainFiles } from '../support/plainFiles'
import { ask, bytesOf, databaseOf, expect, headline, test } from './helpers'

/** The application as plain files below a folder of a host that runs nothing: `npm run site -- /rooms/`. */
test.use({ serviceWorkers: 'allow' })
// Written once for both.
test.describe.configure({ mode: 'default' })
const BASE = '/rooms/'
let [folder, url] = ['', '']
let server: Server

test.beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'yondercrest-site-'))
  await promisify(execFile)(process.execPath, ['scripts/site.mjs', BASE, folder])
  ;({ url, server } = await plainFiles(folder, BASE))
})
test.afterAll(async () => {
  server.close()
  await rm(folder, { recursive: true })
})

test('plain files on any host: each page at its address, what is none is said, and nothing is offered that needs a server', async ({
  page,
}) => {
  await page.goto(url)
  await page.getByRole('button', { name: /^Look around the demo room/ }).click()
  await expect(headline(page)).toHaveText('All 360 sets')
  const icons = await page
    .locator('link[rel=icon], link[rel=manifest]')
    .evaluateAll(links => links.map(link => (link as HTMLLinkElement).href))
  for (const each of icons) expect((await page.request.get(each)).status()).toBe(200)
  // A host adds a slash to the address of a folder.
  await page.goto(`${url}storeroom/fill`)
  await expect(page.locator('h1')).toHaveText('How full, how heavy, how long')
  expect(new URL(page.url()).pathname).toBe(`${BASE}storeroom/fill`)
  await page.goto(`${url}find/picture`)
  await expect(page.getByText('Choose a photo').first()).toBeVisible()
  await expect(page.locator('[data-stand-in]')).toHaveCount(0)
  await page.goto(`${url}index/labels`)
  await expect(page.locator('[data-make-pdf]')).toBeVisible()
  await expect(page.locator('[data-to-machine]')).toHaveCount(0)
  const shell = await page.request.get(`${url}no/such/page`)
  expect(shell.status()).toBe(404)
  expect(await shell.text()).toBe(await (await page.request.get(`${url}find/picture/`)).text())
})

test('over http from another machine: the browser withholds what the work needs, and that is said', async ({
  playwright,
  launchOptions,
}) => {
  const args = launchOptions.args?.filter(each => !each.startsWith('--host-resolver-rules')) ?? []
  const browser = await playwright.chromium.launch({ ...launchOptions, args: [...args, '--host-resolver-rules=MAP * 127.0.0.1'] })
  const page = await browser.newPage()
  const far = url.replace('127.0.0.1', 'craft.room')
  for (const path of ['', 'take-in', 'copies']) {
    await page.goto(`${far}${path}`)
    await expect(page.getByRole('alert')).toContainText('This address is not safe enough')
  }
  await expect(page.getByRole('button')).toHaveCount(0)
  await browser.close()
})

test('a browser without what the work needs is told so, and nothing is shown that would not work', async ({ page }) => {
  await page.addInitScript(() => Reflect.deleteProperty(Array.prototype, 'toSorted'))
  await page.goto(url)
  await expect(page.getByRole('alert')).toContainText('This browser is too old')
  await expect(page.getByRole('button', { name: 'Save a rescue copy' })).toBeVisible()
  await expect(page.getByRole('searchbox')).toHaveCount(0)
  await expect(page.getByText('That did not work.')).toHaveCount(0)
})

test('the main job from plain files, with the host gone after the first opening', async ({ page, context, baseURL }) => {
  test.slow()
  const photo = await (await page.request.get(`${baseURL}/api/camera?seed=4&reference=A4&megapixels=1.5`)).body()
  await page.goto(url)
  await page.getByRole('button', { name: /^Look around the demo room/ }).click()
  await expect(headline(page)).toHaveText('All 360 sets')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller)
      await new Promise(resolve => navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true }))
  })
  await context.setOffline(true)
  server.closeAllConnections()
  server.close()

  await page.reload()
  await ask(page, 'flower')
  await expect(page.getByRole('heading', { name: /in other words/ })).toBeVisible()
  // A list comes in, and is undone and done again over a reload.
  await page.goto(`${url}take-in/list`)
  const list = 'Name,Brand,Size\nKelp by Night,Greywether,4 x 6 in\nLast Ferry Out,Tidewrack,A6\n'
  await page.locator('input[type=file]').setInputFiles({ name: 'quay.csv', mimeType: 'text/csv', buffer: Buffer.from(list) })
  await page.getByRole('button', { name: 'Take in 2 sets' }).click()
  await expect(page.locator('[data-taken]')).toContainText('2 rows')
  await page.reload()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Undone' })).toBeVisible()
  await page.getByRole('button', { name: 'What was done' }).click()
  await page.getByRole('button', { name: 'Do again' }).click()
  await expect.poll(async () => (await databaseOf(page, ['holdings'])).holdings?.length).toBe(362)
  // Fetched, printed, measured.
  await page.goto(`${url}find/pull`)
  const stops = page.locator('[data-stop]')
  await expect(stops.first()).toBeVisible()
  const out = async (): Promise<number> =>
    ((await databaseOf(page, ['loans'])).loans as { backAt: string | null }[]).filter(({ backAt }) => backAt === null).length
  const before = await out()
  await page.locator('[data-taken]').first().click()
  await expect.poll(out).toBe(before + 1)
  await page.goto(`${url}index`)
  await page.locator('[data-make]').click()
  await expect(page.locator('[data-ready]')).toBeVisible({ timeout: 30_000 })
  await page.goto(`${url}take-in/measure`)
  await page.getByLabel('What of known size is in it').selectOption('A4')
  await page.locator('input[type=file]').first().setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: photo })
  await page.getByRole('button', { name: 'Measure', exact: true }).click({ timeout: 30_000 })
  await expect(page.locator('[data-measured]')).toBeVisible({ timeout: 30_000 })
  // Saved, begun anew, and brought back.
  await page.goto(`${url}copies`)
  const all = await databaseOf(page, ['holdings', 'holders', 'loans'])
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save a copy now' }).click()])
  const copy = await bytesOf(download)
  await page.getByRole('button', { name: 'Start empty' }).click()
  await expect(page.getByText('The room is empty.')).toBeVisible()
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: copy })
  await expect(page.getByRole('status').filter({ hasText: '362 sets are back' })).toBeVisible()
  expect(await databaseOf(page, ['holdings', 'holders', 'loans'])).toEqual(all)
})
