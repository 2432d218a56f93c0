import type { Page } from '@playwright/test'
import { ask, databaseOf, expect, go, headline, matItem, newStrip, openDemo, openEmpty, test } from './helpers'

test('a set is taken in by keyboard alone: number, place between two neighbours, found at once', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('n')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  await page.keyboard.type('Evening Limpet Rounds')
  await page.keyboard.press('Tab')
  await page.keyboard.type('tidewrack press')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Clear')
  await page.keyboard.press('Tab')
  await page.keyboard.type('14,6 x 18,4 cm')
  await expect(page.getByText('Read as 5 3/4 x 7 1/4 in')).toBeVisible()
  await page.keyboard.press('Tab')
  await page.keyboard.type('neaptide, limpet')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Tide pools,')
  await page.locator('#take-category').focus()
  await page.keyboard.type('Images')
  await expect(page.locator('[data-proposal]')).toContainText(/tab Tide pools, (between|behind|in front of) /)
  const proposal = await page.locator('[data-proposal]').innerText()
  await page.keyboard.press('Control+Enter')
  const notice = page.getByRole('status').filter({ hasText: 'Evening Limpet Rounds is in.' })
  await expect(notice).toContainText(proposal)

  await page.keyboard.press('Escape')
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.press('/')
  await page.keyboard.type('neaptide')
  await expect(headline(page)).toHaveText('1 set in 1 container')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  const neighbours = /between (.+) and (.+)|behind (.+)|in front of (.+)/.exec(proposal)?.slice(1).filter(Boolean) ?? []
  expect(neighbours.length).toBeGreaterThan(0)
  for (const neighbour of neighbours) await expect(page.locator('[data-place]')).toContainText(neighbour)
  await page.keyboard.press('Escape')
  await expect(matItem(page, 'Evening Limpet Rounds')).toBeFocused()
  await page.keyboard.press('u')
  await expect(headline(page)).toContainText('No set found')
  await page.keyboard.press('Shift+U')
  await expect(headline(page)).toHaveText('1 set in 1 container')
})

test('in an empty room the first set gets number 1 and the first place; its photo is kept', async ({ page }) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill('First Anchor')
  await page.getByLabel('Size', { exact: true }).fill('4 x 6')
  await expect(page.getByText('Read as 4 x 6 in, the unit of this room')).toBeVisible()
  await page.getByRole('combobox', { name: 'Themes' }).fill('Harbour')
  await page.locator('input[multiple]').setInputFiles('docs/screenshots/find.png')
  await expect(page.locator('form img')).toBeVisible()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByRole('status').filter({ hasText: '1 First Anchor is in.' })).toContainText('Shelf 2, bin 1')
  await ask(page, 'harbour')
  await matItem(page, 'First Anchor').click()
  await expect(page.locator('[data-slip] img')).toBeVisible()
  await expect(page.locator('[data-place]')).toHaveText('Shelf 2, bin 1, 1st of 1')
})

test('what is typed survives a reload in mid-word; bad input gets a plain sentence', async ({ demo: page }) => {
  await newStrip(page)
  await page.getByLabel('Name', { exact: true }).fill('Half a na')
  await page.getByLabel('Size', { exact: true }).fill('4 x 600 cm')
  await expect(page.getByText('That is over two metres.')).toBeVisible()
  await page.locator('#take-words').fill(Array.from({ length: 401 }, (_, at) => `w${at}`).join(','))
  await expect(page.getByText('There is room for 400 words')).toBeVisible()
  await page.locator('#take-words').fill('ahoy')
  await page.locator('input[multiple]').setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') })
  await expect(page.getByRole('status').filter({ hasText: 'cannot be read as a picture' })).toBeVisible()
  const heic = Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1heic', 'latin1')
  await page.locator('input[multiple]').setInputFiles({ name: 'IMG_1.HEIC', mimeType: '', buffer: heic })
  await expect(page.getByRole('status').filter({ hasText: 'This is a HEIC photo' })).toContainText('save it as JPEG')
  await expect.poll(async () => JSON.stringify(await databaseOf(page, ['drafts']))).toContain('4 x 600 cm')
  await page.reload()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Half a na')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByLabel('Size', { exact: true })).toBeFocused()
})

test('two tabs take in at once and never give one number twice', async ({ demo: page }) => {
  const other = await page.context().newPage()
  await newStrip(other)
  await newStrip(page)
  for (const [tab, name] of [
    [page, 'From the left'],
    [other, 'From the right'],
  ] as const)
    await tab.getByLabel('Name', { exact: true }).fill(name)
  await Promise.all([page, other].map(tab => tab.getByRole('button', { name: 'Next one' }).click()))
  for (const tab of [page, other]) await expect(tab.getByRole('status').filter({ hasText: 'is in.' })).toBeVisible()
  await go(page, '/take-in/placeless')
  const tickets = page.locator('li').filter({ hasText: 'From the' }).locator('.ticket')
  await expect(tickets).toHaveCount(2)
  const numbers = await tickets.allInnerTexts()
  expect(new Set(numbers).size).toBe(2)
  // Nobody said what they are: that is told, and they are put nowhere.
  await page.getByRole('button', { name: 'Put all where they belong' }).click()
  await expect(page.getByRole('dialog')).toContainText('2 sets are of no kind that a corner takes.')
  await page.getByRole('button', { name: 'Put them there' }).click()
  await expect(page.locator('li').filter({ hasText: 'From the' })).toHaveCount(2)
})

test('four sets typed without a pause: no letter of the next is lost while one is being taken in', async ({ page }) => {
  await openEmpty(page)
  const names = ['Evening Limpets', 'Low Water Ropes', 'Spring Tide Alphabet', 'Anchor Corners']
  await page.getByLabel('Name', { exact: true }).focus()
  for (const name of names) await page.keyboard.type(`${name}\n`)
  await expect(page.getByRole('status').filter({ hasText: '4 Anchor Corners is in.' })).toBeVisible()
  const { holdings, drafts } = await databaseOf(page, ['holdings', 'drafts'])
  expect((holdings as { number: number; name: string }[]).sort((a, b) => a.number - b.number).map(each => each.name)).toEqual(names)
  expect(drafts).toEqual([])
})

/** Storage that is full for sets alone, until room is made: strips of the pile still find room. */
const fillStorage = (page: Page, tables: readonly string[] = ['holdings']): Promise<void> =>
  page.evaluate(full => {
    const kept = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...record: [unknown, IDBValidKey?]): IDBRequest<IDBValidKey> {
      if (full.includes(this.name) && !('isRoomMade' in window)) throw new DOMException('full', 'QuotaExceededError')
      return kept.apply(this, record)
    }
  }, tables)

test('a set that cannot be kept comes back on the screen, and goes in once there is room', async ({ page }) => {
  await openEmpty(page)
  await fillStorage(page)
  await page.getByLabel('Name', { exact: true }).focus()
  await page.keyboard.type('Evening Limpets\n')
  await expect(page.getByRole('alert').filter({ hasText: 'full' })).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Evening Limpets')
  await page.evaluate(() => Object.assign(window, { isRoomMade: true }))
  await page.getByRole('button', { name: /Next/ }).click()
  await expect(page.getByRole('status').filter({ hasText: '1 Evening Limpets is in.' })).toBeVisible()
  expect((await databaseOf(page, ['drafts'])).drafts).toEqual([])
})

test('what is typed while the storage is full outlasts leaving the page, and is kept once room is made beside it', async ({ page }) => {
  await openEmpty(page)
  await fillStorage(page, ['drafts'])
  const name = page.getByLabel('Name', { exact: true })
  await name.fill('Evening Limpets')
  const alert = page.locator('[data-not-kept]')
  await expect(alert).toContainText('is full')
  for (const path of ['/', '/copies']) {
    await go(page, path)
    await expect(name).toHaveCount(0)
    await go(page, '/take-in')
    await expect(name).toHaveValue('Evening Limpets')
  }
  await alert.getByRole('button', { name: 'Make room' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.locator('[data-storage]')).toContainText('Pictures take')
  await expect(name).toHaveValue('Evening Limpets')
  await page.evaluate(() => Object.assign(window, { isRoomMade: true }))
  await dialog.getByRole('button', { name: 'Close' }).click()
  await expect(alert).toHaveCount(0)
  const { drafts } = await databaseOf(page, ['drafts'])
  expect(drafts).toMatchObject([{ texts: { name: 'Evening Limpets' } }])
  await page.reload()
  await expect(name).toHaveValue('Evening Limpets')
})

test('a set that cannot be kept while the next is typed waits on the pile, and no letter of either is lost', async ({ page }) => {
  await openEmpty(page)
  await fillStorage(page)
  // The database is held until the next name is typed.
  await page.evaluate(async () => {
    const open = indexedDB.open('yondercrest')
    await new Promise(resolve => (open.onsuccess = resolve))
    const drafts = open.result.transaction('drafts', 'readwrite').objectStore('drafts')
    const hold = (): void => {
      if (!('isTyped' in window)) drafts.count().onsuccess = hold
    }
    hold()
  })
  await page.getByLabel('Name', { exact: true }).focus()
  await page.keyboard.type('Evening Limpets\nLow Water')
  await page.evaluate(() => Object.assign(window, { isTyped: true }))
  await expect(page.getByRole('status').filter({ hasText: 'Evening Limpets was not taken in, and waits on the pile.' })).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Low Water')
  const names = async () =>
    ((await databaseOf(page, ['drafts'])).drafts as { texts: { name: string } }[]).map(each => each.texts.name).sort()
  await expect.poll(names).toEqual(['Evening Limpets', 'Low Water'])
})

test('typing makes no junk: Enter and Tab take the best name there is, a new one comes last, an emptied field stays empty', async ({
  demo: page,
}) => {
  await newStrip(page)
  const brand = page.getByRole('combobox', { name: 'Brand' })
  for (const key of ['Tab', 'Enter']) {
    await brand.fill('plu')
    await expect(page.getByRole('listbox').getByRole('option').last()).toHaveText('New: plu')
    await brand.press(key)
    await expect(brand).toHaveValue('Plumb Bob Paperworks')
    await expect(page.getByRole('listbox').getByRole('option')).toHaveCount(0)
  }
  await brand.fill('plu')
  await brand.press('End')
  await brand.press('Enter')
  await expect(brand).toHaveValue('plu')
  await brand.fill('')
  await brand.press('Tab')
  await expect(brand).toHaveValue('')
  const themes = page.getByRole('combobox', { name: 'Themes' })
  await themes.fill('harb')
  await themes.press('Tab')
  await expect(page.getByRole('button', { name: 'Take Harbour off' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Take .+ off$/ })).toHaveCount(1)
})
