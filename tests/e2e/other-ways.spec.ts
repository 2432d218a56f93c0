import { readFileSync } from 'node:fs'
import { strFromU8, unzipSync } from 'fflate'
import sharp from 'sharp'
import type { Holding, PullList } from '../../core/catalog'
import { countsOf, databaseOf, expect, go, openDemo, openEmpty, test } from './helpers'
import type { Page } from '@playwright/test'

/** The pieces that the stand-in camera stamps: the numbers of the sets they are of, never told to who looks. */
const stamps = JSON.parse(strFromU8(unzipSync(readFileSync('.demo/camera.zip'))['stamps.json'] ?? new Uint8Array())) as {
  readonly number: number
}[]
const likes = (page: Page) => page.locator('[data-found]')
const allRead = async (page: Page): Promise<void> => {
  await expect(page.locator('[data-likes]')).toBeVisible()
  await expect(page.locator('[data-reading]')).toHaveCount(0, { timeout: 120_000 })
}
const pulled = async (page: Page): Promise<readonly string[]> =>
  ((await databaseOf(page, ['pullLists'])) as unknown as { readonly pullLists: readonly PullList[] }).pullLists.flatMap(({ lines }) =>
    lines.map(({ holdingId }) => holdingId),
  )

test('by picture: a photo of one stamped piece finds its set among the first, in the background of a first reading', async ({
  demo: page,
}) => {
  test.slow()
  await openDemo(page)
  await page.locator('[data-way="/find/picture"]').click()
  await expect(page.getByRole('heading', { name: 'Show it what you found' })).toBeVisible()
  let first = 0
  for (const seed of [3, 8, 14]) {
    await page.goto(`/find/picture?seed=${seed}`)
    await page.locator('[data-stand-in]').click()
    // What is read already can be found; when all is read, the answer is the best there is.
    await allRead(page)
    const numbers = await likes(page).evaluateAll(all => all.map(each => Number(each.getAttribute('data-found'))))
    const own = stamps[seed % stamps.length]?.number ?? 0
    expect(numbers.slice(0, 10)).toContain(own)
    if (numbers[0] === own) first += 1
  }
  expect(first).toBeGreaterThanOrEqual(2)

  // A part of the ink alone, and all of it again.
  const [all] = await likes(page).evaluateAll(each => each.map(one => one.getAttribute('data-found')))
  await page.locator('[data-part-of-photo]').last().click()
  await expect(page.locator('[data-all-ink]')).toBeVisible()
  await page.locator('[data-all-ink]').click()
  await expect(likes(page).first()).toHaveAttribute('data-found', all ?? '')
  // Its slip opens beside it, and a key puts it on the pull list.
  const id = await likes(page).first().locator('[data-set]').getAttribute('data-set')
  await likes(page).first().locator('[data-set]').focus()
  await page.keyboard.press('p')
  await expect.poll(() => pulled(page)).toContain(id)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(new RegExp(`set=${id}`))

  // The shapes are kept: after a reload nothing is read anew.
  expect((await countsOf(page, ['shapes'])).shapes).toBeGreaterThan(340)
})

test('by picture: what shows no ink, or is no picture, is told in a sentence', async ({ demo: page }) => {
  await go(page, '/find/picture')
  const choose = page.getByLabel('Choose a photo')
  const blank = await sharp({ create: { width: 600, height: 400, channels: 3, background: '#f4f2ee' } })
    .png()
    .toBuffer()
  await choose.setInputFiles({ name: 'blank.png', mimeType: 'image/png', buffer: blank })
  await expect(page.locator('[data-picture-problem]')).toContainText('There is no ink to be seen')
  await choose.setInputFiles({ name: 'list.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7 no photo') })
  await expect(page.locator('[data-picture-problem]')).toContainText('This is a PDF, not a photo')
  await choose.setInputFiles({ name: 'photo.jpg', mimeType: 'image/jpeg', buffer: Buffer.from([255, 216, 255, 0, 1]) })
  await expect(page.locator('[data-picture-problem]')).toContainText('cannot be read as a picture')
})

test('in a room with nothing in it, each way says what it needs', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/find/picture')
  await expect(page.getByText('No set has a picture yet.')).toBeVisible()
  await go(page, '/find/space')
  await expect(page.locator('[data-unmeasured]')).toContainText('No piece is measured yet.')
  await go(page, '/find/own')
  await page.getByLabel('What lies before you').fill('Tide Tables 3')
  await expect(page.locator('[data-verdict="none"]')).toBeVisible()
  await expect(page.locator('[data-own-room]')).toContainText(/There is room for about [1-9]/)
})

const MM_PER_INCH = 25.4
test('fits a space: typed, drawn and by the keys; every piece shown goes into it; what is not measured is told', async ({ demo: page }) => {
  await openDemo(page)
  await page.locator('[data-way="/find/space"]').click()
  const { holdings } = (await databaseOf(page, ['holdings'])) as unknown as { readonly holdings: readonly Holding[] }
  const there = holdings.filter(({ state }) => state !== 'gone')
  const fitting = (widthMm: number, heightMm: number): number =>
    there
      .flatMap(({ pieces, size }) => {
        if (pieces.some(piece => piece.size)) return pieces.flatMap(piece => (piece.isMissing || !piece.size ? [] : [piece.size]))
        return size ? [size] : []
      })
      .filter(
        ({ widthMm: w, heightMm: h }) => (w <= widthMm + 0.01 && h <= heightMm + 0.01) || (h <= widthMm + 0.01 && w <= heightMm + 0.01),
      ).length
  const told = page.locator('[data-fits]')
  const space = page.getByLabel('Space, width by height')
  await expect(told).toContainText(`${fitting(2 * MM_PER_INCH, 1.5 * MM_PER_INCH)} pieces fit`)
  await space.fill('1 x 2 in')
  await expect(told).toContainText(`${fitting(MM_PER_INCH, 2 * MM_PER_INCH)} pieces fit`)
  await expect(page.locator('[data-unmeasured]')).toContainText('no piece is measured')
  // What cannot be read says so, and the last space stays.
  await space.fill('1 x banana')
  await expect(page.getByRole('alert').filter({ hasText: 'not read as a size' })).toBeVisible()
  await expect(told).toContainText(`${fitting(MM_PER_INCH, 2 * MM_PER_INCH)} pieces fit`)

  // Drawn on the card: what is written follows.
  const card = page.locator('[data-card]')
  const box = await card.boundingBox()
  if (!box) throw new Error('no card')
  const px = box.width / (4.25 * MM_PER_INCH)
  const at = (inches: number): number => inches * MM_PER_INCH * px
  await page.mouse.move(box.x + at(0.5), box.y + at(1))
  await page.mouse.down()
  await page.mouse.move(box.x + at(2.5), box.y + at(2), { steps: 4 })
  await page.mouse.up()
  await expect(space).toHaveValue('2 x 1 in')
  await expect(told).toContainText(`${fitting(2 * MM_PER_INCH, MM_PER_INCH)} pieces fit`)
  await card.focus()
  await page.keyboard.press('Shift+ArrowDown')
  await expect(space).toHaveValue('2 x 1 1/8 in')

  // Narrowed by words; laid on the card; onto the pull list; the tab keeps what was asked.
  await page.getByLabel('Only what answers to').fill('harbour')
  await expect(told).not.toContainText(`${fitting(2 * MM_PER_INCH, 1.125 * MM_PER_INCH)} pieces fit`)
  const second = page.locator('[data-fit]').nth(1)
  await page.locator('[data-fit]').first().focus()
  await page.keyboard.press('ArrowRight')
  await expect(second).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(second).toHaveAttribute('aria-pressed', 'true')
  const id = await second.getAttribute('data-set')
  await page.locator('[data-laid]').getByRole('button', { name: 'On the pull list' }).click()
  await expect.poll(() => pulled(page)).toContain(id)
  await page.reload()
  await expect(space).toHaveValue('2 x 1 1/8 in')
  await expect(page.getByLabel('Only what answers to')).toHaveValue('harbour')
})
