import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium, type Page } from '@playwright/test'
import Papa from 'papaparse'
import sharp from 'sharp'
import writeXlsxFile from 'write-excel-file/node'
import { advice } from './advice'
import { type Geometry, geometryOf, PAGES, WINDOWS } from '../tests/support/geometry'
import { packLarge, packRoom } from './collection'
import { listMemory } from './listMemory'
import { accuracy, photoTimes, troubles } from './measuring'
import { firm } from './firm'
import { fetching } from './fetching'
import { flood } from './flood'
import { finding } from './finding'
import { brandJoins, worstLists } from './movingIn'
import { booksLaid, booksPrinted } from './books'
import { journal } from './journal'
import { labels } from './labels'
import { byPicture } from './shapes'
import { places } from './places'
import { tidy } from './tidy'
import { BASE, close, freshPage, PORT, restore, shown } from './page'
import { coldStart, firstScreen, withNoNetwork } from './opening'
import { baselineMs, median, ms, percentile, report } from './measure'
import { storeroom, storeroomScreen } from './storeroom'

const ASKS = ['harbour light', 'tide pool', 'kelp', 'happy birthday', 'copperlatch wave', '352', 'fern study', 'thank you'] as const

async function serve(): Promise<() => void> {
  const server = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: { ...process.env, HOST: '127.0.0.1', PORT: String(PORT), NUXT_DEMO: 'true' },
    stdio: 'ignore',
  })
  for (let tries = 0; tries < 100; tries += 1) {
    if (
      await fetch(`${BASE}/api/start`).then(
        response => response.ok,
        () => false,
      )
    )
      break
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  return () => void server.kill()
}

/**
 * Key press to painted answer: from the input event to the moment the frame with the answer was presented. In the task
 * that shows the answer a small word is added, and the browser itself says when it painted that (Element Timing).
 */
async function askTimes(page: Page): Promise<number[]> {
  return page.evaluate(async asks => {
    const [field, headline] = [document.querySelector<HTMLInputElement>('#ask'), document.querySelector('[data-headline]')]
    if (!field || !headline) return []
    const waiting = new Map<string, (paintedAt: number) => void>()
    new PerformanceObserver(list => {
      for (const entry of list.getEntries() as (PerformanceEntry & { readonly identifier: string; readonly renderTime: number })[])
        waiting.get(entry.identifier)?.(entry.renderTime)
    }).observe({ type: 'element' })
    const painted = (ask: string, name: string): Promise<number> =>
      new Promise(resolve => {
        const start = performance.now()
        const witness = document.createElement('b')
        witness.setAttribute('elementtiming', name)
        witness.style.cssText = 'position:fixed;left:50%;top:0;z-index:99;font-size:12px'
        witness.textContent = '.'
        waiting.set(name, at => {
          witness.remove()
          resolve(at - start)
        })
        const shown = new MutationObserver(() => {
          if (headline.getAttribute('data-ask') !== ask) return
          shown.disconnect()
          document.body.append(witness)
        })
        shown.observe(headline, { attributeFilter: ['data-ask'] })
        field.value = ask
        field.dispatchEvent(new InputEvent('input', { bubbles: true }))
      })
    const times: number[] = []
    for (const ask of [...asks, ...asks]) {
      for (let length = 1; length <= ask.length; length += 1) {
        const typed = ask.slice(0, length)
        if (typed.endsWith(' ')) continue
        times.push(await painted(typed, `key-${times.length}`))
        await new Promise(resolve => setTimeout(resolve, 30))
      }
    }
    return times
  }, ASKS)
}

async function largeRoom(browser: Browser, count: number, aimMs: number): Promise<void> {
  const page = await freshPage(browser, false)
  await restore(page, await packLarge(count))
  // The page itself says when the frame with the answer was done: waiting from outside looks only every half a second.
  await page.addInitScript(() => {
    const seen = new MutationObserver(() => {
      if (!document.querySelector('[data-ask="harbour"]')) return
      seen.disconnect()
      requestAnimationFrame(() => setTimeout(() => performance.mark('answered')))
    })
    seen.observe(document, { subtree: true, childList: true, attributeFilter: ['data-ask'] })
  })
  const opening = async (): Promise<number> => {
    await page.goto(`${BASE}/?ask=harbour`)
    await page.waitForFunction(() => performance.getEntriesByName('answered').length > 0, null, { timeout: 60_000 })
    return page.evaluate(() => performance.getEntriesByName('answered')[0]?.startTime ?? NaN)
  }
  const first = await opening()
  // The room and its index are kept once nobody has asked for a while.
  await page.waitForTimeout(10_000)
  const openings: number[] = []
  for (let run = 0; run < 7; run += 1) openings.push(await opening())
  report(
    `${count} sets: opening to the first answer`,
    `median ${ms(median(openings))} (${openings.map(each => ms(each)).join(', ')}); with nothing kept ${ms(first)}`,
    count >= 20_000 ? '2500 ms' : '1000 ms',
  )
  await page.waitForTimeout(1500)
  const times = await askTimes(page)
  report(
    `${count} sets: key press to painted answer (${times.length} keys)`,
    `p50 ${ms(median(times))}, p95 ${ms(percentile(times, 0.95))}`,
    `p95 ${aimMs} ms`,
  )
  await close(page)
}

async function emptyRoom(browser: Browser): Promise<Page> {
  const page = await freshPage(browser, false)
  await page.goto(BASE)
  await page.getByRole('button', { name: /^Start empty/ }).click()
  await page.getByRole('heading', { name: 'Take in', exact: true }).waitFor()
  return page
}

async function watchLongTasks(page: Page): Promise<void> {
  await page.evaluate(() => {
    const long = { longest: 0 }
    Object.assign(globalThis, { long })
    new PerformanceObserver(list => {
      for (const entry of list.getEntries()) long.longest = Math.max(long.longest, entry.duration)
    }).observe({ entryTypes: ['longtask'] })
  })
}
/** The browser counts tasks from 50 ms. */
const longestTask = async (page: Page): Promise<string> => {
  const longest = await page.evaluate(() => (globalThis as unknown as { long: { longest: number } }).long.longest)
  return longest > 0 ? ms(longest) : 'none of 50 ms'
}

async function importLong(browser: Browser): Promise<void> {
  const page = await emptyRoom(browser)
  await page.getByRole('link', { name: 'Bring in a list' }).click()
  await watchLongTasks(page)
  const [head, ...rows] = readFileSync('tests/fixtures/hand-kept-list.csv', 'utf8').split(/\r\n(?=[A-Za-z0-9])/)
  const many = Array.from({ length: 10_000 }, (_, index) => (rows[index % rows.length] ?? '').replace(/,\d*\s*$/, `,${index + 1}`))
  // By its path: a buffer would be unpacked by the page itself, on its main thread.
  const file = join(mkdtempSync(join(tmpdir(), 'bench-')), 'long.csv')
  writeFileSync(file, [head, ...many].join('\r\n'))
  const book = file.replace('.csv', '.xlsx')
  const { data } = Papa.parse<string[]>([head, ...many].join('\r\n'))
  await writeXlsxFile([{ sheet: 'List', data: data.map(row => row.map(value => ({ value, type: String }))) }]).toFile(book)
  const reading = async (path: string): Promise<number> => {
    const start = performance.now()
    await page.locator('input[type=file]').setInputFiles(path)
    await shown(page, '[data-sums]')
    return performance.now() - start
  }
  const [asText, asBook]: [number[], number[]] = [[], []]
  for (let run = 0; run < 5; run += 1) {
    for (const [path, into] of [
      [book, asBook],
      [file, asText],
    ] as const) {
      into.push(await reading(path))
      // The last one stays open, to be taken in.
      if (run < 4 || path === book) await page.getByRole('button', { name: 'Cancel' }).click()
    }
  }
  const read = median(asText)
  report('  the same list as .xlsx', `${ms(median(asBook))}, ${(median(asBook) / read).toFixed(2)} x the text`, '1.5 x')
  const begin = performance.now()
  await page.getByRole('button', { name: /^Take in [\d,]+ sets/ }).click()
  await shown(page, '[data-taken]')
  const written = performance.now() - begin
  const sums = await page.locator('[data-taken] p').first().innerText()
  await page.waitForTimeout(1500)
  report(`import of a 10,000-row list (${sums.split(':')[0]})`, `${ms(read)} + ${ms(written)}`, '6000 ms')
  report('  longest task of the main thread meanwhile', await longestTask(page), '200 ms')
  await close(page)
}

/** Photos of 12 megapixels with a camera's noise; the same ten again and again, each with another last byte. */
async function photoFiles(count: number): Promise<readonly string[]> {
  const folder = mkdtempSync(join(tmpdir(), 'bench-photos-'))
  const made: Buffer[] = []
  for (let seed = 0; seed < 10; seed += 1) {
    const bars = Array.from(
      { length: 9 },
      (_, at) => `<rect x="${(seed * 383 + at * 431) % 3400}" y="${(seed * 259 + at * 351) % 2500}" width="400" height="300" fill="#333"/>`,
    ).join('')
    const drawing = Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="4000" height="3000"><rect width="100%" height="100%" fill="#eee"/>${bars}</svg>`,
    )
    const noise = await sharp({
      create: { width: 2000, height: 1500, channels: 3, background: '#808080', noise: { type: 'gaussian', mean: 128, sigma: 20 } },
    })
      .resize(4000, 3000)
      .png()
      .toBuffer()
    made.push(
      await sharp(drawing)
        .composite([{ input: noise, blend: 'soft-light' }])
        .jpeg({ quality: 88 })
        .toBuffer(),
    )
  }
  return Array.from({ length: count }, (_, index) => {
    const path = join(folder, `photo-${index}.jpg`)
    writeFileSync(path, Buffer.concat([made[index % made.length] ?? Buffer.alloc(0), Buffer.from([index % 256, index >> 8])]))
    return path
  })
}

async function manyPhotos(browser: Browser): Promise<void> {
  const files = await photoFiles(200)
  const page = await emptyRoom(browser)
  await page.waitForTimeout(1500) // The page's own start is no part of it.
  await watchLongTasks(page)
  const start = performance.now()
  await page.locator('input[multiple]').setInputFiles([...files])
  await page.getByRole('status').filter({ hasText: '200 photos on the pile' }).waitFor({ timeout: 300_000 })
  const seconds = (performance.now() - start) / 1000
  await page.waitForTimeout(1500)
  report('200 photos of 12 megapixels', `${(200 / seconds).toFixed(1)} photos a second`, '2 a second')
  report('  longest task of the main thread meanwhile', await longestTask(page), '100 ms')
  await close(page)
}

console.log(`machine's own baseline (sorting 400,000 numbers): ${ms(baselineMs())}\n`)
const stop = await serve()
const executablePath = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium'
/** A browser of its own for each part: none pays for what another left to be cleared away. */
const launch = (): Promise<Browser> =>
  chromium.launch({
    executablePath,
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1'],
  })

/** The share that the sheet has of the window on the page where it has least, and the page where work begins lowest. */
async function geometry(browser: Browser): Promise<void> {
  const page = await freshPage(browser, true)
  await page.goto(BASE)
  await page.locator('[data-mat-item]').first().waitFor()
  for (const { width, height, leastShare } of WINDOWS.flat()) {
    await page.setViewportSize({ width, height })
    const found: (Geometry & { readonly path: string })[] = []
    for (const [path, [, first]] of Object.entries(PAGES)) {
      await page.goto(`${BASE}${path}`)
      await page.locator(first.replaceAll('main ', '#sheet ')).first().waitFor()
      found.push({ path, ...(await geometryOf(page, first)) })
      report(
        `${width} x ${height} ${path}`,
        `sheet ${share(found.at(-1)?.share)}, work begins at ${share(found.at(-1)?.first)}`,
        'none given',
      )
    }
    const least = Math.min(...found.map(each => each.share))
    report(
      `${width} x ${height}: least share of the sheet, ${found.find(each => each.share === least)?.path}`,
      share(least),
      share(leastShare),
    )
  }
  await close(page)
}
const share = (of: number | null | undefined): string => (of === null || of === undefined ? 'none' : `${(of * 100).toFixed(1)} %`)

const PARTS: Readonly<Record<string, (browser: Browser) => Promise<void>>> = {
  screen: firstScreen,
  geometry,
  start: coldStart,
  offline: withNoNetwork,
  list: importLong,
  brands: () => {
    brandJoins()
    worstLists()
    return Promise.resolve()
  },
  places,
  tidy: () => Promise.resolve(tidy()),
  memory: () => Promise.resolve(listMemory(process.argv[1] ?? '')),
  index: async browser => {
    await labels()
    booksLaid()
    await booksPrinted(browser)
  },
  advice: () => Promise.resolve(advice()),
  photos: manyPhotos,
  storeroom: async browser => {
    storeroom()
    const page = await freshPage(browser, false)
    await restore(page, await packRoom())
    await storeroomScreen(page, BASE)
    await close(page)
  },
  measuring: async browser => {
    const page = await freshPage(browser, true)
    await photoTimes(page, BASE)
    await close(page)
  },
  accuracy: () => accuracy(),
  troubles: () => troubles(),
  finding: () => Promise.resolve(finding()),
  journal,
  fetching: () => Promise.resolve(fetching()),
  shapes: () => byPicture(),
  firm: () => firm(executablePath, launch),
  flood: () => flood(process.argv[1] ?? '', BASE),
  asking: async browser => {
    await largeRoom(browser, 5_000, 60)
    await largeRoom(browser, 20_000, 60)
  },
}
const wanted = process.argv.slice(2)
try {
  for (const [name, part] of Object.entries(PARTS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue
    const browser = await launch()
    await part(browser).finally(() => browser.close())
  }
} finally {
  stop()
}
