import { ulid } from 'ulid'
import { blankBook, type CatalogueData, START_SETTINGS } from '#core/catalog'
import { type BookSource, choicesKey, frontLeaves, layLeaves, leafShape, wantedWays } from '#core/printing'
import { paperWords } from '~/areas/index/book/paperWords'
import { SOURCE_TABLES, sourcesIn, type SourceTables } from '~/areas/index/book/sources'
import { chance } from './random'

const SEED = 20261104
const PRINTED_AT = '2026-11-04T17:00:00.000Z'
/** Came in after the book was printed. */
const SINCE = 3
/** Had another name then. */
const RENAMED: ReadonlyMap<number, string> = new Map([
  [57, 'Harbour Corners'],
  [231, 'Little Sampler'],
])

/** The book in the binder by the door: by theme and by number, printed before the last few sets came in. */
export function printBook(data: CatalogueData): void {
  const luck = chance(SEED)
  let made = 0
  const newId = (): string => ulid(Date.parse(PRINTED_AT) + (made += 1), () => luck.unit())
  const book = {
    ...blankBook({ id: newId(), name: 'Binder by the door', createdAt: '2026-11-04T16:00:00.000Z' }),
    picture: 'small' as const,
  }
  const last = Math.max(...data.holdings.map(({ number }) => number)) - SINCE
  const then = bookSources(data)
    .filter(({ accession }) => accession <= last)
    .map(each => ({ ...each, name: RENAMED.get(each.accession) ?? each.name }))
  const shape = leafShape(book)
  const ways = wantedWays(book.ways, then, book, paperWords)
  const leaves = layLeaves(ways, [], { shape, freeShare: book.freeShare, ownLeafFrom: book.ownLeafFrom, isByHand: false })
  const legend = data.kinds.flatMap(({ suffix, name }) => (suffix ? [{ mark: suffix, text: name }] : []))
  for (const { label, way, group, content } of [...frontLeaves(leaves, { legend, codes: [] }, shape, paperWords), ...leaves])
    data.bookLeaves.push({ id: newId(), bookId: book.id, label, way, group, printedAt: PRINTED_AT, ...content })
  data.books.push({ ...book, printings: 1, lastPrintedAt: PRINTED_AT, printedAs: choicesKey(book) })
}

/** What a book is made of, with pictures as they are shaped by the sizes of their sets. */
export function bookSources(data: CatalogueData): readonly BookSource[] {
  const byId = <R extends { readonly id: string }>(all: readonly R[]): ReadonlyMap<string, R> => new Map(all.map(each => [each.id, each]))
  const tables = Object.fromEntries(
    SOURCE_TABLES.map(table => [table, byId<{ readonly id: string }>(data[table])]),
  ) as unknown as SourceTables
  return sourcesIn(tables, data.settings[0] ?? START_SETTINGS).map(({ pictureHash, ...source }) => ({
    ...source,
    picture: pictureHash && source.size ? { hash: pictureHash, ratio: source.size.widthMm / source.size.heightMm } : null,
  }))
}
