// Takes the pictures in docs/screenshots/ from the demo room. Needs a build (npm run demo makes one).
import { spawn } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { chromium as playwright } from '@playwright/test'
import { build, chromium, root, setup } from './lib.mjs'

setup()
build()
const base = 'http://127.0.0.1:4198'
const out = `${root}/docs/screenshots`
mkdirSync(out, { recursive: true })
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  cwd: root,
  env: { ...process.env, HOST: '127.0.0.1', PORT: '4198', NUXT_DEMO: 'true' },
  stdio: 'ignore',
})
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1'],
})
try {
  await new Promise(resolve => setTimeout(resolve, 1500))
  await series({ viewport: { width: 1280, height: 800 } }, async (page, shot) => {
    await page.locator('#ask').fill('lighthouse')
    await page.locator('[data-ask="lighthouse"]').waitFor()
    await shot('find')
    await page.locator('[data-mat-item]').nth(5).click()
    await shot('slip')
    await page.goto(`${base}/find/pull`)
    await page.locator('[data-stop]').first().waitFor()
    await shot('pull')
    await page.goto(`${base}/find/card`)
    for (const [at, need] of ['birthday greeting', 'border up to 5 in', 'dies frames'].entries())
      await page.locator(`[data-need="${at + 1}"] input`).fill(need)
    await page.locator('[data-need="3"] [aria-pressed="true"]').waitFor()
    await shot('card')
    await page.goto(`${base}/find/space`)
    await page.locator('[data-fit]').first().waitFor()
    await shot('space')
    await page.goto(`${base}/find/picture?seed=8`)
    await page.locator('[data-stand-in]').click()
    await page.locator('[data-likes]').waitFor({ timeout: 60_000 })
    await page.locator('[data-reading]').waitFor({ state: 'detached', timeout: 120_000 })
    await shot('picture')
    await page.goto(`${base}/take-in`)
    // The first set on the pile of the demo room.
    await page.locator('[data-strip]').first().waitFor()
    await page.locator('#take-kind').selectOption({ label: 'Clear' })
    await page.locator('[data-suggestion]').first().waitFor()
    await page.locator('#take-name').focus()
    await page.locator('#sheet').evaluate(sheet => sheet.scrollTo(0, 0))
    await shot('take-in')
    await page.goto(`${base}/take-in/list`)
    await page.locator('input[type=file]').setInputFiles(`${root}/tests/fixtures/hand-kept-list.csv`)
    await page.locator('[data-sums]').waitFor()
    await shot('list')
    await page.goto(`${base}/storeroom`)
    await shot('storeroom')
    await page.getByRole('link', { name: /^Bin 5:/ }).click()
    await page.locator('[data-holder]').first().waitFor()
    await shot('container')
    await page.goto(`${base}/storeroom/fill`)
    await page.locator('[data-zone-fill]').first().waitFor()
    await shot('fill')
    await page.goto(`${base}/storeroom/ways`)
    await page.getByRole('button', { name: 'Compare' }).click()
    await page.locator('[data-ways]').waitFor()
    await page.locator('[data-ways]').evaluate(section => section.scrollIntoView())
    await shot('ways')
    await page.goto(`${base}/storeroom/refile?by=brand,name`)
    await page.getByRole('button', { name: 'Work it out' }).click()
    await page.getByRole('button', { name: 'Begin', exact: true }).click()
    await page.locator('[data-tick]').click()
    await page.getByText('1 step done').waitFor()
    await page.waitForTimeout(6500)
    await shot('refile')
    await page.goto(`${base}/take-in/work?stage=fit`)
    await page.locator('[data-fit-drawing]').waitFor()
    await shot('fit')
    await page.goto(`${base}/take-in/measure?seed=8&reference=A4`)
    await page.getByRole('button', { name: 'Try with a made-up photo' }).click()
    await page.getByRole('slider').first().waitFor({ timeout: 60_000 })
    await page.getByRole('button', { name: 'Measure', exact: true }).click()
    await page.locator('[data-measured]').waitFor({ timeout: 60_000 })
    await page.locator('[data-measured]').evaluate(size => size.closest('section')?.scrollIntoView())
    await shot('measure')
    await page.goto(`${base}/index`)
    await page.locator('[data-leaf] img').nth(5).waitFor()
    await shot('index')
    await page.goto(`${base}/index/labels`)
    await page.locator('[data-group="none"] input').check()
    await page.getByText('16 labels to make').waitFor()
    await page.locator('[data-label]').nth(15).waitFor()
    await shot('labels')
  })
  await series({ viewport: { width: 1280, height: 800 }, colorScheme: 'dark' }, async (page, shot) => {
    await page.locator('#ask').fill('winter')
    await page.locator('[data-ask="winter"]').waitFor()
    await page.locator('[data-mat-item]').nth(1).click()
    await shot('night')
  })
  await series({ viewport: { width: 390, height: 844 } }, async (page, shot) => {
    await page.goto(`${base}/find/own`)
    await page.locator('#own-text').fill('tide tables no. 3')
    await page.locator('[data-verdict="lacking"]').waitFor()
    await shot('phone')
  })
} finally {
  await browser.close()
  server.kill()
}

async function series(options, work) {
  const page = await (await browser.newContext(options)).newPage()
  await page.goto(base)
  await page.locator('[data-mat-item]').first().waitFor()
  await work(page, async name => {
    await page.waitForTimeout(900)
    await page.screenshot({ path: `${out}/${name}.png` })
  })
  await page.context().close()
}
