import type { CatalogueData, Holding } from '#core/catalog'
import { registerId } from '#core/numbering'

type Reference = readonly [from: string, table: keyof CatalogueData, id: string | null]

/** Every reference of every record. */
function* referencesOf(data: CatalogueData): Generator<Reference> {
  for (const brand of data.brands) yield [`brands ${brand.name}`, 'brands', brand.successorId]
  for (const table of ['categories', 'themes'] as const) {
    for (const record of data[table]) for (const id of record.seeAlsoIds) yield [`${table} ${record.name}`, table, id]
  }
  for (const series of data.series) yield [`series ${series.name}`, 'series', series.partOf?.seriesId ?? null]
  for (const zone of data.zones) for (const id of zone.takesKindIds) yield [`zones ${zone.name}`, 'kinds', id]
  for (const container of data.containers) {
    yield [`containers ${container.name}`, 'fixtures', container.fixtureId]
    yield [`containers ${container.name}`, 'zones', container.zoneId]
  }
  for (const section of data.sections) {
    yield [`sections ${section.title}`, 'containers', section.containerId]
  }
  for (const type of data.holderTypes) yield [`holderTypes ${type.name}`, 'holderTypes', type.replacedById]
  for (const holder of data.holders) {
    yield [`holders ${holder.id}`, 'containers', holder.containerId]
    yield [`holders ${holder.id}`, 'holderTypes', holder.holderTypeId]
    for (const id of holder.holdingIds) yield [`holders ${holder.id}`, 'holdings', id]
  }
  for (const holding of data.holdings) {
    const from = `holdings ${holding.number} ${holding.name}`
    yield [from, 'brands', holding.brandId]
    yield [from, 'kinds', holding.kindId]
    yield [from, 'categories', holding.categoryId]
    yield [from, 'series', holding.seriesId]
    yield [from, 'holderTypes', holding.holderTypeId]
    for (const id of holding.themeIds) yield [from, 'themes', id]
    for (const piece of holding.pieces) yield [from, 'holdings', piece.livesWithId]
  }
  for (const relation of data.relations) {
    yield [`relations ${relation.id}`, 'holdings', relation.fromId]
    yield [`relations ${relation.id}`, 'holdings', relation.toId]
  }
  for (const measured of data.measuredLengths) yield [`measuredLengths ${measured.id}`, 'containers', measured.containerId]
  // A finished re-filing may refer to deleted records.
  for (const refiling of data.refilings.filter(each => each.state === 'open')) {
    yield [`refilings ${refiling.name}`, 'zones', refiling.zoneId]
    yield [`refilings ${refiling.name}`, 'containers', refiling.tableContainerId]
  }
  for (const use of data.uses) yield [`uses ${use.id}`, 'holdings', use.holdingId]
  for (const list of data.pullLists)
    for (const { holdingId, alongWithId } of list.lines) {
      yield [`pullLists ${list.name || list.id}`, 'holdings', holdingId]
      yield [`pullLists ${list.name || list.id}`, 'holdings', alongWithId]
    }
  for (const leaf of data.bookLeaves) yield [`bookLeaves ${leaf.label}`, 'books', leaf.bookId]
  for (const loan of data.loans) yield [`loans ${loan.id}`, 'holdings', loan.holdingId]
}

/** The first broken reference of a catalogue, in words; null: all hold. O(records). */
export function findDangling(data: CatalogueData, pictureHashes: ReadonlySet<string>): string | null {
  const ids = new Map(Object.entries(data).map(([table, records]) => [table, new Set(records.map(record => record.id))]))
  for (const [table, records] of Object.entries(data)) {
    if (ids.get(table)?.size !== records.length) return `${table}: one id twice`
  }
  for (const [from, table, id] of referencesOf(data)) {
    if (id !== null && !ids.get(table)?.has(id)) return `${from} -> ${table} ${id}`
  }
  const numbers = new Set(data.holdings.map(holding => `${holding.seriesId}:${holding.number}`))
  if (numbers.size !== data.holdings.length) return 'holdings: one number twice'
  const incoherent = findIncoherence(data)
  if (incoherent) return incoherent
  for (const { from, hash } of picturesOf(data)) if (!pictureHashes.has(hash)) return `${from} -> picture ${hash.slice(0, 8)}`
  return null
}

/** The first state that a screen cannot work with, in words; null: none. A set is in one holder, or in two if it was cut in two. */
function findIncoherence(data: CatalogueData): string | null {
  if (data.settings.length !== 1) return 'settings: there are none'
  if (!data.series.some(series => series.isRunning)) return 'series: none is running'
  const lines = new Map(data.register.map(line => [line.id, line]))
  for (const { id, seriesId, number, name } of data.holdings) {
    const line = lines.get(registerId(seriesId, number))
    if (line?.holdingId !== id) return `holdings ${number} ${name}: in the register its number stands for ${line?.holdingId ?? 'nothing'}`
  }
  for (const line of data.register)
    if (line.id !== registerId(line.seriesId, line.number))
      return `register ${line.id}: it is the line of ${registerId(line.seriesId, line.number)}`
  if (data.refilings.filter(each => each.state === 'open').length > 1) return 'refilings: two are open'
  const cells = new Set<string>()
  const holdersOf = new Map<string, number>()
  for (const { id, containerId, cell, somewhere, holdingIds } of data.holders) {
    if (cell && somewhere) return `holders ${id}: it is in a cell, and nobody has looked where`
    const key = cell && `${containerId}/${cell.page}/${cell.cell}/${cell.side}`
    if (key && cells.has(key)) return `holders ${id}: its cell is taken`
    if (key) cells.add(key)
    for (const each of new Set(holdingIds)) holdersOf.set(each, (holdersOf.get(each) ?? 0) + 1)
  }
  for (const { id, number, name, isCutInTwo } of data.holdings)
    if ((holdersOf.get(id) ?? 0) > (isCutInTwo ? 2 : 1)) return `holdings ${number} ${name}: it stands in more than one place`
  return null
}

/** A record that names pictures: a set with its pieces, or a strip of the pile. */
export type Pictured = Pick<Holding, 'pictureHash' | 'packagingPictureHash'> & { readonly pieces?: Holding['pieces'] }

/**
 * The record with only those pictures that `has` knows. Returns the same object if none is missing.
 * @example withPictures({ pictureHash: 'a', packagingPictureHash: null }, () => false).pictureHash //=> null
 */
export function withPictures<T extends Pictured>(record: T, has: (hash: string) => boolean): T {
  if (hashesOf(record).every(has)) return record
  const kept = (hash: string | null): string | null => (hash !== null && has(hash) ? hash : null)
  return {
    ...record,
    pictureHash: kept(record.pictureHash),
    packagingPictureHash: kept(record.packagingPictureHash),
    ...(record.pieces ? { pieces: record.pieces.map(piece => ({ ...piece, pictureHash: kept(piece.pictureHash) })) } : {}),
  }
}
/** The pictures of one set or strip. */
export const hashesOf = ({ pictureHash, packagingPictureHash, pieces = [] }: Pictured): readonly string[] =>
  [pictureHash, packagingPictureHash, ...pieces.map(piece => piece.pictureHash)].flatMap(hash => hash ?? [])

/** The catalogue with only those pictures that `has` knows; for each missing picture, the record that names it, in words. */
export function withoutMissing(
  data: CatalogueData,
  has: (hash: string) => boolean,
): { readonly data: CatalogueData; readonly missing: readonly string[] } {
  const missing = picturesOf(data).flatMap(({ from, hash }) => (has(hash) ? [] : [from]))
  if (missing.length === 0) return { data, missing }
  return {
    data: {
      ...data,
      holdings: data.holdings.map(holding => withPictures(holding, has)),
      drafts: data.drafts.map(draft => withPictures(draft, has)),
    },
    missing,
  }
}

/** Every named picture, with its record in words. A picture may be named often. */
export function picturesOf(data: Pick<CatalogueData, 'holdings' | 'drafts'>): readonly { readonly from: string; readonly hash: string }[] {
  return [
    ...data.holdings.flatMap(holding => hashesOf(holding).map(hash => ({ from: `holdings ${holding.number} ${holding.name}`, hash }))),
    ...data.drafts.flatMap(draft => hashesOf(draft).map(hash => ({ from: `drafts ${draft.texts.name}`, hash }))),
  ]
}
