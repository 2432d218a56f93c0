import type { Container, Holding } from '#core/catalog'
import { tokensOf } from '#core/classing'
import { codeText, readBareNumber, type Code } from '#core/numbering'
import { addressBook, type AddressPatterns, allIn, cellsPerPage, containersCalled, type ContainerRow, rowsNamed } from '#core/room'
import { type PlaceReading, readPlace } from '#core/room/places'
import { plainFigure } from '#core/grammar'

/** Something that is written on a shelf or a set, read before words are; with its sets in their order. */
export type ShelfAnswer =
  /** A whole container, or one page or cell of it. */
  | { readonly as: 'container'; readonly container: Container; readonly ids: readonly string[] }
  | { readonly as: 'page'; readonly container: Container; readonly page: number; readonly ids: readonly string[] }
  | { readonly as: 'place'; readonly container: Container; readonly ids: readonly string[] }
  /** The container exists, but this place of it is empty; `count`: sets in the container. */
  | { readonly as: 'emptyPlace'; readonly container: Container; readonly count: number }
  /** `isOtherLetter`: the set has this number, but another letter behind it. */
  | { readonly as: 'number'; readonly ids: readonly string[]; readonly isOtherLetter: boolean }
  | { readonly as: 'noNumber' | 'noPlace'; readonly text: string }

export interface ShelfFacts {
  readonly rows: ReadonlyMap<string, ContainerRow>
  readonly patterns: AddressPatterns
  readonly holdings: ReadonlyMap<string, Holding>
  readonly codeOf: (holding: Holding) => Code
}

/** Longer texts name no place. */
const LONGEST = 60
/** Letters, figures, a dash and figures: an address, even if there is no such container. */
const LIKE_AN_ADDRESS = /^\p{L}{1,3}\d{1,3}\p{L}?\s*[-–—]\s*\d{1,3}$/u
const SAYS_NUMBER = /^\s*(?:#|n[or]\.?\s|number\s|nummer\s|numero\s)/i

const setsOf = (standing: readonly { readonly holder: { readonly holdingIds: readonly string[] } }[]): readonly string[] => [
  ...new Set(standing.flatMap(({ holder }) => holder.holdingIds)),
]

/**
 * The places and numbers that an ask names, in every form in which they are written; empty: it is words alone. A well-formed place or
 * number that does not exist is an answer too. O(sets) for a number, O(containers) for a place.
 * @example readShelf('drawer 4', { rows: new Map(), patterns: {}, holdings: new Map(), codeOf: null })
 * //=> [{ as: 'noPlace', text: 'drawer 4' }]
 */
export function readShelf(text: string, facts: ShelfFacts): readonly ShelfAnswer[] {
  const asked = text.trim()
  if (asked === '' || asked.length > LONGEST) return []
  const rows = [...facts.rows.values()].filter(({ container }) => !container.isTable)
  const places = placesAt(asked, rows, facts.patterns)
  const numbers = numbersIn(asked, facts)
  // `D-1` may be a drawer; if a set carries exactly this code, it is the set.
  const isWritten = numbers.some(each => each.as === 'number' && each.ids.some(id => isCodeOf(id, asked, facts)))
  if (places.length > 0) return isWritten ? [...numbers, ...places] : [...places, ...numbers]
  if (numbers.length > 0 && numbers.every(({ as }) => as === 'number')) return numbers
  const reading = readPlace(asked)
  const found = reading ? inRows(asked, reading, rows) : []
  // A text in the form of an address (`B20L-1`) that matches nothing is not words either.
  const isNone = found.length + numbers.length === 0 && LIKE_AN_ADDRESS.test(asked)
  return isNone ? [{ as: 'noPlace', text: asked }] : [...found, ...numbers]
}

/** Containers by their address or name. */
function placesAt(asked: string, rows: readonly ContainerRow[], patterns: AddressPatterns): readonly ShelfAnswer[] {
  const standing = addressBook(
    rowsNamed(rows, asked, patterns).flatMap(row => row.placements),
    patterns,
  ).read(asked)
  if (standing.length > 0)
    return [...new Set(standing.map(({ container }) => container))].map(container => ({
      as: 'place',
      container,
      ids: setsOf(standing.filter(each => each.container === container)),
    }))
  const called = new Set(
    containersCalled(
      rows.map(({ container }) => container),
      asked,
    ),
  )
  return rows
    .filter(({ container }) => called.has(container))
    .map(row => ({ as: 'container', container: row.container, ids: setsOf(allIn(row)) }))
}

/** The rows and cells meant by words, where no address is written so. */
function inRows(asked: string, reading: PlaceReading, rows: readonly ContainerRow[]): readonly ShelfAnswer[] {
  if (reading.as === 'cell') {
    const { cells, page, cell, isBack } = reading
    const found = rows.filter(
      ({ container }) => cellsPerPage(container) === cells && page <= (container.cells?.pages ?? 0) && cell <= cells,
    )
    const side = isBack ? 'back' : 'front'
    return found.length === 0
      ? [{ as: 'noPlace', text: asked }]
      : found.map(row => atCell(row, each => each.page === page && each.cell === cell && each.side === side))
  }
  if (reading.as !== 'in') return []
  const { family, sort, mark, behind } = reading
  const found = rows.filter(({ container }) =>
    [container.name, container.code].some(name => {
      const own = readPlace(name)
      return own?.as === 'in' && own.family === family && own.mark === mark
    }),
  )
  const isPlace = sort !== null && mark !== '' && sort !== 'shelf'
  if (found.length === 0) return isPlace ? [{ as: 'noPlace', text: asked }] : []
  if (mark === '') return []
  const { page, cell, slot, side } = behind
  return found.map((row): ShelfAnswer => {
    const { container } = row
    if (page !== null && cell === null && container.cells) {
      const ids = setsOf(allIn(row).filter(each => (each.cell?.page ?? ('page' in each ? each.page : null)) === page))
      return page > container.cells.pages ? { as: 'noPlace', text: asked } : { as: 'page', container, page, ids }
    }
    if (page !== null && cell !== null) return atCell(row, each => each.page === page && each.cell === cell)
    if (slot === null) return { as: 'container', container, ids: setsOf(allIn(row)) }
    const lastLane = side === 'right' ? container.lanes : null
    const lane = side === 'left' ? 1 : lastLane
    const there = row.placements.find(each => each.position === slot && (lane === null || each.lane === lane))
    return there
      ? { as: 'place', container, ids: there.holder.holdingIds }
      : { as: 'emptyPlace', container, count: setsOf(allIn(row)).length }
  })
}

function atCell(row: ContainerRow, isMeant: (cell: { page: number; cell: number; side: 'front' | 'back' }) => boolean): ShelfAnswer {
  const { container } = row
  const ids = setsOf(row.placements.filter(({ cell }) => cell && isMeant(cell)))
  return ids.length > 0 ? { as: 'place', container, ids } : { as: 'emptyPlace', container, count: setsOf(allIn(row)).length }
}

function isCodeOf(id: string, asked: string, { holdings, codeOf }: ShelfFacts): boolean {
  const holding = holdings.get(id)
  return holding !== undefined && codeText(codeOf(holding)).toLowerCase() === asked.toLowerCase()
}
const squeezed = (text: string): string => plainFigure(tokensOf(text).join(''))

/** Sets with this number, or with this code. */
function numbersIn(asked: string, { holdings, codeOf }: ShelfFacts): readonly ShelfAnswer[] {
  const isSaid = SAYS_NUMBER.test(asked)
  const bare = asked.replace(SAYS_NUMBER, '')
  if (!/^\s*#?\s*\p{L}{0,8}[\s-]*\d{1,7}\s*\p{L}{0,4}\s*$/u.test(bare)) return []
  const [number, code] = [readBareNumber(bare), squeezed(bare)]
  const [, figure = '', letters = ''] = /^\s*(\d{1,7})\s*(\p{L}{1,4})\s*$/u.exec(bare) ?? []
  const [ids, likely]: [string[], string[]] = [[], []]
  let isSuffix = false
  for (const holding of holdings.values()) {
    if (holding.number === number) ids.push(holding.id)
    if (holding.number === number || !code.includes(String(holding.number))) continue
    const own = codeOf(holding)
    if (squeezed(codeText(own)) === code) ids.push(holding.id)
    else if (holding.number === Number(figure)) likely.push(holding.id)
  }
  // `25 W`, but 25 has another letter: the person may remember it wrong. Only letters that the room uses.
  if (ids.length === 0 && likely.length > 0)
    for (const holding of holdings.values()) isSuffix ||= codeOf(holding).suffix.toLowerCase() === letters.toLowerCase()
  if (isSuffix) ids.push(...likely)
  if (ids.length > 0) return [{ as: 'number', ids, isOtherLetter: isSuffix }]
  return isSaid ? [{ as: 'noNumber', text: bare.trim() }] : []
}
