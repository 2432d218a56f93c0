import type { RecordOf, RoomSettings } from '#core/catalog'
import { codeOf } from '#core/numbering'
import type { BookSource } from '#core/printing'
import { arrangeRoom, containersInOrder, type Room } from '#core/room'
import { writeSize } from '#core/units'
import { addressIn } from '~/data/addresses'
import { containerWay } from '~/data/words'
import { NOWHERE } from './paperWords'

/** A set without how its picture is shaped: that is read from the small picture, by the one who prints. */
export type PlainSource = Omit<BookSource, 'picture'> & { readonly pictureHash: string | null }

/** The tables that a book is made of. */
export const SOURCE_TABLES = [
  'holdings',
  'brands',
  'kinds',
  'categories',
  'themes',
  'series',
  'fixtures',
  'containers',
  'sections',
  'holders',
] as const
export type SourceTables = { readonly [T in (typeof SOURCE_TABLES)[number]]: ReadonlyMap<string, RecordOf<T>> }
export type SourceSettings = Pick<RoomSettings, 'addressPatterns' | 'shelvesFrom' | 'unit' | 'trimmerTicks' | 'reducedFractions'>

/** What stands somewhere in a container comes behind what was looked at there. */
const BEHIND_ALL = Number.MAX_SAFE_INTEGER

/** All that a book is made of, set by set. `room`: as it stands, where that is known already. O(sets). */
export function sourcesIn(tables: SourceTables, settings: SourceSettings, room: Room = roomOf(tables)): readonly PlainSource[] {
  const { brands, categories, kinds, themes, series, fixtures } = tables
  const style = { unit: settings.unit, ticks: settings.trimmerTicks, reduced: settings.reducedFractions }
  const rankOf = new Map(containersInOrder({ rows: room.rows, fixtures }, null).map((row, rank) => [row.container.id, rank]))
  const named = (record: { readonly id: string; readonly name: string } | undefined) =>
    record ? { id: record.id, name: record.name } : null
  const namesOf = (ids: readonly string[]): string[] => ids.flatMap(id => themes.get(id)?.name ?? [])
  return [...tables.holdings.values()].map((holding): PlainSource => {
    const { id, number, size, brandId, categoryId, kindId } = holding
    const [placement, numbering, kind] = [room.placements.get(id), series.get(holding.seriesId), kinds.get(kindId ?? '')]
    return {
      id,
      accession: number,
      numbering: series.size > 1 ? (numbering?.name ?? '') : '',
      ...codeOf(holding, tables),
      name: holding.name,
      brand: named(brands.get(brandId ?? '')),
      category: named(categories.get(categoryId ?? '')),
      kind: named(kind),
      themes: holding.themeIds
        .flatMap(each => themes.get(each) ?? [])
        .map(theme => ({ id: theme.id, name: theme.name, sharesPage: theme.sharesPage, seeAlso: namesOf(theme.seeAlsoIds) })),
      words: holding.words,
      size: size && { ...size, text: writeSize(size, style) },
      makersNumber: holding.aliases.find(({ from }) => from === 'maker')?.text ?? '',
      address: addressIn(room, settings.addressPatterns, id) ?? NOWHERE,
      place: placement
        ? {
            id: placement.container.id,
            heading: containerWay(fixtures.get(placement.container.fixtureId), placement.container, settings.shelvesFrom),
            rank: rankOf.get(placement.container.id) ?? 0,
            position: placement.position ?? BEHIND_ALL,
          }
        : null,
      pictureHash: holding.pictureHash,
    }
  })
}
const roomOf = ({ containers, sections, holders }: SourceTables): Room =>
  arrangeRoom({ containers: containers.values(), sections: sections.values(), holders: holders.values() })

/** Without the sets that came in after a day, the others in their order. Who noted no day counts as there all along. O(sets). */
export function asOn(tables: SourceTables, day: string): SourceTables {
  const isThere = ({ acquiredOn }: RecordOf<'holdings'>): boolean => acquiredOn === null || acquiredOn <= day.slice(0, acquiredOn.length)
  const holdings = new Map([...tables.holdings].filter(([, holding]) => isThere(holding)))
  const holders = [...tables.holders].map(
    ([id, holder]) => [id, { ...holder, holdingIds: holder.holdingIds.filter(each => holdings.has(each)) }] as const,
  )
  return { ...tables, holdings, holders: new Map(holders.filter(([, { holdingIds }]) => holdingIds.length > 0)) }
}
