import { createHash } from 'node:crypto'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import sharp from 'sharp'
import type { Holding, Loan } from '../../core/catalog'
import { ask, databaseOf, expect, headline, matItem, openDemo, test } from './helpers'
import type { Page } from '@playwright/test'

test.use({ serviceWorkers: 'allow' })
/** Everything is in the browser: the service worker has fetched it, and answers for the server. */
const isFetched = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller)
      await new Promise(resolve => navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true }))
  })
const outIds = async (page: Page): Promise<readonly string[]> =>
  ((await databaseOf(page, ['loans'])) as unknown as { readonly loans: readonly Loan[] }).loans
    .filter(({ backAt }) => backAt === null)
    .map(({ holdingId }) => holdingId)

test('with no network: it opens, answers, shows pictures, and a walk is walked', async ({ page, context }) => {
  test.slow()
  await openDemo(page)
  await isFetched(page)
  await context.setOffline(true)
  await page.reload()
  await expect(headline(page)).toHaveText('All 360 sets')
  await expect(page.locator('[data-no-network]')).toBeVisible()
  // Words, their forms, and what says the same otherwise: that needs the lexicon.
  await ask(page, 'flower')
  await expect(headline(page)).toHaveAttribute('data-ask', 'flower')
  await expect(matItem(page, /Flower/).first()).toBeVisible()
  await expect(page.getByRole('heading', { name: /in other words/ })).toBeVisible()
  await matItem(page, /Flower/)
    .first()
    .click()
  const picture = page.locator('[data-slip] img').first()
  await expect.poll(() => picture.evaluate(img => (img as HTMLImageElement).naturalWidth)).toBeGreaterThan(50)
  // A link from outside leads to its page as well.
  await page.goto('/find/pull')
  await expect(page.locator('[data-stop]').first()).toBeVisible()
  const before = await outIds(page)
  await page.locator('[data-taken]').first().click()
  await expect.poll(async () => (await outIds(page)).length).toBe(before.length + 1)
  await page.goto('/find/out')
  await expect(page.locator('[data-put-back]').first()).toBeVisible()
  for (const path of ['/take-in', '/storeroom', '/storeroom/fill', '/index', '/copies', '/find/space', '/find/card']) {
    await page.goto(path)
    await expect(page.locator('h1').first()).toBeAttached()
  }
})

test('in a shop, at phone width and with no network: own it, another edition, lacking in its series, by its packet', async ({
  page,
  context,
}) => {
  test.slow()
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  await isFetched(page)
  await context.setOffline(true)
  await page.goto('/find/own')
  const verdict = page.locator('[data-verdict]')
  const field = page.getByLabel('What lies before you')
  const told = async (text: string, as: string): Promise<void> => {
    await field.fill(text)
    await expect(page.locator(`[data-own="${text}"]`)).toHaveAttribute('data-verdict', as)
  }
  await told('Lantern Cloud Trio', 'same')
  await expect(page.locator('[data-found]').first()).toContainText('Lantern Cloud Trio')
  await told('Lantern Cloud Trio, mini', 'edition')
  await told('Plumb Bob Paperworks tide tables no. 3', 'lacking')
  await expect(page.locator('[data-series]')).toContainText('Of Tide Tables you have 1, 2, 4 and 5.')
  await expect(page.locator('[data-series]')).toContainText('You lack 3.')
  await told('Tide tables #4', 'same')
  // What lies on the pile is owned as well; a slip of the pen is no other set.
  await told('Ferry Timetable', 'pile')
  await expect(verdict).toContainText('not taken in yet: Ferry Timetable')
  await told('Lantren Cluod Trio', 'same')
  await told('zebra crossing in the rain', 'none')
  await expect(verdict).toContainText('No set of that name')
  // Room for it, by its kind, and how many are wanted there at most.
  await page.getByLabel('It is of the kind').selectOption({ label: 'Wood mounted' })
  await expect(page.locator('[data-own-room]')).toContainText('Wood blocks')
  await expect(page.locator('[data-own-room]')).toContainText(/There is (room for about [1-9]|no room left)/)
  await expect(page.locator('[data-own-room]')).toContainText(/of at most|as many as you want|more than the/)

  // The packet: the picture of a set that is owned, a little larger and turned, as a photo.
  const { holdings } = (await databaseOf(page, ['holdings'])) as unknown as { readonly holdings: readonly Holding[] }
  const set = holdings.find(({ name }) => name === 'Garden Tree Sampler')
  const bytes = await page.evaluate(async hash => {
    const open = indexedDB.open('yondercrest')
    await new Promise(resolve => (open.onsuccess = resolve))
    const request = open.result.transaction('pictures').objectStore('pictures').get(hash)
    await new Promise(resolve => (request.onsuccess = resolve))
    open.result.close()
    return [...new Uint8Array((request.result as { readonly bytes: ArrayBuffer }).bytes)]
  }, set?.pictureHash ?? '')
  const photo = await sharp(Buffer.from(bytes))
    .greyscale()
    .rotate(17, { background: '#ffffff' })
    .resize(900)
    .jpeg({ quality: 70 })
    .toBuffer()
  await page.getByLabel('Photo of the packet').setInputFiles({ name: 'packet.jpg', mimeType: 'image/jpeg', buffer: photo })
  await expect(page.locator('[data-own-picture] [data-found]').first()).toHaveAttribute('data-found', String(set?.number), {
    timeout: 120_000,
  })
})

/** A version of the application beside the one that is served: one of its files has another name. */
interface OtherVersion {
  isNewer: boolean
  /** What a proxy may answer for the file that it does not have yet: a page, with a 200. */
  isHalf?: boolean
}
const NEWER = 'newer-of-them.js'

/** The server as it is, but for its service worker: that is of another version once `isNewer`. */
async function before(baseURL: string, version: OtherVersion): Promise<Server> {
  const [, renamed = ''] = /_nuxt\/([\w-]+\.js)/.exec(await (await fetch(`${baseURL}/sw.js`)).text()) ?? []
  const server = createServer((request, response) => {
    if (version.isHalf && request.url?.includes(NEWER)) {
      response.writeHead(200, { 'content-type': 'text/html' })
      return void response.end('<!doctype html><title>Not found</title>')
    }
    const path = (request.url ?? '/').replace(NEWER, renamed)
    void fetch(`${baseURL}${path}`).then(async answer => {
      const body = Buffer.from(await answer.arrayBuffer())
      const headers = Object.fromEntries(
        [...answer.headers].filter(([name]) => !/^(content-encoding|content-length|transfer-encoding)$/.test(name)),
      )
      response.writeHead(answer.status, headers)
      const isOther = request.url === '/sw.js' && version.isNewer
      response.end(isOther ? body.toString().replaceAll(renamed, NEWER) : body)
    })
  })
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
  return server
}

test('a newer version is told of, waits while one works, and is taken when one says so', async ({ page, baseURL }) => {
  test.slow()
  const version = { isNewer: false }
  const server = await before(baseURL ?? '', version)
  try {
    const own = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    await page.goto(own)
    await expect(headline(page)).toHaveText('All 360 sets', { timeout: 30_000 })
    await isFetched(page)
    await expect(page.locator('[data-newer]')).toHaveCount(0)
    // Not loaded anew: a tab that was there before the first version.
    await page.locator('[data-way="/find/own"]').click()
    const field = page.getByLabel('What lies before you')
    await field.fill('Lantern Cloud Trio')
    version.isNewer = true
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update())
    await expect(page.locator('[data-newer]')).toBeVisible()
    await expect(page.getByRole('status').filter({ hasText: 'A newer version is here' })).toBeVisible()
    // Nothing happens by itself.
    await expect(field).toHaveValue('Lantern Cloud Trio')
    await field.fill('Lantern Cloud Trio, tall')
    // A second tab is at work as well.
    const other = await page.context().newPage()
    await other.goto(`${own}/find/own`)
    await expect(other.locator('[data-newer]')).toBeVisible()
    // A tab that is still loading keeps the version at work.
    await expect(other.getByLabel('What lies before you')).toBeVisible()
    await other.waitForLoadState('networkidle')
    await other.evaluate(() => Object.assign(window, { isAtWork: true }))
    await page.bringToFront()
    await page.locator('[data-newer]').click()
    // A browser lets the version at work go when it has been idle, which it may notice by its timer of half a minute only.
    await expect(page.locator('[data-newer]')).toHaveCount(0, { timeout: 60_000 })
    // What was typed is still there, and the other tab was not torn from its work: it takes the newer version when it likes.
    await expect(field).toHaveValue('Lantern Cloud Trio, tall')
    expect(await other.evaluate(() => 'isAtWork' in window)).toBe(true)
    await other.bringToFront()
    await other.locator('[data-newer]').click()
    await expect.poll(() => other.evaluate(() => 'isAtWork' in window).catch(() => true)).toBe(false)
    await expect(other.locator('[data-newer]')).toHaveCount(0)
  } finally {
    await new Promise(resolve => server.close(resolve))
  }
})

/** What becomes of the next version of the service worker. */
const nextVersion = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const registration = await navigator.serviceWorker.ready
    await registration.update()
    const next = registration.installing ?? registration.waiting
    if (next?.state === 'installing') await new Promise(resolve => next.addEventListener('statechange', resolve, { once: true }))
    return next?.state ?? 'none'
  })

test('a newer version of which a file is not there yet is not offered, and the one at work goes on; whole, it is', async ({
  page,
  baseURL,
}) => {
  test.slow()
  const version = { isNewer: false, isHalf: true }
  const server = await before(baseURL ?? '', version)
  try {
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}`)
    await expect(headline(page)).toHaveText('All 360 sets', { timeout: 30_000 })
    await isFetched(page)
    version.isNewer = true
    expect(await nextVersion(page)).toBe('redundant')
    await expect(page.locator('[data-newer]')).toHaveCount(0)
    await page.reload()
    await expect(headline(page)).toHaveText('All 360 sets')
    version.isHalf = false
    expect(await nextVersion(page)).toBe('installed')
    await page.locator('[data-newer]').click()
    await expect(page.locator('[data-newer]')).toHaveCount(0, { timeout: 60_000 })
    await expect(headline(page)).toHaveText('All 360 sets')
    // It is the newer one that answers now, with no server behind it.
    expect(await page.evaluate(async name => (await fetch(`/_nuxt/${name}`)).headers.get('content-type'), NEWER)).toContain('javascript')
  } finally {
    await new Promise(resolve => server.close(resolve))
  }
})

/** A server whose newer version begins with a file that does nothing, for as long as it is broken. */
async function withBroken(baseURL: string, version: { isNewer: boolean; isBroken: boolean }): Promise<Server> {
  const text = async (path: string): Promise<string> => (await fetch(`${baseURL}${path}`)).text()
  const [, entry = ''] = /<script type="module" src="\/_nuxt\/([\w-]+\.js)"/.exec(await text('/')) ?? []
  const newerEntry = (): string => (version.isBroken ? 'newer-broken.js' : 'newer-whole.js')
  const code = (): Promise<string> => (version.isBroken ? Promise.resolve('export {}') : text(`/_nuxt/${entry}`))
  /** The list of files of a version that begins with the newer file; only that has another digest. */
  async function newerWorker(worker: string): Promise<string> {
    const digest = createHash('sha384')
      .update(await code())
      .digest('base64')
    return worker
      .replace(new RegExp(`(url:"_nuxt/)${entry}(",revision:null,integrity:"sha384-)[^"]+`), `$1${newerEntry()}$2${digest}`)
      .replace(/(url:"\.\/",revision:")[^"]+/, `$1newer-${String(version.isBroken)}`)
      .replaceAll(entry, newerEntry())
  }
  const server = createServer((request, response) => {
    const path = request.url ?? '/'
    void fetch(`${baseURL}${path.replace(newerEntry(), entry)}`).then(async answer => {
      const body = Buffer.from(await answer.arrayBuffer())
      response.writeHead(answer.status, { 'content-type': answer.headers.get('content-type') ?? 'text/plain' })
      if (path.includes(newerEntry())) return response.end(await code())
      if (!version.isNewer) return response.end(body)
      if (path === '/sw.js') return response.end(await newerWorker(body.toString()))
      const isShell = answer.headers.get('content-type')?.includes('text/html')
      response.end(isShell ? body.toString().replaceAll(entry, newerEntry()) : body)
    })
  })
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
  return server
}

test('a newer version that does not come up is left for the one before, with every file of it', async ({ page, baseURL }) => {
  test.slow()
  const version = { isNewer: false, isBroken: true }
  const server = await withBroken(baseURL ?? '', version)
  try {
    const own = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    await page.goto(own)
    await expect(headline(page)).toHaveText('All 360 sets', { timeout: 30_000 })
    await isFetched(page)
    version.isNewer = true
    expect(await nextVersion(page)).toBe('installed')
    await page.locator('[data-newer]').click()
    // Nothing comes up; some seconds later the one before is there again, and says so. Tried again, it is left again.
    for (const time of ['first', 'again']) {
      if (time === 'again') await page.locator('[data-newer]').click()
      await expect(headline(page)).toHaveCount(0, { timeout: 60_000 })
      await expect(page.getByText('The newer version did not open')).toBeVisible({ timeout: 30_000 })
      await expect(headline(page)).toHaveText('All 360 sets')
    }
    // Pages whose files were not loaded yet, and no server behind them.
    await page.context().setOffline(true)
    for (const path of ['/storeroom', '/index/labels', '/find/card']) {
      await page.goto(`${own}${path}`)
      await expect(page.locator('h1').first()).toBeAttached()
    }
  } finally {
    await new Promise(resolve => server.close(resolve))
  }
})

test('what the browser has cleared of the application is fetched again, and it opens with no network', async ({ page, context }) => {
  await openDemo(page)
  await isFetched(page)
  const kept = (): Promise<number> =>
    page.evaluate(async () => {
      const names = (await caches.keys()).filter(name => name.includes('precache'))
      const lists = await Promise.all(names.map(async name => (await (await caches.open(name)).keys()).length))
      return lists.reduce((sum, count) => sum + count, 0)
    })
  const whole = await kept()
  expect(whole).toBeGreaterThan(50)
  await page.evaluate(async () => Promise.all((await caches.keys()).map(name => caches.delete(name))))
  expect(await kept()).toBe(0)
  await page.reload()
  await expect(headline(page)).toHaveText('All 360 sets')
  await expect.poll(kept, { timeout: 30_000 }).toBe(whole)
  await context.setOffline(true)
  await page.goto('/storeroom')
  await expect(page.getByRole('heading', { name: 'Storeroom', exact: true })).toBeVisible()
})
