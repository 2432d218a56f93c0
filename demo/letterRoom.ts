import { ulid } from 'ulid'
import {
  blankBrand,
  type CatalogueData,
  emptyCatalogue,
  type Loan,
  type RegisterLine,
  type Relation,
  START_HABITS,
  START_SETTINGS,
  startCatalogue,
  startSeries,
  type WordLink,
} from '#core/catalog'
import { givenToText } from '#core/exchange'
import { withSets } from '#core/fetching'
import { adviseHolder, contentsOf } from '#core/holders'
import { registerId } from '#core/numbering'
import { bringToLife, logOf } from './living'
import { makeCollection } from './collection'
import { BRANDS, THEMES } from './names'
import { chance } from './random'
import { fileRoom } from './room'

/** One seed, one room. */
const SEED = 20261123
/** The brand that prints numbers of its own on its sets. */
const OWN_NUMBERS = 'Bellrope Row'
/** What the letter room calls things among itself. */
const LINKS: readonly Omit<WordLink, 'id'>[] = [
  { word: 'mum', goesWith: 'Letters home', isRuledOut: false },
  { word: 'fish supper', goesWith: 'Friends', isRuledOut: false },
  { word: 'light', goesWith: 'lightness', isRuledOut: true },
]
const MADE_AT = Date.UTC(2026, 10, 1)

export interface LetterRoom {
  readonly data: CatalogueData
  /** Drawing of each set, by its id. */
  readonly drawings: ReadonlyMap<string, string>
}

/** The letter room at Lantern Quay: brands, themes, some 360 drawn sets, and the five fixtures they stand in. */
export function makeLetterRoom(): LetterRoom {
  const luck = chance(SEED)
  let made = 0
  const newId = (): string => ulid(MADE_AT + (made += 1), () => luck.unit())
  const data: CatalogueData = emptyCatalogue()
  const start = startCatalogue(newId)
  data.settings.push({ ...START_SETTINGS, roomName: 'The letter room at Lantern Quay', isDemo: true, collection: 'some' })
  data.kinds.push(...start.kinds)
  data.categories.push(...start.categories)
  data.themes.push(...THEMES.map((theme, rank) => ({ id: newId(), name: theme.name, rank, seeAlsoIds: [], sharesPage: false })))
  data.brands.push(
    ...BRANDS.map(brand => ({ ...blankBrand(newId(), brand.name), variants: [...brand.variants], abbreviation: brand.abbreviation })),
  )
  const series = startSeries(newId())
  data.series.push(series)

  const authority = {
    brands: new Map(data.brands.map(each => [each.id, each])),
    themes: new Map(data.themes.map(each => [each.id, each])),
    categories: new Map(data.categories.map(each => [each.id, each])),
    kinds: new Map(data.kinds.map(each => [each.id, each])),
  }
  const drawn = makeCollection(
    {
      kinds: new Map(data.kinds.map(each => [each.name, each])),
      categoryIds: new Map(data.categories.map(each => [each.name, each.id])),
      themes: new Map(data.themes.map(each => [each.name, each])),
      brands: data.brands,
      seriesId: series.id,
      newId,
    },
    luck,
  )
  const holdings = drawn.map(each => each.holding)
  const room = fileRoom(holdings, data.kinds, authority, newId)
  data.holdings.push(
    ...holdings.map(holding => ({ ...holding, name: NUMBERED.get(holding.number) ?? holding.name, state: 'filed' as const })),
  )
  Object.assign(data, room)
  data.holderTypes.push(...start.holderTypes.map((type, at) => ({ ...type, stockOnHand: (at * 37) % 60 })))
  pocketAll(data)
  lendSome(data, newId)
  data.relations.push(...pairDies(data, newId))
  const { brands } = data
  brands.forEach((brand, at) => (brands[at] = { ...brand, hasOwnNumbering: brand.name === OWN_NUMBERS }))
  data.register.push(
    ...data.holdings.map((holding): RegisterLine => ({
      id: registerId(series.id, holding.number),
      seriesId: series.id,
      number: holding.number,
      holdingId: holding.id,
      givenTo: givenToText(holding.name, authority.brands.get(holding.brandId ?? '')?.name ?? ''),
      how: 'issued',
      at: holding.createdAt,
    })),
  )
  const used = new Map(drawn.map(each => [each.holding.id, each.used]))
  const waiting = bringToLife(data, new Map(drawn.map(each => [each.holding.id, each.pieces])), used, newId)
  data.links.push(...LINKS.map(link => ({ id: newId(), ...link })))
  // A link that lost its first word, as after a fault of the disk: it waits for whoever knows the word.
  const spoilt = { id: newId(), word: '', goesWith: 'driftwood', isRuledOut: false }
  data.setAside.push({
    id: newId(),
    from: 'links',
    text: JSON.stringify(spoilt),
    fault: 'links: word is empty',
    at: '2026-10-31T15:00:00.000Z',
  })
  seeAlso(data, 'Letters home', 'Post and parcels')
  data.uses.push(...logOf(data.holdings, used, newId))
  pull(data, newId)
  return { data, drawings: new Map([...drawn.map(each => [each.holding.id, each.svg] as const), ...waiting]) }
}

/** Four of a numbered series by one maker; the third was never found. */
const NUMBERED: ReadonlyMap<number, string> = new Map(
  [44, 116, 209, 348].map((number, at) => [number, `Tide Tables No. ${[1, 2, 4, 5][at] ?? 0}`]),
)

/** One theme says to look under another as well. */
function seeAlso({ themes }: CatalogueData, name: string, other: string): void {
  const [at, id] = [themes.findIndex(theme => theme.name === name), themes.find(theme => theme.name === other)?.id]
  const theme = themes[at]
  if (theme && id) themes[at] = { ...theme, seeAlsoIds: [id] }
}

/** Two pull lists: one for a card of some greetings with their dies, half of it on the table, and one that is only begun. */
function pull(data: CatalogueData, newId: () => string): void {
  const facts = { holdings: new Map(data.holdings.map(each => [each.id, each])), relations: data.relations }
  const placed = new Set(data.holders.flatMap(holder => holder.holdingIds))
  const theme = (name: string): string => data.themes.find(each => each.name === name)?.id ?? ''
  const of = (name: string, count: number): readonly string[] =>
    data.holdings
      .filter(({ id, state, themeIds }) => state === 'filed' && placed.has(id) && themeIds[0] === theme(name))
      .map(({ id }) => id)
      .slice(0, count)
  data.pullLists.push(
    {
      id: newId(),
      name: 'Card for the harbour fair',
      createdAt: '2026-10-31T15:00:00.000Z',
      lines: [...withSets([], [...of('Harbour', 4), ...of('Tide pools', 2), ...of('Birthdays', 2)], facts)],
    },
    { id: newId(), name: 'Winter lights', createdAt: '2026-11-01T08:30:00.000Z', lines: [...withSets([], of('Winter lights', 3), facts)] },
  )
}

/** Every set gets the holder that is proposed for it, where it stands in a row; blocks and boards go without. */
function pocketAll(data: CatalogueData): void {
  const [kindOf, holdingOf, containerOf] = [
    new Map(data.kinds.map(each => [each.id, each])),
    new Map(data.holdings.map(each => [each.id, each])),
    new Map(data.containers.map(each => [each.id, each])),
  ]
  for (const holder of data.holders) {
    const holding = holdingOf.get(holder.holdingIds[0] ?? '')
    const kind = kindOf.get(holding?.kindId ?? '') ?? null
    const container = containerOf.get(holder.containerId) ?? null
    const contents = holding && kind && kind.typicalThicknessMm < 10 && !holder.cell ? contentsOf(holding, kind, START_HABITS) : null
    const type = contents ? adviseHolder(contents, data.holderTypes, START_SETTINGS, container).choices[0]?.type : undefined
    if (!holding || !type || container?.type === 'board') continue
    Object.assign(holder, { holderTypeId: type.id, type: type.type })
    Object.assign(holding, { holderTypeId: type.id, sitsIn: type.type })
  }
}

/** A few sets are out: loans go to places of the house, never to persons. */
function lendSome(data: CatalogueData, newId: () => string): void {
  const places = ['Night desk', 'Chapel table', 'Tea room', 'Night desk']
  places.forEach((to, index) => {
    const holding = data.holdings[(index * 67 + 31) % data.holdings.length]
    if (!holding) return
    const loan: Loan = {
      id: newId(),
      holdingId: holding.id,
      to,
      outAt: `2026-10-${10 + index * 3}T16:30:00.000Z`,
      backAt: null,
      isForUse: to !== 'Night desk',
    }
    data.loans.push(loan)
    holding.state = to === 'Night desk' ? 'lent' : 'out'
  })
}

/** Dies and stamps of one brand and first theme go together. */
function pairDies(data: CatalogueData, newId: () => string): Relation[] {
  const dieKinds = new Set(data.kinds.filter(kind => kind.family === 'die').map(kind => kind.id))
  return data.holdings
    .filter(holding => dieKinds.has(holding.kindId ?? ''))
    .flatMap((die): Relation[] => {
      const stamp = data.holdings.find(
        other => other.brandId === die.brandId && other.themeIds[0] === die.themeIds[0] && !dieKinds.has(other.kindId ?? ''),
      )
      return stamp ? [{ id: newId(), fromId: die.id, toId: stamp.id, kind: 'dieForStamp' }] : []
    })
}
