import type { Holding, Kind, Use } from '../../core/catalog'
import { tallyUses, wasUsed } from '../../core/fetching'
import { ask, databaseOf, expect, headline, matItem, openDemo, openEmpty, test } from './helpers'

const shelf = '[data-shelf] h2'
const linked = '[data-linked-by]'

test('what is written on the shelf is read first: places, empty places, numbers, and what there is not', async ({ page }) => {
  await openDemo(page)
  for (const [text, answer] of [
    ['drawer 4', 'Drawer 4: 6 sets'],
    ['K2-14', 'Basket 2: this set stands there'],
    ['#25', 'The set with this number'],
    ['number 25', 'The set with this number'],
    ['CD 82', 'There is no CD 82 in this room'],
    ['B1-199', 'Nothing stands there. Bin 1 holds 22 sets'],
    ['#9999', 'There is no number 9999 in this room'],
  ] as const) {
    await ask(page, text)
    await expect(page.locator(shelf).first()).toHaveText(answer)
  }
  await ask(page, 'K2-14')
  await expect(page.locator('[data-shelf] [data-mat-item]')).toHaveCount(1)
  await expect(page.locator('[data-shelf] [data-mat-item]')).toContainText('K2-14')
  await ask(page, 'drawer 4')
  await expect(page.locator('[data-shelf] [data-mat-item]')).toHaveCount(6)
  // From the place and back, the answer is as it was.
  await page.getByRole('link', { name: 'Open Drawer 4' }).click()
  await expect(page.getByRole('heading', { name: 'Drawer 4', level: 1 })).toBeVisible()
  await page.goBack()
  await expect(page.locator(shelf)).toHaveText('Drawer 4: 6 sets')
  await expect(page.getByRole('searchbox', { name: 'Ask' })).toHaveValue('drawer 4')
  // A word that is a number too is both.
  await ask(page, '12')
  await expect(page.locator(shelf)).toHaveText('The set with this number')
})

test('singular and plural, and what is asked beside words: kinds, sizes, use; each is shown and can be taken back', async ({
  demo: page,
}) => {
  await openDemo(page)
  await ask(page, 'harbour')
  await expect(headline(page)).toContainText(/^\d+ sets in/)
  const one = await headline(page).innerText()
  await ask(page, 'harbours')
  await expect(headline(page)).toHaveAttribute('data-ask', 'harbours')
  await expect(headline(page)).toHaveText(one)

  const { holdings, kinds, uses } = (await databaseOf(page, ['holdings', 'kinds', 'uses'])) as {
    holdings: Holding[]
    kinds: Kind[]
    uses: Use[]
  }
  const tallies = tallyUses(uses)
  const dies = new Set(kinds.filter(({ family }) => family === 'die').map(({ id }) => id))
  const isFour = ({ size }: Holding): boolean =>
    size !== null &&
    Math.abs(Math.min(size.widthMm, size.heightMm) - 101.6) < 3 &&
    Math.abs(Math.max(size.widthMm, size.heightMm) - 152.4) < 3
  const unused = holdings.filter(set => wasUsed(tallies.get(set.id)) === false && isFour(set))
  const count = unused.filter(({ kindId }) => dies.has(kindId ?? '')).length
  await ask(page, 'unused dies 4x6')
  await expect(headline(page)).toContainText(new RegExp(`^${count} sets in`))
  const parts = page.locator('[data-parts]')
  await expect(parts.getByRole('button')).toHaveText(['never used', 'only dies', '4 x 6 in (no unit was written)'])
  // "Dies" as a word: names and brands that have it.
  await parts.getByRole('button', { name: /^only dies/ }).click()
  await expect(parts.getByRole('button')).toHaveText(['never used', '4 x 6 in (no unit was written)'])
  await expect(page).toHaveURL(/word=dies/)
  await page.reload()
  await expect(parts.getByRole('button')).toHaveText(['never used', '4 x 6 in (no unit was written)'])
  await ask(page, 'lighthouse not boat')
  await expect(parts.getByRole('button')).toHaveText(['without "boat"'])
  await expect(matItem(page, 'Bright Boat Tags')).toHaveCount(0)
  await ask(page, 'unused 4x6 not dies')
  await expect(headline(page)).toContainText(new RegExp(`^${unused.filter(({ kindId }) => kindId && !dies.has(kindId)).length} sets in`))
})

test('an answer is parted by clicks and by typing; the address of the page has it all, and a reload finds it again', async ({
  demo: page,
}) => {
  await openDemo(page)
  await page.keyboard.press('/')
  await page.keyboard.type('harbour')
  await expect(headline(page)).toHaveAttribute('data-ask', 'harbour')
  await expect(headline(page)).toContainText(/^\d+ sets in/)
  const all = Number(/\d+/.exec(await headline(page).innerText())?.[0])
  const parting = page.locator('[data-parting]')
  await page.getByRole('button', { name: /^Part these sets/ }).click()
  await parting.getByRole('button', { name: 'Brand', exact: true }).click()
  const block = parting.locator('[data-block-of-sets]').first()
  const count = Number(/(\d+) sets?$/.exec((await block.getAttribute('aria-label')) ?? '')?.[1])
  await block.click()
  await expect(block).toHaveAttribute('aria-pressed', 'true')
  await expect(headline(page)).toHaveText(`${count} of ${all} sets`)
  await expect(page).toHaveURL(/brand=/)
  await parting.locator('[data-parting-type]').fill('cling')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-parts]').getByRole('button')).toHaveCount(2)
  const both = await headline(page).innerText()
  expect(Number(/\d+/.exec(both)?.[0])).toBeLessThanOrEqual(count)
  await expect(page).toHaveURL(/kind=/)
  await page.reload()
  await expect(headline(page)).toHaveText(both)
  await page
    .locator('[data-parts]')
    .getByRole('button', { name: /^Kind: Cling/ })
    .click()
  await expect(headline(page)).toHaveText(`${count} of ${all} sets`)
  await ask(page, 'kelp')
  await expect(headline(page)).toContainText(' of ')
  await page.getByRole('button', { name: 'Clear the ask' }).click()
  await expect(headline(page)).toHaveText('All 360 sets')
})

test('where no set is all of it, the nearest are told, by giving up one part each', async ({ demo: page }) => {
  await openDemo(page)
  await ask(page, 'alphabet salt lantern 3x4')
  const absence = page.locator('[data-absence]')
  await expect(absence).toContainText('No set is all of this: "alphabet", "salt lantern" and "3x4".')
  await expect(absence.getByRole('button', { name: '1 set from Oddment Yard without "salt lantern"' })).toBeVisible()
  await absence.getByRole('button', { name: '2 sets in 4 x 6 in without "3x4"' }).click()
  await expect(headline(page)).toContainText(/^2 sets in/)
  await ask(page, 'zeppelin kelp')
  await expect(absence).toContainText('Nothing in the room has "zeppelin".')
})

test('the same in other words: a link of the craft is taken for good, ruled out, undone; own links are made and forgotten', async ({
  demo: page,
}) => {
  await openDemo(page)
  await ask(page, 'mum')
  await expect(headline(page)).toHaveText('No set found for "mum".')
  await expect(page.locator(linked).first()).toContainText('mum: Letters home by your link')
  await ask(page, 'bday')
  const band = page.locator(linked).filter({ hasText: 'bday: birthday' })
  await expect(band).toContainText('a short word of the craft')
  await band.getByRole('button', { name: 'Always show these' }).click()
  await expect(page.getByRole('status').filter({ hasText: '"bday" goes with "birthday" from now on.' })).toBeVisible()
  await expect(band).toContainText('by your link')
  await band.getByRole('button', { name: 'Never show these' }).click()
  await expect(page.getByRole('status').filter({ hasText: '"bday" does not go with "birthday" any more.' })).toBeVisible()
  await expect(band).toHaveCount(0)
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.press('u')
  await expect(band).toContainText('by your link')
  await page.keyboard.press('u')
  await expect(band).toContainText('a short word of the craft')

  await page.locator('[data-links]').first().click()
  const dialog = page.getByRole('dialog', { name: 'Words that go together' })
  await expect(dialog).toContainText('mum goes with Letters home')
  await dialog.getByRole('button', { name: 'Link them' }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Write a word in both fields.')
  await dialog.getByLabel('When I ask for').fill('zeppelin')
  await dialog.getByLabel('show me also').fill('Kites')
  await dialog.getByRole('button', { name: 'Link them' }).click()
  await expect(dialog).toContainText('zeppelin goes with Kites')
  await page.keyboard.press('Escape')
  await ask(page, 'zeppelins')
  await expect(page.locator(linked).first()).toContainText('zeppelins: Kites')
  await page.locator('[data-links]').first().click()
  await dialog.getByRole('button', { name: 'Forget: zeppelin goes with Kites' }).click()
  await expect(dialog).not.toContainText('zeppelin goes with Kites')
  await page.keyboard.press('Escape')
  await expect(page.locator(linked)).toHaveCount(0)
})

test('on a phone: asked, parted and opened by thumb', async ({ demo: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page)
  await ask(page, 'harbour dies')
  await expect(headline(page)).toContainText(/^\d+ sets in/)
  await page.locator('[data-part]').click()
  await page.locator('[data-block-of-sets]').first().click()
  await expect(headline(page)).toContainText(' of ')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.locator('[data-mat-item]').first().click()
  await expect(page.locator('[data-slip]')).toBeVisible()
})

test('words in other spellings find their set, and strange asks are answered', async ({ page }) => {
  await openEmpty(page)
  await page.getByLabel('Name', { exact: true }).fill("Mother's Möwe & Pop-up 🎂")
  await page.getByLabel('Name', { exact: true }).press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'is in.' })).toBeVisible()
  for (const text of ['mothers', 'mother’s', 'moewe', 'popup', 'pop-up', 'and', '1']) {
    await ask(page, text)
    await expect(headline(page)).toHaveAttribute('data-ask', text)
    await expect(matItem(page, 'Möwe').first()).toBeVisible()
  }
  for (const text of ['🎂', 'שלום עולם', '(*[+?', "'".repeat(200)]) {
    await ask(page, text)
    await expect(headline(page)).toHaveAttribute('data-ask', text)
  }
  await page.goto(`/?ask=${'kelp%20'.repeat(900)}`)
  await expect(headline(page)).toBeVisible()
})
