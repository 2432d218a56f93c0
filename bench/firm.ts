import { createHash, randomBytes } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium, type Page } from '@playwright/test'
import { ulid } from 'ulid'
import type { CatalogueData } from '#core/catalog'
import { packArchive } from '#core/exchange'
import { makeLarge } from './collection'
import { median, ms, report } from './measure'
import { BASE, close, freshPage, shown } from './page'

const MADE_AT = '2026-11-01T00:00:00.000Z'
const MB = 1024 ** 2
const sha256 = (bytes: Uint8Array): Promise<string> => Promise.resolve(createHash('sha256').update(bytes).digest('hex'))
const pack = (data: CatalogueData): Promise<Uint8Array> => packArchive(data, [], [], MADE_AT, sha256)

/** Memory in MB of the browsers that this process has started: of the largest that draws pages, and of all together. */
function memory(): { readonly tab: number; readonly all: number } {
  const parents = new Map<number, number>()
  for (const pid of readdirSync('/proc').map(Number).filter(Number.isInteger)) {
    const stat = readOr(`/proc/${pid}/stat`)
    parents.set(pid, Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]))
  }
  const isOurs = (pid: number | undefined): boolean => pid !== undefined && (pid === process.pid || (pid > 1 && isOurs(parents.get(pid))))
  let [tab, all] = [0, 0]
  for (const pid of [...parents.keys()].filter(each => each !== process.pid && isOurs(each))) {
    const command = readOr(`/proc/${pid}/cmdline`)
    if (!command.includes('chrom')) continue
    // What a file holds that is only looked into is no memory that the work takes.
    const rollup = readOr(`/proc/${pid}/smaps_rollup`)
    const share =
      ['Pss_Anon', 'Pss_Shmem'].reduce((sum, kind) => sum + Number(new RegExp(`^${kind}:\\s+(\\d+)`, 'm').exec(rollup)?.[1] ?? 0), 0) / 1024
    all += share
    if (command.includes('--type=renderer')) tab = Math.max(tab, share)
  }
  return { tab, all }
}
function readOr(path: string): string {
  try {
    return readFileSync(path, 'utf8')
  } catch {
    return ''
  }
}
/** The most memory while something is done, above what there was before, in MB. */
async function mostMemory(work: () => Promise<void>): Promise<{ readonly tab: number; readonly all: number }> {
  const before = memory()
  let [tab, all] = [0, 0]
  const watch = setInterval(() => {
    const now = memory()
    ;[tab, all] = [Math.max(tab, now.tab - before.tab), Math.max(all, now.all - before.all)]
  }, 60)
  await work()
  clearInterval(watch)
  return { tab, all }
}

async function took(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now()
  await work()
  return performance.now() - start
}
const times = async (count: number, work: () => Promise<number>): Promise<number> => {
  const all: number[] = []
  for (let run = 0; run < count; run += 1) all.push(await work())
  return median(all)
}
const readBack = (page: Page, zip: Uint8Array): Promise<number> =>
  took(async () => {
    await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'large.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
    await page.getByRole('status').filter({ hasText: 'are back' }).waitFor({ timeout: 180_000 })
  })
const save = (page: Page): Promise<number> =>
  took(async () => {
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: 180_000 }),
      page.getByRole('button', { name: 'Save a copy now' }).click(),
    ])
    await download.path()
  })
async function undo(page: Page): Promise<number> {
  return took(async () => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await page.getByRole('status').filter({ hasText: 'Undone' }).waitFor({ timeout: 180_000 })
  })
}
/** From the address to the sizes of pictures and steps. */
async function copiesShown(page: Page): Promise<number> {
  await page.goto(`${BASE}/take-in`)
  await shown(page, 'h1')
  await page.waitForTimeout(1500)
  return took(async () => {
    await page.locator('a[href="/copies"]').first().click()
    await shown(page, '[data-storage][aria-busy=false]')
  })
}
async function beginRoom(page: Page): Promise<void> {
  await page.route('**/api/start', route => route.fulfill({ json: { demo: false } }))
  await page.goto(BASE)
  await page.getByRole('button', { name: /^Start empty/ }).click()
  await page.getByRole('heading', { name: 'Take in', exact: true }).waitFor()
  await page.goto(`${BASE}/copies`)
}
async function newRoom(browser: Browser): Promise<Page> {
  const page = await freshPage(browser, false)
  await beginRoom(page)
  return page
}

async function manySets(browser: Browser): Promise<void> {
  const page = await newRoom(browser)
  const zip = await pack(makeLarge(20_000))
  const [reads, undone]: [number[], number[]] = [[], []]
  for (let run = 0; run < 3; run += 1) {
    reads.push(await readBack(page, zip))
    if (run < 2) undone.push(await undo(page))
  }
  report('20,000 sets: read back', ms(median(reads)), '5000 ms')
  report('  its undo', ms(median(undone)), '5000 ms')
  report('  saved', ms(await times(3, () => save(page))), '1500 ms')
  report('  Copies shown, with its sizes', ms(await times(3, () => copiesShown(page))), '500 ms')
  await page.goto(BASE)
  await page.waitForTimeout(12_000)
  await page.reload()
  await page.waitForTimeout(5000)
  report('  the tab, opened and left alone', `${Math.round(memory().tab)} MB`, '450 MB')
  await close(page)
}

async function longLog(browser: Browser): Promise<void> {
  const data = makeLarge(3000)
  // Every tenth set was never used; the others on 74 days each.
  data.holdings.forEach(({ id, number }, index) => {
    if (index % 10 === 0) return
    for (let day = 0; day < 74; day += 1) {
      const on = new Date(Date.UTC(2020, 0, 1 + ((number * 31 + day * 29) % 2400))).toISOString().slice(0, 10)
      data.uses.push({ id: ulid(), holdingId: id, on, times: 1, from: 'fetched' })
    }
  })
  const page = await newRoom(browser)
  report(`3,000 sets, ${data.uses.length} uses: read back`, ms(await readBack(page, await pack(data))), '8000 ms')
  report('  saved', ms(await times(3, () => save(page))), '3000 ms')
  await page.goto(BASE)
  await page.waitForTimeout(4000)
  const answer = (): Promise<number> =>
    took(async () => {
      await page.locator('#ask').fill('unused')
      await shown(page, '[data-ask="unused"]')
    })
  const first = await answer()
  await page.locator('#ask').fill('')
  report('  "unused" answered', `${ms(first)}, then ${ms(await answer())}`, '500 ms')
  await close(page)
}

async function veryMany(browser: Browser): Promise<void> {
  const page = await newRoom(browser)
  await readBack(page, await pack(makeLarge(60_000)))
  await page.goto(BASE)
  await page.waitForTimeout(20_000)
  const openings = await times(3, () =>
    took(async () => {
      await page.goto(`${BASE}/?ask=harbour`)
      await shown(page, '[data-ask="harbour"]')
    }),
  )
  report('60,000 sets: opened from what is kept, to the first answer', ms(openings), '3000 ms')
  await page.waitForTimeout(8000)
  report('  the tab', `${Math.round(memory().tab)} MB`, '900 MB')
  await close(page)
}

/** Pictures of 300 kB that no codec can make smaller, each its own, put beside the sets that name them. */
async function withPictures(page: Page, count: number): Promise<void> {
  const seed = randomBytes(300_000).toString('base64')
  await page.evaluate(
    async ([base64, wanted]) => {
      const seedBytes = Uint8Array.from(atob(base64), letter => letter.charCodeAt(0))
      const db = await new Promise<IDBDatabase>(resolve => {
        const request = indexedDB.open('yondercrest')
        request.onsuccess = () => resolve(request.result)
      })
      const done = (request: IDBRequest): Promise<unknown> => new Promise(resolve => (request.onsuccess = () => resolve(request.result)))
      const sets = (await done(db.transaction('holdings').objectStore('holdings').getAll())) as { id: string; pictureHash: string | null }[]
      for (const [at, set] of sets.slice(0, wanted).entries()) {
        const bytes = seedBytes.slice()
        new DataView(bytes.buffer).setUint32(0, at)
        const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
        const hash = [...digest].map(each => each.toString(16).padStart(2, '0')).join('')
        const transaction = db.transaction(['pictures', 'holdings'], 'readwrite')
        transaction.objectStore('pictures').put({ hash, type: 'image/png', bytes: bytes.buffer, widthPx: 100, heightPx: 100 })
        await done(transaction.objectStore('holdings').put({ ...set, pictureHash: hash }))
      }
      db.close()
    },
    [seed, count] as const,
  )
}
/** In a browser as people have it: the pages of a private one keep their files in memory. */
async function manyPictures(executablePath: string): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'bench-'))
  const context = await chromium.launchPersistentContext(folder, {
    executablePath,
    args: ['--no-sandbox', '--disable-gpu'],
    serviceWorkers: 'block',
  })
  const page = context.pages()[0] ?? (await context.newPage())
  await beginRoom(page)
  const zip = await pack(makeLarge(3400))
  await readBack(page, zip)
  const opening = async (): Promise<number> => {
    await page.goto(BASE)
    await page.waitForTimeout(8000)
    return times(5, () =>
      took(async () => {
        await page.goto(`${BASE}/?ask=harbour`)
        await shown(page, '[data-ask="harbour"]')
      }),
    )
  }
  const without = await opening()
  await withPictures(page, 3400)
  const withThem = await opening()
  report('3,400 pictures of 300 kB: opening against none', `${(withThem / without).toFixed(2)} x (${ms(without)})`, '1.1 x')
  report('  Copies shown first, with its sizes', ms(await copiesShown(page)), 'none given')
  report('  Copies shown after that', ms(await times(3, () => copiesShown(page))), '500 ms')
  await page.waitForTimeout(3000)
  let seconds = 0
  const most = await mostMemory(async () => void (seconds = (await save(page)) / 1000))
  const says = `tab ${Math.round(most.tab)} MB, all processes ${Math.round(most.all)} MB`
  report(`  saved (${Math.round((3400 * 300_000) / MB)} MB, ${seconds.toFixed(1)} s): memory at most`, says, '200 MB')
  await context.close()
  rmSync(folder, { recursive: true })
}

export async function firm(executablePath: string, launch: () => Promise<Browser>): Promise<void> {
  await manyPictures(executablePath)
  for (const part of [manySets, longLog, veryMany]) {
    const browser = await launch()
    await part(browser).finally(() => browser.close())
  }
}
