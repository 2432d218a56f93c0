import { type DateOrder, type Detail, type Holding, LIMITS, type OpenQuestion, isBlank } from '#core/catalog'
import { isErrorValue, isNotSaid } from '#core/classing'
import { readBareNumber } from '#core/numbering'
import { type LengthUnit, readSize } from '#core/units'
import { readDetails } from '../details'
import { cutText, nameOf, readUse, readWords, readYesNo } from './cells'
import { cellsOf, type FileFacts, TICK } from './facts'
import type { ListField } from './fields'
import { type KindReading, saysMore } from './kinds'
import { themesOf, type ThemeSigns } from './parts'
import type { ListTable } from './table'

/** What the person decided. `null` leaves the texts as they are, with a question on each set. */
export interface ImportChoices {
  readonly columns: readonly ListField[]
  readonly sizeUnit: LengthUnit | null
  readonly dateOrder: DateOrder | null
  readonly shortYears: boolean
  /** What a bare x means, in each column that could say yes or no. */
  readonly ticks: { readonly used: boolean | null; readonly matchingDie: boolean | null }
  /** Whether a stroke, a plus or an `&` divides themes: as the column tells, never, or always. */
  readonly themeSigns: ThemeSigns
  /** Numbers from here on are kept as older numbers, each with a question; null: all are the numbers of their sets. */
  readonly farFrom: number | null
  readonly kinds: Readonly<Record<string, KindReading>>
  /** Spellings that stay brands of their own. */
  readonly refusedSpellings: readonly string[]
  /** Names of groups that are the same brand as the one they may be. */
  readonly joinedBrands: readonly string[]
  /** What a group of spellings is called, where it is not its best-written one. */
  readonly brandNames: Readonly<Record<string, string>>
}

/** A row as it would be taken in; names are not yet records. */
export type DraftHolding = Pick<Holding, 'name' | 'size' | 'words' | 'searchWords' | 'hasMatchingDie' | 'placeText' | Detail> & {
  /** What the list says of its use; null: nothing. */
  readonly isUsed: boolean | null
  readonly useCount: number | null
  readonly brandText: string
  readonly kind: KindReading | null
  readonly categoryText: string
  readonly themeNames: readonly string[]
  readonly numberWritten: number | null
  readonly numberText: string
  /** The code of a list that was written here before, where it says more than the number; empty otherwise. */
  readonly codeText: string
}

export type PlannedRow =
  | { readonly row: number; readonly outcome: 'taken'; readonly draft: DraftHolding; readonly questions: readonly OpenQuestion[] }
  | { readonly row: number; readonly outcome: 'refused'; readonly because: 'blankRow' | 'rowTooLong' }

const MAX_PLACE = 500
/** What goes beyond the notes of a set is kept in questions of the same length; more than this is no row of a list. */
const MAX_ROW = 20 * LIMITS.text

/**
 * The answers that the facts of the file recommend: what the screen starts with. Where no date of the list tells, its owner's
 * own order of dates is proposed.
 */
export function recommendedChoices(columns: readonly ListField[], facts: FileFacts, ownOrder: DateOrder | null = null): ImportChoices {
  const isSilent = facts.dates.monthFirst === 0 && facts.dates.dayFirst === 0
  return {
    columns,
    sizeUnit: facts.sizes.recommended,
    dateOrder: facts.dates.recommended ?? (isSilent ? ownOrder : null),
    shortYears: true,
    ticks: { used: facts.ticks.used.recommended, matchingDie: facts.ticks.matchingDie.recommended },
    themeSigns: 'tell',
    farFrom: facts.farNumbers.from,
    kinds: Object.fromEntries(facts.kinds.map(each => [each.text, each.recommended])),
    refusedSpellings: [],
    joinedBrands: [],
    brandNames: {},
  }
}

/**
 * Reads every row under these choices. Nothing of a row is lost: a cell that cannot be read stays as a question with its text, and a
 * column without a field goes to the notes under its heading. `row` counts data rows from 1. `tell` is called before each row. O(rows *
 * columns).
 */
export function planRows(
  table: ListTable,
  choices: ImportChoices,
  thisYear: number,
  currency: string,
  tell: (done: number) => void = () => undefined,
): readonly PlannedRow[] {
  const read = rowReader(table, choices, thisYear, currency)
  return table.rows.map((cells, at) => {
    tell(at)
    return read(cells, at + 1)
  })
}

function rowReader(
  table: ListTable,
  choices: ImportChoices,
  thisYear: number,
  currency: string,
): (cells: readonly string[], row: number) => PlannedRow {
  const readThemes = themesOf(cellsOf(table, choices.columns, 'themes'), choices.themeSigns)
  return (cells, row) => {
    if (cells.every(isBlank)) return { row, outcome: 'refused', because: 'blankRow' }
    if (cells.reduce((sum, cell) => sum + cell.length, 0) > MAX_ROW) return { row, outcome: 'refused', because: 'rowTooLong' }
    const questions: OpenQuestion[] = []
    const ask = (code: OpenQuestion['code'], text: string): null => {
      const part = cutText(text, LIMITS.text)
      questions.push({ code, text: part })
      return part.length < text.length ? ask('tooLong', text.slice(part.length)) : null
    }
    const cell = (field: ListField): string => {
      const column = choices.columns.indexOf(field)
      return column < 0 ? '' : (cells[column] ?? '')
    }
    /** What says that there is nothing to say is as good as empty. What a broken formula shows does not: a value was meant. */
    const said = (field: ListField): string => (isEmpty(cell(field)) ? '' : cell(field))
    const extra: string[] = []
    /** A text that is taken as it is. What a broken formula shows is none; the notes keep it. */
    const taken = (field: ListField, text = cell(field)): string => {
      if (!isErrorValue(text)) return text
      extra.push(headed(table, choices, field, text.trim()))
      return ''
    }
    /** The name of a brand or category; a broken formula shows none, and it is asked for. */
    const nameIn = (field: 'brand' | 'category'): string => {
      const text = said(field)
      if (!isErrorValue(text)) return shortened(text, extra)
      ask(`${field}Unread`, text.trim())
      return ''
    }
    // The notes are put together at the end: they take all that has no field.
    const detailText = (name: Detail): string => (name === 'notes' ? '' : said(name).trim())
    const use = useFrom(cell('used'), choices, ask)
    const categoryText = nameIn('category')
    const numberText = taken('number', said('number')).trim()
    const draft: DraftHolding = {
      // Not spread: an object that begins with a spread is made a property at a time, which takes a third of all the reading.
      isUsed: use.isUsed,
      useCount: use.useCount,
      name: nameFrom(cell('name'), row, extra, ask),
      brandText: nameIn('brand'),
      kind: kindFrom(said('kind'), categoryText !== '', choices, extra, table, ask),
      categoryText,
      themeNames: fitting(readThemes(taken('themes')), LIMITS.themes, extra, table, choices, 'themes'),
      size: sizeFrom(said('size'), choices, ask),
      words: fitting(readWords(taken('words')), LIMITS.words, extra, table, choices, 'words'),
      searchWords: fitting(readWords(taken('searchWords')), LIMITS.words, extra, table, choices, 'searchWords'),
      hasMatchingDie: dieFrom(cell('matchingDie'), choices, ask),
      placeText: cutText(taken('place').trim(), MAX_PLACE),
      numberWritten: numberFrom(numberText, choices, ask),
      numberText,
      codeText: codeFrom(taken('code').trim(), cell('number').trim(), extra),
      ...readDetails(detailText, { order: choices.dateOrder, shortYears: choices.shortYears, thisYear, currency }, (name, code) => {
        if (code) ask(code, cell(name).trim())
        else extra.push(headed(table, choices, name, cell(name).trim()))
      }),
    }
    if (cell('place').trim().length > MAX_PLACE) extra.push(cell('place'))
    const notes = [...noteCells(table, cells, choices), ...extra].join('\n')
    const kept = cutText(notes, LIMITS.text)
    if (kept.length < notes.length) ask('tooLong', notes.slice(kept.length))
    return { row, outcome: 'taken', draft: { ...draft, notes: kept }, questions }
  }
}

/** Whether a cell says that there is nothing to say. What a broken formula shows says no such thing. */
const isEmpty = (text: string): boolean => isNotSaid(text) && !isErrorValue(text)

type Ask = (code: OpenQuestion['code'], text: string) => null

function noteCells(table: ListTable, cells: readonly string[], choices: ImportChoices): readonly string[] {
  const firstNotes = choices.columns.indexOf('notes')
  return cells.flatMap((text, column) => {
    const field = choices.columns[column] ?? 'notes'
    // A field takes its first column; a second one that was called the same goes to the notes.
    const isField = field !== 'notes' && choices.columns.indexOf(field) === column
    if (isField || text.trim() === '') return []
    const heading = table.headings[column] || `Column ${column + 1}`
    return [column === firstNotes ? text : `${heading}: ${text}`]
  })
}

function nameFrom(text: string, row: number, extra: string[], ask: Ask): string {
  const name = isBlank(text) || isErrorValue(text) ? '' : shortened(text, extra)
  if (name === '') ask('nameMissing', '')
  return name === '' ? `No name (row ${row})` : name
}

/** At most a name's length; a longer text goes to the notes whole. */
function shortened(text: string, extra: string[]): string {
  if (text.trim().length > LIMITS.name) extra.push(text.trim())
  return nameOf(text)
}

function kindFrom(
  text: string,
  hasCategory: boolean,
  choices: ImportChoices,
  extra: string[],
  table: ListTable,
  ask: Ask,
): KindReading | null {
  const plain = text.trim()
  if (plain === '') return null
  const chosen = Object.hasOwn(choices.kinds, plain) ? choices.kinds[plain] : undefined
  const reading: KindReading = chosen ?? { as: 'keep' }
  if (reading.as === 'keep' || (reading.as === 'category' && hasCategory)) return ask('kindUnread', plain)
  if (saysMore(plain, reading)) extra.push(headed(table, choices, 'kind', plain))
  return reading
}

function sizeFrom(text: string, choices: ImportChoices, ask: Ask): Holding['size'] {
  const reading = readSize(text, choices.sizeUnit)
  if (reading.ok) return { ...reading.size }
  if (reading.code === 'empty') return null
  return ask(reading.code === 'unitMissing' ? 'sizeUnitUnknown' : 'sizeUnread', text.trim())
}

function useFrom(text: string, { ticks }: ImportChoices, ask: Ask): Pick<DraftHolding, 'isUsed' | 'useCount'> {
  if (TICK.test(text.trim()) && ticks.used !== null) return { isUsed: ticks.used, useCount: ticks.used ? null : 0 }
  const use = text.trim() === '' ? null : (readUse(text) ?? (isEmpty(text) ? null : ask('usedUnread', text.trim())))
  return { isUsed: use?.isUsed ?? null, useCount: use?.useCount ?? null }
}

function dieFrom(text: string, { ticks }: ImportChoices, ask: Ask): boolean | null {
  if (text.trim() === '') return null
  const answer = TICK.test(text.trim()) ? ticks.matchingDie : readYesNo(text)
  return answer ?? (isEmpty(text) ? null : ask('dieUnread', text.trim()))
}

function numberFrom(text: string, { farFrom }: ImportChoices, ask: Ask): number | null {
  if (text.trim() === '') return null
  const number = readBareNumber(text)
  if (number === null) return ask('numberUnread', text.trim())
  return farFrom !== null && number >= farFrom ? ask('numberFar', text.trim()) : number
}

/** `376 W` says no more than the number 376 of its kind: both are written anew. Any other code is kept. */
function codeFrom(text: string, number: string, extra: string[]): string {
  if (text.length > LIMITS.name) {
    extra.push(text)
    return ''
  }
  return text.replace(/ \p{L}{1,4}$/u, '') === number ? '' : text
}

function fitting(
  texts: readonly string[],
  most: number,
  extra: string[],
  table: ListTable,
  choices: ImportChoices,
  field: ListField,
): string[] {
  const tooMuch = [...texts.slice(most), ...texts.filter(text => text.length > LIMITS.name)]
  if (tooMuch.length > 0) extra.push(headed(table, choices, field, tooMuch.join(', ')))
  return texts.slice(0, most).map(nameOf)
}

/** A text under the heading of the column that it stood in. */
function headed(table: ListTable, choices: ImportChoices, field: ListField, text: string): string {
  return `${table.headings[choices.columns.indexOf(field)] || field}: ${text}`
}
