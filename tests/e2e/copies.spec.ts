import { createHash } from 'node:crypto'
import { expect } from '@playwright/test'
import { parse } from 'csv-parse/sync'
import { strToU8, unzipSync, zipSync } from 'fflate'
import { bytesOf, countsOf, databaseOf, go, headline, openDemo, openEmpty, test } from './helpers'

const ALL = [
  'settings',
  'brands',
  'kinds',
  'categories',
  'themes',
  'series',
  'register',
  'fixtures',
  'zones',
  'containers',
  'sections',
  'holderTypes',
  'holdings',
  'holders',
  'relations',
  'loans',
]

test('a copy restores the identical catalogue, photos byte for byte; damaged and foreign ones are refused whole', async ({ page }) => {
  await openDemo(page)
  const before = await databaseOf(page, ALL)
  await go(page, '/copies')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save a copy now' }).click()])
  const archive = await bytesOf(download)
  const files = unzipSync(archive)
  for (const [name, bytes] of Object.entries(files)) {
    if (name.startsWith('pictures/')) expect(name).toContain(createHash('sha256').update(bytes).digest('hex'))
  }
  await expect(page.getByText('Copy saved today')).toBeVisible()

  await page.getByRole('button', { name: 'Start empty' }).click()
  await expect(page.getByText('The room is empty.')).toBeVisible()
  const emptied = await databaseOf(page, ['holdings', 'holders'])
  expect(emptied).toEqual({ holdings: [], holders: [] })

  const holdings = files['catalogue/holdings.json'] ?? new Uint8Array()
  const changed = holdings.slice()
  changed[200] = (changed[200] ?? 0) ^ 1
  const restore = (buffer: Buffer) =>
    page.locator('input[accept^=".zip"]').setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer })
  for (const [buffer, sentence] of [
    [Buffer.from(zipSync({ ...files, 'catalogue/holdings.json': changed })), 'This copy is damaged (catalogue/holdings.json)'],
    [Buffer.from(zipSync({ 'letter.txt': strToU8('Dear harbour master') })), 'not one of a catalogue made here'],
    [archive.subarray(0, archive.length / 2), 'This copy is damaged'],
    [Buffer.from('no archive at all'), 'it is not an archive at all'],
  ] as const) {
    await restore(buffer)
    await expect(page.locator('[data-refusal]')).toContainText(sentence)
    await expect(page.locator('[data-refusal]')).toContainText('nothing was changed')
    expect(await databaseOf(page, ['holdings', 'holders'])).toEqual(emptied)
  }
  await restore(archive)
  await expect(page.getByRole('status').filter({ hasText: '360 sets are back' })).toBeVisible()
  expect(await databaseOf(page, ALL)).toEqual(before)

  // Two undos, over a reload: the empty room, and then the demo room as it was.
  await page.reload()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Undone: opened a copy' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Undone: started empty' })).toBeVisible()
  expect(await databaseOf(page, ALL)).toEqual(before)
})

test('a copy is saved although there is no room for it beside the room: all of it, and it opens', async ({ demo: page }) => {
  await go(page, '/copies')
  const origin = new URL(page.url()).origin
  const browser = await page.context().newCDPSession(page)
  const { usage } = await browser.send('Storage.getUsageAndQuota', { origin })
  // Less than the copy takes, and more than the note of it.
  await browser.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: usage + 200_000 })
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save a copy now' }).click()])
  const archive = await bytesOf(download)
  expect(archive.length).toBeGreaterThan(1_000_000)
  const [pictures] = Object.values(await countsOf(page, ['pictures']))
  expect(Object.keys(unzipSync(archive)).filter(name => name.startsWith('pictures/'))).toHaveLength(pictures ?? 0)
  await browser.send('Storage.overrideQuotaForOrigin', { origin })
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: archive })
  await expect(page.getByRole('status').filter({ hasText: '360 sets are back' })).toBeVisible()
})

test('the list as CSV reads with another parser, with formula cells made safe, and comes back in', async ({ page }) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill('=SUM(A1:A9) Kelp')
  await page.getByLabel('Notes').fill('two\nlines, "quoted"')
  await page.getByRole('button', { name: 'Next one' }).click()
  await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
  await go(page, '/copies')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the list' }).click()])
  const csv = await bytesOf(download)
  const [line] = parse(csv, { columns: true, bom: true }) as Record<string, string>[]
  expect(line).toMatchObject({ Number: '1', Name: "'=SUM(A1:A9) Kelp", Notes: 'two\nlines, "quoted"' })
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await page.getByRole('status').filter({ hasText: 'Undone' }).waitFor()
  await go(page, '/take-in/list')
  await page.locator('input[type=file]').setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: csv })
  await page.getByRole('button', { name: 'Take in 1 set' }).click()
  await expect(page.locator('[data-taken]')).toBeVisible()
  const { holdings } = await databaseOf(page, ['holdings'])
  expect(holdings).toMatchObject([{ name: '=SUM(A1:A9) Kelp', number: 1, notes: 'two\nlines, "quoted"' }])
})

test("the demo never takes the place of a person's own sets without a saved copy", async ({ page }) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill('My own Anchor')
  await page.getByRole('button', { name: 'Next one' }).click()
  await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
  await go(page, '/copies')
  await page.getByRole('button', { name: 'Load the demo room' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('You have 1 set of your own here')).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save a copy, then go on' }).click(),
  ])
  expect(Object.keys(unzipSync(await bytesOf(download)))).toContain('catalogue/holdings.json')
  await expect(page.getByRole('status').filter({ hasText: 'The demo room is set up.' })).toBeVisible({ timeout: 20_000 })
  await page.getByRole('link', { name: 'Find' }).first().click()
  await expect(headline(page)).toHaveText('All 360 sets')
})
