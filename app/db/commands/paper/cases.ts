import { BOOK_CODES, BOOK_WAYS } from '#core/catalog'
import { all, type Cases, NAMES } from '../../../../tests/support/cases'
import { commands } from '~/db'

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
