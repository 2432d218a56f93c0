import writeXlsxFile from 'write-excel-file/node'
import { ask, databaseOf, expect, go, headline, openEmpty, SAMPLE_LIST, test } from './helpers'

test('the hand-kept list comes in whole, one undo takes it out, and a reload in between changes nothing', async ({ page }) => {
  await openEmpty(page)
  await page.getByRole('link', { name: 'Bring in a list' }).click()
  await expect(page.getByRole('heading', { name: 'Bring in a list' })).toBeVisible()
  await page.locator('input[type=file]').setInputFiles(SAMPLE_LIST)
  await expect(page.locator('[data-file-facts]')).toContainText('640 rows, 12 columns, divided by commas')
  await expect(page.locator('[data-sums]')).toHaveText('640 rows: 556 taken, 84 taken with a question, 0 refused.')
  await expect(page.getByText('16 sizes could not be read')).toBeVisible()

  // The reading can be changed: an x under "Matching die" is said to mean yes, and its questions are gone.
  await page
    .getByRole('group', { name: /x under Matching die/ })
    .getByText('Yes', { exact: true })
    .click()
  await expect(page.locator('[data-sums]')).not.toContainText('84 taken with a question')
  // A brand spelling is refused, another that was only proposed is joined, and the brand called as its owner likes.
  await page.getByRole('checkbox', { name: /^Q&B/ }).uncheck()
  await page.getByRole('checkbox', { name: /^Marow & Finch \(18\) is Marrow and Finch/ }).check()
  await page.getByLabel('What Marrow and Finch is called').selectOption('Marrow & Finch')
  await page.getByRole('button', { name: 'Take in 640 sets' }).click()
  await expect(page.locator('[data-taken]')).toContainText('640 rows')

  const { holdings, brands } = await databaseOf(page, ['holdings', 'brands'])
  expect(holdings).toHaveLength(640)
  const named = (brands as { name: string; variants: string[] }[]).map(({ name, variants }) => [name, ...variants].join(' | '))
  expect(named).toContain('Q&B')
  expect(named.filter(name => /Mar+ow/.test(name))).toEqual(['Marrow & Finch | Marrow&Finch | Marrow and Finch | Marow & Finch'])
  await page.getByRole('link', { name: 'Look at them' }).click()
  await ask(page, 'otter anchor')
  await expect(headline(page)).toContainText('sets')

  await expect(page).toHaveURL(/ask=otter/)
  await page.reload()
  await expect(page.getByRole('searchbox', { name: 'Ask' })).toHaveValue('otter anchor')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Undone: brought in 640 sets' })).toBeVisible()
  expect(await databaseOf(page, ['holdings', 'brands', 'themes'])).toEqual({ holdings: [], brands: [], themes: [] })
})

test('what could mean two things is asked, not guessed', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/take-in/list')
  const csv = 'Name;Size;Bought\r\nKelp;14 x 18 cm;3/4/2019\r\nFerry;10 x 15 cm;5/6/2020\r\nGull;6x8;1/2/2021\r\nPost;9 x 9cm;2/2/2022\r\n'
  await page.locator('input[type=file]').setInputFiles({ name: 'metric.csv', mimeType: 'text/csv', buffer: Buffer.from(csv, 'latin1') })
  await expect(page.getByRole('group', { name: '1 size without a unit' }).getByRole('radio', { name: 'Leave as text' })).toBeChecked()
  // The dates of the list do not tell: how this room writes them is proposed, and said.
  const dates = page.getByRole('group', { name: '3 dates like 3/4/2019' })
  await expect(dates.getByRole('radio', { name: 'Month first' })).toBeChecked()
  await expect(dates).toContainText('In your room the month comes first.')
  await dates.getByRole('radio', { name: 'Leave as text' }).check()
  await expect(page.locator('[data-sums]')).toContainText('1 taken, 3 taken with a question')
  await page.getByRole('group', { name: '3 dates like 3/4/2019' }).getByRole('radio', { name: 'Day first' }).check()
  await expect(page.locator('[data-sums]')).toContainText('3 taken, 1 taken with a question')
})

test('a workbook of several sheets, and pasted cells: the list is found, what is left out is said, a sheet is chosen', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/take-in/list')
  const cells = (...rows: readonly (readonly string[])[]) => rows.map(row => row.map(value => ({ value })))
  const bytes = await writeXlsxFile([
    { sheet: 'About', data: cells(['Lantern Quay']) },
    { sheet: 'Stamps', data: cells(['What I own', ''], ['Name', 'Brand'], ['Kelp', 'Greywether'], ['Gull', 'Greywether']) },
    { sheet: 'Dies', data: cells(['Name', 'Brand'], ['Fern', 'Tidewrack']) },
  ]).toBuffer()
  const type = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
  await page.locator('input[type=file]').setInputFiles({ name: 'quay.xlsx', mimeType: type, buffer: bytes })
  await expect(page.locator('[data-file-facts]')).toHaveText('quay.xlsx: 2 rows, 2 columns on the sheet “Stamps”.')
  await expect(page.locator('[data-list-note]')).toContainText('left out: What I own')
  await page.getByLabel('Sheet').selectOption('About')
  await expect(page.getByRole('alert')).toContainText('This is not a table')
  await page.getByLabel('Sheet').selectOption('Dies')
  await expect(page.locator('[data-sums]')).toHaveText('1 row: 1 taken, 0 taken with a question, 0 refused.')
  await page.reload()
  await expect(page.locator('[data-file-facts]')).toContainText('“Dies”')
  await page.getByRole('button', { name: 'Cancel' }).click()

  // Cells as a spreadsheet puts them on the clipboard: tabs, and quotes around a line break.
  await page.locator('[data-paste]').evaluate(field => {
    const clipboard = new DataTransfer()
    clipboard.setData('text/plain', 'Name\tBrand\tSize\nKelp\tGreywether\tA6\n"two\nlines"\tTidewrack\t4 x 6 in\n')
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: clipboard, bubbles: true, cancelable: true }))
  })
  await expect(page.locator('[data-file-facts]')).toHaveText('Pasted cells: 2 rows, 3 columns, divided by tabs.')
  await page.getByRole('button', { name: 'Take in 2 sets' }).click()
  await expect(page.locator('[data-taken]')).toContainText('2 rows')
})

test('a file that is not a table gets a plain sentence', async ({ demo: page }) => {
  await go(page, '/take-in/list')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'photo.csv', mimeType: 'text/csv', buffer: Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0]) })
  await expect(page.getByRole('alert')).toContainText('This is not a list')
  await expect(page.getByRole('alert')).toContainText('Nothing was changed')
})

test('a tab closed half-way, and a cancel, leave nothing half-imported', async ({ demo: page }) => {
  const rows = Array.from({ length: 9000 }, (_, index) => `Set ${index},Tidewrack,harbour,4 x 6 in`).join('\n')
  const file = { name: 'long.csv', mimeType: 'text/csv', buffer: Buffer.from(`Name,Brand,Themes,Size\n${rows}\n`) }
  const other = await page.context().newPage()
  await go(other, '/take-in/list')
  await other.locator('input[type=file]').setInputFiles(file)
  await other.getByRole('button', { name: 'Take in 9,000 sets' }).click()
  await expect(other.getByText(/^Taking in/)).toBeVisible()
  await other.close()
  await go(page, '/take-in/list')
  expect((await databaseOf(page, ['holdings'])).holdings?.length).toBe(360)

  // The list that was open there is open here: nothing of it is lost.
  await page.getByRole('button', { name: 'Take in 9,000 sets' }).click()
  await expect(page.getByText(/^Taking in/)).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Stopped. Nothing was taken in.')).toBeVisible()
  expect((await databaseOf(page, ['holdings'])).holdings?.length).toBe(360)
})

test('thousands of brands that look alike are compared with progress and Cancel; thousands of kinds are shown part by part', async ({
  page,
}) => {
  await openEmpty(page)
  await go(page, '/take-in/list')
  const parts = ['mar', 'lin', 'tor', 'vel', 'kas', 'ron', 'del', 'fin', 'gor', 'hal']
  const figures = (at: number): readonly number[] => [at, at / 10, at / 100, at / 1000].map(each => Math.floor(each) % 10)
  const word = (at: number): string =>
    figures(at)
      .map(figure => parts[figure])
      .join('')
  const rows = Array.from({ length: 4000 }, (_, at) => `Set ${at},${word(at)} Crafts,Sort ${word(at)}`)
  const listOf = (some: readonly string[]) => ({
    name: 'alike.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(['Name,Brand,Kind', ...some].join('\n')),
  })
  await page.locator('input[type=file]').setInputFiles(listOf(rows))
  await expect(page.getByText(/^Comparing brand [\d,]+ of 4,000 with the others$/)).toBeVisible()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Stopped. Nothing was taken in.')).toBeVisible()

  await page.locator('input[type=file]').setInputFiles(listOf(rows.slice(0, 700)))
  const kinds = page.getByRole('combobox', { name: /^Sort / })
  await expect(kinds).toHaveCount(60)
  await page.getByRole('button', { name: 'Show 60 more' }).last().click()
  await expect(kinds).toHaveCount(120)
  // What is shown stays shown when something is chosen.
  await kinds.nth(100).selectOption('Clear')
  await expect(kinds).toHaveCount(120)
  await expect(kinds.nth(100)).toHaveValue('kind/Clear')
})

test('what a broken formula shows is no brand and no category: it is asked for, and answered for all at once', async ({ page }) => {
  await openEmpty(page)
  await go(page, '/take-in/list')
  const rows = ['Kelp,#REF!,#DIV/0!', 'Gull,#REF!,Images', 'Fern,Tidewrack,Images']
  const list = { name: 'broken.csv', mimeType: 'text/csv', buffer: Buffer.from(['Name,Brand,Category', ...rows].join('\n')) }
  await page.locator('input[type=file]').setInputFiles(list)
  await expect(page.getByText('2 cells under Brand show an error instead of a brand')).toBeVisible()
  await page.getByRole('button', { name: 'Take in 3 sets' }).click()
  await page.getByRole('link', { name: 'Answer the questions' }).click()
  // One that is there is proposed; one that is not is made.
  await page.getByRole('combobox', { name: 'Brand: “#REF!”' }).fill('tide')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Answered for 2 sets.' })).toBeVisible()
  await page.getByRole('combobox', { name: 'Category: “#DIV/0!”' }).fill('Quayside')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.getByText('No set carries a question.')).toBeVisible()
  const { holdings, brands, categories } = await databaseOf(page, ['holdings', 'brands', 'categories'])
  const [brand] = brands as { id: string }[]
  expect(brands).toHaveLength(1)
  const quayside = (categories as { id: string; name: string }[]).find(({ name }) => name === 'Quayside')
  expect((holdings as { name: string; categoryId: string }[]).find(({ name }) => name === 'Kelp')?.categoryId).toBe(quayside?.id)
  expect((holdings as { brandId: string }[]).map(({ brandId }) => brandId)).toEqual([brand?.id, brand?.id, brand?.id])
})
