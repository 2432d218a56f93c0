import { ulid } from 'ulid'
import { blankBook, type CatalogueData, START_SETTINGS } from '#core/catalog'
import { type BookSource, choicesKey, composeLabels, frontLeaves, layLeaves, leafShape, START_SHEETS, wantedWays } from '#core/printing'
import { paperWords } from '~/areas/index/book/paperWords'
import { labelledPlaces, labelledSets, LABEL_TABLES, type LabelTables } from '~/areas/index/labels/things'
import { labelWords } from '~/areas/index/labels/words'
import { SOURCE_TABLES, sourcesIn, type SourceTables } from '~/areas/index/book/sources'
import { arrangeRoom } from '#core/room'
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

/** Whole names are shorter than this: what was shortened is not known without the fonts. */
const LONG_MM = 300
/** As wide as letters are on the whole. */
const EM = 0.5
/** Bins that came in after the labels were made. */
const UNLABELLED_BINS = 2

/**
 * Labels as they were made on the same evening: on every set that stands in its place, but for the last few that came in; two carry
 * the name they had. Bins and drawers too; divider tabs were never printed. A sheet of labels is begun.
 */
export function labelAll(data: CatalogueData): void {
  const luck = chance(SEED + 1)
  let made = 0
  const newId = (): string => ulid(Date.parse(PRINTED_AT) + (made += 1), () => luck.unit())
  const corner = data.zones.at(-1)
  if (corner) corner.labelTemplate = 'numberAndName'
  const tables = Object.fromEntries(
    LABEL_TABLES.map(table => [table, new Map(data[table].map(each => [each.id, each]))]),
  ) as unknown as LabelTables
  const [settings, room] = [data.settings[0] ?? START_SETTINGS, arrangeRoom(data)]
  const last = Math.max(...data.holdings.map(({ number }) => number)) - SINCE
  const isThere = (id: string): boolean => {
    const holding = tables.holdings.get(id)
    return holding !== undefined && holding.number <= last && room.placements.has(id)
  }
  const sets = labelledSets(tables, settings, room, []).things.filter(({ sets: all }) => all.every(({ id }) => isThere(id)))
  const then = sets.map(thing => ({
    ...thing,
    sets: thing.sets.map(set => ({ ...set, name: RENAMED.get(tables.holdings.get(set.id)?.number ?? 0) ?? set.name })),
  }))
  const bins = labelledPlaces('container', tables, settings, room).things.slice(0, -UNLABELLED_BINS)
  const things = [...then, ...bins]
  const { labels } = settings
  const laid = composeLabels(things, {
    space: { printableMm: labels.tapeWidthMm - 2 * labels.edgeMm, wholeMm: labels.tapeWidthMm, longestMm: LONG_MM, isFixed: false },
    hasCode: false,
    words: { sets: labelWords.sets },
    measure: (text, _font, sizePt) => text.length * sizePt * EM,
  })
  for (const { of, template, says } of laid.values()) data.labels.push({ id: newId(), of, template, says: [...says], madeAt: PRINTED_AT })
  const [grid] = START_SHEETS
  if (grid) data.labelSheets.push({ ...grid, id: newId(), name: labelWords.sheetName(grid), nextFree: 5 })
  data.printers.push({ id: newId(), name: 'Printer in the tea room', rightMm: 0.6, downMm: -0.4 })
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
