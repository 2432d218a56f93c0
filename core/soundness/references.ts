import { type CatalogueData, type RecordOf, startSeries, type TableName } from '#core/catalog'
import { type Edit, type Finding, finding, type Given } from './finding'

/** What a record names, and what makes it right where some of that is lost. */
interface Reference {
  readonly to: TableName
  readonly ids: readonly (string | null)[]
  /** null: only somebody who knows can. `isThere` tells which ids are not lost. */
  mend(isThere: (id: string) => boolean): readonly Edit[] | null
}
type ReferencesOf<T extends TableName> = (record: RecordOf<T>, data: CatalogueData, given: Given) => readonly Reference[]

/** The record with other fields. */
const put = <T extends TableName>(table: T, record: RecordOf<T>, fields: Partial<RecordOf<T>>): readonly Edit[] => [
  { table, put: { ...record, ...fields } } as unknown as Edit,
]
const seeAlso =
  <T extends 'categories' | 'themes'>(table: T): ReferencesOf<T> =>
  record => [
    {
      to: table,
      ids: record.seeAlsoIds,
      mend: isThere => put(table, record, { seeAlsoIds: record.seeAlsoIds.filter(isThere) } as Partial<RecordOf<T>>),
    },
  ]
/** What only says something of the record that it names goes with it. */
const goesWith = (table: TableName, id: string, to: TableName, ids: readonly (string | null)[]): Reference => ({
  to,
  ids,
  mend: () => [{ table, remove: id }],
})

/** Every field that names a record of the catalogue. What may outlive what it names, on purpose, is not here. */
const REFERENCES: { readonly [T in TableName]?: ReferencesOf<T> } = {
  brands: record => [{ to: 'brands', ids: [record.successorId], mend: () => put('brands', record, { successorId: null }) }],
  categories: seeAlso('categories'),
  themes: seeAlso('themes'),
  series: record => [{ to: 'series', ids: [record.partOf?.seriesId ?? null], mend: () => put('series', record, { partOf: null }) }],
  zones: record => [
    {
      to: 'kinds',
      ids: record.takesKindIds,
      mend: isThere => {
        const takesKindIds = record.takesKindIds.filter(isThere)
        // With none left it would take every kind.
        return takesKindIds.length > 0 ? put('zones', record, { takesKindIds }) : null
      },
    },
  ],
  containers: (record, data) => {
    const [fixture] = data.fixtures
    const [zone] = data.zones
    return [
      { to: 'fixtures', ids: [record.fixtureId], mend: () => (fixture ? put('containers', record, { fixtureId: fixture.id }) : null) },
      { to: 'zones', ids: [record.zoneId], mend: () => (zone ? put('containers', record, { zoneId: zone.id }) : null) },
    ]
  },
  sections: record => [goesWith('sections', record.id, 'containers', [record.containerId])],
  holderTypes: record => [
    { to: 'holderTypes', ids: [record.replacedById], mend: () => put('holderTypes', record, { replacedById: null }) },
  ],
  holders: record => [
    goesWith('holders', record.id, 'containers', [record.containerId]),
    { to: 'holderTypes', ids: [record.holderTypeId], mend: () => put('holders', record, { holderTypeId: null }) },
    {
      to: 'holdings',
      ids: record.holdingIds,
      mend: isThere => {
        const holdingIds = record.holdingIds.filter(isThere)
        return holdingIds.length > 0 ? put('holders', record, { holdingIds }) : [{ table: 'holders', remove: record.id }]
      },
    },
  ],
  holdings: record => [
    { to: 'brands', ids: [record.brandId], mend: () => put('holdings', record, { brandId: null }) },
    { to: 'kinds', ids: [record.kindId], mend: () => put('holdings', record, { kindId: null }) },
    { to: 'categories', ids: [record.categoryId], mend: () => put('holdings', record, { categoryId: null }) },
    { to: 'holderTypes', ids: [record.holderTypeId], mend: () => put('holdings', record, { holderTypeId: null }) },
    // Its number was given by that series: the series comes back, and the number stays.
    { to: 'series', ids: [record.seriesId], mend: () => [{ table: 'series', put: { ...startSeries(record.seriesId), isRunning: false } }] },
    { to: 'themes', ids: record.themeIds, mend: isThere => put('holdings', record, { themeIds: record.themeIds.filter(isThere) }) },
    {
      to: 'holdings',
      ids: record.pieces.map(piece => piece.livesWithId),
      mend: isThere =>
        put('holdings', record, {
          pieces: record.pieces.map(piece =>
            piece.livesWithId === null || isThere(piece.livesWithId) ? piece : { ...piece, livesWithId: null },
          ),
        }),
    },
  ],
  relations: record => [goesWith('relations', record.id, 'holdings', [record.fromId, record.toId])],
  measuredLengths: record => [goesWith('measuredLengths', record.id, 'containers', [record.containerId])],
  refilings: (record, _data, given) => {
    // One that has ended may name what is gone since.
    if (record.state !== 'open') return []
    const mend = () => put('refilings', record, { state: 'left', endedAt: given.at })
    return [
      { to: 'zones', ids: [record.zoneId], mend },
      { to: 'containers', ids: [record.tableContainerId], mend },
    ]
  },
  uses: record => [goesWith('uses', record.id, 'holdings', [record.holdingId])],
  pullLists: record => [
    {
      to: 'holdings',
      ids: record.lines.flatMap(({ holdingId, alongWithId }) => [holdingId, alongWithId]),
      mend: isThere =>
        put('pullLists', record, {
          lines: record.lines
            .filter(({ holdingId }) => isThere(holdingId))
            .map(line => (line.alongWithId === null || isThere(line.alongWithId) ? line : { ...line, alongWithId: null })),
        }),
    },
  ],
  bookLeaves: record => [goesWith('bookLeaves', record.id, 'books', [record.bookId])],
  loans: record => [goesWith('loans', record.id, 'holdings', [record.holdingId])],
}

/** Records that name one that is not there. O(references). */
export function* lostReferences(data: CatalogueData, given: Given): Generator<Finding> {
  const ids = new Map(Object.entries(data).map(([table, records]) => [table, new Set(records.map(({ id }) => id))]))
  for (const table of Object.keys(REFERENCES) as TableName[]) yield* lostIn(table, data, given, ids)
}
function* lostIn<T extends TableName>(
  table: T,
  data: CatalogueData,
  given: Given,
  ids: ReadonlyMap<string, ReadonlySet<string>>,
): Generator<Finding> {
  const referencesOf = REFERENCES[table] as ReferencesOf<T> | undefined
  for (const record of data[table] as readonly (RecordOf<T> & { readonly id: string })[])
    for (const { to, ids: named, mend } of referencesOf?.(record, data, given) ?? []) {
      const isThere = (id: string): boolean => ids.get(to)?.has(id) ?? false
      if (named.some(id => id !== null && !isThere(id))) yield finding('lost', table, record, mend(isThere), to)
    }
}
