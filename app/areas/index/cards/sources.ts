import { type PullList, type RecordOf, type Refiling, type RoomSettings, START_HABITS, WAYS } from '#core/catalog'
import { readSeries, seriesOf } from '#core/finding'
import { walkFor, type WalkFacts } from '#core/fetching'
import { contentsOf, cutsFor } from '#core/holders'
import { codeText, codeOf } from '#core/numbering'
import type { CardSource, DividerSource, ListLine, SlipSource } from '#core/printing'
import { allIn, type ContainerRow, containersInOrder, type Room, shortAddress } from '#core/room'
import { containerWay } from '~/data/words'
import { slipWords } from '~/subjects/set/words'
import { cardWords } from './words'
import type { LabelTables } from '~/areas/index/labels/things'

type CardTables = LabelTables & {
  readonly [T in 'holderTypes' | 'loans']: ReadonlyMap<string, RecordOf<T>>
}
type Holding = RecordOf<'holdings'>
export interface CardRoom {
  readonly tables: CardTables
  readonly settings: Pick<RoomSettings, 'addressPatterns' | 'shelvesFrom' | 'marks'>
  readonly room: Room
}

/** A card for what sits in nothing known: as large as the commonest set, 4 x 6 in (common practice). */
const PLAIN_CARD = { widthMm: 101.6, heightMm: 152.4 }
/** Around a set whose pocket is not known, and above it for its name. */
const AROUND_MM = { acrossMm: 6, downMm: 14 }
/** A card slides into its cell where it is so much smaller, both ways (common practice: 1/8 in). */
const SLIDES_MM = 3.2

/** Rows in the order in which one walks; one alone where one is asked for. */
export const rowsAsked = ({ room, tables }: CardRoom, containerId: string | null): readonly ContainerRow[] =>
  containersInOrder({ rows: room.rows, fixtures: tables.fixtures }, null).filter(
    ({ container }) => containerId === null || container.id === containerId,
  )
/** One card for each holder, in the order of the container, as large as what slides into it. O(holders). */
export function cardSources(at: CardRoom, containerId: string | null, ratioOf: (hash: string) => number | null): readonly CardSource[] {
  const { tables, settings } = at
  return rowsAsked(at, containerId).flatMap(row =>
    allIn(row).map((standing): CardSource => {
      const sets = standing.holder.holdingIds.flatMap(id => tables.holdings.get(id) ?? [])
      const named = sets.map(set => {
        const brand = tables.brands.get(set.brandId ?? '')
        const ratio = set.pictureHash === null ? null : ratioOf(set.pictureHash)
        const picture =
          set.pictureHash !== null && set.size && ratio !== null
            ? { hash: set.pictureHash, widthMm: set.size.widthMm, heightMm: set.size.widthMm / ratio }
            : null
        return {
          id: set.id,
          name: set.name,
          ...codeOf(set, tables),
          brand: brand ? { name: brand.name, abbreviation: brand.abbreviation } : null,
          picture,
        }
      })
      return {
        of: `card:${standing.holder.id}`,
        ...cardSize(standing, sets, tables),
        sets: named,
        address: shortAddress(standing, settings.addressPatterns),
      }
    }),
  )
}
function cardSize(
  { holder, container }: ReturnType<typeof allIn>[number],
  sets: readonly Holding[],
  tables: CardTables,
): { readonly widthMm: number; readonly heightMm: number } {
  const [set, type] = [sets[0], tables.holderTypes.get(holder.holderTypeId ?? '')]
  const habits = { ...(tables.zones.get(container.zoneId)?.habits ?? START_HABITS), insert: true }
  const contents = set && contentsOf(set, tables.kinds.get(set.kindId ?? '') ?? null, habits)
  const insert = type && contents ? cutsFor(type, contents.thicknessMm, habits).find(({ of }) => of === 'insert') : undefined
  if (insert) return { widthMm: insert.widthMm, heightMm: insert.heightMm }
  const cell = container.cells?.cellSize
  if (cell) return { widthMm: cell.widthMm - SLIDES_MM, heightMm: cell.heightMm - SLIDES_MM }
  return set?.size ? { widthMm: set.size.widthMm + AROUND_MM.acrossMm, heightMm: set.size.heightMm + AROUND_MM.downMm } : PLAIN_CARD
}

/** What a divider is known as before it stands in the room: by what it stands for. */
const plannedAs = (standsFor: RecordOf<'sections'>['standsFor']): string | undefined => standsFor?.id && `divider:${standsFor.id}`

/** Every divider tab of these rows, front to back. */
export const dividerSources = (at: CardRoom, containerId: string | null): readonly DividerSource[] =>
  rowsAsked(at, containerId).flatMap(({ lanes }) =>
    lanes.flat().flatMap((entry): readonly DividerSource[] => {
      if (entry.type !== 'section') return []
      const { id, title, colour, standsFor } = entry.section
      return [{ of: `divider:${id}`, before: plannedAs(standsFor), title, colour }]
    }),
  )

/** The dividers of a re-filing under way, lane by lane; one that stands in its lane already is known as what it is. */
export function plannedDividers({ tables }: CardRoom, { lanes }: Refiling): readonly DividerSource[] {
  const sections = [...tables.sections.values()]
  return lanes.flatMap(({ containerId, lane, tabs }) =>
    tabs.map(({ title, colour, standsFor, beforeHolderId }): DividerSource => {
      const standing = sections.find(each => each.containerId === containerId && each.lane === lane && each.standsFor?.id === standsFor?.id)
      const before = plannedAs(standsFor)
      return { of: standing ? `divider:${standing.id}` : (before ?? `divider:${beforeHolderId}`), before, title, colour }
    }),
  )
}

function lineOf(holding: Holding, { tables, settings, room }: CardRoom, detail?: string): ListLine {
  const standing = room.placements.get(holding.id)
  return {
    code: codeText(codeOf(holding, tables)),
    text: holding.name,
    detail: detail ?? (standing ? shortAddress(standing, settings.addressPatterns) : cardWords.nowhere),
  }
}
const wayTo = (row: ContainerRow, { tables, settings }: CardRoom): string =>
  containerWay(tables.fixtures.get(row.container.fixtureId), row.container, settings.shelvesFrom)

/** All that stands in these rows, under each container. */
export const contentsLines = (at: CardRoom, containerId: string | null): readonly ListLine[] =>
  rowsAsked(at, containerId).flatMap(row => {
    const sets = allIn(row).flatMap(({ holder }) => holder.holdingIds.flatMap(id => at.tables.holdings.get(id) ?? []))
    return sets.length === 0 ? [] : [{ code: '', text: wayTo(row, at), detail: '', isHeading: true }, ...sets.map(set => lineOf(set, at))]
  })

/** What is out, where it is and since when, the longest first. */
export const outLines = (at: CardRoom): readonly ListLine[] =>
  [...at.tables.loans.values()]
    .sort((a, b) => (a.outAt < b.outAt ? -1 : 1))
    .flatMap(({ holdingId, to, outAt }) => {
      const holding = at.tables.holdings.get(holdingId)
      return holding ? [lineOf(holding, at, cardWords.outSince(to, outAt))] : []
    })

/** The sets of a pull list in the order of the walk; those that stand nowhere come last. */
export function setsPulled({ tables }: CardRoom, list: PullList | null, facts: WalkFacts): readonly Holding[] {
  if (!list) return []
  const { stops, nowhereIds } = walkFor(list.lines, facts)
  const ids = [...stops.flatMap(({ sets }) => sets.map(({ holdingId }) => holdingId)), ...nowhereIds]
  return [...new Set(ids)].flatMap(id => tables.holdings.get(id) ?? [])
}

/** A slip for each of these sets. `placeOf`: where it is, as a sentence. */
export const slipSources = (
  { tables, settings, room }: CardRoom,
  sets: readonly Holding[],
  placeOf: (set: Holding) => string,
  ratioOf: (hash: string) => number | null,
): readonly SlipSource[] =>
  sets.map(set => {
    const [standing, brand] = [room.placements.get(set.id), tables.brands.get(set.brandId ?? '')]
    const ratio = set.pictureHash === null ? null : ratioOf(set.pictureHash)
    return {
      id: set.id,
      name: set.name,
      ...codeOf(set, tables),
      brand: brand ? { name: brand.name, abbreviation: brand.abbreviation } : null,
      address: standing ? shortAddress(standing, settings.addressPatterns) : '',
      place: placeOf(set),
      picture: set.pictureHash !== null && ratio !== null ? { hash: set.pictureHash, ratio } : null,
    }
  })

/** What is left of a pull list, stop after stop. */
export function pullLines(at: CardRoom, list: PullList | null, facts: WalkFacts): readonly ListLine[] {
  if (!list) return []
  const walk = walkFor(list.lines, facts)
  const of = (id: string): readonly ListLine[] => {
    const holding = at.tables.holdings.get(id)
    return holding ? [lineOf(holding, at)] : []
  }
  return [
    ...walk.stops.flatMap(({ row, sets }) => [
      { code: '', text: wayTo(row, at), detail: '', isHeading: true },
      ...sets.flatMap(({ holdingId }) => of(holdingId)),
    ]),
    ...(walk.nowhereIds.length > 0 ? [{ code: '', text: cardWords.nowhere, detail: '', isHeading: true }] : []),
    ...walk.nowhereIds.flatMap(of),
  ]
}

/** Each numbered series that lacks a number, with its maker. */
export function gapLines({ tables }: CardRoom): readonly ListLine[] {
  const numbered = [...tables.holdings.values()].filter(({ name, state }) => state !== 'gone' && readSeries(name) !== null)
  const seen = new Set<string>()
  const found = numbered.flatMap(({ name, brandId }) => {
    const key = `${readSeries(name)?.stem ?? ''} ${brandId ?? ''}`
    if (seen.has(key)) return []
    seen.add(key)
    const series = seriesOf(name, brandId, numbered)
    const brand = tables.brands.get(brandId ?? '')?.name ?? ''
    return series && series.owned.length > 1 && series.lacking.length > 0 ? [{ brand, series }] : []
  })
  return found
    .sort((a, b) => a.series.name.localeCompare(b.series.name))
    .flatMap(({ brand, series }) => [
      { code: '', text: [series.name, brand].filter(Boolean).join(', '), detail: '', isHeading: true },
      ...series.lacking.map(number => ({ code: '', text: cardWords.lacking(number), detail: '' })),
    ])
}

/** What stands behind a number, and what marks say. */
export function legendLines({ tables, settings }: CardRoom): readonly ListLine[] {
  const kinds = [...tables.kinds.values()].flatMap(({ suffix, name }) =>
    suffix?.trim() ? [{ code: suffix.trim(), text: name, detail: '' }] : [],
  )
  const marks = WAYS.flatMap(way => (settings.marks[way] ? [{ code: settings.marks[way], text: slipWords.relation[way], detail: '' }] : []))
  const heading = (text: string): ListLine => ({ code: '', text, detail: '', isHeading: true })
  return [
    ...(kinds.length > 0 ? [heading(cardWords.letters), ...kinds] : []),
    ...(marks.length > 0 ? [heading(cardWords.marks), ...marks] : []),
  ]
}
