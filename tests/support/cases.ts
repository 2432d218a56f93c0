import { LIMITS, type Holder, type Holding, type RecordOf, type TableName } from '#core/catalog'
import { proposePlace } from '#core/filing'
import { arrangeRoom } from '#core/room'
import type { YondercrestDb } from '~/db'

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
export const all = async <T extends TableName>(db: YondercrestDb, table: T): Promise<RecordOf<T>[]> =>
  (await db.records(table).toArray()) as unknown as RecordOf<T>[]
export const mapOf = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
  new Map(list.map(each => [each.id, each]))

/** The room as the database has it. */
export async function roomOf(db: YondercrestDb) {
  const [containers, sections, holders, holdings, fixtures, zones, brands, themes, categories, kinds] = await Promise.all([
    all(db, 'containers'),
    all(db, 'sections'),
    all(db, 'holders'),
    all(db, 'holdings'),
    all(db, 'fixtures'),
    all(db, 'zones'),
    all(db, 'brands'),
    all(db, 'themes'),
    all(db, 'categories'),
    all(db, 'kinds'),
  ])
  const room = arrangeRoom({ containers, sections, holders })
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
export type Case = (db: YondercrestDb, luck: Luck) => Promise<unknown>
export type Cases = Readonly<Record<string, Case>>
