import type { Holding, Labelled, RecordOf, RoomSettings, SetLabel } from '#core/catalog'
import { zoneFor } from '#core/filing'
import { codeOf } from '#core/numbering'
import { stageOf } from '#core/pile'
import { type LabelledSet, type LabelThing, templateFor, type TemplateReason } from '#core/printing'
import { cellsPerPage, containersInOrder, isLookedAt, type Room, shortAddress } from '#core/room'
import { containerWay } from '~/data/words'

/** What is made on no sheet waits for its answer under these names. */
export const [ON_TAPE, AS_LIST] = ['tape', 'list'] as const

/** The tables that labels are made of. */
export const LABEL_TABLES = ['holdings', 'brands', 'kinds', 'series', 'fixtures', 'zones', 'containers', 'sections', 'holders'] as const
export type LabelTables = { readonly [T in (typeof LABEL_TABLES)[number]]: ReadonlyMap<string, RecordOf<T>> }
export type LabelSettings = Pick<RoomSettings, 'addressPatterns' | 'shelvesFrom' | 'labels'>
/** Where a set that stands nowhere yet would go. */
export interface PlannedPlace {
  readonly id: string
  readonly containerId: string
  readonly position: number
}
export interface LabelThings {
  readonly things: readonly LabelThing[]
  /** The number that stands on a set already, by what it is: `set:...`. */
  readonly written: ReadonlyMap<string, string>
  /** Sets that wait for a label on the pile. */
  readonly waiting: ReadonlySet<string>
  /** How many sets have their label for which reason. */
  readonly because: ReadonlyMap<TemplateReason, number>
}

const ranksIn = ({ fixtures }: LabelTables, { rows }: Room): ReadonlyMap<string, number> =>
  new Map(containersInOrder({ rows, fixtures }, null).map((row, at) => [row.container.id, at]))

function namedSet(holding: Holding, tables: LabelTables): LabelledSet {
  const brand = tables.brands.get(holding.brandId ?? '')
  return {
    id: holding.id,
    name: holding.name,
    ...codeOf(holding, tables),
    brand: brand ? { name: brand.name, abbreviation: brand.abbreviation } : null,
  }
}

/** Sets to which nothing has happened that a label would not outlive, and that stand nowhere. */
export const withoutPlace = (tables: Pick<LabelTables, 'holdings'>, { placements }: Room): readonly string[] =>
  [...tables.holdings.values()].flatMap(({ id, state }) => (placements.has(id) || state === 'gone' || state === 'draft' ? [] : [id]))

/** Every set, and every pocket that several share, as its label sees it. O(sets). */
export function labelledSets(
  tables: LabelTables,
  settings: Pick<LabelSettings, 'labels'>,
  room: Room,
  planned: readonly PlannedPlace[],
): LabelThings {
  const [ranks, zones] = [ranksIn(tables, room), [...tables.zones.values()]]
  const plans = new Map(planned.map(each => [each.id, each]))
  const because = new Map<TemplateReason, number>()
  const holdings = [...tables.holdings.values()].filter(({ state }) => state !== 'gone' && state !== 'draft')
  const seen = new Set<string>()
  const things = holdings.flatMap((holding): LabelThing[] => {
    const [standing, plan] = [room.placements.get(holding.id), plans.get(holding.id)]
    const container = standing?.container ?? tables.containers.get(plan?.containerId ?? '')
    const plain = {
      title: '',
      detail: '',
      rank: ranks.get(container?.id ?? '') ?? Infinity,
      position: (standing && isLookedAt(standing) ? standing.position : plan?.position) ?? Infinity,
    }
    const mates = standing?.holder.holdingIds ?? []
    if (standing && mates.length > 1) {
      if (seen.has(standing.holder.id)) return []
      seen.add(standing.holder.id)
      const sets = mates.flatMap(id => tables.holdings.get(id) ?? []).map(each => namedSet(each, tables))
      return [{ ...plain, of: `shared:${standing.holder.id}`, kind: 'shared', template: 'shared', sets }]
    }
    const corner: SetLabel | null = (tables.zones.get(container?.zoneId ?? '') ?? zoneFor(holding, zones))?.labelTemplate ?? null
    const chosen = templateFor({
      corner,
      sitsIn: standing?.holder.type ?? holding.sitsIn,
      thicknessMm: tables.kinds.get(holding.kindId ?? '')?.typicalThicknessMm ?? 0,
      room: settings.labels.template,
    })
    because.set(chosen.because, (because.get(chosen.because) ?? 0) + 1)
    return [{ ...plain, of: `set:${holding.id}`, kind: 'set', template: chosen.template, sets: [namedSet(holding, tables)] }]
  })
  return {
    things,
    written: new Map(holdings.flatMap(({ id, labelText }) => (labelText === null ? [] : [[`set:${id}`, labelText]]))),
    waiting: new Set(holdings.filter(holding => stageOf(holding) === 'label').map(({ id }) => `set:${id}`)),
    because,
  }
}

/** Every container, tab or cell as its label sees it. O(containers), of cells O(cells). */
export function labelledPlaces(
  kind: Exclude<Labelled, 'set' | 'shared'>,
  tables: LabelTables,
  settings: Pick<LabelSettings, 'addressPatterns' | 'shelvesFrom'>,
  room: Room,
): LabelThings {
  const ranks = ranksIn(tables, room)
  const things = [...room.rows.values()].flatMap(({ container, lanes }): LabelThing[] => {
    const plain = { kind, template: kind, sets: [], detail: '', rank: ranks.get(container.id) ?? Infinity } as const
    if (kind === 'container') {
      const detail = containerWay(tables.fixtures.get(container.fixtureId), container, settings.shelvesFrom, false)
      return [{ ...plain, of: `container:${container.id}`, title: container.name, detail, position: 0 }]
    }
    if (kind === 'tab')
      return lanes
        .flat()
        .flatMap((entry, at) =>
          entry.type === 'section' ? [{ ...plain, of: `tab:${entry.section.id}`, title: entry.section.title, position: at }] : [],
        )
    if (!container.cells) return []
    const perPage = cellsPerPage(container)
    return Array.from({ length: container.cells.pages * perPage }, (_, at) => {
      const [page, cell] = [1 + Math.floor(at / perPage), 1 + (at % perPage)]
      const title = shortAddress({ container, lane: 1, position: at + 1, cell: { page, cell, side: 'front' } }, settings.addressPatterns)
      return { ...plain, of: `cell:${container.id}:${page}:${cell}`, title, position: at }
    })
  })
  return { things, written: new Map(), waiting: new Set(), because: new Map() }
}
