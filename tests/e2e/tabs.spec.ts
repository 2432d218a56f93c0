import type { Page } from '@playwright/test'
import { bytesOf, databaseOf, expect, headline, matItem, newStrip, openDemo, test } from './helpers'

const told = (page: Page, text: string) => expect(page.getByRole('status').filter({ hasText: text })).toBeVisible()

test('what one tab undoes goes from the other too, slip and all; done again there, it is back in both', async ({ demo: page }) => {
  await newStrip(page)
  await page.getByLabel('Name', { exact: true }).fill('Passing Ferry')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await told(page, 'Passing Ferry is in.')
  await page.goto('/?ask=passing+ferry')
  await matItem(page, 'Passing Ferry').click()
  await expect(page.locator('[data-slip]')).toContainText('Passing Ferry')

  const other = await page.context().newPage()
  await other.goto('/')
  await expect(headline(other)).toHaveText('All 361 sets')
  await other.getByRole('button', { name: 'Undo', exact: true }).click()
  await told(other, 'Undone: took in')
  await expect(page.locator('[data-slip]')).toHaveCount(0)
  await expect(matItem(page, 'Passing Ferry')).toHaveCount(0)
  await page.getByRole('button', { name: 'What was done' }).click()
  await page.getByRole('button', { name: 'Do again', exact: true }).click()
  await expect(matItem(page, 'Passing Ferry')).toBeVisible()
  await expect(headline(other)).toHaveText('All 361 sets')
  expect((await databaseOf(page, ['holdings'])).holdings).toHaveLength(361)
})

test('a zone that one tab is re-filing is not ended from another, and no second re-filing is begun beside it', async ({ demo: page }) => {
  const propose = async (tab: Page): Promise<void> => {
    await tab.goto('/storeroom/refile')
    await tab.getByLabel('Corner').selectOption({ label: 'Thin dies (brand, then name)' })
    await tab.getByLabel('First by').selectOption('theme')
    await tab.getByRole('button', { name: 'Work it out' }).click()
    await expect(tab.getByRole('button', { name: 'Begin', exact: true })).toBeVisible({ timeout: 20_000 })
  }
  const other = await page.context().newPage()
  await propose(other)
  await propose(page)
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.locator('[data-step]').first()).toBeVisible()
  // The other tab hears of it: what it had worked out gives way to the one under way.
  await expect(other.locator('[data-refiling-progress]')).toBeVisible()
  expect((await databaseOf(page, ['refilings'])).refilings).toHaveLength(1)

  await other.goto('/storeroom/zones')
  await other.getByRole('button', { name: /^Thin dies/ }).click()
  const end = other.getByLabel('Close this corner')
  await end.selectOption({ index: 1 })
  await told(other, 'The re-filing under way needs it.')
  await expect(other.getByRole('button', { name: /^Thin dies/ })).toBeVisible()
})

test('a newer version in another tab: this one says so, and writes no more', async ({ page }) => {
  await openDemo(page)
  await page.evaluate(async () => {
    const open = indexedDB.open('yondercrest', 1000)
    await new Promise(resolve => {
      open.onsuccess = resolve
    })
    open.result.close()
  })
  await expect(page.locator('[data-trouble]')).toContainText('A newer version is at work')
})

test('an older tab holds the room: it is said, and goes on by itself once that tab is closed', async ({ page, context }) => {
  const older = await context.newPage()
  await older.route('**/*', route => route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>Older</title>' }))
  await older.goto('/')
  await older.evaluate(async () => {
    const open = indexedDB.open('yondercrest', 20)
    await new Promise(resolve => {
      open.onsuccess = resolve
    })
  })
  await page.goto('/')
  await expect(page.locator('[data-trouble]')).toContainText('Another tab holds the room')
  await older.close()
  await expect(page.locator('[data-trouble]')).toHaveCount(0)
})

test('a room that was begun and undone is never replaced by the demo room', async ({ page }) => {
  await openDemo(page)
  await page.goto('/copies')
  await page.getByRole('button', { name: 'Start empty' }).click()
  await page.getByRole('status').filter({ hasText: 'The room is empty' }).waitFor()
  const undoOnce = async (says: string): Promise<void> => {
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await page.getByRole('status').filter({ hasText: says }).waitFor()
  }
  await undoOnce('Undone: started empty')
  await undoOnce('Undone: loaded the demo room')
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'A place for every set' })).toBeVisible()
  const { journal } = await databaseOf(page, ['journal'])
  expect((journal as { command: string; state: string }[]).map(step => [step.command, step.state])).toEqual([
    ['loadDemo', 'undone'],
    ['startEmpty', 'undone'],
  ])
})

test('the storage is cleared while the page is open: said, and what is on the screen is saved and read back', async ({ page }) => {
  await openDemo(page)
  const session = await page.context().newCDPSession(page)
  await session.send('Storage.clearDataForOrigin', { origin: new URL(page.url()).origin, storageTypes: 'indexeddb' })
  await expect(page.locator('[data-trouble]')).toContainText('was cleared')
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save what is on the screen' }).click()
  const file = await bytesOf(await saving)
  await page.route('**/api/start', route => route.fulfill({ json: { demo: false } }))
  await page.goto('/copies')
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'saved.zip', mimeType: 'application/zip', buffer: file })
  await told(page, '360 sets')
  await page.goto('/')
  await expect(headline(page)).toHaveText('All 360 sets')
  const { holdings, holders } = await databaseOf(page, ['holdings', 'holders'])
  expect([holdings?.length, (holders?.length ?? 0) > 200]).toEqual([360, true])
})
