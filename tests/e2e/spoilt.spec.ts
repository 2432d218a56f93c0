import type { Page } from '@playwright/test'
import { strFromU8, unzipSync } from 'fflate'
import { ask, bytesOf, databaseOf, expect, headline, matItem, openEmpty, test } from './helpers'

const told = (page: Page, text: string | RegExp) => expect(page.getByRole('status').filter({ hasText: text })).toBeVisible()
type Found = Record<string, unknown> & { readonly id: string }

/** What a fault of the disk may do to the database: records changed, or gone. Without the application. */
async function spoil(
  page: Page,
  table: string,
  change: 'delete' | Record<string, unknown>,
  choose: (record: Found) => boolean,
): Promise<Found> {
  const records = (await databaseOf(page, [table]))[table] as Found[]
  const record = records.find(choose)
  if (!record) throw new Error(`nothing in ${table}`)
  await putRaw(page, table, change === 'delete' ? { delete: record.id } : { put: { ...record, ...change } })
  return record
}
async function putRaw(page: Page, table: string, what: { readonly put: object } | { readonly delete: string }): Promise<void> {
  await page.evaluate(
    async ({ table: name, what: change }) => {
      const open = indexedDB.open('yondercrest')
      await new Promise(resolve => (open.onsuccess = resolve))
      const transaction = open.result.transaction(name, 'readwrite')
      if ('put' in change) transaction.objectStore(name).put(change.put)
      else transaction.objectStore(name).delete(change.delete)
      await new Promise(resolve => (transaction.oncomplete = resolve))
      open.result.close()
    },
    { table, what },
  )
}

test('what is kept beside the tables is spoilt: the room opens all the same, and everything is found', async ({ demo: page }) => {
  await page.goto('/')
  await expect(headline(page)).toHaveText('All 360 sets')
  for (const id of ['keptRoom', 'keptSteps', 'askIndex', 'lastCopy']) await putRaw(page, 'device', { put: { id, value: '{"half":' } })
  await page.reload()
  await expect(headline(page)).toHaveText('All 360 sets')
  await ask(page, 'harbour')
  await expect(matItem(page, /harbour/i).first()).toBeVisible()
  await expect
    .poll(async () => ((await databaseOf(page, ['device'])).device as Found[]).map(({ id }) => id).filter(id => /^(kept|ask)/.test(id)))
    .toEqual([])
})

test('a pocket and a set are spoilt, the settings are lost: the room opens without them, names them, and they are put back', async ({
  demo: page,
}) => {
  await page.goto('/')
  await expect(headline(page)).toHaveText('All 360 sets')
  const set = await spoil(page, 'holdings', { name: null, words: 'kelp' }, () => true)
  const pocket = await spoil(page, 'holders', { holdingIds: null }, ({ holdingIds }) => !(holdingIds as string[]).includes(set.id))
  await spoil(page, 'settings', 'delete', () => true)
  await page.reload()
  const line = page.locator('[data-set-aside]')
  await expect(line).toContainText('2 records could not be read and were set aside')
  await expect(line).toContainText('The settings of the room were lost.')
  await expect(headline(page)).toHaveText('All 359 sets')
  await ask(page, 'lamp')
  await expect(page.locator('[data-mat-item]').first()).toBeVisible()

  // In a copy they are as well.
  await line.getByRole('link', { name: 'Look at it' }).click()
  await expect(page.locator('[data-checked]')).toContainText('not right')
  await expect(page.locator('[data-aside]')).toHaveCount(3)
  await page.goto('/copies')
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save a copy now' }).click()
  const copy = await bytesOf(await saving)

  await page.goto('/copies/check')
  const aside = page.locator('[data-aside]').filter({ hasText: 'A set' })
  await expect(aside.getByRole('button', { name: 'Put it back' })).toBeDisabled()
  await aside.getByLabel('Name').fill(String(set.name))
  await aside.getByRole('button', { name: 'Put it back' }).click()
  await told(page, 'It is back.')
  await expect(page.locator('[data-aside]')).toHaveCount(2)
  const { holdings } = await databaseOf(page, ['holdings'])
  expect((holdings as Found[]).find(({ id }) => id === set.id)).toEqual({ ...set, words: [] })
  await page.locator('[data-aside]').filter({ hasText: 'A pocket' }).getByRole('button', { name: 'Remove it' }).click()
  await expect(page.locator('[data-aside]')).toHaveCount(1)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('[data-aside]')).toHaveCount(2)
  await page.goto('/')
  await expect(headline(page)).toHaveText('All 360 sets')

  await page.goto('/copies')
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'saved.zip', mimeType: 'application/zip', buffer: copy })
  await told(page, '359 sets are back')
  const { setAside } = await databaseOf(page, ['setAside'])
  const ids = (setAside as Found[]).map(({ text }) => (JSON.parse(String(text)) as Found).id)
  expect(ids).toEqual(expect.arrayContaining([set.id, pocket.id]))
})

test('what does not hold together is found, mended in one step, and undone', async ({ demo: page }) => {
  await page.goto('/copies')
  await page.getByRole('link', { name: 'Look through the room' }).click()
  await expect(page.locator('[data-checked]')).toContainText('What is not set aside is as it should be.')
  const brand = await spoil(page, 'brands', 'delete', ({ name }) => name === 'Greywether')
  await page.getByRole('button', { name: 'Look again' }).click()
  await expect(page.locator('[data-finding]').first()).toContainText('names a brand that is not there')
  const before = (await databaseOf(page, ['holdings'])).holdings as Found[]
  await page.getByRole('button', { name: /^Mend \d+ things$/ }).click()
  await told(page, 'mended. Undo takes it back.')
  await expect(page.locator('[data-checked]')).toContainText('What is not set aside is as it should be.')
  const after = (await databaseOf(page, ['holdings'])).holdings as Found[]
  expect(after.some(({ brandId }) => brandId === brand.id)).toBe(false)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('[data-checked]')).toContainText('look again')
  expect((await databaseOf(page, ['holdings'])).holdings).toEqual(before)
})

test('a rescue copy is saved where the room does not open, and read back in another browser as far as it goes', async ({
  demo: page,
  browser,
}) => {
  await page.goto('/')
  await expect(headline(page)).toHaveText('All 360 sets')
  await putRaw(page, 'themes', { put: { id: 'no id of ours', name: null } })
  // A place of its own for the tables, in which one is missing: no version of the application has left it so.
  const records = await databaseOf(page, ['holdings', 'themes'])
  await page.goto('/copies')
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save a rescue copy' }).click()
  const rescue = await bytesOf(await saving)
  await expect(page.locator('[data-rescued]')).toContainText('The rescue copy is saved')

  const context = await browser.newContext()
  const other = await context.newPage()
  await openEmpty(other)
  await other.goto('/copies')
  await other.locator('input[accept^=".zip"]').setInputFiles({ name: 'rescue.zip', mimeType: 'application/zip', buffer: rescue })
  await told(other, '360 sets are back')
  await expect(other.locator('[data-not-whole]')).toContainText('2 records are set aside.')
  const read = await databaseOf(other, ['holdings', 'themes', 'setAside'])
  expect(read.holdings).toEqual(records.holdings)
  expect(read.themes).toHaveLength((records.themes?.length ?? 0) - 1)
  expect(read.setAside).toContainEqual(expect.objectContaining({ from: 'themes', text: '{"id":"no id of ours","name":null}' }))
  await context.close()
})

test('a table is lost with all that was in it: the room opens with what is left', async ({ page }) => {
  await openEmpty(page)
  const { kinds, settings } = await databaseOf(page, ['kinds', 'settings'])
  await page.route('**/*', route => route.fulfill({ contentType: 'text/html', body: '<!doctype html><title>Nothing</title>' }))
  await page.goto('/')
  await page.evaluate(async () => {
    const open = indexedDB.open('yondercrest')
    await new Promise(resolve => (open.onsuccess = resolve))
    const { version } = open.result
    open.result.close()
    await new Promise(resolve => (indexedDB.deleteDatabase('yondercrest').onsuccess = resolve))
    const made = indexedDB.open('yondercrest', version)
    made.onupgradeneeded = () => {
      for (const table of ['kinds', 'brands', 'settings']) made.result.createObjectStore(table, { keyPath: 'id' })
    }
    await new Promise(resolve => (made.onsuccess = resolve))
    made.result.close()
  })
  for (const each of kinds ?? []) await putRaw(page, 'kinds', { put: each as object })
  for (const each of settings ?? []) await putRaw(page, 'settings', { put: each as object })
  await page.unroute('**/*')
  await page.goto('/copies/check')
  await expect(page.locator('[data-finding]')).toContainText(['No series gives the next number.'])
  await page.getByRole('button', { name: 'Mend 1 thing' }).click()
  await expect(page.locator('[data-checked]')).toContainText('All is as it should be.')
  expect((await databaseOf(page, ['kinds'])).kinds).toEqual(kinds)
})

test('a room that cannot be read at all: said, and all that is in it is saved', async ({ page }) => {
  await openEmpty(page)
  const { kinds } = await databaseOf(page, ['kinds'])
  // Larger than anything that can be set aside.
  const [container] = (await databaseOf(page, ['containers'])).containers as Found[]
  await putRaw(page, 'containers', { put: { ...container, cells: 'x'.repeat(4_100_000) } })
  await putRaw(page, 'holders', { put: { id: 'x', containerId: container?.id, holdingIds: null, order: 'x'.repeat(4_100_000) } })
  await page.reload()
  await expect(page.locator('[data-trouble]')).toContainText('The room cannot be read')
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save a rescue copy' }).click()
  const rescue = await bytesOf(await saving)
  await expect(page.locator('[data-rescued]')).toContainText('The rescue copy is saved')
  const files = unzipSync(new Uint8Array(rescue))
  expect(JSON.parse(strFromU8(files['catalogue/kinds.json'] ?? new Uint8Array()))).toEqual(kinds)
})

test('what was undone down to nothing is told before anything takes its place, and comes back', async ({ page }) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill('Passing Ferry')
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await told(page, 'Passing Ferry is in.')
  for (const says of [/Undone: took in/, /Undone: started empty/]) {
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await told(page, says)
  }
  await page.goto('/')
  await expect(page.locator('[data-undone]')).toContainText('What was here was undone')
  await page.getByRole('button', { name: /^Look around the demo room/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('What was undone goes for good')
  await dialog.getByRole('button', { name: 'Bring it back' }).click()
  await expect(headline(page)).toHaveText('All 1 set')
})
