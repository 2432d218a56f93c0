import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { type Browser, chromium, type Page } from '@playwright/test'
import { packLarge } from './collection'
import { baselineMs, median, ms, percentile, report } from './measure'

const PORT = 4199
const BASE = `http://127.0.0.1:${PORT}`
const ASKS = ['harbour light', 'tide pool', 'kelp', 'happy birthday', 'copperlatch wave', '352', 'fern study', 'thank you'] as const

async function serve(): Promise<() => void> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], { env: { ...process.env, HOST: '127.0.0.1', PORT: String(PORT), NUXT_DEMO: 'true' }, stdio: 'ignore' })
  for (let tries = 0; tries < 100; tries += 1) {
    if (await fetch(`${BASE}/api/start`).then(response => response.ok, () => false)) break
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  return () => void server.kill()
}
async function freshPage(browser: Browser, isDemo: boolean): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  if (!isDemo) await page.route('**/api/start', route => route.fulfill({ json: { demo: false } }))
  return page
}
const close = (page: Page): Promise<void> => page.context().close()

async function firstScreen(browser: Browser): Promise<void> {
  const page = await freshPage(browser, true)
  await page.goto(BASE)
  await page.locator('[data-headline]').waitFor()
  const names = await page.evaluate(() => performance.getEntriesByType('resource').map(entry => entry.name.split('/').pop() ?? ''))
  const files = readdirSync('.output/public/_nuxt').filter(file => names.includes(file))
  const kilobytes = (ending: RegExp): number => files.filter(file => ending.test(file)).reduce((sum, file) => sum + gzipSync(readFileSync(`.output/public/_nuxt/${file}`)).length, 0) / 1000
  const workers = files.filter(file => file.includes('.worker'))
  report('first screen: JavaScript of the page, gzip', `${kilobytes(/(?<!\.worker-[\w-]+)\.js$/).toFixed(0)} kB`, '250 kB')
  report(`  and of its workers (${workers.length})`, `${workers.reduce((sum, file) => sum + gzipSync(readFileSync(`.output/public/_nuxt/${file}`)).length / 1000, 0).toFixed(0)} kB`, 'none given')
  report('first screen: CSS, gzip', `${kilobytes(/\.css$/).toFixed(0)} kB`, '40 kB')
  await close(page)
}

async function coldStart(browser: Browser): Promise<void> {
  const [first, again]: [number[], number[]] = [[], []]
  for (let run = 0; run < 7; run += 1) {
    const page = await freshPage(browser, true)
    for (const times of [first, again]) {
      const start = performance.now()
      await page.goto(`${BASE}/?ask=harbour`, { waitUntil: 'commit' })
      await page.locator('[data-ask="harbour"]').waitFor()
      times.push(performance.now() - start)
    }
    await close(page)
  }
  report('demo room, first start with its loading, to the first answer', `median ${ms(median(first))}`, '2000 ms')
  report('demo room, later start, to the first answer', `median ${ms(median(again))}`, '2000 ms')
}

async function restore(page: Page, zip: Uint8Array): Promise<void> {
  await page.goto(`${BASE}/copies`)
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'large.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) })
  await page.getByRole('status').filter({ hasText: 'are back' }).waitFor({ timeout: 180_000 })
}

/** Key press to painted answer: from the input event to the second frame after the headline shows this ask. */
async function askTimes(page: Page): Promise<number[]> {
  return page.evaluate(async (asks) => {
    const field = document.querySelector<HTMLInputElement>('#ask')
    if (!field) return []
    const answered = (ask: string): Promise<number> => new Promise((resolve) => {
      const start = performance.now()
      const look = (): void => {
        if (document.querySelector('[data-headline]')?.getAttribute('data-ask') === ask) requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - start)))
        else requestAnimationFrame(look)
      }
      field.value = ask
      field.dispatchEvent(new InputEvent('input', { bubbles: true }))
      look()
    })
    const times: number[] = []
    for (const ask of [...asks, ...asks]) {
      for (let length = 1; length <= ask.length; length += 1) {
        const typed = ask.slice(0, length)
        if (typed.endsWith(' ')) continue
        times.push(await answered(typed))
        await new Promise(resolve => setTimeout(resolve, 30))
      }
    }
    return times
  }, ASKS)
}

async function largeRoom(browser: Browser, count: number, aimMs: number): Promise<void> {
  const page = await freshPage(browser, false)
  await restore(page, await packLarge(count))
  const openings: number[] = []
  for (let run = 0; run < 5; run += 1) {
    const start = performance.now()
    await page.goto(`${BASE}/?ask=harbour`, { waitUntil: 'commit' })
    await page.locator('[data-ask="harbour"]').waitFor({ timeout: 60_000 })
    openings.push(performance.now() - start)
  }
  report(`${count} sets: opening to the first answer`, `median ${ms(median(openings))}`, count >= 20_000 ? '2500 ms' : 'none given')
  await page.waitForTimeout(1500)
  const times = await askTimes(page)
  report(`${count} sets: key press to painted answer (${times.length} keys)`, `p50 ${ms(median(times))}, p95 ${ms(percentile(times, 0.95))}`, `p95 ${aimMs} ms`)
  await close(page)
}

async function emptyRoom(browser: Browser): Promise<Page> {
  const page = await freshPage(browser, false)
  await page.goto(BASE)
  await page.getByRole('button', { name: /^Start empty/ }).click()
  await page.getByRole('heading', { name: 'Take in', exact: true }).waitFor()
  return page
}

async function importLong(browser: Browser): Promise<void> {
  const page = await emptyRoom(browser)
  await page.getByRole('link', { name: 'Bring in a list' }).click()
  await page.evaluate(() => {
    const long = { longest: 0 }
    Object.assign(globalThis, { long })
    new PerformanceObserver((list) => { for (const entry of list.getEntries()) long.longest = Math.max(long.longest, entry.duration) }).observe({ entryTypes: ['longtask'] })
  })
  const [head, ...rows] = readFileSync('tests/fixtures/hand-kept-list.csv', 'utf8').split(/\r\n(?=[A-Za-z0-9])/)
  const many = Array.from({ length: 10_000 }, (_, index) => (rows[index % rows.length] ?? '').replace(/,\d*\s*$/, `,${index + 1}`))
  // By its path: a buffer would be unpacked by the page itself, on its main thread.
  const file = join(mkdtempSync(join(tmpdir(), 'bench-')), 'long.csv')
  writeFileSync(file, [head, ...many].join('\r\n'))
  const start = performance.now()
  await page.locator('input[type=file]').setInputFiles(file)
  await page.locator('[data-sums]').waitFor({ timeout: 60_000 })
  const read = performance.now() - start
  const begin = performance.now()
  await page.getByRole('button', { name: /^Take in [\d,]+ sets/ }).click()
  await page.locator('[data-taken]').waitFor({ timeout: 60_000 })
  const written = performance.now() - begin
  const sums = await page.locator('[data-taken] p').first().innerText()
  await page.waitForTimeout(1500)
  const longest = await page.evaluate(() => (globalThis as unknown as { long: { longest: number } }).long.longest)
  report(`import of a 10,000-row list (${sums.split(':')[0]})`, `${ms(read)} + ${ms(written)}`, '6000 ms')
  report('  longest task of the main thread meanwhile', ms(longest), '200 ms')
  await close(page)
}

async function printIndex(browser: Browser): Promise<void> {
  const page = await emptyRoom(browser)
  await page.goto(`${BASE}/take-in/list`)
  await page.locator('input[type=file]').setInputFiles('tests/fixtures/hand-kept-list.csv')
  await page.getByRole('button', { name: /^Take in 640/ }).click()
  await page.locator('[data-taken]').waitFor()
  await page.goto(`${BASE}/index`)
  const times: number[] = []
  for (let run = 0; run < 3; run += 1) {
    const start = performance.now()
    await page.getByRole('button', { name: 'Make the index' }).click()
    await page.locator('[data-ready]').waitFor({ timeout: 60_000 })
    times.push(performance.now() - start)
    if (run === 0) console.log(`  ${await page.locator('[data-ready]').innerText()}`)
    await page.reload()
    await page.getByRole('button', { name: 'Make the index' }).waitFor()
  }
  report('index of 640 sets, three ways in', `median ${ms(median(times))}`, '5000 ms')
  await close(page)
}

console.log(`machine's own baseline (sorting 400,000 numbers): ${ms(baselineMs())}\n`)
const stop = await serve()
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1'] })
try {
  await firstScreen(browser)
  await coldStart(browser)
  await importLong(browser)
  await printIndex(browser)
  await largeRoom(browser, 5_000, 60)
  await largeRoom(browser, 20_000, 120)
} finally {
  await browser.close()
  stop()
}
