import { BOOK_CODES, BOOK_WAYS } from '#core/catalog'
import { START_SHEETS } from '#core/printing'
import { all, type Cases, NAMES } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

export const paperCases: Cases = {
  async beginBook(db, luck) {
    await commands.beginBook(db, { name: luck.pick(NAMES) ?? '', code: luck.pick(BOOK_CODES) ?? 'number' })
  },
  async changeBook(db, luck) {
    const book = luck.pick(await all(db, 'books'))
    const ways = BOOK_WAYS.filter(() => luck.below(2) === 0)
    if (book) await commands.changeBook(db, book.id, () => ({ name: luck.pick(NAMES) ?? '', ways: ways.length > 0 ? ways : ['number'] }))
  },
  async dropBook(db, luck) {
    const book = luck.pick(await all(db, 'books'))
    if (book) await commands.dropBook(db, book.id)
  },
  async confirmLabels(db, luck) {
    const sets = (await all(db, 'holdings')).filter(() => luck.below(2) === 0)
    const sheet = luck.pick(await all(db, 'labelSheets'))
    await commands.confirmLabels(
      db,
      {
        labels: sets.map(({ id, name }) => ({ of: `set:${id}`, template: 'name', says: [name.slice(0, 300)] })),
        written: sets.slice(0, 2).map(({ id, number }) => ({ holdingId: id, text: String(number) })),
        labelled: sets.map(({ id }) => id),
        sheet: sheet ? { id: sheet.id, used: luck.below(90) } : null,
      },
      ['capture', 'label', 'file'],
    )
  },
  async labelSheet(db, luck) {
    const [grid] = START_SHEETS
    const known = luck.pick(await all(db, 'labelSheets'))
    const name = luck.pick(NAMES) ?? ''
    if (known) await commands.changeLabelSheet(db, known.id, { name })
    else if (grid) await commands.addLabelSheet(db, { ...grid, nextFree: luck.below(30), name })
  },
  async dropLabelSheet(db, luck) {
    await commands.dropLabelSheet(db, luck.pick(await all(db, 'labelSheets'))?.id ?? '')
  },
  async printer(db, luck) {
    const known = luck.pick(await all(db, 'printers'))
    const rightMm = luck.below(40) / 10 - 2
    if (known) await commands.changePrinter(db, known.id, { rightMm })
    else await commands.addPrinter(db, { name: luck.pick(NAMES) ?? '', rightMm, downMm: 0 })
  },
  async dropPrinter(db, luck) {
    await commands.dropPrinter(db, luck.pick(await all(db, 'printers'))?.id ?? '')
  },
  async confirmPrinted(db, luck) {
    const book = luck.pick(await all(db, 'books'))
    const known = (await all(db, 'bookLeaves')).filter(({ bookId }) => bookId === book?.id)
    const sets = (await all(db, 'holdings')).slice(0, 1 + luck.below(20))
    const leaf = {
      label: `${1 + luck.below(9)}${luck.below(2) === 0 ? 'a' : ''}`,
      way: 'number' as const,
      group: '= all',
      heads: [{ key: 'all', says: ['All', ''] }],
      lines: sets.map(({ id, name, number }) => ({ head: 'all', key: id, says: [String(number), '', name.slice(0, 200)] })),
    }
    await commands.confirmPrinted(db, {
      bookId: book?.id ?? '',
      printings: luck.below(4) === 0 ? 99 : (book?.printings ?? 0),
      leaves: [leaf],
      takenOut: [luck.pick(known)?.label ?? '1'],
      printedAs: luck.pick(['', '[]', book?.printedAs]) ?? '',
      isByHand: luck.below(2) === 0,
    })
  },
}
