import type { Container, ContainerType } from '#core/catalog'
import { isLookedAt, type Placement, type Standing } from './arrange'

/** The facts of a place that an address is written from. `position: null`: unknown. */
export type AddressedPlace = Pick<Placement, 'container' | 'lane' | 'cell'> & {
  readonly position: number | null
  readonly page?: number | null
}
/** The owner's patterns by type of container; without one, the usual pattern is used. */
export type AddressPatterns = Readonly<Partial<Record<ContainerType, string>>>

// Common practice: B4-11 is bin 4, holder 11; 12-203 is the 12-cell page 2, cell 03.
const USUAL_ROW = '{code}{lane}-{position}'
const USUAL_CELL = '{code} {cells}-{page}{cell:2}{side}'
const ROW_PATTERNS = [USUAL_ROW, '{code}{lane}-{position:2}', '{code}{lane} {position}', '{name}{lane}, {position}'] as const
const CELL_PATTERNS = [USUAL_CELL, '{code}{page}-{cell:2}{side}', '{code} {page}.{cell}{side}', '{name}, {page}-{cell:2}{side}'] as const
/** Pages of one cell are numbered slots, as in a rack of cases: the page alone names the place. */
const SLOT_PATTERNS = ['{code} {page}{side}', '{code}-{page}{side}', '{name} {page}{side}'] as const
const LANE_MARKS = ['L', 'R', 'T', 'Q'] as const

/** Written in place of an unknown position. */
const NOT_LOOKED = '?'
/** One reading a token. */
const TOKENS = {
  code: ({ container }: AddressedPlace) => container.code,
  name: ({ container }: AddressedPlace) => container.name,
  shelf: ({ container }: AddressedPlace) => String(container.shelf),
  lane: ({ container, lane, position }: AddressedPlace) =>
    container.lanes > 1 && position !== null ? (LANE_MARKS[lane - 1] ?? String(lane)) : '',
  position: ({ position }: AddressedPlace) => String(position ?? NOT_LOOKED),
  cells: ({ container }: AddressedPlace) => String(cellsPerPage(container)),
  page: ({ cell, page, position }: AddressedPlace) => String(cell?.page ?? page ?? (position === null ? NOT_LOOKED : '')),
  cell: ({ cell, position }: AddressedPlace) => String(cell?.cell ?? (position === null ? NOT_LOOKED : '')),
  side: ({ cell }: AddressedPlace) => (cell?.side === 'back' ? 'b' : ''),
} as const
export const ADDRESS_TOKENS = Object.keys(TOKENS) as readonly (keyof typeof TOKENS)[]
const TOKEN = /\{([a-zA-Z]+)(?::(\d))?\}/g

const isToken = (name: string): name is keyof typeof TOKENS => Object.hasOwn(TOKENS, name)
const isOfCells = (pattern: string): boolean => /\{(cell|page)(:\d)?\}/.test(pattern)
const areSlots = ({ cells }: Pick<Container, 'cells'>): boolean => cells?.rows === 1 && cells.columns === 1

/** The pattern for a container: the owner's if it can be used, else the usual one. */
export function patternFor(container: Pick<Container, 'type' | 'cells'>, patterns: AddressPatterns): string {
  const own = patterns[container.type]
  const isOwnOf = own ? isOfCells(own) === (container.cells !== null) : false
  // A pattern without a cell names a whole page: only a page of one cell is then one place.
  if (own && isOwnOf && (!container.cells || areSlots(container) || /\{cell(:\d)?\}/.test(own))) return own
  return readyPatterns(container)[0] ?? USUAL_ROW
}

/** Patterns to choose from for such a container; the usual one first. */
export const readyPatterns = (container: Pick<Container, 'cells'>): readonly string[] => {
  if (!container.cells) return ROW_PATTERNS
  return areSlots(container) ? SLOT_PATTERNS : CELL_PATTERNS
}

const padded = (text: string, width: number): string => (text === NOT_LOOKED ? text : text.padStart(width, '0'))

export function writeByPattern(pattern: string, place: AddressedPlace): string {
  return pattern
    .replace(TOKEN, (whole, name: string, width: string | undefined) =>
      isToken(name) ? padded(TOKENS[name](place), Number(width ?? 0)) : whole,
    )
    .trim()
}

/**
 * The short address on labels and in the index, by the owner's pattern or the usual one.
 * @example shortAddress(placement) //=> 'B4-11'
 * @example shortAddress(placement, { bin: 'CD {position}' }) //=> 'CD 11'
 * @example shortAddress(somewhere) //=> 'B4-?'
 */
export function shortAddress(place: AddressedPlace, patterns: AddressPatterns = {}): string {
  return writeByPattern(patternFor(place.container, patterns), place)
}

export type PatternFault =
  | { readonly code: 'unknownToken'; readonly token: string }
  | { readonly code: 'noToken' }
  | { readonly code: 'sameForTwo'; readonly address: string; readonly places: readonly [AddressedPlace, AddressedPlace] }

/** The fault of a pattern; null: it has none. `places`: all places of the room that it would name. */
export function patternFault(
  type: ContainerType,
  pattern: string,
  places: Iterable<AddressedPlace>,
  patterns: AddressPatterns,
): PatternFault | null {
  const tokens = [...pattern.matchAll(TOKEN)].map(match => match[1] ?? '')
  const unknown = tokens.find(token => !isToken(token)) ?? /[{}]/.exec(pattern.replace(TOKEN, ''))?.[0]
  if (unknown !== undefined) return { code: 'unknownToken', token: unknown }
  if (tokens.length === 0) return { code: 'noToken' }
  const clash = firstClash(places, { ...patterns, [type]: pattern })
  return clash && { code: 'sameForTwo', ...clash }
}

/**
 * Two places with the same address; null: there are none. A pattern without position or cell names the whole container, which is one
 * place.
 */
export function firstClash(
  places: Iterable<AddressedPlace>,
  patterns: AddressPatterns,
): { readonly address: string; readonly places: readonly [AddressedPlace, AddressedPlace] } | null {
  const seen = new Map<string, { readonly spot: string; readonly place: AddressedPlace }>()
  for (const place of places) {
    // All sets with an unknown spot in one container share one address.
    if (place.position === null) continue
    const pattern = patternFor(place.container, patterns)
    const address = writeByPattern(pattern, place)
    const isWhole = !/\{(position|cell|page)(:\d)?\}/.test(pattern)
    const spot = isWhole
      ? place.container.id
      : [place.container.id, place.lane, place.position, place.cell?.page, place.cell?.cell, place.cell?.side].join('/')
    const key = parts(address).join('|')
    const other = seen.get(key)
    if (other && other.spot !== spot) return { address, places: [other.place, place] }
    if (!other) seen.set(key, { spot, place })
  }
  return null
}

/** Letters and numbers one by one, in lower case and without leading zeros: `B04 - 11` equals `b4-11`, `B4-11` differs from `B41-1`. */
function parts(text: string): readonly string[] {
  return (text.toLowerCase().match(/\p{L}+|\d+/gu) ?? []).map(part => (/^\d/.test(part) ? part.replace(/^0+(?=\d)/, '') : part))
}

/** The facts of a container that an address may use. */
export type AddressedContainer = Pick<Container, 'id' | 'name' | 'code' | 'shelf' | 'lanes' | 'type' | 'cells'>

const COUNTED = /\{(position|page|cell)(:\d)?\}/g
/** The address forms of a container: one for each lane or side, with position, page and cell left open. */
function shapesOf(
  container: AddressedContainer,
  patterns: AddressPatterns,
): readonly { readonly shape: string; readonly example: string }[] {
  const pattern = patternFor(container, patterns)
  const spots: readonly Omit<AddressedPlace, 'container'>[] = container.cells
    ? (['front', 'back'] as const).map(side => ({ position: 1, lane: 1, cell: { page: 1, cell: 1, side } }))
    : Array.from({ length: container.lanes }, (_, at) => ({ position: 1, lane: at + 1, cell: null }))
  return spots.map(spot => {
    const place = { ...spot, container: container as Container }
    // The open part stands for any number, so it must not join with figures beside it.
    const open = writeByPattern(pattern.replace(COUNTED, '\u0001'), place)
      .split('\u0001')
      .map(text => parts(text).join('|'))
    return {
      shape: open.filter((text, at) => text !== '' || at === 0 || at === open.length - 1).join('|#|'),
      example: writeByPattern(pattern, place),
    }
  })
}

/**
 * A container of `others` that could have the same address as this one; null: there is none. Contents do not matter: `B4` with two lanes
 * has B4L-1, and so has a container `B4L`. Equal short forms always clash. O(others).
 * @example containerClash(wideBin('B4'), [bin('B4L')], {})?.address //=> 'B4L-1'
 */
export function containerClash<C extends AddressedContainer>(
  container: AddressedContainer,
  others: readonly C[],
  patterns: AddressPatterns,
): { readonly other: C; readonly address: string } | null {
  const own = new Map(shapesOf(container, patterns).map(({ shape, example }) => [shape, example]))
  for (const other of others) {
    if (other.id === container.id) continue
    const met = shapesOf(other, patterns).find(({ shape }) => own.has(shape))
    if (met) return { other, address: own.get(met.shape) ?? '' }
    if (parts(other.code).join('|') === parts(container.code).join('|')) return { other, address: container.code }
  }
  return null
}

const SIDE_WORDS = ['b', 'back'] as const
/** Every form in which the address of a place is written or said, the owner's own first. */
function writtenForms(place: AddressedPlace, patterns: AddressPatterns): readonly string[] {
  const { container, cell, lane, position } = place
  const own = shortAddress(place, patterns)
  if (!cell) {
    const last = lane === container.lanes ? 'right' : `lane ${lane}`
    const lanes = container.lanes > 1 ? [LANE_MARKS[lane - 1] ?? '', lane === 1 ? 'left' : last] : ['']
    return [
      own,
      shortAddress(place),
      ...lanes.flatMap(mark => [`${container.name} ${mark} ${position}`, `${container.code} ${mark} ${position}`]),
    ]
  }
  const side = cell.side === 'back' ? SIDE_WORDS : ['', 'front', 'f']
  const slots = areSlots(container)
    ? side.flatMap(word => [container.code, container.name].map(name => `${name} ${cell.page} ${word}`))
    : []
  return [
    own,
    shortAddress(place),
    ...slots,
    ...side.flatMap(word =>
      [container.code, container.name].flatMap(name => [
        `${name} page ${cell.page} cell ${cell.cell} ${word}`,
        `${name} ${cell.page} ${cell.cell} ${word}`,
        `${name} ${cellText(container, cell.page, cell.cell)} ${word}`,
      ]),
    ),
  ]
}

export interface AddressBook {
  /** The places that a written address may mean; forms by the owner's pattern come first. */
  readonly read: (text: string) => readonly Placement[]
}

/** Reads addresses in every form in which they are written. O(n) to build, O(length) to ask. */
export function addressBook(standing: Iterable<Standing>, patterns: AddressPatterns = {}): AddressBook {
  const own = new Map<string, Placement[]>()
  const other = new Map<string, Placement[]>()
  const note = (into: Map<string, Placement[]>, text: string, placement: Placement): void => {
    const key = parts(text).join('|')
    const there = into.get(key)
    if (!there) into.set(key, [placement])
    else if (!there.includes(placement)) there.push(placement)
  }
  for (const placement of standing) {
    if (!isLookedAt(placement)) continue
    const [first = '', ...more] = writtenForms(placement, patterns)
    note(own, first, placement)
    for (const form of more) note(other, form, placement)
  }
  return {
    // An address with an unknown position names no place.
    read: text => (text.includes(NOT_LOOKED) ? [] : (own.get(parts(text).join('|')) ?? other.get(parts(text).join('|')) ?? [])),
  }
}

/** @example cellText(binderOfTwelve, 2, 3) //=> '12-203' */
export function cellText(container: Pick<Container, 'cells'>, page: number, cell: number): string {
  return `${cellsPerPage(container)}-${page}${String(cell).padStart(2, '0')}`
}

export function cellsPerPage(container: Pick<Container, 'cells'>): number {
  return container.cells ? container.cells.rows * container.cells.columns : 0
}

/**
 * Containers with this short form or name, in any spelling. An address with an unknown position names its container. O(n).
 * @example containersCalled([{ name: 'Bin 4', code: 'B4' }, { name: 'Bin 14', code: 'B14' }], 'b 4 - ?').length //=> 1
 */
export function containersCalled<C extends Pick<Container, 'name' | 'code'>>(containers: Iterable<C>, text: string): readonly C[] {
  const asked = parts(text).join('|')
  const all = asked === '' ? [] : [...containers]
  const byCode = all.filter(({ code }) => parts(code).join('|') === asked)
  return byCode.length > 0 ? byCode : all.filter(({ name }) => parts(name).join('|') === asked)
}

/**
 * The rows in which a written address may lie: those whose name or short form is in it, and those whose pattern has neither.
 * O(containers); the places of these rows are few enough to be compared one by one.
 * @example rowsNamed([{ container: bin('B2') }, { container: bin('B20') }], 'b20-1', {}).length //=> 1
 */
export function rowsNamed<R extends { readonly container: Container }>(
  rows: Iterable<R>,
  text: string,
  patterns: AddressPatterns,
): readonly R[] {
  const asked = parts(text)
  const names = (name: string): boolean => {
    const own = parts(name)
    return own.length > 0 && asked.some((_, from) => own.every((part, at) => asked[from + at] === part))
  }
  return [...rows].filter(
    ({ container }) => names(container.code) || names(container.name) || !/\{(code|name)\}/.test(patternFor(container, patterns)),
  )
}
