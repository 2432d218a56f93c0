import { readdirSync, readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import type { Browser } from '@playwright/test'
import { median, ms, report } from './measure'
import { BASE, close, freshPage, shown } from './page'

export async function firstScreen(browser: Browser): Promise<void> {
  const page = await freshPage(browser, true)
  await page.addInitScript(() => {
    // Pages behind links in view are fetched ahead, sooner or later: how much of that has come by now says nothing of this screen.
    window.IntersectionObserver = class extends IntersectionObserver {
      override observe(): void {}
    }
    // What is asked for once the screen is there is not what it waits for.
    const seen = new MutationObserver(() => {
      if (!document.querySelector('[data-headline]')) return
      seen.disconnect()
      performance.mark('shown')
    })
    seen.observe(document, { subtree: true, childList: true })
  })
  await page.goto(BASE)
  await page.locator('[data-headline]').waitFor()
  const names = await page.evaluate(() => {
    const shownAt = performance.getEntriesByName('shown')[0]?.startTime ?? Infinity
    const all = performance.getEntriesByType('resource').filter(({ startTime }) => startTime <= shownAt)
    return all.map(({ name }) => name.split('/').pop() ?? '')
  })
  const files = readdirSync('.output/public/_nuxt').filter(file => names.includes(file))
  const kilobytes = (ending: RegExp): number =>
    files.filter(file => ending.test(file)).reduce((sum, file) => sum + gzipSync(readFileSync(`.output/public/_nuxt/${file}`)).length, 0) /
    1000
  const workers = files.filter(file => file.includes('.worker'))
  report('first screen: JavaScript of the page, gzip', `${kilobytes(/(?<!\.worker-[\w-]+)\.js$/).toFixed(1)} kB`, '215 kB')
  report(
    `  and of its workers (${workers.length})`,
    `${workers.reduce((sum, file) => sum + gzipSync(readFileSync(`.output/public/_nuxt/${file}`)).length / 1000, 0).toFixed(0)} kB`,
    'none given',
  )
  report('first screen: CSS, gzip', `${kilobytes(/\.css$/).toFixed(0)} kB`, '40 kB')
  await close(page)
}

export async function coldStart(browser: Browser): Promise<void> {
  const [first, again]: [number[], number[]] = [[], []]
  for (let run = 0; run < 7; run += 1) {
    const page = await freshPage(browser, true)
    for (const times of [first, again]) {
      const start = performance.now()
      await page.goto(`${BASE}/?ask=harbour`, { waitUntil: 'commit' })
      await shown(page, '[data-ask="harbour"]')
      times.push(performance.now() - start)
    }
    await close(page)
  }
  report('demo room, first start with its loading, to the first answer', `median ${ms(median(first))}`, '2000 ms')
  report('demo room, later start, to the first answer', `median ${ms(median(again))}`, '2000 ms')
}

/** Opening what lies in the browser, with the network and without, and the first answer of "Own it?". */
export async function withNoNetwork(browser: Browser): Promise<void> {
  const page = await freshPage(browser, true, 'allow')
  await page.goto(BASE)
  await page.locator('[data-headline]').waitFor()
  await page.evaluate(() => navigator.serviceWorker.ready)
  const opened = async (): Promise<number> => {
    const start = performance.now()
    await page.goto(`${BASE}/?ask=harbour`, { waitUntil: 'commit' })
    await shown(page, '[data-ask="harbour"]')
    return performance.now() - start
  }
  const [online, offline, owned]: [number[], number[], number[]] = [[], [], []]
  await opened()
  for (let run = 0; run < 11; run += 1) {
    // By turns, so that both meet the same machine.
    await page.context().setOffline(run % 2 === 0)
    ;(run % 2 === 0 ? offline : online).push(await opened())
    await page.context().setOffline(run % 2 !== 0)
    ;(run % 2 === 0 ? online : offline).push(await opened())
  }
  await page.context().setOffline(true)
  for (let run = 0; run < 7; run += 1) {
    const start = performance.now()
    await page.goto(`${BASE}/find/own`, { waitUntil: 'commit' })
    await page.locator('#own-text').fill('Lantern Cloud Trio')
    await shown(page, '[data-own="Lantern Cloud Trio"][data-verdict="same"]')
    owned.push(performance.now() - start)
  }
  report('demo room, installed, to the first answer with the network', `median ${ms(median(online))}`, 'none given')
  report('  with no network', `median ${ms(median(offline))}, ${(median(offline) / median(online)).toFixed(2)} x`, '1.2 x')
  report('"Own it?" with no network, from opening to its first answer', `median ${ms(median(owned))}`, '1000 ms')
  await close(page)
}
