import sharp from 'sharp'
import { ask, databaseOf, expect, go, headline, matItem, newStrip, openDemo, openEmpty, test } from './helpers'
import { count, file, files } from './photos'
import type { Page } from '@playwright/test'

const settle = (page: Page) => page.locator('[data-settle]')

/** By what the button of a stage jumps up from now on, where nobody scrolls: a press that falls into it is lost. */
async function watchedRises(page: Page): Promise<() => Promise<readonly number[]>> {
  const rises = await page.evaluateHandle(() => {
    const found: number[] = []
    let [last, lastScroll] = [Number.NEGATIVE_INFINITY, 0]
    const look = (): void => {
      const top = document.querySelector('[data-settle]')?.getBoundingClientRect().top ?? Number.NEGATIVE_INFINITY
      const scroll = document.getElementById('sheet')?.scrollTop ?? 0
      if (scroll === lastScroll && Number.isFinite(top) && top < last - 1) found.push(Math.round(last - top))
      ;[last, lastScroll] = [top, scroll]
      requestAnimationFrame(look)
    }
    look()
    return found
  })
  return () => rises.jsonValue()
}

/** The pile of the demo room is set aside; what waits at its later stages stays. */
async function setPileAside(page: Page): Promise<void> {
  await go(page, '/take-in')
  const strips = page.getByRole('button', { name: /^Take .* off the pile$/ })
  await page.getByRole('button', { name: 'Start over' }).click()
  for (let left = 7; left > 0; left -= 1) {
    await expect(strips).toHaveCount(left)
    await strips.first().click()
  }
  await expect(count(page, 'capture')).toHaveAttribute('data-count', '0')
  for (const [stage, waiting] of Object.entries(WAITING)) await expect(count(page, stage)).toHaveAttribute('data-count', String(waiting))
}
/** Sets of the demo room that wait at a stage. */
const WAITING = { class: 3, fit: 3, label: 2, file: 3 } as const

/** Photos in, each with a name of its own; brand and size carry over, so that a name and Enter are enough. */
async function photosIn(page: Page, photos: number): Promise<void> {
  await files(page).setInputFiles(await Promise.all(Array.from({ length: photos }, (_, seed) => file(seed + 1))))
  await expect(page.getByRole('status').filter({ hasText: `${photos} photos on the pile.` })).toBeVisible()
  await expect(count(page, 'capture')).toHaveAttribute('data-count', String(photos))
  await page.getByRole('combobox', { name: 'Brand' }).fill('Tidewrack Press')
  await page.getByLabel('Size', { exact: true }).fill('4 x 6 in')
  for (let at = 0; at < photos; at += 1) {
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
    await page.getByLabel('Name', { exact: true }).fill(`Harbour Anchor Sketch ${at + 1}`)
    await expect(page.getByRole('combobox', { name: 'Brand' })).toHaveValue('Tidewrack Press')
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(count(page, 'class')).toHaveAttribute('data-count', String(WAITING.class + at + 1))
  }
  await expect(count(page, 'capture')).toHaveAttribute('data-count', '0')
}

test('twenty photos in: a name and Enter each, and all of them wait to be described', async ({ demo: page }) => {
  test.slow()
  await setPileAside(page)
  await photosIn(page, 20)
})

test('photos worked through stage by stage with what waited there, until all are placed', async ({ demo: page }) => {
  test.slow()
  const photos = 4
  await setPileAside(page)
  await photosIn(page, photos)

  // Each stage has what waited there and what came from the ones before.
  const [toClass, toFit, toLabel] = [photos + 3, photos + 6, photos + 8]
  await go(page, '/take-in/work?stage=class')
  for (let at = 0; at < toClass; at += 1) {
    await expect(count(page, 'fit')).toHaveAttribute('data-count', String(WAITING.fit + at))
    await page.locator('#take-kind').selectOption({ label: 'Clear' })
    await page.getByRole('combobox', { name: 'Themes' }).fill('Harbour')
    await page.getByRole('combobox', { name: 'Category' }).fill('Images')
    await page.keyboard.press('Control+Enter')
  }
  await expect(page.getByRole('heading', { name: 'Nothing waits at Describe.' })).toBeVisible()
  for (const [stage, next, waiting, there] of [
    ['fit', 'label', toFit, WAITING.label],
    ['label', 'file', toLabel, WAITING.file],
  ] as const) {
    await page.locator(`[data-stage="${stage}"]`).click()
    for (let at = 0; at < waiting; at += 1) {
      await expect(count(page, next)).toHaveAttribute('data-count', String(there + at))
      await settle(page).click()
    }
    await expect(count(page, next)).toHaveAttribute('data-count', String(there + waiting))
  }
  await page.locator('[data-stage="file"]').click()
  for (let at = toLabel + WAITING.file; at > 0; at -= 1) {
    await expect(count(page, 'file')).toHaveAttribute('data-count', String(at))
    const isOwn = (await page.locator('[data-work]').innerText()).includes('Harbour Anchor Sketch')
    // Bin 1 takes them behind its tab until it is full; the nearest with room takes the others.
    if (isOwn)
      await expect(page.locator('section', { has: page.locator('[data-proposal]') })).toContainText(
        /tab Harbour|Bin 1, where its order has it, is full/,
      )
    await settle(page).click()
  }
  await expect(page.getByRole('heading', { name: 'Nothing waits at Put away.' })).toBeVisible()
  await expect(page.getByRole('banner').getByText('without a place')).toHaveCount(0)
  await ask(page, 'anchor sketch 3')
  await matItem(page, 'Harbour Anchor Sketch 3').first().click()
  await expect(page.locator('[data-slip] img').first()).toBeVisible()
  await expect(page.locator('[data-place]')).toContainText(/bin [12], /)
})

test('pressed before the advice is there, the button never jumps; on a phone, from further down, the next set is named in sight', async ({
  demo: page,
}) => {
  await go(page, '/take-in')
  // As on a slow machine: what is asked of a worker waits until it is let through.
  const held = await page.evaluateHandle(() => {
    const post = Worker.prototype.postMessage
    const waiting: (() => void)[] = []
    Worker.prototype.postMessage = function (this: Worker, message: unknown, options?: StructuredSerializeOptions | Transferable[]) {
      waiting.push(() => post.call(this, message, Array.isArray(options) ? { transfer: options } : options))
    }
    return () => {
      Worker.prototype.postMessage = post
      for (const send of waiting) send()
    }
  })
  await go(page, '/take-in/work?stage=fit')
  const upward = await watchedRises(page)
  await settle(page).click()
  await expect(settle(page)).toBeDisabled()
  await held.evaluate(letThrough => letThrough())
  await expect(count(page, 'label')).toHaveAttribute('data-count', '3')
  await expect(page.locator('[data-fit-drawing]')).toBeVisible()
  expect(await upward()).toEqual([])

  await page.setViewportSize({ width: 390, height: 844 })
  const name = page.locator('[data-working]')
  const before = await name.innerText()
  await page.locator('#fit-other').scrollIntoViewIfNeeded()
  await expect(name).not.toBeInViewport()
  await settle(page).click()
  await expect(name).not.toHaveText(before)
  await expect(name).toBeInViewport()
})

test('one set all the way, by keyboard alone, and how many keys that takes', async ({ demo: page }) => {
  await openDemo(page)
  let keys = 0
  const press = async (key: string): Promise<void> => {
    keys += 1
    await page.keyboard.press(key)
  }
  const write = async (text: string, counts = true): Promise<void> => {
    keys += counts ? text.length : 0
    await page.keyboard.type(text)
  }
  await press('n')
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()
  await write('Snowy Lantern Tags', false)
  await press('Tab')
  await write('tide')
  await expect(page.getByRole('option', { name: 'Tidewrack Press' })).toBeVisible()
  await press('Tab')
  await expect(page.getByRole('combobox', { name: 'Brand' })).toHaveValue('Tidewrack Press')
  await write('Cl')
  await press('Tab')
  await write('4x6')
  await press('Tab')
  await write('warm wishes, candle', false)
  await press('Tab')
  await expect(page.locator('[data-suggestion="theme"]').first()).toBeVisible()
  await press('ArrowRight')
  await expect(page.getByRole('combobox', { name: 'Category' })).toBeFocused()
  // The words were only just written: what is suggested by them comes in a moment.
  await expect(page.locator('[data-suggestion="category"]').first()).toBeVisible()
  await press('ArrowRight')
  await expect(page.getByRole('combobox', { name: 'Category' })).not.toHaveValue('')
  await expect(page.locator('[data-proposal]')).toBeVisible()
  await press('Control+Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Snowy Lantern Tags is in.' })).toContainText(/bin|drawer|binder/i)
  test.info().annotations.push({ type: 'keys beyond name and words', description: String(keys) })
  expect(keys).toBeLessThanOrEqual(45)
})

test('what is owned already is shown before anything is saved: by name, by picture, and within the pile', async ({ demo: page }) => {
  await newStrip(page)
  const panel = page.locator('[data-look-alikes]')
  const owned = await page.evaluate(async () => {
    const open = indexedDB.open('yondercrest')
    const db = await new Promise<IDBDatabase>(resolve => {
      open.onsuccess = () => resolve(open.result)
    })
    const all = <T>(table: string): Promise<T[]> =>
      new Promise(resolve => {
        const request = db.transaction(table).objectStore(table).getAll()
        request.onsuccess = () => resolve(request.result as T[])
      })
    const holding = (await all<{ name: string; pictureHash: string | null }>('holdings')).find(each => each.pictureHash !== null)
    const picture = (await all<{ hash: string; bytes: ArrayBuffer }>('pictures')).find(each => each.hash === holding?.pictureHash)
    db.close()
    return { name: holding?.name ?? '', bytes: [...new Uint8Array(picture?.bytes ?? new ArrayBuffer(0))] }
  })
  await page.getByLabel('Name', { exact: true }).fill(owned.name.split(' ').reverse().join(' ').toLowerCase())
  await expect(panel).toContainText(owned.name)
  await expect(panel).toContainText('Looks the same, by its name')
  await page.getByLabel('Name', { exact: true }).fill('')
  await expect(panel).toHaveCount(0)

  const turned = await sharp(Buffer.from(owned.bytes)).flatten({ background: '#fff' }).rotate(90).linear(0.85, 0).jpeg().toBuffer()
  await files(page).setInputFiles({ name: 'turned.jpg', mimeType: 'image/jpeg', buffer: turned })
  await expect(panel).toContainText(owned.name, { timeout: 20_000 })
  await expect(panel).toContainText('by its picture')

  await page.getByLabel('Name', { exact: true }).fill('Quite Unheard Of')
  await expect.poll(async () => JSON.stringify(await databaseOf(page, ['drafts']))).toContain('Quite Unheard Of')
  await files(page).setInputFiles([await file(3), await file(4)])
  await expect(page.getByRole('status').filter({ hasText: '2 photos on the pile.' })).toBeVisible()
  await page.locator('[data-strip]').first().click()
  await expect(page.getByLabel('Name', { exact: true })).not.toHaveValue('Quite Unheard Of')
  await page.getByLabel('Name', { exact: true }).fill('Unheard Of, Quite')
  await expect(panel).toContainText('on this pile')
})

test('bad input gets a plain sentence, the strip is kept', async ({ page }) => {
  await openEmpty(page)
  const name = page.getByLabel('Name', { exact: true })
  await name.fill('x'.repeat(500))
  await expect(page.getByText('A name has room for 300 letters.')).toBeVisible()
  await name.press('Enter')
  await expect(name).toBeFocused()
  await name.fill('שלום 🐚 مرحبا')
  await page.getByLabel('Size', { exact: true }).fill('0 x 4 in')
  await expect(page.getByText('A side of nothing cannot be right.')).toBeVisible()
  await page.getByLabel('Size', { exact: true }).fill('4 x 6')
  await page.getByLabel('When you got it').fill('2199-01-01')
  await expect(page.getByText('That day is still to come.')).toBeVisible()
  await page.getByLabel('When you got it').fill('3/4/2019')
  await expect(page.getByText('Write the date like 2026-11-23')).toBeVisible()
  await page.getByLabel('Price', { exact: true }).fill('a lot')
  await expect(page.getByText('Write the price like 12.50')).toBeVisible()
  await name.press('Enter')
  await expect(page.getByLabel('When you got it')).toBeFocused()
  await page.getByLabel('When you got it').fill('2019')
  await page.getByLabel('Price', { exact: true }).fill('12,50 EUR')
  await name.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'is in. It waits at Describe.' })).toContainText('שלום 🐚 مرحبا')
  await ask(page, 'שלום')
  await expect(headline(page)).toHaveText('1 set')
})

test('the same brand from two tabs is one brand; a near spelling is asked about', async ({ page, context }) => {
  await openEmpty(page)
  const other = await context.newPage()
  await go(other, '/take-in')
  for (const [tab, name] of [
    [page, 'Left'],
    [other, 'Right'],
  ] as const) {
    await tab.getByLabel('Name', { exact: true }).fill(name)
    await tab.getByRole('combobox', { name: 'Brand' }).fill('Lanternwick')
  }
  await Promise.all([page, other].map(tab => tab.getByRole('button', { name: 'Next one' }).click()))
  for (const tab of [page, other]) await expect(tab.getByRole('status').filter({ hasText: 'is in.' })).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Third')
  await page.getByRole('combobox', { name: 'Brand' }).fill('Lantenwick')
  await page.getByRole('combobox', { name: 'Brand' }).press('Tab')
  await page.getByRole('button', { name: 'Yes, Lanternwick' }).click()
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Third is in.' })).toBeVisible()
  await ask(page, 'lanternwick')
  await expect(headline(page)).toHaveText('3 sets')
})

test('search words come from the lexicon, are kept apart, and say so when they find', async ({ page }) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill('Teapot Party')
  await page.getByRole('button', { name: 'Suggest search words' }).click()
  await page.locator('[data-related]').getByRole('button', { name: 'pot', exact: true }).first().click()
  await expect(page.getByRole('button', { name: 'Take the search word pot off' })).toBeVisible()
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'is in.' })).toBeVisible()
  await ask(page, 'pot')
  await expect(page.locator('[data-linked]')).toContainText('a search word you took')
  await expect(matItem(page, 'Teapot Party')).toBeVisible()
})

test('so many minutes: a pack that ends with every set placed', async ({ page }) => {
  await openEmpty(page)
  for (const name of ['Rope Ends', 'Kelp Study']) {
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByRole('status').filter({ hasText: `${name} is in.` })).toBeVisible()
  }
  await page.getByRole('button', { name: /^More: a few/ }).click()
  await page.getByRole('menuitem', { name: 'I have a few minutes' }).click()
  await page.getByLabel('How many minutes').fill('2')
  await expect(page.locator('[data-pack]')).toHaveText('1 set, about 1 min 35 s, every one ends at its place.')
  await page.getByLabel('How many minutes').fill('1')
  await expect(page.locator('[data-pack]')).toHaveText(/Not one set can be finished/)
  await page.getByLabel('How many minutes').fill('10')
  await page.getByRole('button', { name: 'Start' }).click()
  for (let at = 0; at < 8; at += 1) {
    const left = await page.locator('[data-stage]').allInnerTexts()
    await settle(page).click()
    await expect.poll(async () => (await page.locator('[data-stage]').allInnerTexts()).join()).not.toBe(left.join())
  }
  await expect(page.getByRole('status').filter({ hasText: 'The pack is done' })).toBeVisible()
  await expect(page.getByRole('banner').getByText('without a place')).toHaveCount(0)
})

test('few sets need few stages; a place for now', async ({ page }) => {
  await openEmpty(page)
  await expect(page.locator('[data-beginning]')).toContainText('sets stand with their theme')
  await page.getByLabel('Few, up to fifty').click()
  await expect(page.locator('[data-beginning]')).toHaveCount(0)
  await page.getByRole('button', { name: /^More: a few/ }).click()
  await page.getByRole('menuitem', { name: 'My way of working' }).click()
  await expect(page.getByLabel('Few, up to fifty')).toBeChecked()
  await page.getByLabel('Place for now').selectOption({ index: 1 })
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.locator('[data-stage]')).toHaveCount(3)
  for (const name of ['Rope Ends', 'Rope Knots']) {
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByLabel('Name', { exact: true }).press('Enter')
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('')
  }
  await page.locator('[data-stage="class"]').click()
  for (const waiting of ['1', '2']) {
    await settle(page).click()
    await expect(count(page, 'file')).toHaveAttribute('data-count', waiting)
  }
  await page.locator('[data-stage="file"]').click()
  await page.getByRole('button', { name: 'For now: Bin 1' }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Rope Ends stands in Bin 1 for now.' })).toBeVisible()
  // The keys are not lost with what was pressed: the next set is a press away.
  await expect(page.locator('[data-working]')).toHaveText('Rope Knots')
  await expect(settle(page)).toBeFocused()
})

test('two tabs go on to the next of the pile at one moment: one gets it, and what the other has typed is a set of its own', async ({
  demo: page,
}) => {
  await go(page, '/take-in')
  const strips = page.getByRole('button', { name: /^Take .* off the pile$/ })
  await page.getByRole('button', { name: 'Start over' }).click()
  for (let left = 7; left > 0; left -= 1) {
    await expect(strips).toHaveCount(left)
    await strips.first().click()
  }
  await files(page).setInputFiles(await Promise.all([1, 2, 3].map(file)))
  await expect(count(page, 'capture')).toHaveAttribute('data-count', '3')
  const other = await page.context().newPage()
  await go(other, '/take-in')
  const name = (of: Page) => of.getByLabel('Name', { exact: true })
  // Each tab has a strip of its own open; of the third both think that it is the next.
  await name(page).fill('Kelp Rope')
  await name(other).fill('Tallow Lamp')
  await Promise.all([name(page).press('Enter'), name(other).press('Enter')])
  await Promise.all([name(page).fill('Gull Feather'), name(other).fill('Anchor Chain')])
  await Promise.all([name(page).press('Enter'), name(other).press('Enter')])
  const wanted = ['Anchor Chain', 'Gull Feather', 'Kelp Rope', 'Tallow Lamp']
  await expect
    .poll(async () => {
      const { holdings = [] } = await databaseOf(page, ['holdings'])
      return (holdings as { name: string }[])
        .map(each => each.name)
        .filter(each => wanted.includes(each))
        .sort()
    })
    .toEqual(wanted)
  await other.close()
})

test.describe('east of Greenwich', () => {
  // 14 hours ahead of Greenwich: the day has begun there, and in London it is still yesterday.
  test.use({ timezoneId: 'Pacific/Kiritimati' })
  test('today is today: a set bought today keeps its day', async ({ page }) => {
    await page.clock.setFixedTime(new Date('2026-12-01T20:00:00Z'))
    await openEmpty(page)
    await page.getByLabel('Name', { exact: true }).fill('Kelp Study')
    await page.getByLabel('When you got it').fill('2026-12-03')
    await expect(page.getByText('That day is still to come.')).toBeVisible()
    await page.getByLabel('When you got it').fill('2026-12-02')
    await expect(page.getByText('That day is still to come.')).toHaveCount(0)
    await page.getByRole('button', { name: 'Take it in' }).click()
    await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
    expect((await databaseOf(page, ['holdings'])).holdings).toMatchObject([{ name: 'Kelp Study', acquiredOn: '2026-12-02' }])
  })
})
