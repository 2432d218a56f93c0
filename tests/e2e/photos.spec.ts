import { bytesOf, databaseOf, expect, go, matItem, openEmpty, test } from './helpers'
import { count, file, files, photo } from './photos'

/** How photos come onto the pile and into a strip. */
test('many refused, none lost: what is no picture is named, the rest is taken; a strip dropped comes back by undo', async ({ page }) => {
  await openEmpty(page)
  await files(page).setInputFiles([
    await file(1),
    { name: 'letter.png', mimeType: 'image/png', buffer: Buffer.from('Dear harbour master') },
    await file(2),
  ])
  await expect(page.getByRole('status').filter({ hasText: '2 photos on the pile. Not a picture, or too large: letter.png.' })).toBeVisible()
  await page.locator('[data-strip] + button').first().click()
  await expect(page.locator('[data-strip]')).toHaveCount(0)
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.press('u')
  await expect(page.locator('[data-strip]')).toHaveCount(1)
})

test('on a phone: a photo from the camera becomes the strip, one thumb goes on', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 800 }, hasTouch: true, isMobile: true })).newPage()
  await openEmpty(page)
  await page
    .locator('input[capture]')
    .first()
    .setInputFiles(await file(5))
  await expect(page.locator('form img')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('By Thumb')
  await page.getByRole('button', { name: 'Next one' }).tap()
  await expect(page.getByRole('status').filter({ hasText: 'By Thumb is in.' })).toBeVisible()
  const width = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(width).toBeLessThanOrEqual(390)
  await page.context().close()
})

test('a pasted picture becomes the photo of the open strip', async ({ page }) => {
  await openEmpty(page)
  const bytes = [...(await photo(6, 200, 300))]
  await page.getByLabel('Name', { exact: true }).focus()
  await page.evaluate(list => {
    const data = new DataTransfer()
    data.items.add(new File([new Uint8Array(list)], 'pasted.jpg', { type: 'image/jpeg' }))
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
  }, bytes)
  await expect(page.locator('form img')).toBeVisible()
})

test('photos that are still being read when the page is left are on the pile all the same', async ({ demo: page }) => {
  await go(page, '/take-in')
  await expect(count(page, 'capture')).toHaveAttribute('data-count', '8')
  // The first photo cannot be read before the page is left.
  await page.evaluate(() => {
    const post = Worker.prototype.postMessage
    const held: (() => void)[] = []
    Worker.prototype.postMessage = function (this: Worker, ...args: [message: unknown, options?: StructuredSerializeOptions]) {
      if (location.pathname === '/take-in') held.push(() => post.apply(this, args))
      else post.apply(this, args)
    } as typeof post
    window.addEventListener('left', () => held.forEach(send => send()))
  })
  await files(page).setInputFiles(await Promise.all([1, 2, 3].map(file)))
  await go(page, '/storeroom')
  await page.evaluate(() => window.dispatchEvent(new Event('left')))
  await expect(page.getByRole('status').filter({ hasText: '3 photos on the pile.' })).toBeVisible()
  await go(page, '/take-in')
  await expect(count(page, 'capture')).toHaveAttribute('data-count', '11')
})

test('a photo that another tab clears away while its form is open: said when the form is kept, and the copy reads back', async ({
  page,
  context,
}) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill('Kelp Study')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByRole('status').filter({ hasText: 'is in.' }).waitFor()
  await go(page, '/')
  await matItem(page, 'Kelp Study').click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles(await file(3))
  await expect(page.locator('form img')).toBeVisible()
  const other = await context.newPage()
  await other.goto('/copies')
  await other.getByRole('button', { name: 'Clear them' }).click()
  await expect(other.getByRole('status').filter({ hasText: '1 picture cleared' })).toBeVisible()
  await page.getByRole('button', { name: 'Keep the change' }).click()
  await expect(page.getByRole('status').filter({ hasText: '1 Kelp Study is changed, but its photo was cleared' })).toBeVisible()
  expect((await databaseOf(page, ['holdings'])).holdings).toMatchObject([{ name: 'Kelp Study', pictureHash: null }])
  await go(page, '/copies')
  const [copy] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save a copy now' }).click()])
  const buffer = await bytesOf(copy)
  await page.locator('input[accept^=".zip"]').setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer })
  await expect(page.getByRole('status').filter({ hasText: '1 set is back' })).toBeVisible()
})
