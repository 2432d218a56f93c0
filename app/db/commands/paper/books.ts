import { newId } from '~/db/newId'
import { blankBook, type BookLeaf, type IndexBook } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'

/** What the owner decides of a book; the rest follows from its being printed. */
export type BookChoices = Partial<Omit<IndexBook, 'id' | 'createdAt' | 'printings' | 'lastPrintedAt' | 'printedAs'>>

/** Begins a book. */
export async function beginBook(db: YondercrestDb, choices: BookChoices & { readonly name: string }): Promise<string> {
  return transact(db, 'beginBook', { name: choices.name }, async desk => {
    const identity = { id: newId(), name: choices.name, createdAt: new Date().toISOString() }
    await desk.put('books', [{ ...blankBook(identity), ...choices }])
    return identity.id
  })
}

/** Changes what a book is to be, worked out from the book as it is then: what is ticked twice in one moment is kept twice. */
export async function changeBook(db: YondercrestDb, id: string, change: (book: IndexBook) => BookChoices): Promise<void> {
  await transact(
    db,
    'changeBook',
    (book: IndexBook | undefined) => ({ name: book?.name }),
    async desk => {
      const known = await db.records('books').get(id)
      const book = known && { ...known, ...change(known) }
      if (book && JSON.stringify(book) !== JSON.stringify(known)) await desk.put('books', [book])
      return book
    },
  )
}

/** Lets go of a book, and of what is remembered of its leaves. */
export async function dropBook(db: YondercrestDb, id: string): Promise<void> {
  const book = await db.records('books').get(id)
  if (!book) return
  await transact(db, 'dropBook', { name: book.name }, async desk => {
    await desk.remove('bookLeaves', await db.records('bookLeaves').where('bookId').equals(id).primaryKeys())
    await desk.remove('books', [id])
  })
}

/** What came out well, against which print it was laid out. */
export interface Printed {
  readonly bookId: string
  /** How often the book had been printed when this was laid out. */
  readonly printings: number
  readonly leaves: readonly Omit<BookLeaf, 'id' | 'bookId' | 'printedAt'>[]
  /** Labels of leaves that are in the binder no more. */
  readonly takenOut: readonly string[]
  /** The choices it was printed with (`choicesKey()`): they may have changed since. */
  readonly printedAs: string
  /** Nothing was printed: it was struck out and written in. */
  readonly isByHand: boolean
}
export type PrintedOutcome =
  | { readonly ok: true; readonly count: number }
  /** Another print was taken as good meanwhile, in another tab say; or the book is gone. */
  | { readonly ok: false; readonly code: 'otherPrint' | 'gone' }

/** From now on these leaves count as printed, and those taken out are remembered no more. */
export async function confirmPrinted(db: YondercrestDb, printed: Printed): Promise<PrintedOutcome> {
  const { bookId, leaves, takenOut, printings, printedAs, isByHand } = printed
  const { name } = (await db.records('books').get(bookId)) ?? {}
  return transact(db, isByHand ? 'writtenIn' : 'confirmPrinted', { name, count: leaves.length }, async (desk): Promise<PrintedOutcome> => {
    const book = await db.records('books').get(bookId)
    if (!book) return { ok: false, code: 'gone' }
    if (book.printings !== printings) return { ok: false, code: 'otherPrint' }
    const known = await db.records('bookLeaves').where('bookId').equals(bookId).toArray()
    const replaced = new Set([...takenOut, ...leaves.map(({ label }) => label)])
    await desk.remove(
      'bookLeaves',
      known.filter(({ label }) => replaced.has(label)).map(({ id }) => id),
    )
    const at = new Date().toISOString()
    await desk.put(
      'bookLeaves',
      leaves.map(leaf => ({ ...leaf, id: newId(), bookId, printedAt: at })),
    )
    await desk.put('books', [{ ...book, printings: printings + 1, lastPrintedAt: at, printedAs }])
    return { ok: true, count: leaves.length }
  })
}
