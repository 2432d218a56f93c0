import { type Container, type Fixture, LIMITS } from '#core/catalog'
import { plainLetters } from '#core/classing'
import { sideBySide } from '#core/drawing'
import { cellsPerPage } from '../address'
import type { ContainerRow } from '../arrange'
import { type FamilyChoice, shapeFor } from './choose'
import { cellSpots, inSpots, marksOf, type PlaceFamily, type PlaceSpot } from './families'
import { readPlace } from './read'
import { areSlots, pageAndCell } from './settle'

export interface NewFixture extends Pick<Fixture, 'name' | 'type' | 'shelves'> {
  readonly key: string
}
export interface NewContainer extends Omit<Container, 'id' | 'fixtureId' | 'rank' | 'isTable'> {
  readonly key: string
  /** Furniture of the room, or the key of new furniture. */
  readonly fixture: { readonly id: string } | { readonly key: string }
}

/** The places of one container, and the fewest pages it needs. */
export interface Group {
  readonly mark: string
  readonly spots: readonly PlaceSpot[]
  readonly pages: number
  /** A text of it names two sides: left and right. */
  readonly hasSides: boolean
}
const most = (figures: readonly number[]): number => figures.reduce((high, each) => Math.max(high, each), 1)

/** The places of a family by container. */
export function groupsOf(family: PlaceFamily, { as, reading }: FamilyChoice): readonly Group[] {
  const named = inSpots(family)
  if (as === 'pages')
    return [
      {
        mark: '',
        spots: family.spots,
        pages: most(cellSpots(family).map(spot => pageAndCell(spot.reading, reading).page)),
        hasSides: false,
      },
    ]
  // A rack ends at a round number of slots.
  if (as === 'slots')
    return [
      { mark: '', spots: named, pages: Math.ceil(most(named.map(spot => Number(spot.reading.mark) || 1)) / 10) * 10, hasSides: false },
    ]
  return marksOf(family).map(mark => {
    const spots = named.filter(spot => spot.reading.mark === mark)
    const sides = new Set(spots.map(spot => spot.reading.behind.side))
    return { mark, spots, pages: most(spots.map(spot => spot.reading.behind.page ?? 1)), hasSides: sides.has('left') || sides.has('right') }
  })
}

/** Containers of the room by name, in any spelling. */
export function recogniser(
  rows: readonly ContainerRow[],
): (family: PlaceFamily, choice: FamilyChoice, mark: string) => readonly ContainerRow[] {
  const standing = rows.filter(row => !row.container.isTable)
  // Names go before short forms: `BI1` may be short for Bin 1 even if a container is called Bi 1.
  const [byName, byCode] = [new Map<string, ContainerRow[]>(), new Map<string, ContainerRow[]>()]
  for (const row of standing) {
    for (const [called, text] of [[byName, row.container.name] as const, [byCode, row.container.code] as const]) {
      const reading = readPlace(text)
      const isAlone = reading?.as === 'in' && Object.values(reading.behind).every(each => each === null)
      for (const key of [plainLetters(text), ...(isAlone ? [`in/${reading.family} ${reading.mark}`] : [])])
        called.set(key, [...(called.get(key) ?? []).filter(other => other !== row), row])
    }
  }
  const find = (key: string): readonly ContainerRow[] => byName.get(key) ?? byCode.get(key) ?? []
  return (family, { as, grid }, mark) => {
    if (as === 'containers') return find(`${family.key} ${mark}`)
    if (as === 'slots') return find(plainLetters(family.word)).filter(row => areSlots(row.container.cells))
    return standing.filter(
      ({ container }) =>
        container.cells &&
        !areSlots(container.cells) &&
        cellsPerPage(container) === grid.rows * grid.columns &&
        container.type === 'binder',
    )
  }
}

/** Names for new containers if the list has no word for them. */
export interface PlaceNames {
  readonly pages: (cells: number) => Pick<Container, 'name' | 'code'>
}

const SHORT_WORD = 3
/** The letters before the figures of a code: they tell containers apart, figures do not. */
const leadingLetters = (code: string): string => /^\p{L}*/u.exec(plainLetters(code))?.[0] ?? ''

/** Short forms that cannot be read as an address of another family: no other one begins with the same letters. */
export class ShortForms {
  /** Who owns the letters: containers that are numbered consecutively share them. */
  private readonly owners = new Map<string, string>()
  private readonly codes = new Set<string>()
  constructor(rows: readonly ContainerRow[]) {
    for (const { container } of rows) {
      const reading = readPlace(container.name)
      this.note(container.code, reading?.as === 'in' ? `in/${reading.family}` : '')
    }
  }
  private note(code: string, owner: string): void {
    const letters = leadingLetters(code)
    this.owners.set(letters, (this.owners.get(letters) ?? owner) === owner ? owner : '')
    this.codes.add(plainLetters(code))
  }
  /** The fewest first letters of a word that are free before each mark; a short word is taken whole if no mark follows. */
  take(word: string, marks: readonly string[], owner: string): readonly string[] {
    const letters = word.toUpperCase().replace(/[^\p{L}]/gu, '') || 'C'
    const isFree = (short: string): boolean =>
      marks.every(mark => {
        const code = short + mark
        return (this.owners.get(leadingLetters(code)) ?? owner) === owner && !this.codes.has(plainLetters(code))
      })
    const least = marks.every(mark => mark === '') ? Math.min(SHORT_WORD, letters.length) : 1
    let short = letters.slice(0, least)
    for (let length = least; !isFree(short) && length < Math.min(5, letters.length); length += 1) short = letters.slice(0, length + 1)
    // If all letters of a word are taken, more are added: `BINX`.
    while (!isFree(short)) short += 'X'
    for (const mark of marks) this.note(short + mark, owner)
    return marks.map(mark => short + mark)
  }
}

/** Shelves for a number of containers of one shape: on existing furniture, or on the next free shelves of new furniture. */
export function shelvesFor(
  fixture: FamilyChoice['fixture'],
  shape: Pick<Container, 'type' | 'inner' | 'lengthMm'>,
  count: number,
  known: ReadonlyMap<string, Fixture>,
  planned: Map<string, NewFixture>,
): { readonly ref: NewContainer['fixture']; readonly shelfOf: (at: number) => number } {
  const there = 'id' in fixture ? known.get(fixture.id) : undefined
  if (there) return { ref: { id: there.id }, shelfOf: at => 1 + Math.floor((at * there.shelves) / Math.max(count, there.shelves)) }
  // The chosen furniture is gone: the command reports it.
  if ('id' in fixture) return { ref: fixture, shelfOf: () => 1 }
  const { name, type: furniture } = fixture
  const key = `${furniture} ${plainLetters(name)}`
  const before = planned.get(key)?.shelves ?? 0
  const onEach = sideBySide({ type: furniture, widthMm: null }, shape)
  const shelves = Math.min(LIMITS.shelves - before, Math.ceil(count / onEach))
  // Containers beyond the last shelf go on the last shelf.
  if (shelves > 0) planned.set(key, { key, name, type: furniture, shelves: before + shelves })
  return { ref: { key }, shelfOf: at => Math.min(LIMITS.shelves, before + 1 + Math.floor((at * Math.max(1, shelves)) / count)) }
}

/** A container to be made, of the chosen shape, with the pages that the list names, or the usual number of them. */
export function newContainer(
  { as, type, shapeId, grid, zoneId }: FamilyChoice,
  group: Group,
  names: Pick<Container, 'name' | 'code'>,
  hasPages: boolean,
): Omit<NewContainer, 'fixture' | 'shelf' | 'key'> {
  const shape = shapeFor(type, shapeId)
  const usual = { reuse: 'last', isTwoSided: true, cellSize: null } as const
  const ofShape = shape.cells && shape.cells.rows * shape.cells.columns === grid.rows * grid.columns ? shape.cells : null
  const cellsOf = () => {
    if (as === 'slots') return { ...usual, rows: 1, columns: 1, pages: group.pages, isTwoSided: false, reuse: 'first' as const }
    if (as !== 'pages' && !hasPages) return type === 'tray' ? shape.cells : null
    return { ...usual, ...grid, cellSize: ofShape?.cellSize ?? null, pages: group.pages > 1 ? group.pages : (shape.cells?.pages ?? 1) }
  }
  const cells = cellsOf()
  return {
    ...names,
    type,
    lanes: cells ? 1 : Math.max(group.hasSides ? 2 : 1, shape.lanes),
    lengthMm: shape.lengthMm,
    inner: shape.inner,
    cells,
    zoneId,
    emptyWeightG: shape.emptyWeightG,
  }
}
