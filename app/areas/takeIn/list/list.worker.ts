import { expose } from 'comlink'
import type { DateOrder } from '#core/catalog'
import {
  chosenBrands,
  type ColumnGuess,
  type FileFacts,
  gatherFacts,
  guessColumns,
  type ImportChoices,
  type ImportReport,
  type KnownNames,
  type ListField,
  type ListSource,
  type ListTable,
  type PlannedRow,
  planRows,
  readListFile,
  recommendedChoices,
  reportOn,
  type TableReading,
} from '#core/exchange'
import { database } from '~/db'
import * as commands from '~/db/commands'
import { plainly } from '~/kit/plainly'
import type { Progress } from '~/data/worker'

type Tell = (progress: Progress) => void

/** The file of a list; `sheet` is that of a workbook that is read, null where it is the first that holds a list. */
interface ListFile {
  readonly fileName: string
  readonly bytes: ArrayBuffer
  readonly sheet: string | null
}
/** What is kept of it beside its bytes, and apart from them: choices are kept with each answer, the bytes once. */
type KeptList = Pick<ListFile, 'fileName' | 'sheet'>

/** A list that has been opened: its table, and the reading of it under the present choices. */
interface OpenList {
  readonly file: ListFile
  readonly table: ListTable
  readonly known: KnownNames
  readonly currency: string
  readonly dateOrder: DateOrder | null
  facts: FileFacts
  choices: ImportChoices
  rows: readonly PlannedRow[]
}

export interface ListView {
  readonly headings: readonly string[]
  readonly source: ListSource
  readonly above: readonly string[]
  readonly guesses: readonly ColumnGuess[]
  readonly facts: FileFacts
  readonly choices: ImportChoices
  readonly report: ImportReport
  /** The first rows as they stand and as they are read. */
  readonly preview: readonly { readonly cells: readonly string[]; readonly planned: PlannedRow }[]
}
/** `isKept`: a reload finds it open. */
export type ListOpening = { readonly ok: true; readonly view: ListView; readonly isKept: boolean } | Extract<TableReading, { ok: false }>

const PREVIEW_ROWS = 8
const ROWS_A_STEP = 500
const BRANDS_A_STEP = 50

let list: OpenList | null = null

async function knownNames(): Promise<KnownNames> {
  const db = database()
  const [brands, kinds, categories, themes, highestNumber] = await Promise.all([
    db.records('brands').toArray(),
    db.records('kinds').toArray(),
    db.records('categories').toArray(),
    db.records('themes').toArray(),
    commands.highestNumber(db),
  ])
  return { brands, kinds, categories, themes, highestNumber }
}

function readRows(table: ListTable, choices: ImportChoices, currency: string, tell: Tell): readonly PlannedRow[] {
  const total = table.rows.length
  return planRows(table, choices, new Date().getFullYear(), currency, done => {
    if (done % ROWS_A_STEP === 0) tell({ stage: 'reading', done, total })
  })
}

/** The facts of the list; its brands are compared with one another, which can take long. */
const factsOf = (table: ListTable, columns: readonly ListField[], known: KnownNames, tell: Tell): FileFacts =>
  gatherFacts(table, columns, known, new Date().getFullYear(), (done, total) => {
    if (done % BRANDS_A_STEP === 0) tell({ stage: 'brands', done, total })
  })

/** As much of a cell as a screen shows: a longer one would be laid out whole. */
const SHOWN_LETTERS = 300
const shown = (text: string): string => (text.length > SHOWN_LETTERS ? `${text.slice(0, SHOWN_LETTERS)} ...` : text)
/** Every text of something plain, cut. */
const cutTexts = <T>(value: T): T => plainly(value, (_key, each) => (typeof each === 'string' ? shown(each) : each))
const shownPlan = (planned: PlannedRow): PlannedRow => cutTexts(planned)

function viewOf(open: OpenList): ListView {
  const { table, facts, choices, rows } = open
  return {
    headings: table.headings,
    source: table.source,
    above: table.above.map(shown),
    guesses: guessColumns(table),
    facts,
    choices,
    report: reportOn(rows),
    preview: rows
      .slice(0, PREVIEW_ROWS)
      .map((planned, index) => ({ cells: (table.rows[index] ?? []).map(shown), planned: shownPlan(planned) })),
  }
}

async function readList({ fileName, bytes, sheet }: ListFile, tell: Tell): Promise<ListOpening> {
  tell({ stage: 'opening', done: 0, total: 1 })
  const reading = await readListFile(new Uint8Array(bytes), sheet)
  if (!reading.ok) return reading
  const known = await knownNames()
  const { currency, dateOrder } = (await database().records('settings').get('room')) ?? { currency: 'EUR', dateOrder: null }
  const columns = guessColumns(reading.table).map(guess => guess.field)
  const facts = factsOf(reading.table, columns, known, tell)
  const choices = recommendedChoices(columns, facts, dateOrder)
  const file = { fileName, bytes, sheet: reading.table.source.kind === 'sheet' ? reading.table.source.name : null }
  list = { file, table: reading.table, known, currency, dateOrder, facts, choices, rows: readRows(reading.table, choices, currency, tell) }
  return { ok: true, view: viewOf(list), isKept: false }
}
/** Keeps an opened list, with no choices yet. Whether a reload finds it open: there may be no room for it. */
async function keepList({ fileName, bytes, sheet }: ListFile): Promise<boolean> {
  const { device } = database()
  const kept: KeptList = { fileName, sheet }
  try {
    await device.delete('listChoices')
    await device.put({ id: 'openList', value: JSON.stringify(kept), file: bytes })
    return true
  } catch {
    return false
  }
}
async function keepChoices(choices: ImportChoices): Promise<void> {
  await database()
    .device.put({ id: 'listChoices', value: JSON.stringify(choices) })
    .catch(() => undefined)
}
async function dropList(): Promise<void> {
  await database().device.bulkDelete(['openList', 'listChoices'])
}

/** What was said of brands stays said where another column becomes something else. */
const ofBrands = ({ refusedSpellings, joinedBrands, brandNames }: ImportChoices) => ({ refusedSpellings, joinedBrands, brandNames })

const api = {
  /** Opens a list: nothing is written but the list itself, so that a reload finds it open. */
  async openList(fileName: string, bytes: ArrayBuffer, tell: Tell): Promise<ListOpening> {
    const opening = await readList({ fileName, bytes, sheet: null }, tell)
    return opening.ok && list ? { ...opening, isKept: await keepList(list.file) } : opening
  },
  /** Another sheet of the workbook that is open. One that holds no list leaves the one that does. */
  async openSheet(sheet: string, tell: Tell): Promise<ListOpening> {
    if (!list) return { ok: false, code: 'empty' }
    const opening = await readList({ ...list.file, sheet }, tell)
    return opening.ok ? { ...opening, isKept: await keepList(list.file) } : opening
  },
  /** The list that was open before the page was left; null: there was none. */
  async reopenList(tell: Tell): Promise<{ readonly fileName: string; readonly opening: ListOpening } | null> {
    const kept = await database().device.get('openList')
    if (!kept?.file) return null
    try {
      const { fileName, sheet } = JSON.parse(kept.value) as KeptList
      const chosen = await database().device.get('listChoices')
      const choices = chosen ? (JSON.parse(chosen.value) as ImportChoices) : null
      const opening = await readList({ fileName, sheet, bytes: kept.file }, tell)
      // Columns first, and then what was chosen under them.
      const view = opening.ok && choices ? (api.rereadList(choices, tell), api.rereadList(choices, tell)) : null
      return { fileName, opening: view ? { ok: true, view, isKept: true } : opening }
    } catch {
      // Kept by another version: the file is there to be chosen again.
      await api.closeList()
      return null
    }
  },
  closeList: dropList,

  /** Reads the open list again under other choices. Other columns bring other facts, and their recommended answers. */
  rereadList(choices: ImportChoices, tell: Tell): ListView | null {
    if (!list) return null
    const isRecut = choices.columns.some((field: ListField, index) => field !== list?.choices.columns[index])
    if (isRecut) list.facts = factsOf(list.table, choices.columns, list.known, tell)
    list.choices = isRecut ? { ...recommendedChoices(choices.columns, list.facts, list.dateOrder), ...ofBrands(choices) } : choices
    list.rows = readRows(list.table, list.choices, list.currency, tell)
    void keepChoices(list.choices)
    return viewOf(list)
  },

  /** Takes the open list in: one transaction. */
  async takeList(fileName: string, tell: Tell): Promise<ImportReport | null> {
    if (!list) return null
    const { rows, facts, choices } = list
    const brands = chosenBrands(facts.brands, choices)
    await commands.importList(database(), rows, brands, choices.refusedSpellings, fileName, (done, total) =>
      tell({ stage: 'writing', done, total }),
    )
    await dropList()
    return reportOn(rows)
  },
}

export type ListApi = typeof api
expose(api)
