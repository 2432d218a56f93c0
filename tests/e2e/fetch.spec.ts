import type { Holder, Holding, Loan, PullList, Use } from '../../core/catalog'
import { ask, databaseOf, expect, go, headline, matItem, openDemo, test } from './helpers'
import type { Page } from '@playwright/test'

interface Room {
  readonly holdings: readonly Holding[]
  readonly loans: readonly Loan[]
  readonly uses: readonly Use[]
  readonly pullLists: readonly PullList[]
  readonly holders: readonly Holder[]
}
const roomOf = async (page: Page): Promise<Room> =>
  (await databaseOf(page, ['holdings', 'loans', 'uses', 'pullLists', 'holders'])) as unknown as Room
const outOf = ({ loans }: Room): readonly string[] => loans.filter(({ backAt }) => backAt === null).map(({ holdingId }) => holdingId)
const stops = '[data-stop]'
/** A list of their own, so that what the demo room has on its lists is not in the way. */
async function pullAnew(page: Page, text: string): Promise<void> {
  await go(page, '/find/pull')
  await page.getByRole('button', { name: 'Begin another list' }).click()
  await expect(page.locator('[data-pull-empty]')).toBeVisible()
  await ask(page, text)
  await expect(headline(page)).toHaveAttribute('data-ask', text)
}

test('ask, pull, walk, take, and back, by the keys alone; a reload in the middle of the walk loses nothing', async ({ demo: page }) => {
  await pullAnew(page, 'lighthouse')
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-mat-item]').first()).toBeFocused()
  await page.keyboard.press('p')
  await expect(page.getByRole('status').filter({ hasText: 'on the pull list' })).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('p')
  await expect.poll(async () => (await roomOf(page)).pullLists.at(-1)?.lines.filter(line => line.alongWithId === null).length).toBe(2)
  // Nothing is marked: the list opens.
  await page.goto('/find/out')
  await expect(page.locator('[data-put-back]').first()).toBeVisible()
  await page.keyboard.press('p')
  await expect(page).toHaveURL(/\/find\/pull/)
  const wanted = (await roomOf(page)).pullLists.at(-1)?.lines ?? []
  await expect(page.locator('[data-line]')).toHaveCount(wanted.length)
  // Each stop is another container, and the ridge carries a pin for each.
  const containers = await page.locator(stops).evaluateAll(all => all.map(each => each.getAttribute('data-container')))
  expect(new Set(containers).size).toBe(containers.length)
  await expect(page.locator('[data-block]:not([data-hits="0"])')).toHaveCount(containers.length)

  const before = outOf(await roomOf(page))
  await page.locator('[data-taken]').first().focus()
  await page.keyboard.press('Enter')
  await expect.poll(async () => outOf(await roomOf(page)).length).toBe(before.length + 1)
  await page.reload()
  await expect(page.locator('[data-taken]')).toHaveCount(wanted.length - 1)
  for (let left = wanted.length - 1; left > 0; left -= 1) {
    await page.locator('[data-taken]').first().focus()
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-taken]')).toHaveCount(left - 1)
  }
  await expect(page.locator('[data-walk]')).toContainText('Everything is fetched')
  const taken = outOf(await roomOf(page)).filter(id => !before.includes(id))
  expect([...taken].sort()).toEqual(wanted.map(line => line.holdingId).sort())
  await expect(page.locator('[data-out]')).toContainText(String(before.length + taken.length))

  await page.keyboard.press('b')
  await expect(page).toHaveURL(/\/find\/out/)
  await page.getByRole('button', { name: /^On the table/ }).click()
  await expect(page.locator('[data-walk]')).toContainText(`${taken.length} set`)
  const used = new Map<string, number>()
  for (const { holdingId } of (await roomOf(page)).uses) used.set(holdingId, (used.get(holdingId) ?? 0) + 1)
  for (let left = taken.length; left > 0; left -= 1) {
    await page.locator('[data-put-back]').first().focus()
    await page.keyboard.press('Enter')
    // Stamps are asked of once; dies and what was asked of before are not.
    const clean = page.locator('[data-clean]')
    if (await clean.isVisible()) await clean.click()
    await expect.poll(async () => outOf(await roomOf(page)).length).toBe(before.length + left - 1)
  }
  const room = await roomOf(page)
  for (const id of taken) {
    expect(room.holdings.find(set => set.id === id)?.state).toBe('filed')
    expect(room.uses.filter(use => use.holdingId === id).length).toBe((used.get(id) ?? 0) + 1)
  }
  await page.keyboard.press('u')
  await expect.poll(async () => outOf(await roomOf(page)).length).toBe(before.length + 1)
})

test('a set is carried from the mat onto the pull list, and back off it by undo', async ({ demo: page }) => {
  await pullAnew(page, 'lighthouse')
  const item = page.locator('[data-mat-item]').nth(1)
  const id = await item.getAttribute('data-set')
  await item.hover()
  await page.mouse.down()
  await expect(item).toHaveAttribute('draggable', 'true')
  await page.mouse.move(700, 300, { steps: 5 })
  const tray = page.locator('[data-pull-tray]')
  await tray.hover()
  await expect(tray).toHaveClass(/border-ember/)
  await page.mouse.up()
  await expect(tray).toHaveCount(0)
  const own = async (): Promise<readonly string[]> =>
    ((await roomOf(page)).pullLists.at(-1)?.lines ?? []).filter(line => line.alongWithId === null).map(line => line.holdingId)
  await expect.poll(own).toEqual([id])
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect.poll(own).toEqual([])
})

test('at phone width: one stop a screen, ticked with one thumb', async ({ demo: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await go(page, '/find/pull')
  await expect(page.locator(stops)).toHaveCount(1)
  const first = await page.locator(stops).getAttribute('data-container')
  const all = page.locator('[data-take-all]')
  const box = await all.boundingBox()
  expect(box && box.y > 844 / 2 && box.height >= 60).toBe(true)
  await page.getByRole('button', { name: 'Next stop' }).click()
  await expect(page.locator(stops)).not.toHaveAttribute('data-container', first ?? '')
  await page.getByRole('button', { name: 'Stop before' }).click()
  await expect(page.locator(stops)).toHaveAttribute('data-container', first ?? '')
  while (await all.isVisible()) {
    const here = await page.locator(stops).getAttribute('data-container')
    await all.click()
    await expect(page.locator(`[data-stop][data-container="${here}"]`)).toHaveCount(0)
  }
  await expect(page.locator('[data-walk]')).toContainText('Everything is fetched')
  await page.getByRole('link', { name: 'To what is out' }).last().click()
  await expect(page).toHaveURL(/\/find\/out/)
  await expect(page.locator('[data-put-back]').first()).toBeVisible()
})

test('for one card: the choice opens the fewest containers; another candidate changes the walk', async ({ demo: page }) => {
  await go(page, '/find/card')
  const need = (at: number) => page.locator(`[data-need="${at}"]`)
  await need(1).getByRole('textbox').fill('birthday greeting')
  await need(2).getByRole('textbox').fill('border up to 5 in')
  await need(3).getByRole('textbox').fill('dies frames')
  const result = page.locator('[data-card-result]')
  await expect(need(3).locator('[data-candidate][aria-pressed="true"]')).toHaveCount(1)
  await expect(result).toContainText(/^[12] containers? to open/)
  // While it is chosen anew there is no number: that is not a number, and is asked for once more.
  const containersOf = async (): Promise<number> => Number(/^\d+(?= container)/.exec(await result.innerText())?.[0] ?? NaN)
  let fewest = NaN
  await expect.poll(async () => (fewest = await containersOf())).toBeGreaterThan(0)
  // Every other candidate of the first need opens as many, or more.
  const ids = await need(1)
    .locator('[data-candidate]')
    .evaluateAll(all => all.map(each => each.getAttribute('data-candidate') ?? ''))
  for (const id of ids) {
    await need(1).locator(`[data-candidate="${id}"]`).click()
    await expect(need(1).locator(`[data-candidate="${id}"]`)).toHaveAttribute('aria-pressed', 'true')
    await expect.poll(containersOf).toBeGreaterThanOrEqual(fewest)
  }
  await page.reload()
  await expect(need(1).locator(`[data-candidate="${ids.at(-1)}"]`)).toHaveAttribute('aria-pressed', 'true')
  await need(1).getByRole('button', { name: 'Let it be chosen again' }).click()
  await expect.poll(containersOf).toBe(fewest)
  await page.locator('[data-card-pull]').click()
  await expect(page).toHaveURL(/\/find\/pull/)
  await expect(page.locator(stops)).toHaveCount(fewest)
})

test('back: a wrong slot is told, a set comes to live elsewhere; two tabs tick one stop, and one of them takes it', async ({
  demo: page,
}) => {
  await go(page, '/find/out')
  const field = page.locator('[data-slot-number]').first()
  const set = page.locator(`${stops} li`).first()
  const between = (await set.innerText()).match(/between (\d+) .* and (\d+) /)
  await field.fill(between?.[1] ?? '')
  await expect(page.locator('[data-slot-check]')).toContainText('Right: it goes directly behind')
  await field.fill(between?.[2] ?? '')
  await expect(page.locator('[data-slot-check]')).toContainText('Move it 1 pocket further forward.')
  await field.fill('9999')
  await expect(page.locator('[data-slot-check]')).toContainText('There is no set with that number')

  const id = (await set.getAttribute('data-set')) ?? ''
  await set.locator('[data-elsewhere]').click()
  await page.getByRole('combobox', { name: 'Into which bin, drawer or binder' }).fill('Drawer 2')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Yes, for good' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'from now on' })).toContainText('lives at D2')
  await expect(page.locator(`${stops} li[data-set="${id}"]`)).toHaveCount(0)

  const other = await page.context().newPage()
  for (const each of [page, other]) {
    await go(each, '/find/pull')
    await expect(each.locator('[data-taken]').first()).toBeVisible()
  }
  const here = await page.locator(`${stops} li`).first().getAttribute('data-set')
  const taken = (each: Page) => each.locator(`li[data-set="${here}"] [data-taken]`)
  const tick = (each: Page) => each.evaluate(id => document.querySelector<HTMLElement>(`li[data-set="${id}"] [data-taken]`)?.click(), here)
  await Promise.all([tick(page), tick(other)])
  for (const each of [page, other]) await expect(taken(each)).toHaveCount(0)
  expect(outOf(await roomOf(page)).filter(each => each === here)).toHaveLength(1)
})

test('a whole container out for a season leaves its gaps, counts as no use, and comes back in one step', async ({ demo: page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'Storeroom' }).click()
  await page
    .getByRole('link', { name: /^Bin 5/ })
    .first()
    .click()
  await expect(page.locator('[data-holder]').first()).toBeVisible()
  const before = await roomOf(page)
  await page.locator('[data-season]').click()
  await page.getByRole('combobox', { name: 'Where it is meanwhile' }).fill('Winter basket')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Take all of it out' }).last().click()
  await expect(page.locator('[data-holder][data-away]').first()).toContainText('Winter basket')
  await ask(page, 'winter lights')
  await expect(matItem(page, 'Garden Tree Sampler').locator('[data-is-out]')).toHaveText('out: Winter basket')
  await page.goBack()
  await page.getByRole('button', { name: 'All of it is back' }).click()
  await expect(page.locator('[data-holder][data-away]')).toHaveCount(0)
  const after = await roomOf(page)
  expect(outOf(after).length).toBe(outOf(before).length)
  expect(after.uses.length).toBe(before.uses.length)
})

test('what was changed about a set stands on its slip, with what it was before; undo takes the line away', async ({ demo: page }) => {
  await openDemo(page)
  await matItem(page, 'Merry Scallop Numbers').click()
  const history = page.locator('[data-history]')
  await history.getByText('What was changed').click()
  await expect(history.locator('ol > li')).toHaveText([/demo room/])
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Name', { exact: true }).fill('Merry Scallop Figures')
  await page.getByLabel('Notes').fill('Two are from the old tin')
  await page.getByRole('button', { name: 'Keep the change' }).click()
  await matItem(page, 'Merry Scallop Figures').click()
  await history.getByText('What was changed').click()
  await expect(history.getByRole('listitem').first()).toContainText('Changed')
  await expect(history.getByText('Name: Merry Scallop Figures (was Merry Scallop Numbers)')).toBeVisible()
  await expect(history.getByText('Notes: Two are from the old tin')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(history.getByText('Name: Merry Scallop Figures')).toHaveCount(0)
  await expect(history).toHaveAttribute('open', '')
})

test('the log of a set: a use noted with one press, dated, taken back; the pull list on paper is one page', async ({ demo: page }) => {
  await openDemo(page)
  await matItem(page, 'Merry Scallop Numbers').click()
  const log = page.locator('[data-uses]')
  const text = log.locator('[data-use-text]')
  await expect(text).not.toHaveText('')
  const before = await text.innerText()
  await log.locator('[data-used-today]').click()
  await expect(text).not.toHaveText(before)
  await log.getByText('Day by day').click()
  await log.getByLabel('Day of this use').first().fill('2020-01-02')
  await expect(log.getByText('January 2, 2020, noted by hand')).toBeVisible()
  await log.getByRole('button', { name: /^Take back: January 2, 2020/ }).click()
  await expect(text).toHaveText(before)

  // More than one walk takes is not taken at all.
  await pullAnew(page, 'since 1980')
  await page.locator('[data-tool="pull"]').click()
  await expect(page.getByRole('status').filter({ hasText: 'Narrow the answer first' })).toBeVisible()
  await ask(page, 'Salt Lantern')
  await expect(headline(page)).toHaveAttribute('data-ask', 'Salt Lantern')
  await page.locator('[data-tool="pull"]').click()
  await expect(page.getByRole('status').filter({ hasText: 'on the pull list' })).toBeVisible()
  await go(page, '/find/pull')
  await expect(page.locator(stops).first()).toBeVisible()
  const sets = await page.locator('[data-line]').count()
  expect(sets).toBeGreaterThanOrEqual(20)
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1')
  expect(pdf.match(/\/Type\s*\/Page\b/g)?.length).toBe(Math.ceil(sets / 20))
})

test('a label is scanned: from a photo it ticks the walk and comes back; elsewhere its slip opens; codes of other things are told', async ({
  demo: page,
}) => {
  await openDemo(page)
  const photoOf = async (label: string, seed = 3) => {
    const answer = await page.request.get(`/api/camera?label=${encodeURIComponent(label)}&seed=${seed}&megapixels=2`)
    return { name: 'label.png', mimeType: 'image/png', buffer: await answer.body() }
  }
  const scan = async (label: string): Promise<void> =>
    page.locator('[role="dialog"] input[type="file"]').setInputFiles(await photoOf(label))
  await go(page, '/find/pull')
  const set = page.locator(`${stops} li`).first()
  const id = (await set.getAttribute('data-set')) ?? ''
  const number = (await roomOf(page)).holdings.find(each => each.id === id)?.number ?? 0
  const before = outOf(await roomOf(page)).length
  await page.locator('[data-scan]').click()
  await scan('https://example.org/not-a-number')
  await expect(page.locator('[data-scan-problem]')).toContainText('which is no number of this room')
  await page
    .locator('[role="dialog"] input[type="file"]')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no photo') })
  await expect(page.locator('[data-scan-problem]')).toContainText('cannot be read as a picture')
  await scan(String(number))
  await expect.poll(async () => outOf(await roomOf(page)).includes(id)).toBe(true)
  expect(outOf(await roomOf(page)).length).toBe(before + 1)

  await go(page, '/find/out')
  await page.locator('[data-scan]').click()
  await page.getByLabel('or the number').fill(String(number))
  await page.keyboard.press('Enter')
  await page.locator('[data-clean]').click()
  await expect.poll(async () => outOf(await roomOf(page)).length).toBe(before)

  await page.getByRole('button', { name: /^More/ }).click()
  await page.getByRole('menuitem', { name: 'Scan a label' }).click()
  await page.locator('[data-scan-camera]').click()
  await expect(page.locator('[data-scan-problem]')).toContainText('The camera cannot be used')
  await scan(String(number))
  await expect(page).toHaveURL(new RegExp(`set=${id}`))

  // A browser that lets pages use no camera has no button for it, and says so.
  await page.evaluate(() => Reflect.deleteProperty(Navigator.prototype, 'mediaDevices'))
  await page.getByRole('button', { name: /^More/ }).click()
  await page.getByRole('menuitem', { name: 'Scan a label' }).click()
  await expect(page.getByText('This browser lets pages use no camera.')).toBeVisible()
  await expect(page.locator('[data-scan-camera]')).toHaveCount(0)
})

test('the camera is let go when the dialog is closed while leave to use it is still asked', async ({ demo: page }) => {
  await go(page, '/find/pull')
  await page.evaluate(() => {
    const stream = document.createElement('canvas').captureStream()
    Object.assign(window, { stream })
    navigator.mediaDevices.getUserMedia = () =>
      new Promise(resolve => window.addEventListener('granted', () => resolve(stream), { once: true }))
  })
  await page.locator('[data-scan]').click()
  await page.locator('[data-scan-camera]').click()
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-scan-camera]')).toHaveCount(0)
  await page.evaluate(() => window.dispatchEvent(new Event('granted')))
  await expect
    .poll(() => page.evaluate(() => (window as unknown as { stream: MediaStream }).stream.getTracks().map(track => track.readyState)))
    .toEqual(['ended'])
})
