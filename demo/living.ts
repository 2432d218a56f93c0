import {
  addTo,
  blankDraft,
  type CatalogueData,
  type Draft,
  type Holder,
  type Holding,
  type OpenQuestion,
  type Relation,
  type Use,
} from '#core/catalog'
import { contentsOf, shareHolder } from '#core/holders'
import { sizeFrom } from '#core/units'
import { THEMES } from './names'
import type { DrawnHolding } from './collection'
import { chance } from './random'
import { drawSheet, type SheetPiece } from './sheets'

/** A luck of its own: what is filed stays where it is, whatever is added here. */
const SEED = 20261126
const TODAY = Date.UTC(2026, 9, 31)
const DAY_MS = 86_400_000
type Used = DrawnHolding['used']
/** Kinds whose pieces somebody has measured, on seven of ten sets. */
const MEASURED_KINDS: readonly string[] = ['Clear', 'Cling', 'Rubber, unmounted', 'Thin die']
/** A set on the pile that is only a photo so far is of this size. */
export const STRIP_MM = sizeFrom(4, 6, 'in')

/**
 * The letter room on a working day: pieces measured, sets on the pile and at every stage, some shared pockets, open questions,
 * what goes together, and a year of use. Returns the drawings of the sets on the pile, by the id of the strip.
 */
export function bringToLife(
  data: CatalogueData,
  pieces: ReadonlyMap<string, readonly SheetPiece[]>,
  used: Map<string, Used>,
  newId: () => string,
): ReadonlyMap<string, string> {
  const luck = chance(SEED)
  const setOf = new Map(data.holdings.map(holding => [holding.id, holding]))
  const measured = new Set(data.kinds.filter(kind => MEASURED_KINDS.includes(kind.name)).map(kind => kind.id))
  for (const holding of data.holdings) {
    if (!measured.has(holding.kindId ?? '') || luck.unit() > 0.7) continue
    holding.pieces = (pieces.get(holding.id) ?? []).map(({ widthMm, heightMm, words, at }) => ({
      id: newId(),
      words: [...words],
      size: { widthMm, heightMm },
      at: { ...at },
      pictureHash: null,
      isMissing: false,
      livesWithId: null,
    }))
  }
  const [hidden] = data.holdings.filter(holding => holding.pieces.length > 3)
  if (hidden?.pieces[1]) hidden.pieces[1].isMissing = true
  useInTheYear(data.holdings, used, luck.unit)
  askOpen(data.holdings, used)
  share(data, setOf)
  wait(data, setOf)
  fromAnOldList(data, setOf)
  data.relations.push(...belong(data, newId))
  nameAlike(data)
  return pile(data, newId)
}

/** Every third set was used in the last twelve months, some of them often. */
function useInTheYear(holdings: readonly Holding[], used: Map<string, Used>, unit: () => number): void {
  holdings.forEach(({ id, acquiredOn }, at) => {
    const { times = 0 } = used.get(id) ?? {}
    if (at % 3 !== 0 || times === 0) return
    const lastOn = new Date(TODAY - Math.floor(unit() * 365) * DAY_MS).toISOString().slice(0, 10)
    if (lastOn > (acquiredOn ?? '')) used.set(id, { times, lastOn })
  })
}

/**
 * The log of use: of each set what was said of all the years, and since the log is kept some days one by one, the last of them the
 * last day of use.
 */
export function logOf(holdings: readonly Holding[], used: ReadonlyMap<string, Used>, newId: () => string): Use[] {
  const luck = chance(SEED)
  return holdings.flatMap(({ id, acquiredOn }): Use[] => {
    const { times, lastOn = null } = used.get(id) ?? {}
    if (times === undefined) return []
    const line = (on: string | null, count: number, from: Use['from']): Use => ({ id: newId(), holdingId: id, on, times: count, from })
    if (lastOn === null || times === 0) return [line(null, times, 'said')]
    const days = Array.from({ length: Math.min(times, luck.whole(1, 4)) }, (_, at) =>
      new Date(Date.parse(lastOn) - at * luck.whole(9, 40) * DAY_MS).toISOString().slice(0, 10),
    ).filter((day, at) => at === 0 || day > (acquiredOn ?? ''))
    const before = times - days.length
    return [...(before > 0 ? [line(null, before, 'said')] : []), ...days.map((day, at) => line(day, 1, at % 3 === 2 ? 'noted' : 'fetched'))]
  })
}

/** What an old list left open. */
const QUESTIONS: readonly { readonly question: OpenQuestion; readonly unknown: Partial<Holding> }[] = [
  { question: { code: 'dateOrderUnknown', text: '04/05/2019' }, unknown: { acquiredOn: null } },
  { question: { code: 'priceUnread', text: 'three for ten' }, unknown: { price: null } },
  { question: { code: 'usedUnread', text: '~' }, unknown: {} },
  { question: { code: 'dieUnread', text: 'x' }, unknown: { hasMatchingDie: null } },
]
function askOpen(holdings: readonly Holding[], used: Map<string, Used>): void {
  QUESTIONS.forEach(({ question, unknown }, at) => {
    const holding = holdings[60 + at * 70]
    if (!holding) return
    Object.assign(holding, unknown, { questions: [question] })
    if (question.code === 'usedUnread') used.delete(holding.id)
  })
}

/** Holders lane by lane in their order, cells left out. */
function lanesOf(data: CatalogueData): readonly (readonly Holder[])[] {
  const lanes = new Map<string, Holder[]>()
  for (const holder of data.holders) {
    if (holder.cell) continue
    const key = `${holder.containerId} ${holder.lane}`
    addTo(lanes, key, holder)
  }
  return [...lanes.values()].map(lane => lane.sort((a, b) => (a.order < b.order ? -1 : 1)))
}

const SHARED = 4
/** Neighbours at the back of a row that go into one pocket side by side: what stands before them keeps its address. */
function share(data: CatalogueData, setOf: ReadonlyMap<string, Holding>): void {
  const pockets = data.holderTypes.filter(type => type.type === 'pocket')
  const kindOf = new Map(data.kinds.map(kind => [kind.id, kind]))
  const habits = data.zones[0]?.habits
  const contents = (holder: Holder) => {
    const holding = setOf.get(holder.holdingIds[0] ?? '')
    return holding && habits ? contentsOf({ ...holding, pieces: [] }, kindOf.get(holding.kindId ?? '') ?? null, habits) : null
  }
  let shared = 0
  for (const lane of lanesOf(data)) {
    for (let at = lane.length - 2; at > lane.length - 9 && at >= 0; at -= 1) {
      const [first, second] = [lane[at], lane[at + 1]]
      const both = [first, second].flatMap(each => (each && contents(each)) ?? [])
      const type = pockets.find(each => both.length === 2 && shareHolder(both, each))
      if (!first || !second || !type) continue
      Object.assign(first, { holdingIds: [...first.holdingIds, ...second.holdingIds], type: type.type, holderTypeId: type.id })
      data.holders.splice(data.holders.indexOf(second), 1)
      for (const id of first.holdingIds) Object.assign(setOf.get(id) ?? {}, { sitsIn: type.type, holderTypeId: type.id })
      shared += 1
      break
    }
    if (shared === SHARED) return
  }
}

/** What waits for what, and what of it is not known yet. */
const WAITING: readonly { readonly state: Holding['state']; readonly count: number; readonly unknown: Partial<Holding> }[] = [
  { state: 'toClass', count: 3, unknown: { categoryId: null, themeIds: [], sitsIn: null, holderTypeId: null } },
  { state: 'toPocket', count: 3, unknown: { sitsIn: null, holderTypeId: null } },
  { state: 'toLabel', count: 2, unknown: {} },
  { state: 'toFile', count: 3, unknown: {} },
]
/** The last of a row each, so that nobody else's address changes: taken out, as if it had come this week. */
function wait(data: CatalogueData, setOf: ReadonlyMap<string, Holding>): void {
  const last = lanesOf(data).flatMap(lane => lane.at(-1) ?? [])
  const free = last.filter(({ holdingIds: [id = '', other] }) => other === undefined && setOf.get(id)?.state === 'filed')
  for (const { state, count, unknown } of WAITING) {
    for (const holder of free.splice(0, count)) {
      const holding = setOf.get(holder.holdingIds[0] ?? '')
      if (holding) Object.assign(holding, unknown, { state })
      data.holders.splice(data.holders.indexOf(holder), 1)
    }
  }
}

/** Where the list of an earlier keeper says that sets are which wait for their place. */
const LISTED: readonly string[] = ['Box 2', 'box 2', 'Box 3', 'CD 14', 'CD14', 'CD 19', 'upstairs']
const UNSEEN = 7
/** What an old list says and nobody has looked at: places of sets that wait, and the back of the last row. */
function fromAnOldList(data: CatalogueData, setOf: ReadonlyMap<string, Holding>): void {
  const standing = new Set(data.holders.flatMap(({ holdingIds }) => holdingIds))
  const waiting = data.holdings.filter(({ id, state }) => !standing.has(id) && state !== 'out' && state !== 'lent')
  LISTED.forEach((placeText, at) => Object.assign(waiting[at] ?? {}, { placeText }))
  const row = lanesOf(data).findLast(lane => lane.length > 2 * UNSEEN)
  for (const holder of row?.slice(-UNSEEN) ?? []) {
    holder.somewhere = { page: null }
    const name = data.containers.find(({ id }) => id === holder.containerId)?.name ?? ''
    for (const id of holder.holdingIds) Object.assign(setOf.get(id) ?? {}, { placeText: name })
  }
}

/** Alphabets of other styles, and frames that layer. */
function belong(data: CatalogueData, newId: () => string): readonly Relation[] {
  const inCategory = (name: string): readonly Holding[] => {
    const id = data.categories.find(category => category.name === name)?.id
    return data.holdings.filter(holding => holding.categoryId === id)
  }
  const pairs = (list: readonly Holding[], count: number, kind: Relation['kind']): readonly Relation[] =>
    Array.from({ length: count }, (_, at) => [list[2 * at], list[2 * at + 1]]).flatMap(([from, to]) =>
      from && to ? [{ id: newId(), fromId: from.id, toId: to.id, kind }] : [],
    )
  return [
    ...pairs(inCategory('Alphabets'), 3, 'sameLettersOtherStyle'),
    ...pairs(inCategory('Frames and tags'), 3, 'layersWith'),
    ...pairs(inCategory('Borders'), 2, 'sameCollection'),
  ]
}

const ALIKE = 4
/** Dies that came with stamps of one name, and stamps that have a die which nobody has noted down. */
function nameAlike(data: CatalogueData): void {
  const familyOf = new Map(data.kinds.map(kind => [kind.id, kind.family]))
  const taken = new Set(data.relations.flatMap(({ fromId, toId }) => [fromId, toId]))
  const free = (family: string): readonly Holding[] =>
    data.holdings.filter(({ id, kindId, brandId }) => familyOf.get(kindId ?? '') === family && brandId !== null && !taken.has(id))
  const [dies, stamps] = [free('die').slice(-ALIKE), free('stamp')]
  for (const [at, die] of dies.entries()) {
    const stamp = stamps.find((each, index) => index >= at * 20 && each.brandId === die.brandId)
    if (stamp) Object.assign(die, { name: `${stamp.name} Dies` })
  }
  for (const stamp of stamps.slice(-ALIKE)) stamp.hasMatchingDie = true
}

/** The donations of the week: some noted down, some only photographed. */
const ON_THE_PILE: readonly Partial<Draft['texts']>[] = [
  { name: 'Ferry Timetable', brand: 'Bellrope Row', size: '4 x 6 in', words: 'first boat, last boat', written: 'B1082' },
  { name: 'Gull Chorus', brand: 'Gannet House', size: '3 x 4 in' },
  { name: 'Night Watch Lanterns', brand: 'Salt Lantern', size: '4 x 6 in', words: 'keep the light' },
  { name: 'Rope Ladder Borders', brand: 'Copperlatch' },
  { name: 'Tea for the Tide', size: '10 x 15 cm', notes: 'From the tea room, with its card.' },
  {},
  {},
  {},
]
function pile(data: CatalogueData, newId: () => string): ReadonlyMap<string, string> {
  const luck = chance(SEED + 1)
  const drawings = new Map<string, string>()
  ON_THE_PILE.forEach((texts, rank) => {
    const strip = blankDraft({ id: newId(), rank, createdAt: `2026-10-3${rank % 2}T14:0${rank}:00.000Z` })
    data.drafts.push({ ...strip, texts: { ...strip.texts, ...texts } })
    const theme = THEMES[rank % THEMES.length]
    if (!theme || (rank > 1 && rank < 5)) return
    const order = {
      ...STRIP_MM,
      category: 'Images',
      isDie: false,
      motifs: luck.some(theme.motifs, 6),
      phrases: luck.some(theme.phrases, 3),
    }
    drawings.set(strip.id, drawSheet(order, luck).svg)
  })
  return drawings
}
