import type { CatalogueData } from '#core/catalog'

type Reference = readonly [from: string, table: keyof CatalogueData, id: string | null]

/** Every reference of every record, one after the other. */
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
  // One that is over may name what is no longer there.
  for (const refiling of data.refilings.filter(each => each.state === 'open')) {
    yield [`refilings ${refiling.name}`, 'zones', refiling.zoneId]
    yield [`refilings ${refiling.name}`, 'containers', refiling.tableContainerId]
  }
  for (const loan of data.loans) yield [`loans ${loan.id}`, 'holdings', loan.holdingId]
}

/** The first thing wrong with the references of a catalogue, in words that name it; null when all hold. O(records). */
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
  for (const { from, hash } of picturesOf(data)) if (!pictureHashes.has(hash)) return `${from} -> picture ${hash.slice(0, 8)}`
  return null
}

/** Every picture that a record names, with the record in words. One picture may be named often. */
export function picturesOf(data: Pick<CatalogueData, 'holdings' | 'drafts'>): readonly { readonly from: string; readonly hash: string }[] {
  const named = [
    ...data.holdings.flatMap(({ number, name, pictureHash, packagingPictureHash, pieces }) =>
      [pictureHash, packagingPictureHash, ...pieces.map(piece => piece.pictureHash)].map(hash => ({
        from: `holdings ${number} ${name}`,
        hash,
      })),
    ),
    ...data.drafts.flatMap(({ texts, pictureHash, packagingPictureHash }) =>
      [pictureHash, packagingPictureHash].map(hash => ({ from: `drafts ${texts.name}`, hash })),
    ),
  ]
  return named.flatMap(({ from, hash }) => (hash === null ? [] : [{ from, hash }]))
}
