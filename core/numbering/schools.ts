import type { Brand, Cell, Container, NumberSchool, Series } from '#core/catalog'
import { readBareNumber } from './code'
import { mayClash } from './reports'

/** Facts of a set when its number is given. `written` stands on the thing already. */
export interface NumberFacts {
  readonly brand: Pick<Brand, 'name' | 'abbreviation' | 'hasOwnNumbering'> | null
  readonly place: { readonly container: Pick<Container, 'id' | 'code' | 'cells'>; readonly cell: Cell | null } | null
  readonly written: string
}

/** What the number counts within (a brand, a container, a maker's letters), its prefix, and the number itself if it is fixed. */
interface Share {
  readonly key: string
  /** Letters that a maker prints in front of its own numbers: tried before the prefix. */
  readonly letters?: string
  readonly prefix: string
  readonly wanted: number | null
}

/** Where a number comes from: a series, perhaps a new one below the running one. */
export interface NumberSource {
  readonly series: Series
  readonly isNew: boolean
  /** The only number that will do; null: the next one. */
  readonly wanted: number | null
  /** `wanted` is the number that stands on the thing already. */
  readonly isWritten: boolean
  /** The number is fixed by the school: it belongs to no run and is never far from one. */
  readonly isFixed: boolean
}

const LABEL_LETTERS = 8
/** Cells are written with two figures: 203 is page 2, cell 03. */
const CELLS_A_PAGE = 100

/** The label form of a brand, or its capital letters. */
function labelOf({ name, abbreviation }: Pick<Brand, 'name' | 'abbreviation'>): string {
  const letters = name
    .split(/[^\p{L}\p{N}]+/u)
    .filter(word => word !== '' && word.toLowerCase() !== 'and')
    .map(word => [...word][0]?.toUpperCase())
    .join('')
  return (abbreviation ?? letters).slice(0, LABEL_LETTERS)
}

/** By name, not by record: a brand that was undone and typed again continues its numbers. */
const keyOf = ({ name }: Pick<Brand, 'name'>): string => name.toLowerCase().slice(0, 60)

/** The schools of numbering. null: the fact that the school needs is not known, and the running series numbers the set. */
const SCHOOLS: Readonly<Record<NumberSchool, (facts: NumberFacts) => Share | null>> = {
  all: () => null,
  brand: ({ brand }) => brand && { key: `brand:${keyOf(brand)}`, prefix: `${labelOf(brand)}-`, wanted: null },
  container: ({ place }) => place && { key: `container:${place.container.id}`, prefix: `${place.container.code}-`, wanted: null },
  // Common practice: 12-203 is the 12-cell page 2, cell 03; the back of a cell counts on from the last cell of the front.
  cell: ({ place }) => {
    if (!place?.cell || !place.container.cells) return null
    const cells = place.container.cells.rows * place.container.cells.columns
    const number = place.cell.cell + (place.cell.side === 'back' ? cells : 0)
    return number < CELLS_A_PAGE
      ? { key: `cell:${place.container.id}`, prefix: `${cells}-`, wanted: place.cell.page * CELLS_A_PAGE + number }
      : null
  },
  maker: byMaker,
}

/** B1079 is number 1079 of the maker's B. Leading zeros belong to the letters, or they would be lost. */
function byMaker({ brand, written }: NumberFacts): Share | null {
  const match = /^(.{0,8}?)([1-9]\d{0,6})$/.exec(written.trim())
  if (!brand || !match) return null
  const letters = (match[1] ?? '').toUpperCase()
  return {
    key: `maker:${keyOf(brand)}:${letters}`,
    letters,
    prefix: `${labelOf(brand)} ${letters}`.trimEnd() + (letters ? '' : '-'),
    wanted: Number(match[2]),
  }
}

/**
 * A maker that numbers its own sets is followed where one running number counts the rest. A bare figure may be the owner's own number, and
 * stays one.
 */
function shareOf(running: Series, facts: NumberFacts): Share | null {
  const own = running.countsBy === 'all' && facts.brand?.hasOwnNumbering ? byMaker(facts) : null
  return own && /\p{L}/u.test(own.letters ?? '') ? own : SCHOOLS[running.countsBy](facts)
}

/** The prefix, or the next one like it under which no two series can print the same code. */
export function freePrefix(prefix: string, others: readonly Pick<Series, 'prefix'>[]): string {
  const [, stem = '', tail = ''] = /^(.*?)([^\p{L}\p{N}]*)$/u.exec(prefix) ?? []
  for (let more = 1; ; more += 1) {
    // B, C, ... Z, BB: letters, as figures would run into the number.
    const tried = more === 1 ? prefix : `${stem}${lettersOf(more)}${tail === '' ? '-' : tail}`
    if (!others.some(other => mayClash(other, { prefix: tried }))) return tried
  }
}

function lettersOf(count: number): string {
  const letter = String.fromCharCode('A'.charCodeAt(0) + ((count - 1) % 26))
  return count <= 26 ? letter : lettersOf(Math.floor((count - 1) / 26)) + letter
}

/**
 * The series that numbers a set: the running one, or the one below it for the set's brand, container, page size or maker's letters, made
 * if it is missing. No two series can print the same code. O(series).
 * @example numberSource(byBrand, [byBrand], { brand: { name: 'Quoin & Bodkin', abbreviation: null }, place: null, written: '' }, newId)
 *   .series.prefix //=> 'QB-'
 */
export function numberSource(running: Series, all: readonly Series[], facts: NumberFacts, newId: () => string): NumberSource {
  const share = shareOf(running, facts)
  const from = (series: Series, isNew: boolean): NumberSource => {
    const written = readWritten(facts.written, series)
    const isFixed = Boolean(share?.wanted)
    return {
      series,
      isNew,
      wanted: share?.wanted ?? written,
      isWritten: isFixed ? share?.letters !== undefined : written !== null,
      isFixed,
    }
  }
  if (!share) return from(running, false)
  const known = all.find(each => each.partOf?.seriesId === running.id && each.partOf.key === share.key)
  if (known) return from(known, false)
  // A maker's code is kept as printed if it cannot clash with another series.
  const isAsPrinted = Boolean(share.letters) && !all.some(other => mayClash(other, { prefix: share.letters ?? '' }))
  const prefix = isAsPrinted ? (share.letters ?? '') : freePrefix(running.prefix + share.prefix, all)
  return from(
    {
      ...running,
      ...(isAsPrinted ? { padding: 0, suffixBy: 'none' as const } : {}),
      id: newId(),
      name: `${running.name} ${prefix}`.slice(0, 300),
      prefix,
      isRunning: false,
      countsBy: 'all',
      partOf: { seriesId: running.id, key: share.key },
    },
    true,
  )
}

/** The number in a written text: of a code of this series, or a bare number if the series counts everything. */
function readWritten(written: string, series: Pick<Series, 'prefix' | 'partOf'>): number | null {
  const text = written.trim()
  const isOwn = series.prefix !== '' && text.toLowerCase().startsWith(series.prefix.trim().toLowerCase())
  if (isOwn) return readBareNumber(text.slice(series.prefix.trim().length))
  return series.partOf ? null : readBareNumber(text)
}
