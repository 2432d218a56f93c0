import { expose } from 'comlink'
import type { CatalogueData, DateOrder } from '#core/catalog'
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
  packArchive,
  picturesOf,
  type PlannedRow,
  planRows,
  readListFile,
  recommendedChoices,
  reportOn,
  type TableReading,
  unpackArchive,
  type ArchiveReading,
  writeList,
  type ListLine,
  PICTURE_TYPES,
} from '#core/exchange'
import { database, type PictureRecord, type ThumbRecord } from '~/db'
import * as commands from '~/db/commands'
import { plainly, type Progress } from './call'
import { troubleOf } from './storageTrouble'
import { makeThumb, sha256 } from './pictures'
import { faultOf, headerSize, isTooLarge, MAX_PICTURE_BYTES, type PictureFault } from './pictureSize'

type Tell = (progress: Progress) => void

/** The file of a list; `sheet` is that of a workbook that is read, null where it is the first that holds a list. */
interface ListFile {
  readonly fileName: string
  readonly bytes: ArrayBuffer
  readonly sheet: string | null
}
/** What is kept of it beside its bytes. */
interface KeptList extends Pick<ListFile, 'fileName' | 'sheet'> {
  readonly choices: ImportChoices | null
}

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
export type ListOpening = { readonly ok: true; readonly view: ListView } | Extract<TableReading, { ok: false }>
export type RestoreOutcome = { readonly ok: true; readonly holdings: number } | Extract<ArchiveReading, { ok: false }>
export type PictureOutcome =
  | { readonly ok: true; readonly hash: string; readonly widthPx: number; readonly heightPx: number }
  | { readonly ok: false; readonly code: PictureFault | 'full' }

const PREVIEW_ROWS = 8
const ROWS_A_STEP = 500

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
  const facts = gatherFacts(reading.table, columns, known, new Date().getFullYear())
  const choices = recommendedChoices(columns, facts, dateOrder)
  const file = { fileName, bytes, sheet: reading.table.source.kind === 'sheet' ? reading.table.source.name : null }
  list = { file, table: reading.table, known, currency, dateOrder, facts, choices, rows: readRows(reading.table, choices, currency, tell) }
  return { ok: true, view: viewOf(list) }
}
/** A list that cannot be kept is chosen anew after a reload; that is all. */
const keepList = ({ fileName, bytes, sheet }: ListFile, choices: ImportChoices | null = null): Promise<unknown> =>
  database()
    .device.put({ id: 'openList', value: JSON.stringify({ fileName, sheet, choices }), file: bytes })
    .catch(() => null)

/** What was said of brands stays said where another column becomes something else. */
const ofBrands = ({ refusedSpellings, joinedBrands, brandNames }: ImportChoices) => ({ refusedSpellings, joinedBrands, brandNames })

const api = {
  /** Opens a list: nothing is written but the list itself, so that a reload finds it open. */
  async openList(fileName: string, bytes: ArrayBuffer, tell: Tell): Promise<ListOpening> {
    const opening = await readList({ fileName, bytes, sheet: null }, tell)
    if (opening.ok && list) await keepList(list.file)
    return opening
  },
  /** Another sheet of the workbook that is open. One that holds no list leaves the one that does. */
  async openSheet(sheet: string, tell: Tell): Promise<ListOpening> {
    if (!list) return { ok: false, code: 'empty' }
    const opening = await readList({ ...list.file, sheet }, tell)
    if (opening.ok) await keepList(list.file)
    return opening
  },
  /** The list that was open before the page was left; null: there was none. */
  async reopenList(tell: Tell): Promise<{ readonly fileName: string; readonly opening: ListOpening } | null> {
    const kept = await database().device.get('openList')
    if (!kept?.file) return null
    try {
      const { fileName, sheet, choices } = JSON.parse(kept.value) as KeptList
      const opening = await readList({ fileName, sheet, bytes: kept.file }, tell)
      // Columns first, and then what was chosen under them.
      const view = opening.ok && choices ? (api.rereadList(choices, tell), api.rereadList(choices, tell)) : null
      return { fileName, opening: view ? { ok: true, view } : opening }
    } catch {
      // Kept by another version: the file is there to be chosen again.
      await api.closeList()
      return null
    }
  },
  closeList: (): Promise<void> => database().device.delete('openList'),

  /** Reads the open list again under other choices. Other columns bring other facts, and their recommended answers. */
  rereadList(choices: ImportChoices, tell: Tell): ListView | null {
    if (!list) return null
    const isRecut = choices.columns.some((field: ListField, index) => field !== list?.choices.columns[index])
    if (isRecut) list.facts = gatherFacts(list.table, choices.columns, list.known, new Date().getFullYear())
    list.choices = isRecut ? { ...recommendedChoices(choices.columns, list.facts, list.dateOrder), ...ofBrands(choices) } : choices
    list.rows = readRows(list.table, list.choices, list.currency, tell)
    void keepList(list.file, list.choices)
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
    await database().device.delete('openList')
    return reportOn(rows)
  },

  /** The whole catalogue with its pictures as an archive. */
  async saveArchive(tell: Tell): Promise<ArrayBuffer> {
    const db = database()
    const data = await commands.readCatalogue(db)
    const wanted = new Set(picturesOf(data).map(each => each.hash))
    const pictures = (await db.pictures.bulkGet([...wanted])).filter(picture => picture !== undefined)
    const thumbs = (await db.thumbs.bulkGet([...wanted])).filter(thumb => thumb !== undefined)
    const zip = await packArchive(
      data,
      pictures.map(each => ({ ...each, bytes: new Uint8Array(each.bytes) })),
      thumbs.map(each => ({ ...each, bytes: new Uint8Array(each.bytes) })),
      new Date().toISOString(),
      sha256,
      (done, total) => tell({ stage: 'packing', done, total }),
    )
    return zip.buffer as ArrayBuffer
  },

  /** A catalogue that is no longer in the database, as an archive without pictures. */
  async packData(data: CatalogueData, tell: Tell): Promise<ArrayBuffer> {
    const zip = await packArchive(data, [], [], new Date().toISOString(), sha256, (done, total) => tell({ stage: 'packing', done, total }))
    return zip.buffer as ArrayBuffer
  },

  /** Reads an archive back in the place of the present catalogue, or refuses it whole and changes nothing. */
  async restoreArchive(bytes: ArrayBuffer, command: 'restoreArchive' | 'loadDemo', tell: Tell): Promise<RestoreOutcome> {
    // Opened while the archive is checked; whatever is wrong with it shows when it is written to.
    database()
      .open()
      .catch(() => undefined)
    const reading = await unpackArchive(new Uint8Array(bytes), sha256, (done, total) => tell({ stage: 'checking', done, total }))
    if (!reading.ok) return reading
    const { data, pictures, thumbs } = reading.archive
    const records: PictureRecord[] = []
    for (const picture of pictures) {
      const buffer = picture.bytes.slice().buffer
      const size = headerSize(picture.bytes) ?? (await makeThumb(buffer, picture.type).catch(() => ({ widthPx: 1, heightPx: 1 })))
      records.push({ hash: picture.hash, type: picture.type, bytes: buffer, widthPx: size.widthPx, heightPx: size.heightPx })
    }
    const thumbRecords = thumbs.map((thumb): ThumbRecord => ({ hash: thumb.hash, bytes: thumb.bytes.slice().buffer }))
    const have = new Set(thumbRecords.map(thumb => thumb.hash))
    for (const [index, picture] of records.filter(each => !have.has(each.hash)).entries()) {
      const made = await makeThumb(picture.bytes, picture.type).catch(() => null)
      if (made) thumbRecords.push({ hash: picture.hash, bytes: made.thumb })
      tell({ stage: 'pictures', done: index, total: records.length })
    }
    tell({ stage: 'writing', done: 0, total: data.holdings.length })
    await commands.replaceCatalogue(database(), command, data, records, thumbRecords)
    return { ok: true, holdings: data.holdings.length }
  },

  /** Keeps a photo under its hash, as it came or (if the owner likes) scaled and upright, with a small JPEG and its ink map. */
  async addPicture(file: Blob): Promise<PictureOutcome> {
    if (file.size > MAX_PICTURE_BYTES) return { ok: false, code: 'tooLarge' }
    const isKeptType = Boolean(PICTURE_TYPES[file.type])
    const bytes = await file.arrayBuffer()
    if (isTooLarge(new Uint8Array(bytes))) return { ok: false, code: 'tooLarge' }
    // What this browser can read and not every other can is kept as a JPEG.
    const keepsOriginal = isKeptType && ((await database().records('settings').get('room'))?.keepsOriginals ?? true)
    const made = await makeThumb(bytes, file.type, keepsOriginal).catch(() => null)
    if (!made) return { ok: false, code: faultOf(new Uint8Array(bytes)) }
    const kept = made.scaled ?? bytes
    const hash = await sha256(new Uint8Array(kept))
    const { widthPx, heightPx, inkMap } = made
    try {
      await commands.addPicture(
        database(),
        { hash, type: made.scaled ? 'image/jpeg' : file.type, bytes: kept, widthPx, heightPx },
        { hash, bytes: made.thumb },
        { hash, map: inkMap.slice().buffer },
      )
    } catch (reason) {
      if (troubleOf(reason) === 'full') return { ok: false, code: 'full' }
      throw reason
    }
    return { ok: true, hash, widthPx, heightPx }
  },

  saveList(lines: readonly ListLine[]): string {
    return writeList(lines)
  },
}

export type ExchangeApi = typeof api
expose(api)
