import { type CatalogueData, type Holder, type Holding, LIMITS, type RecordOf, type TableName } from '#core/catalog'
import { proposePlace } from '#core/filing'
import { arrangeRoom } from '#core/room'
import type { YondercrestDb } from '~/db'
import { finished } from './rawDatabase'

/** Draws below a bound, and picks from a list: seeded by the test, so that what fails can be done again. */
export interface Luck {
  below(bound: number): number
  pick<T>(list: readonly T[]): T | undefined
}
export function luckOf(seed: number): Luck {
  let state = seed
  // Park and Miller's minimal standard generator.
  const below = (bound: number): number => (state = (state * 16807) % 2147483647) % Math.max(1, bound)
  return { below, pick: list => list[below(list.length)] }
}
/**
 * Tables as the browser keeps them, at one moment. Not through Dexie: what it does round each answer takes several times as long
 * as the reading.
 */
export async function tablesOf<T extends TableName>(db: YondercrestDb, tables: readonly T[]): Promise<{ [K in T]: RecordOf<K>[] }> {
  if (!db.isOpen()) await db.open()
  const transaction = db.backendDB().transaction(tables)
  const read = async (table: T) => [table, await finished<unknown[]>(transaction.objectStore(table).getAll())] as const
  return Object.fromEntries(await Promise.all(tables.map(read))) as { [K in T]: RecordOf<K>[] }
}
export const all = async <T extends TableName>(db: YondercrestDb, table: T): Promise<RecordOf<T>[]> => (await tablesOf(db, [table]))[table]
export const mapOf = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
  new Map(list.map(each => [each.id, each]))

const LAID_OUT = ['containers', 'sections', 'holders', 'holdings', 'fixtures', 'zones'] as const
const ROOM_TABLES = [...LAID_OUT, 'brands', 'themes', 'categories', 'kinds'] as const
/** The room that these tables make. */
export function roomFrom(tables: Pick<CatalogueData, (typeof ROOM_TABLES)[number]>) {
  const { fixtures, zones, holdings, brands, themes, categories, kinds } = tables
  const room = arrangeRoom(tables)
  return {
    ...room,
    facts: {
      fixtures: mapOf(fixtures),
      zones,
      rows: room.rows,
      holdings: mapOf(holdings),
      authority: { brands: mapOf(brands), themes: mapOf(themes), categories: mapOf(categories), kinds: mapOf(kinds) },
    },
  }
}
/** The room as the database has it. */
export const roomOf = async (db: YondercrestDb) => roomFrom(await tablesOf(db, ROOM_TABLES))
export async function placeFor(
  db: YondercrestDb,
  holding: Holding,
): Promise<Pick<Holder, 'containerId' | 'lane' | 'order' | 'cell'> | null> {
  const found = proposePlace(holding, (await roomOf(db)).facts)
  return found.ok
    ? { containerId: found.point.container.id, lane: found.point.lane, order: found.point.order, cell: found.point.cell }
    : null
}
export const NAMES = [
  'L'.repeat(LIMITS.name),
  'Rope Ends',
  'Tide Tables',
  'Harbour Steps',
  'Kelp Study',
  'Lamp Oil',
  'Bell Buoys',
  'Chart Corners',
]
export const BRANDS = ['Greywether', 'Copperlatch', 'Tidewrack Press', '']

/** What a person can do, one command each; what it is done to is drawn from what there is. */
type Case = (db: YondercrestDb, luck: Luck) => Promise<unknown>
export type Cases = Readonly<Record<string, Case>>
