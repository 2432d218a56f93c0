import {
  type Container,
  type Fixture,
  type Holder,
  type Holding,
  type Kind,
  PLAIN_FIXTURE,
  type Section,
  START_HABITS,
  type Zone,
} from '#core/catalog'
import { thicknessIn } from '#core/capacity'
import { type Authority, compareFilingKeys, filingKeyOf, tabOf } from '#core/filing'
import { keysBehind } from '#core/room'

interface ContainerPlan {
  readonly name: string
  readonly code: string
  readonly type: Container['type']
  readonly shelf: number
  readonly lanes: number
  readonly lengthMm: number
  readonly cells?: Container['cells']
}
interface ZonePlan {
  readonly name: string
  readonly kinds: readonly string[]
  readonly keys: Zone['filingRule']['keys']
  readonly fixture: string
  readonly containers: readonly ContainerPlan[]
  /** How full the room's keepers let a container get before they begin the next. */
  readonly fullAt: number
}

const FIXTURES: readonly (Pick<Fixture, 'name' | 'type' | 'shelves'> & Partial<Fixture>)[] = [
  { name: 'Bookcase', type: 'bookcase', shelves: 4, shelfHeightsMm: [1460, 1080, 700, 90] },
  { name: 'Chart cabinet', type: 'cabinet', shelves: 6 },
  { name: 'Rolling cart', type: 'cart', shelves: 3 },
  { name: 'Binder shelf', type: 'bookcase', shelves: 1 },
  { name: 'Window board', type: 'wall', shelves: 1, isSunlit: true, shelfHeightsMm: [1250] },
]
const alphabetical = 'alphabetical' as const

/** Inner width of one lane, and the height up to the shelf above. */
const INNER: Readonly<Partial<Record<Container['type'], { readonly widthMm: number; readonly heightMm: number }>>> = {
  bin: { widthMm: 200, heightMm: 285 },
  basket: { widthMm: 185, heightMm: 270 },
  drawer: { widthMm: 240, heightMm: 120 },
}

const innerOf = ({ type, lanes }: ContainerPlan): Container['inner'] => {
  const lane = INNER[type]
  return lane ? { ...lane, widthMm: lane.widthMm * lanes } : null
}

const ZONES: readonly ZonePlan[] = [
  {
    name: 'Clear and cling sets',
    kinds: ['Clear', 'Cling', 'Foam', 'Own-made'],
    fixture: 'Bookcase',
    fullAt: 0.8,
    keys: [
      { by: 'theme', order: 'own' },
      { by: 'brand', order: alphabetical },
      { by: 'name', order: alphabetical },
    ],
    containers: Array.from({ length: 10 }, (_, index) => ({
      name: `Bin ${index + 1}`,
      code: `B${index + 1}`,
      type: 'bin' as const,
      shelf: Math.floor(index / 3) + 1,
      lanes: index === 4 ? 2 : 1,
      lengthMm: index % 3 === 1 ? 120 : 150,
    })),
  },
  {
    name: 'Wood blocks',
    kinds: ['Wood mounted', 'Roller'],
    fixture: 'Chart cabinet',
    fullAt: 0.85,
    keys: [
      { by: 'theme', order: 'own' },
      { by: 'number', order: 'ascending' },
    ],
    containers: [1, 2, 3, 4].map(index => ({
      name: `Drawer ${index}`,
      code: `D${index}`,
      type: 'drawer' as const,
      shelf: index,
      lanes: 2,
      lengthMm: 190,
    })),
  },
  {
    name: 'Stencils and folders',
    kinds: ['Stencil', 'Embossing folder'],
    fixture: 'Chart cabinet',
    fullAt: 0.8,
    keys: [
      { by: 'kind', order: 'own' },
      { by: 'brand', order: alphabetical },
      { by: 'name', order: alphabetical },
    ],
    containers: [
      { name: 'Drawer 5', code: 'D5', type: 'drawer', shelf: 5, lanes: 1, lengthMm: 120 },
      { name: 'Drawer 6', code: 'D6', type: 'drawer', shelf: 6, lanes: 1, lengthMm: 120 },
    ],
  },
  {
    name: 'Thin dies',
    kinds: ['Thin die'],
    fixture: 'Rolling cart',
    fullAt: 0.75,
    keys: [
      { by: 'brand', order: alphabetical },
      { by: 'name', order: alphabetical },
    ],
    containers: [1, 2, 3].map(index => ({
      name: `Basket ${index}`,
      code: `K${index}`,
      type: 'basket' as const,
      shelf: index,
      lanes: 1,
      lengthMm: 90,
    })),
  },
  {
    name: 'Small singles',
    kinds: ['Rubber, unmounted'],
    fixture: 'Binder shelf',
    fullAt: 1,
    keys: [{ by: 'number', order: 'ascending' }],
    containers: [
      {
        name: 'Binder A',
        code: 'A',
        type: 'binder',
        shelf: 1,
        lanes: 1,
        lengthMm: 60,
        cells: { rows: 4, columns: 3, pages: 2, isTwoSided: false, cellSize: { widthMm: 63.5, heightMm: 63.5 }, reuse: 'last' },
      },
      {
        name: 'Binder C',
        code: 'C',
        type: 'binder',
        shelf: 1,
        lanes: 1,
        lengthMm: 60,
        cells: { rows: 3, columns: 2, pages: 4, isTwoSided: false, cellSize: { widthMm: 95.2, heightMm: 86.4 }, reuse: 'last' },
      },
    ],
  },
  {
    name: 'Steel dies in daily use',
    kinds: ['Steel die'],
    fixture: 'Window board',
    fullAt: 1,
    keys: [{ by: 'number', order: 'ascending' }],
    containers: [{ name: 'Window board', code: 'W', type: 'board', shelf: 1, lanes: 1, lengthMm: 200 }],
  },
]

const BLOCK_FROM_MM = 20
/** Wood is heavy: its owner wants no more of it than so many. */
const WANTED = { zone: 'Wood blocks', most: 40 } as const

export interface FiledRoom {
  readonly fixtures: Fixture[]
  readonly zones: Zone[]
  readonly containers: Container[]
  readonly sections: Section[]
  readonly holders: Holder[]
}

/** The five fixtures of the letter room, and every set filed in them by its zone's rule, with a tab for each new section. */
export function fileRoom(holdings: readonly Holding[], kinds: readonly Kind[], authority: Authority, newId: () => string): FiledRoom {
  const room: FiledRoom = {
    fixtures: FIXTURES.map((fixture, rank) => ({ id: newId(), rank, ...PLAIN_FIXTURE, ...fixture })),
    zones: [],
    containers: [],
    sections: [],
    holders: [],
  }
  ZONES.forEach((plan, rank) => {
    const kindIds = kinds.filter(kind => plan.kinds.includes(kind.name)).map(kind => kind.id)
    const zone: Zone = {
      id: newId(),
      name: plan.name,
      rank,
      filingRule: { keys: [...plan.keys] },
      takesKindIds: kindIds,
      growthReserve: 0.1,
      capHoldings: plan.name === WANTED.zone ? WANTED.most : null,
      labelTemplate: null,
      habits: START_HABITS,
    }
    const fixtureId = room.fixtures.find(fixture => fixture.name === plan.fixture)?.id ?? ''
    const containers = plan.containers.map((each, at): Container => ({
      id: newId(),
      fixtureId,
      rank: at,
      inner: innerOf(each),
      zoneId: zone.id,
      emptyWeightG: null,
      isTable: false,
      ...each,
      cells: each.cells ?? null,
    }))
    room.zones.push(zone)
    room.containers.push(...containers)
    const inZone = holdings.filter(holding => holding.kindId !== null && kindIds.includes(holding.kindId))
    const keyed = inZone.map(holding => ({ holding, key: filingKeyOf(holding, zone.filingRule, authority) }))
    keyed.sort((a, b) => compareFilingKeys(a.key, b.key))
    fillContainers(
      keyed.map(each => each.holding),
      zone,
      containers,
      plan.fullAt,
      room,
      authority,
      newId,
    )
  })
  return room
}

function fillContainers(
  run: readonly Holding[],
  zone: Zone,
  containers: readonly Container[],
  fullAt: number,
  room: FiledRoom,
  authority: Authority,
  newId: () => string,
): void {
  const [kindOf] = [(id: string) => authority.kinds.get(id)]
  let [at, lane, usedMm, cell] = [0, 1, 0, 0]
  let tab = ''
  let entries: { order: string }[] = []
  const next = (container: Container): void => {
    usedMm = 0
    entries = []
    tab = ''
    if (lane < container.lanes) lane += 1
    else [at, lane, cell] = [at + 1, 1, 0]
  }
  const order = (): string => {
    const key = keysBehind(entries, entries.length - 1, 1)[0] ?? 'a0'
    entries.push({ order: key })
    return key
  }
  for (const holding of run) {
    let container = containers[at] as Container
    const kind = kindOf(holding.kindId ?? '')
    // Blocks stand bare in their drawers, and so do the dies on the board.
    const isBare = container.type === 'board' || (kind?.typicalThicknessMm ?? 0) >= BLOCK_FROM_MM
    const inRow = isBare ? 'none' : 'pocket'
    const type = container.cells ? 'celledPage' : inRow
    const thickness = thicknessIn(holding, { type }, kindOf, new Map()).mm
    const perContainer = container.cells ? container.cells.rows * container.cells.columns * container.cells.pages : Infinity
    const isFull = container.cells ? cell >= perContainer : usedMm + thickness > container.lengthMm * fullAt
    if (isFull && (at < containers.length - 1 || lane < container.lanes)) next(container)
    container = containers[at] as Container
    const own = tabOf(holding, zone.filingRule)
    if (own && own.id !== tab && !container.cells) {
      tab = own.id
      const titles = { brand: authority.brands, theme: authority.themes, category: authority.categories, kind: authority.kinds }
      room.sections.push({
        id: newId(),
        containerId: container.id,
        lane,
        order: order(),
        title: titles[own.by].get(own.id)?.name ?? '',
        colour: room.sections.length % 6,
        standsFor: own,
      })
    }
    const perPage = container.cells ? container.cells.rows * container.cells.columns : 1
    room.holders.push({
      id: newId(),
      holderTypeId: null,
      type,
      containerId: container.id,
      lane,
      order: order(),
      cell: container.cells ? { page: Math.floor(cell / perPage) + 1, cell: (cell % perPage) + 1, side: 'front' } : null,
      somewhere: null,
      apartBecause: null,
      holdingIds: [holding.id],
    })
    usedMm += thickness
    cell += 1
  }
}
