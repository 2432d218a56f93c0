import type { Holder, Holding, Theme } from '#core/catalog'
import { ask, databaseOf, expect, go, headline, openDemo, openEmpty, SAMPLE_LIST, test } from './helpers'

interface Asked {
  readonly name: string
  readonly size: unknown
  readonly hasMatchingDie: boolean | null
  readonly notes: string
  readonly questions: readonly { readonly code: string; readonly text: string }[]
}

test('the questions of a list are answered in groups, by keyboard alone, and undone; the count in the head goes with them', async ({
  page,
}) => {
  await openEmpty(page)
  await go(page, '/take-in/list')
  await page.locator('input[type=file]').setInputFiles(SAMPLE_LIST)
  await page.getByRole('button', { name: 'Take in 640 sets' }).click()
  await page.getByRole('link', { name: 'Answer the questions' }).click()
  const sum = page.locator('[data-questions-sum]')
  const inHead = page.locator('[data-asked] .sr-only')
  await expect(inHead).toHaveText('84 sets carry a question')
  const before = (await databaseOf(page, ['holdings'])).holdings as Asked[]
  const asked = (code: string): readonly Asked[] => before.filter(({ questions }) => questions.some(each => each.code === code))

  // "big" says nothing that can be measured: it is typed once for all that say so, and what is no size is not taken.
  const big = page.locator('[data-question="sizeUnread big"]')
  await big.getByRole('textbox').fill('large')
  await page.keyboard.press('Enter')
  await expect(big.getByRole('alert')).toHaveText('That cannot be read.')
  await big.getByRole('textbox').fill('8 x 6 in')
  await expect(big.locator('[data-read]')).toHaveText('8 x 6 in')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Answered for 16 sets.' })).toBeVisible()
  // The next question has the keyboard.
  await expect(page.locator('[data-question="dieUnread x"] button').first()).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-question="dieUnread x"]')).toHaveCount(0)
  const after = (await databaseOf(page, ['holdings'])).holdings as Asked[]
  expect(after.filter(({ size }) => JSON.stringify(size) === '{"widthMm":203.2,"heightMm":152.4}').length).toBeGreaterThanOrEqual(16)
  expect(after.filter(({ hasMatchingDie }) => hasMatchingDie).length).toBe(
    before.filter(({ hasMatchingDie }) => hasMatchingDie).length + asked('dieUnread').length,
  )
  expect(after.flatMap(({ questions }) => questions).length).toBe(0)
  await expect(inHead).toHaveCount(0)
  await expect(page.getByText('No set carries a question.')).toBeVisible()

  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(sum).toContainText(`${asked('dieUnread').length} sets carry a question; 1 answer settles them all.`)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(inHead).toHaveText('84 sets carry a question')
  expect((await databaseOf(page, ['holdings'])).holdings).toEqual(before)

  // Not known, and not worth knowing: it is kept as a note.
  await page.locator('[data-question="sizeUnread big"]').getByRole('button', { name: 'Keep it as a note' }).click()
  await expect(page.locator('[data-question="sizeUnread big"]')).toHaveCount(0)
  const noted = (await databaseOf(page, ['holdings'])).holdings as Asked[]
  expect(noted.filter(({ notes }) => notes.split('\n').includes('Size: big'))).toHaveLength(16)
})

interface Tables {
  readonly holdings: readonly Holding[]
  readonly holders: readonly Holder[]
  readonly themes: readonly Theme[]
}

test('sets of an answer are changed together: shown before it is done, some left out, one undo', async ({ demo: page }) => {
  await openDemo(page)
  await ask(page, 'harbour')
  await expect(headline(page)).toContainText('sets')
  const before = (await databaseOf(page, ['holdings', 'themes', 'brands', 'holders'])) as unknown as Tables
  await page.locator('[data-tool="many"]').click()
  const dialog = page.getByRole('dialog')
  const count = Number(/(\d+) sets/.exec((await dialog.getByRole('heading').first().textContent()) ?? '')?.[1])
  expect(count).toBeGreaterThan(3)
  await expect(dialog.locator('[data-changes]')).toHaveText('Nothing is filled in yet.')
  await dialog.getByLabel('Themes').fill('Quayside')
  await dialog.getByLabel('Add to the notes').fill('for the May cards')
  await dialog.getByLabel('What they sit in').selectOption({ label: 'box 6 x 8' })
  await dialog.getByLabel('Corner they stand in').selectOption({ label: 'Wood blocks' })
  await dialog.getByRole('checkbox').first().uncheck()
  await expect(dialog.locator('[data-ticked]')).toHaveText(`${count - 1} of ${count} sets`)
  await expect(dialog.locator('[data-changes]')).toContainText(`Themes: ${count - 1} sets change.`)
  await expect(dialog.locator('[data-corner]')).toContainText('Wood blocks:')

  // What was typed is not lost with the dialog.
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await page.locator('[data-tool="many"]').click()
  await expect(dialog.getByLabel('Add to the notes')).toHaveValue('for the May cards')
  await dialog.getByRole('checkbox').first().uncheck()
  const moved = Number(/Wood blocks: (\d+) sets? gets? /.exec((await dialog.locator('[data-corner]').textContent()) ?? '')?.[1])
  expect(moved).toBeGreaterThan(3)
  await dialog.getByRole('button', { name: `Change ${count - 1} sets`, exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: `Changed ${count - 1} sets.` })).toBeVisible()
  const after = (await databaseOf(page, ['holdings', 'themes', 'holders'])) as unknown as Tables
  const quayside = after.themes.find(({ name }) => name === 'Quayside')?.id ?? ''
  expect(after.holdings.filter(({ themeIds }) => themeIds.includes(quayside))).toHaveLength(count - 1)
  const elsewhere = after.holders.filter(({ id, containerId }) => before.holders.find(each => each.id === id)?.containerId !== containerId)
  expect(new Set(elsewhere.flatMap(({ holdingIds }) => holdingIds)).size).toBe(moved)
  expect(after.holdings.filter(({ sitsIn }) => sitsIn === 'box').length).toBeGreaterThanOrEqual(count - 1)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: `Undone: changed ${count - 1} sets at once` })).toBeVisible()
  expect(await databaseOf(page, ['holdings', 'themes', 'brands', 'holders'])).toEqual(before)
})
