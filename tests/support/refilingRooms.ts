import fc from 'fast-check'
import {
  blankBrand,
  blankHolding,
  type Container,
  type FilingRule,
  type Fixture,
  type Holder,
  type Holding,
  newTheme,
  PLAIN_FIXTURE,
  type Refiling,
  type Section,
  START_HABITS,
  type Zone,
} from '#core/catalog'
import { compareFilingKeys, filingKeyOf } from '#core/filing'
import { arrangeRoom, containersInOrder, keysBehind, planMove } from '#core/room'
import { containerOf } from './containers'
import { idsOf, proposeRefiling, type RefilingFacts, type RefilingQuestion, START_AIMS, type Step } from '#core/refiling'

/** Rooms of a few bins whose sets stand in no order, for re-filing: made the same way wherever they are asked for. */
const THEMES = ['Harbour', 'Kelp', 'Lights'].map((name, at) => ({ ...newTheme(`t${at}`, name, []), rank: 2 - at }))
const BRANDS = ['Copperlatch', 'Greywether'].map((name, at) => blankBrand(`b${at}`, name))
export const authority = {
  brands: new Map(BRANDS.map(each => [each.id, each])),
  themes: new Map(THEMES.map(each => [each.id, each])),
  categories: new Map(),
  kinds: new Map(),
}
export const fixture: Fixture = { id: 'f', name: 'Shelf', type: 'bookcase', shelves: 2, rank: 0, ...PLAIN_FIXTURE }
export const BY_THEME: FilingRule = {
  keys: [
    { by: 'theme', order: 'own' },
    { by: 'name', order: 'alphabetical' },
  ],
}
export const BY_BRAND: FilingRule = {
  keys: [
    { by: 'brand', order: 'alphabetical' },
    { by: 'theme', order: 'alphabetical' },
  ],
}
export const zone: Zone = {
  id: 'z',
  name: 'Everything',
  rank: 0,
  filingRule: BY_THEME,
  takesKindIds: [],
  growthReserve: 0,
  capHoldings: null,
  labelTemplate: null,
  habits: START_HABITS,
}
export const bin = (at: number, lengthMm = 60): Container => containerOf(String(at), { id: `c${at}`, rank: at, lengthMm })

export interface Made {
  readonly containers: readonly Container[]
  readonly holders: readonly Holder[]
  readonly holdings: readonly Holding[]
}
/** Sets dealt over bins in no order at all. */
export const rooms = fc
  .record({
    sets: fc.array(
      fc.record({ theme: fc.nat(2), brand: fc.nat(1), bin: fc.nat(3), isApart: fc.integer({ min: 0, max: 9 }).map(each => each === 0) }),
      { minLength: 1, maxLength: 30 },
    ),
    bins: fc.integer({ min: 2, max: 4 }),
  })
  .map(({ sets, bins }): Made => {
    const containers = Array.from({ length: bins }, (_, at) => bin(at))
    const holdings = sets.map((each, at): Holding => ({
      ...blankHolding({ id: `h${at}`, number: at + 1, seriesId: 's', name: `Set ${(at * 7) % 31}`, createdAt: '2026-01-01T00:00:00.000Z' }),
      themeIds: [`t${each.theme}`],
      brandId: `b${each.brand}`,
      thicknessMm: 3,
    }))
    const keys = keysBehind([], -1, sets.length)
    const holders = sets.map((each, at): Holder => ({
      id: `o${at}`,
      holderTypeId: null,
      type: 'pocket',
      containerId: `c${each.bin % bins}`,
      lane: 1,
      order: keys[at] ?? '',
      cell: null,
      somewhere: null,
      apartBecause: each.isApart ? 'used daily' : null,
      holdingIds: [`h${at}`],
    }))
    return { containers, holders, holdings }
  })
export function factsOf(
  { containers, holders, holdings }: Made,
  sections: readonly Section[] = [],
): RefilingFacts & { readonly room: ReturnType<typeof arrangeRoom> } {
  const room = arrangeRoom({ containers, holders, sections })
  return {
    room,
    rows: containersInOrder({ rows: room.rows, fixtures: new Map([['f', fixture]]) }, 'z'),
    holdings: new Map(holdings.map(each => [each.id, each])),
    authority,
    learnt: new Map(),
    holderTypes: new Map(),
  }
}
export const question = (made: Made, more: Partial<RefilingQuestion> = {}): RefilingQuestion => ({
  zone,
  rule: BY_BRAND,
  containerIds: made.containers.map(each => each.id),
  reserve: 0,
  aims: START_AIMS,
  isEven: false,
  tableMm: 200,
  armfulMm: 9,
  heap: [],
  ...more,
})
export const title = ({ id }: { readonly id: string }): string => authority.brands.get(id)?.name ?? authority.themes.get(id)?.name ?? ''

/** Does a step as the command does it, on the records themselves. */
export function carry(made: Made, step: Step): Made {
  let holders = [...made.holders]
  const lifted = new Set(idsOf(step))
  for (const part of step.parts) {
    const [containerId = '', lane = '1'] = step.to.split('/')
    const { rows } = arrangeRoom({ containers: made.containers, holders: holders.filter(holder => !lifted.has(holder.id)), sections: [] })
    const plan = planMove(
      holders.filter(holder => part.ids.includes(holder.id)).sort((a, b) => part.ids.indexOf(a.id) - part.ids.indexOf(b.id)),
      { type: 'row', containerId, lane: Number(lane), behindId: part.behindId },
      rows,
    )
    if (!plan.ok) throw new Error(plan.code)
    const moved = new Map(plan.holders.map(holder => [holder.id, holder]))
    holders = holders.map(holder => moved.get(holder.id) ?? holder)
    for (const id of part.ids) lifted.delete(id)
  }
  return { ...made, holders }
}
export const tableAt: Container = { ...bin(99, 200), id: 'table', code: 'T', isTable: true }
export const refilingOf = (proposal: Extract<ReturnType<typeof proposeRefiling>, { ok: true }>): Refiling => ({
  id: 'r',
  name: '',
  state: 'open',
  startedAt: '2026-01-01T00:00:00.000Z',
  endedAt: null,
  zoneId: 'z',
  ruleBefore: BY_THEME,
  rule: BY_BRAND,
  lanes: proposal.lanes.map(lane => lane.target),
  tableMm: 200,
  tableContainerId: 'table',
  armfulMm: 9,
  stepsDone: 0,
  liftsDone: 0,
  minutesWorked: 0,
  lastStepAt: null,
})
/** The holders of the zone that the rule files, as they stand. */
export const standing = (facts: ReturnType<typeof factsOf>): readonly Holding[] =>
  facts.rows
    .flatMap(row => row.placements)
    .filter(({ holder }) => holder.apartBecause === null)
    .flatMap(({ holder }) => facts.holdings.get(holder.holdingIds[0] ?? '') ?? [])
export const isOrdered = (list: readonly Holding[], rule: FilingRule): boolean =>
  list.every(
    (each, at) =>
      at === 0 || compareFilingKeys(filingKeyOf(list[at - 1] as Holding, rule, authority), filingKeyOf(each, rule, authority)) <= 0,
  )
