import type { Page } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { Holder, Holding, Label, LabelSheet } from '#core/catalog'
import { drawnByPoppler } from './poppler'
import { bringIn, bytesOf, csv, databaseOf, expect, go, openEmpty, test } from './helpers'

interface Room {
  readonly holdings: readonly Holding[]
  readonly holders: readonly Holder[]
  readonly labels: readonly Label[]
  readonly labelSheets: readonly LabelSheet[]
}
const roomOf = async (page: Page): Promise<Room> =>
  (await databaseOf(page, ['holdings', 'holders', 'labels', 'labelSheets'])) as unknown as Room
const toMake = (page: Page) => page.locator('[data-to-make]')
const shown = (page: Page): Promise<string[]> =>
  page.locator('[data-label]').evaluateAll(all => all.map(each => each.getAttribute('data-label') ?? ''))
async function openLabels(page: Page): Promise<void> {
  await go(page, '/index')
  await page.getByRole('navigation', { name: 'Index' }).getByRole('link', { name: 'Labels' }).click()
  await expect(toMake(page)).toHaveText('4 labels to make.')
}
/** Where texts of a PDF stand, in millimetres from the upper left corner of their page. */
async function textsOf(
  pdf: Buffer,
): Promise<readonly { readonly page: number; readonly text: string; readonly x: number; readonly y: number }[]> {
  const doc = await getDocument({ data: new Uint8Array(pdf) }).promise
  const found = []
  for (let number = 1; number <= doc.numPages; number += 1) {
    const page = await doc.getPage(number)
    const high = page.view[3] ?? 0
    for (const item of (await page.getTextContent()).items)
      if ('str' in item && item.str.trim()) {
        const [, , , , x = 0, y = 0] = item.transform as number[]
        found.push({ page: number, text: item.str, x: (x / 72) * 25.4, y: ((high - y) / 72) * 25.4 })
      }
  }
  return found
}

test('labels of the pile, in the order in which the things will stand, go to the practice machine and are called good once', async ({
  demo: page,
}) => {
  await openLabels(page)
  await expect(page.locator('[data-group]')).toHaveCount(4)
  const before = await roomOf(page)
  const pile = before.holdings.filter(({ state }) => state === 'toLabel')
  const renamed = before.holdings.filter(({ number }) => number === 57 || number === 231)
  const order = await shown(page)
  expect([...order].sort()).toEqual([...pile, ...renamed].map(({ id }) => `set:${id}`).sort())
  // The machine keeps the last one until it is fed out.
  await page.locator('[data-to-machine]').click()
  await expect(page.locator('[data-came-out]')).toHaveText(/^3 labels came out/)
  await expect(page.locator('[data-held]')).toBeVisible()
  const strip = page.locator('[data-machine] img')
  const width = await strip.evaluate((image: HTMLImageElement) => [image.naturalWidth, image.naturalHeight])
  expect(width[1]).toBe(Math.floor((12 * 180) / 25.4))
  await page.locator('[data-feed]').click()
  await expect(page.locator('[data-came-out]')).toHaveText(/^1 label came out/)
  await expect(page.locator('[data-held]')).toHaveCount(0)
  // Asked until it is answered, also after a reload.
  await page.reload()
  await expect(page.locator('[data-waiting]')).toContainText('4 labels')
  const other = await page.context().newPage()
  await go(other, '/index/labels')
  await expect(other.locator('[data-waiting]')).toContainText('4 labels')
  await page.locator('[data-well]').click()
  // What one tab answered the other asks no more.
  await expect(other.locator('[data-group=differs]')).toHaveCount(0)
  await expect(other.locator('[data-waiting]')).toHaveCount(0)
  await other.close()
  await expect(page.getByText('4 labels count as made')).toBeVisible()
  await expect(page.locator('[data-group=waiting]')).toHaveCount(0)
  await expect(page.locator('[data-group=differs]')).toHaveCount(0)
  // What the label on a set says is told on its slip.
  const labelled = renamed[0]
  await go(page, `/?ask=${encodeURIComponent(`#${labelled?.number}`)}&set=${labelled?.id}`)
  await expect(page.locator('[data-slip]')).toContainText('Its label says')
  await expect(page.locator('[data-slip] dd').filter({ hasText: '\u00b7' }).filter({ hasText: labelled?.name })).toBeVisible()
  // They go on to be put away, and stand in the very order of the strip.
  const after = await roomOf(page)
  expect(after.holdings.filter(({ state }) => state === 'toLabel')).toEqual([])
  expect(after.labels.filter(({ of }) => order.includes(of)).length).toBe(4)
  await go(page, '/take-in/placeless')
  await page.getByRole('button', { name: 'Put all where they belong' }).click()
  await page.getByRole('button', { name: 'Put them there' }).click()
  const ids = new Set(pile.map(({ id }) => id))
  await expect.poll(async () => (await roomOf(page)).holdings.filter(({ id, state }) => ids.has(id) && state !== 'filed')).toEqual([])
  await go(page, '/index/labels')
  await page.locator('[data-group=fine] input').check()
  await expect(page.locator('[data-label]').first()).toBeVisible()
  const [list] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a list' }).click()])
  const numbers = (await bytesOf(list))
    .toString('utf8')
    .split('\r\n')
    .map(line => Number.parseInt(line.split(',')[1] ?? '', 10))
  const numberOf = new Map(before.holdings.map(({ id, number }) => [`set:${id}`, number]))
  const wanted = order.map(of => numberOf.get(of) ?? 0)
  expect(numbers.filter(number => wanted.includes(number))).toEqual(wanted)
})

test('a begun sheet goes on where it ended, each label on its place to a fifth of a millimetre; undo gives it back', async ({
  demo: page,
}) => {
  await openLabels(page)
  const sheet = (await roomOf(page)).labelSheets[0]
  if (!sheet) throw new Error('no sheet')
  const order = await shown(page)
  await page.getByLabel('Printed on').selectOption(sheet.id)
  await page.getByLabel('A square code of the number').check()
  await expect(page.locator('[data-lengths]')).toHaveText('1 sheet: goes on at label 6 of the sheet that was begun, 4 labels.')
  await expect(page.locator('[data-sheet]')).toHaveCount(1)
  await page.locator('[data-make-pdf]').click()
  await expect(page.locator('[data-ready]')).toHaveText('4 labels ready.')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save it' }).click()])
  const pdf = await bytesOf(download)
  const texts = await textsOf(pdf)
  const { holdings } = await roomOf(page)
  const drawn = await drawnByPoppler(pdf)
  order.forEach((of, nth) => {
    const at = sheet.nextFree + nth
    const [left, top] = [sheet.leftMm + (at % 3) * sheet.acrossMm, sheet.topMm + Math.floor(at / 3) * sheet.downMm]
    const inside = texts.filter(({ x, y }) => x >= left && x < left + sheet.widthMm && y >= top && y < top + sheet.heightMm)
    const name = holdings.find(({ id }) => `set:${id}` === of)?.name ?? ''
    expect(inside.map(({ text }) => text).join(' ')).toContain(name.split(' ')[0])
    // Its square code, drawn by another program, blurred as a phone sees it, and read by another decoder.
    const number = holdings.find(({ id }) => `set:${id}` === of)?.number
    expect([nth, drawn.codeIn(left, top, sheet.widthMm, sheet.heightMm)]).toEqual([nth, String(number)])
    // Words begin behind the code and its quiet zone: 21 + 8 modules of 0.6 mm.
    expect(Math.abs(Math.min(...inside.map(({ x }) => x)) - left - 2 - 29 * 0.6)).toBeLessThan(0.2)
  })
  await page.locator('[data-well]').click()
  await expect.poll(async () => (await roomOf(page)).labelSheets[0]?.nextFree).toBe(sheet.nextFree + 4)
  await expect(toMake(page)).not.toHaveText('4 labels to make.')
  await page.keyboard.press('u')
  await expect(toMake(page)).toHaveText('4 labels to make.')
  expect((await roomOf(page)).labelSheets[0]?.nextFree).toBe(sheet.nextFree)
  // The page of outlines: one for each label, of its size.
  const [outlines] = await Promise.all([page.waitForEvent('download'), page.locator('[data-test-page]').click()])
  expect(await textsOf(await bytesOf(outlines))).toMatchObject([{ text: expect.stringContaining('against the light') }])
  // Measures that cannot be are told, and not kept.
  await page.getByRole('button', { name: 'Change its measures' }).click()
  await page.getByLabel('Label width').fill('80')
  await expect(page.locator('[data-grid-fault]')).toHaveText('Labels lie over each other across, by 14.0 mm.')
  await expect(page.locator('[data-keep-sheet]')).toBeDisabled()
  await page.getByLabel('Label width').fill('2 1/2 in')
  await expect(page.locator('[data-grid-fault]')).toHaveCount(0)
  await page.locator('[data-keep-sheet]').click()
  await expect.poll(async () => (await roomOf(page)).labelSheets[0]?.widthMm).toBe(63.5)
})

test('labels made on two sheets before either is answered for: each sheet goes on behind its own, and so does a second print', async ({
  demo: page,
}) => {
  await openLabels(page)
  const [first] = (await roomOf(page)).labelSheets
  if (!first) throw new Error('no sheet')
  await page.getByLabel('Printed on').selectOption('new')
  await page.getByLabel('Name', { exact: true }).fill('Another sheet')
  await page.locator('[data-keep-sheet]').click()
  await expect(page.locator('[data-lengths]')).toHaveText('1 sheet: 4 labels.')
  const free = async (): Promise<Record<string, number>> =>
    Object.fromEntries((await roomOf(page)).labelSheets.map(({ name, nextFree }) => [name, nextFree]))
  await page.locator('[data-make-pdf]').click()
  await expect(page.locator('[data-waiting]')).toContainText('4 labels made on')
  await page.getByLabel('Printed on').selectOption(first.id)
  await page.locator('[data-group=waiting] input').uncheck()
  await expect(toMake(page)).toHaveText('2 labels to make.')
  await page.locator('[data-make-pdf]').click()
  await expect(page.locator('[data-waiting]')).toHaveCount(2)
  // What is made next goes behind what is on the sheet, answered for or not.
  await expect(page.locator('[data-lengths]')).toHaveText(
    `1 sheet: goes on at label ${first.nextFree + 3} of the sheet that was begun, 2 labels.`,
  )
  await page.locator('[data-waiting]').filter({ hasText: 'Another sheet' }).locator('~ div [data-well]').click()
  await expect.poll(free).toEqual({ [first.name]: first.nextFree, 'Another sheet': 4 })
  await page.locator('[data-waiting]').locator('~ div [data-well]').click()
  await expect.poll(free).toEqual({ [first.name]: first.nextFree + 2, 'Another sheet': 4 })
  await expect(page.locator('[data-waiting]')).toHaveCount(0)
})

test('other tape, a name of 300 letters, letters that no font has, a formula in a list: said, and nothing is lost', async ({ page }) => {
  await openEmpty(page)
  await bringIn(page, csv(['Number,Name', "1,'=SUM(A1:A9)", `2,${'Windjammer '.repeat(27).trim()}`, '3,Κύμα и море 波']))
  await go(page, '/index/labels')
  await expect(toMake(page)).toHaveText('3 labels to make.')
  await page.getByText('1 label made shorter to fit').click()
  await expect(page.getByText('(letters left out)')).toBeVisible()
  // As a list: in order, and no cell that a spreadsheet would run.
  const [list] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as a list' }).click()])
  const text = (await bytesOf(list)).toString('utf8')
  expect(text).toContain("1,1,'=SUM(A1:A9)")
  expect(text).toContain('Κύμα и море 波')
  // Not all came out: the others are still to make.
  await page.getByRole('button', { name: 'Not all' }).click()
  await page.locator('[data-waiting] ~ fieldset label').filter({ hasText: 'SUM' }).getByRole('checkbox').uncheck()
  await page.locator('[data-well]').click()
  await expect(toMake(page)).toHaveText('1 label to make.')
  await page.locator('[data-group=fine] input').check()
  await page.locator('[data-to-machine]').click()
  await expect(page.locator('[data-came-out]')).toBeVisible()
  await page.getByRole('button', { name: 'No, or not printed' }).click()
  await page.getByLabel('Tape is').selectOption('24')
  // The labels are set for it: 24 mm high, 90 pixels of the screen.
  await expect.poll(async () => (await page.locator('[data-label] svg').first().boundingBox())?.height).toBeGreaterThan(85)
  await page.locator('[data-to-machine]').click()
  await expect(page.getByText('There is tape of 12 mm in the machine')).toBeVisible()
  await page.getByRole('button', { name: 'Put in a new reel' }).click()
  await page.locator('[data-to-machine]').click()
  await expect(page.locator('[data-came-out]')).toBeVisible()
})

test('at phone width and by keyboard: what is labelled, what is chosen, and every kind of thing', async ({ demo: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await go(page, '/index/labels')
  await expect(toMake(page)).toHaveText('4 labels to make.')
  await page.locator('[data-group=differs] input').focus()
  await page.keyboard.press('Space')
  await expect(toMake(page)).toHaveText('2 labels to make.')
  await page.locator('[data-label-kind]').selectOption('container')
  await expect(toMake(page)).toHaveText('2 labels to make.')
  await page.locator('[data-label-kind]').selectOption('tab')
  await expect(page.locator('[data-label]').first()).toBeVisible()
  await page.locator('[data-label-kind]').selectOption('cell')
  await expect(page.locator('[data-label]').first()).toBeVisible()
  const [body, view] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth])
  expect(body).toBeLessThanOrEqual(view ?? 0)
  // It is kept in the address.
  await page.reload()
  await expect(page.locator('[data-label-kind]')).toHaveValue('cell')
})

test('the reel comes to its end: what was printed waits for its answer, the rest goes onto a new reel, and none is lost', async ({
  demo: page,
}) => {
  await go(page, '/index/labels')
  await page.locator('[data-group=none] input').check()
  await page.locator('[data-group=fine] input').check()
  const all = Number(/^(\d+) labels/.exec(await toMake(page).innerText())?.[1])
  expect(all).toBeGreaterThan(300)
  await page.locator('[data-to-machine]').click()
  await expect(page.getByText(/The tape came to its end: \d+ labels were not printed/)).toBeVisible({ timeout: 30_000 })
  let out = 0
  const cameOut = async (): Promise<number> =>
    Number(/^(\d+) labels? came out/.exec(await page.locator('[data-came-out]').innerText())?.[1])
  for (let reels = 1; (await page.getByText('The tape came to its end').count()) > 0; reels += 1) {
    expect(reels).toBeLessThan(9)
    out += await cameOut()
    await page.getByRole('button', { name: 'Put in a new reel' }).click()
    // What was inside is thrown away with the old reel, and is printed once more.
    await expect(page.locator('[data-leftover]')).toHaveText(`Print the other ${all - out} on it`)
    await expect(page.locator('[data-waiting]')).toContainText(`${out} labels made on`)
    await page.locator('[data-leftover]').click()
    await expect(page.locator('[data-came-out]')).toBeVisible({ timeout: 30_000 })
  }
  await expect(page.locator('[data-waiting]')).toContainText(`${all} labels made on`)
  await page.locator('[data-feed]').click()
  await page.locator('[data-well]').click()
  await expect(page.locator('[data-group]')).toHaveText([`${all} that are true, once more`])
})
