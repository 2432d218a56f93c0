import type { Page } from '@playwright/test'
import type { Container, Holder, Holding, Loan } from '#core/catalog'
import { ask, bringIn, csv, databaseOf, expect, go, headline, openEmpty, SAMPLE_LIST, test } from './helpers'

const family = (page: Page, name: RegExp) => page.locator('[data-family]').filter({ has: page.getByRole('heading', { name }) })

async function roomOf(page: Page) {
  const tables = await databaseOf(page, ['holdings', 'holders', 'containers', 'fixtures', 'loans'])
  return tables as unknown as {
    readonly holdings: readonly Holding[]
    readonly holders: readonly Holder[]
    readonly containers: readonly Container[]
    readonly loans: readonly Loan[]
  }
}

test('the hand-kept list to a room in one sitting: every row is accounted for, and one undo takes the room back', async ({ page }) => {
  await openEmpty(page)
  await bringIn(page, SAMPLE_LIST)
  await page.getByRole('link', { name: 'Build the room it tells of' }).click()
  const sum = page.locator('[data-places-sum]')
  await expect(sum).toHaveText('566 sets: 174 with a place, 243 somewhere in what holds them, 77 out, 72 without a place yet.')
  await expect(family(page, /^CD and a figure$/)).toContainText('Makes CD, short CD, with 160 slots. 130 sets get their place.')
  await expect(family(page, /^Bin and a figure$/)).toContainText('Bin 1 is there already. Makes 12: Bin 2 to Bin 13, short B2 to B13.')
  await expect(family(page, /^Binder and a letter/)).toContainText('The list does not say how many cells a page has.')

  // A code that contradicts itself is asked about, once for all of its sort; what is chosen outlasts a reload.
  const codes = family(page, /^Page and cell, 4 to a page$/)
  await expect(codes.locator('[data-doubt]')).toContainText('name a cell that such a page does not have')
  await codes.getByRole('radio', { name: 'one running figure' }).check()
  await expect(codes.locator('[data-doubt]')).toHaveCount(0)
  await page.reload()
  await expect(codes.getByRole('radio', { name: 'one running figure' })).toBeChecked()
  await expect(sum).not.toContainText('174 with a place')
  await page.getByRole('button', { name: /^Build 27 and place 494 sets$/ }).click()
  await expect(
    page.getByRole('status').filter({ hasText: '27 containers stand in the room. 417 sets have their place, 77 sets out.' }),
  ).toBeVisible()

  const { holdings, holders, containers, loans } = await roomOf(page)
  expect(containers).toHaveLength(28)
  const placed = holders.flatMap(({ holdingIds }) => holdingIds)
  const away = loans.map(({ holdingId }) => holdingId)
  const rest = holdings.filter(({ id }) => !placed.includes(id) && !away.includes(id))
  expect([placed.length, new Set(placed).size, away.length, rest.length]).toEqual([417, 417, 77, 146])
  expect(new Set(rest.map(({ placeText }) => placeText))).toEqual(new Set(['', '??']))
  // Each is in what its own text names.
  const wantedName = (first: string, mark: string): string => {
    if (first === '') return `pages of ${mark}`
    return first.startsWith('CD') ? 'cd' : `${first} ${mark}`.toLowerCase()
  }
  const nameOf = new Map(containers.map(({ id, name }) => [id, name]))
  for (const { containerId, holdingIds } of holders)
    for (const holding of holdings.filter(({ id }) => holdingIds.includes(id))) {
      const [, first = '', mark = ''] = /^(\p{L}*) ?(\w+)/u.exec(holding.placeText) ?? []
      const name = nameOf.get(containerId)?.toLowerCase() ?? ''
      expect([holding.placeText, name]).toEqual([holding.placeText, wantedName(first, mark)])
    }

  // What is left is one line, and the steps say what is done.
  await expect(page.locator('[data-moving-line]')).toContainText('Moving in: 4 steps to go.')
  await page.getByRole('link', { name: 'All steps' }).click()
  for (const [step, isDone] of Object.entries({ size: false, list: true, room: true, doubts: false, places: false, index: false }))
    await expect(page.locator(`[data-step="${step}"]`)).toHaveAttribute('data-done', String(isDone))
  await expect(page.locator('[data-step="doubts"]')).toContainText('84 sets carry a question.')
  await expect(page.locator('[data-step="places"]')).toContainText('Exact spot not known yet')
  for (const step of ['size', 'doubts', 'places', 'index'])
    await page.locator(`[data-step="${step}"]`).getByRole('button', { name: 'Leave this out' }).click()
  await expect(page.locator('[data-moved-in]')).toBeVisible()
  await go(page, '/take-in')
  await expect(page.locator('#take-name')).toBeVisible()
  await expect(page.locator('[data-moving-line]')).toHaveCount(0)

  await ask(page, 'windy swallow corner')
  await expect(headline(page)).toContainText('set')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Undone: built the room from the list, with 494 sets' })).toBeVisible()
  expect(await databaseOf(page, ['holders', 'loans'])).toEqual({ holders: [], loans: [] })
})

test('a bin is said as it stands, half of it, then a reload, then on; what was not seen stays somewhere in it', async ({ page }) => {
  await openEmpty(page)
  const names = ['Kelp', 'Gull', 'Rope', 'Tide', 'Buoy', 'Quay']
  // Numbers as a list of years has them: far apart.
  const numbers = Array.from({ length: 31 }, (_, at) => 7 + at * 29)
  await bringIn(
    page,
    csv(['Nr;Name;Where', ...numbers.map((number, at) => `${number};${names[at % 6]} Study ${at + 1};Bin 4`), '990;Elsewhere;Bin 5']),
  )
  await page.getByRole('link', { name: 'Build the room it tells of' }).click()
  await page.getByRole('button', { name: /^Build 2 and place 32 sets$/ }).click()
  await expect(page.getByRole('status').filter({ hasText: '2 containers stand in the room. 32 sets have their place.' })).toBeVisible()
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Bin 4: 31 sets/ }).click()
  await expect(page.locator('[data-somewhere]')).toContainText('31 sets somewhere in here')
  await expect(page.locator('[data-holder]')).toHaveCount(0)

  // The keyboard alone from here on. Thirty sets in at most 150 keys.
  let keys = 0
  const press = async (text: string): Promise<void> => {
    for (const key of [...text, 'Enter']) {
      await page.keyboard.press(key)
      keys += 1
    }
  }
  await page.getByRole('button', { name: 'Say what stands here' }).press('Enter')
  await expect(page.getByLabel('What stands next?')).toBeFocused()
  const order = numbers.slice(0, 30).map((_, at) => numbers[(at * 7) % 30] ?? 0)
  const left = new Set(numbers)
  /** As few figures as tell it from what is left: the first that is offered is taken. */
  const short = (number: number): string => {
    const text = String(number)
    for (let length = 1; length < text.length; length += 1) {
      const [first] = numbers.filter(each => left.has(each) && String(each).startsWith(text.slice(0, length)))
      if (first === number && !left.has(Number(text.slice(0, length)))) return text.slice(0, length)
    }
    return text
  }
  const along = async (some: readonly number[]): Promise<void> => {
    for (const number of some) {
      await press(short(number))
      left.delete(number)
    }
  }
  await along(order.slice(0, 14))
  await expect(page.locator('[data-along-left]')).toHaveText('17 sets are left to be seen')
  await page.reload()
  await page.getByRole('button', { name: 'Say what stands here' }).press('Enter')
  await expect(page.getByText('What you typed here before is back.')).toBeVisible()
  await page.getByRole('button', { name: 'Keep: 14 sets stand so' }).press('Enter')
  await expect(page.locator('[data-somewhere]')).toContainText('17 sets somewhere in here')
  await expect(page.locator('[data-holder]').first()).toContainText('B4-1')

  await page.getByRole('button', { name: 'Say what stands here' }).press('Enter')
  await expect(page.locator('[data-along-where]')).toContainText('The next stands behind')
  await along(order.slice(14))
  expect(keys).toBeLessThanOrEqual(150)
  // One that the list has elsewhere, a tab, and something that is in no list.
  await page.keyboard.type('Old things')
  await page.getByRole('button', { name: 'A tab that says “Old things”' }).press('Enter')
  await page.keyboard.type('990')
  await expect(page.locator('[data-offer-elsewhere]')).toContainText('B5-?')
  await page.keyboard.press('Enter')
  await page.keyboard.type('Mermaid')
  await page.getByRole('button', { name: '“Mermaid” is in no list' }).press('Enter')
  await page.getByRole('button', { name: 'Keep: 17 sets stand so' }).press('Enter')
  await expect(page.locator('[data-somewhere]')).toContainText('1 set somewhere in here')

  const { holdings, holders, containers } = await roomOf(page)
  const numberOf = new Map(holdings.map(({ id, number }) => [id, number]))
  const bin = containers.find(({ name }) => name === 'Bin 4')
  const seen = holders.filter(({ containerId, somewhere }) => containerId === bin?.id && !somewhere)
  const inOrder = [...seen].sort((a, b) => (a.order < b.order ? -1 : 1)).map(({ holdingIds }) => numberOf.get(holdingIds[0] ?? ''))
  expect(inOrder).toEqual([...order, 990])
  const { drafts, sections } = await databaseOf(page, ['drafts', 'sections'])
  expect(drafts).toMatchObject([{ texts: { name: 'Mermaid', notes: 'Stands in Bookcase, bin 4, behind 990 Elsewhere.' } }])
  expect(sections).toMatchObject([{ title: 'Old things' }])
  expect(holdings.filter(({ placeText }) => placeText !== '').map(({ number }) => number)).toEqual([numbers[30]])

  // Each part is one step.
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('[data-somewhere]')).toContainText('17 sets somewhere in here')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.locator('[data-somewhere]')).toContainText('31 sets somewhere in here')
})

test('on a phone: what an old list says becomes a room, and a basket and a rack are said by thumb', async ({ demo: page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await go(page, '/take-in/places')
  await page.getByRole('button', { name: /^Build 3 and place 6 sets$/ }).click()
  await expect(page.getByRole('status').filter({ hasText: '3 containers stand in the room. 6 sets have their place.' })).toBeVisible()
  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^Basket 2:/ }).click()
  await expect(page.locator('[data-somewhere]')).toContainText('7 sets somewhere in here')
  await page.locator('[data-somewhere]').getByRole('button', { name: 'Say what stands here' }).click()
  for (const left of [6, 5, 4, 3, 2, 1, 0]) {
    await page.locator('[data-offer]').first().click()
    await expect(page.locator('[data-offer]')).toHaveCount(left)
  }
  await page.getByRole('button', { name: 'Keep: 7 sets stand so' }).click()
  await expect(page.locator('[data-somewhere]')).toHaveCount(0)
  await expect(page.locator('#sheet')).toContainText('22 sets')

  await go(page, '/storeroom')
  await page.getByRole('link', { name: /^CD:/ }).click()
  await expect(page.locator('[data-cell="14/1/front"]')).toContainText('and 1 more')
  await page.getByRole('button', { name: 'Say what stands here' }).click()
  await expect(page.locator('[data-along-where]')).toHaveText('The next cell is CD 20.')
  await page.getByRole('button', { name: 'This cell is empty' }).click()
  await expect(page.locator('[data-along-where]')).toHaveText('No cell is left on these pages.')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('bad places: hundreds of one word, numbers, what is no place; nothing is built of them until their owner says so', async ({
  page,
}) => {
  await openEmpty(page)
  const many = Array.from({ length: 450 }, (_, at) => `Set ${at};Bin ${at + 2}`)
  await bringIn(page, csv(['Name;Where', ...many, 'Kelp;with Anna', 'Gull;12', 'Rope;B1079']))
  await page.getByRole('link', { name: 'Build the room it tells of' }).click()
  await expect(page.getByText('All that the list says of places is used.')).toBeVisible()
  const bins = family(page, /^Bin and a figure$/)
  await expect(bins).toContainText('So many different figures are seldom things that sets stand in')
  await bins.getByLabel('What it is').selectOption({ label: 'Each is something that sets stand in' })
  await expect(bins.locator('[data-doubt]')).toContainText('450 sets wait: that would be more than a room can hold of one word.')
  await bins.getByLabel('What it is').selectOption({ label: 'Numbered cases or slots of one rack' })
  await expect(bins).toContainText('450 sets get their place.')
  await bins.getByLabel('It stands on').selectOption({ label: 'Cart, new' })
  await page.getByRole('button', { name: /^Build 1 and place 450 sets$/ }).click()
  await expect(page.getByRole('status').filter({ hasText: '1 container stands in the room. 450 sets have their place.' })).toBeVisible()
  const { containers, holders } = await roomOf(page)
  expect(containers).toHaveLength(2)
  expect(holders).toHaveLength(450)
})

test('dies and their stamps: a group is taken, one is left, a die that is not in the catalogue goes to the pile; each is one undo', async ({
  page,
}) => {
  await openEmpty(page)
  const rows = [
    'Name;Brand;Type;Matching die',
    'Kelp Study;Plover;Clear stamps;yes',
    'Kelp Study Dies;Plover;Dies;',
    'Night Ferry;Plover;Clear stamps;',
  ]
  await bringIn(
    page,
    csv([...rows, 'Die for Night Ferry;Plover;Dies;', 'Gull;Plover;Clear stamps;yes', 'Tide Tables;Plover;Clear stamps;yes']),
  )
  await go(page, '/take-in/partners')
  const group = page.locator('[data-group="sameBrandAndName"]')
  await expect(group.getByRole('checkbox')).toHaveCount(2)
  await group.getByRole('checkbox', { name: /Night Ferry/ }).uncheck()
  await page.reload()
  await expect(group.getByRole('checkbox', { name: /Night Ferry/ })).not.toBeChecked()
  await page.getByRole('button', { name: 'The one pair belongs together' }).click()
  await expect(page.getByRole('status').filter({ hasText: '1 pair is said to belong together.' })).toBeVisible()
  await expect(group.getByRole('checkbox')).toHaveCount(1)
  // What is refused is not asked again, until somebody wants it.
  await group.getByRole('checkbox', { name: /Night Ferry/ }).check()
  await page.getByRole('button', { name: 'The one pair does not' }).click()
  await expect(group).toHaveCount(0)
  await page.reload()
  await expect(page.locator('[data-refused]')).toContainText('You said of 1 pair that it does not belong together.')
  await expect(group).toHaveCount(0)
  await page.getByRole('button', { name: 'Ask again' }).click()
  await expect(group.getByRole('checkbox')).toHaveCount(1)

  const lacking = page.locator('[data-lacking] li')
  await expect(lacking).toHaveCount(2)
  await lacking.filter({ hasText: 'Gull' }).getByRole('button', { name: 'Its die is here: to the pile' }).click()
  await expect(lacking.filter({ hasText: 'Gull' })).toContainText('Its die is on the pile.')
  await lacking.filter({ hasText: 'Tide Tables' }).getByRole('button', { name: 'It has none' }).click()
  await expect(lacking).toHaveCount(1)
  const { relations, drafts } = await databaseOf(page, ['relations', 'drafts'])
  expect(relations).toMatchObject([{ kind: 'dieForStamp' }])
  expect(drafts).toMatchObject([{ texts: { name: 'Gull die', brand: 'Plover' } }])
  for (const expected of [2, 2, 2]) {
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(lacking).toHaveCount(expected)
  }
  expect(await databaseOf(page, ['relations', 'drafts'])).toEqual({ relations: [], drafts: [] })
})
