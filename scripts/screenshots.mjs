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
const server = spawn(process.execPath, ['.output/server/index.mjs'], { cwd: root, env: { ...process.env, HOST: '127.0.0.1', PORT: '4198', NUXT_DEMO: 'true' }, stdio: 'ignore' })
const browser = await playwright.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1'] })
try {
  await new Promise(resolve => setTimeout(resolve, 1500))
  await series({ viewport: { width: 1280, height: 800 } }, async (page, shot) => {
    await page.locator('#ask').fill('lighthouse')
    await page.locator('[data-ask="lighthouse"]').waitFor()
    await shot('find')
    await page.locator('[data-mat-item]').nth(5).click()
    await shot('slip')
    await page.goto(`${base}/take-in`)
    await page.locator('#take-name').fill('Evening Limpet Rounds')
    await page.locator('#take-brand').fill('Tidewrack Press')
    await page.locator('#take-kind').selectOption({ label: 'Clear' })
    await page.locator('#take-themes').fill('Tide pools')
    await page.locator('#take-size').fill('14,6 x 18,4 cm')
    await page.locator('#take-words').focus()
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
    await page.getByRole('link', { name: /^Binder C,/ }).click()
    await page.locator('[data-cell]').first().waitFor()
    await shot('cells')
    await page.goto(`${base}/index`)
    await shot('index')
    await page.goto(`${base}/copies`)
    await shot('copies')
  })
  await series({ viewport: { width: 1280, height: 800 }, colorScheme: 'dark' }, async (page, shot) => {
    await page.locator('#ask').fill('winter')
    await page.locator('[data-ask="winter"]').waitFor()
    await page.locator('[data-mat-item]').nth(1).click()
    await shot('night')
  })
  await series({ viewport: { width: 390, height: 844 } }, async (page, shot) => {
    await page.locator('#ask').fill('teacup')
    await page.locator('[data-ask="teacup"]').waitFor()
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
  await work(page, async (name) => {
    await page.waitForTimeout(900)
    await page.screenshot({ path: `${out}/${name}.png` })
  })
  await page.context().close()
}
