import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie'
import { ulid } from 'ulid'
import {
  blankDraft,
  type Draft,
  type DraftTexts,
  PLAIN_FIXTURE,
  type RecordOf,
  START_HABITS,
  START_SETTINGS,
  type TableName,
} from '#core/catalog'
import type { JournalEntry, JournalPart } from './journal'

/** A picture as it came, byte for byte, under the SHA-256 of its bytes. Pictures are never changed, only added. */
export interface PictureRecord {
  readonly hash: string
  readonly type: string
  readonly bytes: ArrayBuffer
  readonly widthPx: number
  readonly heightPx: number
}
/** A small JPEG on white, for lists and paper. Can always be made again from the picture. */
export interface ThumbRecord {
  readonly hash: string
  readonly bytes: ArrayBuffer
}
/** The ink map of a picture, its fingerprint. Can always be made again from the picture. */
export interface InkMapRecord {
  readonly hash: string
  readonly map: ArrayBuffer
}
/** Facts of this browser that belong to no catalogue. */
export interface DeviceFact {
  readonly id: 'lastCopy' | 'start'
  readonly value: string
}

type CatalogueTables = { [T in TableName]: EntityTable<RecordOf<T> & { id: string }, 'id'> }

// Table versions once shipped are never edited: a new version migrates, and a test opens a frozen old copy.
const VERSION_1: Record<string, string> = {
  settings: 'id',
  brands: 'id',
  kinds: 'id',
  categories: 'id',
  themes: 'id',
  series: 'id',
  register: 'id, [seriesId+number]',
  fixtures: 'id',
  zones: 'id',
  containers: 'id',
  sections: 'id, containerId',
  holderTypes: 'id',
  holdings: 'id',
  holders: 'id, containerId, *holdingIds',
  relations: 'id, fromId, toId',
  loans: 'id, holdingId',
  journal: '++seq, state',
  journalParts: '++id, seq',
  pictures: 'hash',
  thumbs: 'hash',
  device: 'id',
}

/** The pile of Take in, the fingerprints of pictures, and what the storeroom learns and plans. */
const VERSION_2: Record<string, string> = { drafts: 'id', inkMaps: 'hash', measuredLengths: 'id, containerId', refilings: 'id, state' }

const withReading = (record: object): object => ({
  ...record,
  aliases: ('aliases' in record && Array.isArray(record.aliases) ? (record.aliases as object[]) : []).map(alias => ({
    reading: null,
    ...alias,
  })),
})
const withWeight = (record: object): object => ({ emptyWeightG: null, isTable: false, ...record })
/** Fields that version 1 did not have yet, table by table. */
const FILL_2: Readonly<Partial<Record<TableName, (record: object) => object>>> = {
  settings: record => ({ ...START_SETTINGS, ...record }),
  holdings: record => ({ sitsIn: null, holderTypeId: null, labelText: null, isCutInTwo: false, isSticky: false, ...withReading(record) }),
  themes: record => ({ sharesPage: false, ...record }),
  zones: record => ({ habits: START_HABITS, ...record }),
  kinds: record => ({ typicalWeightG: 60, isLightSensitive: false, ...record }),
  fixtures: record => ({ ...PLAIN_FIXTURE, ...record }),
  holders: record => ({ apartBecause: null, ...record }),
  containers: record =>
    withWeight('cells' in record && record.cells ? { ...record, cells: { cellSize: null, reuse: 'last', ...record.cells } } : record),
  series: record => ({ countsBy: 'all', partOf: null, ...record }),
}

/** What the records of version 1 did not have yet, and the one draft that was kept beside the catalogue. */
async function toVersion2(transaction: Transaction): Promise<void> {
  for (const [table, fill] of Object.entries(FILL_2)) {
    await transaction
      .table(table)
      .toCollection()
      .modify((record: object, row: { value: object }) => {
        row.value = fill(record)
      })
  }
  // What undo would bring back is of the new shape as well.
  await transaction
    .table<JournalPart>('journalParts')
    .toCollection()
    .modify((part, row) => {
      row.value = {
        ...part,
        changes: part.changes.map(change => ({
          ...change,
          other: change.other && FILL_2[change.table] ? (FILL_2[change.table]?.(change.other) as { id: string }) : change.other,
        })),
      }
    })
  const device = transaction.table('device')
  const kept = (await device.get('draft')) as { value: string } | undefined
  if (!kept) return
  const { pictureHash = null, ...texts } = JSON.parse(kept.value) as Partial<DraftTexts & { pictureHash: string | null }>
  const blank = blankDraft({ id: ulid(), rank: 0, createdAt: new Date().toISOString() })
  await transaction.table('drafts').add({ ...blank, pictureHash, texts: { ...blank.texts, ...texts } } satisfies Draft)
  await device.delete('draft')
}

/** The only truth: everything the person typed or brought in. Written to by commands alone. */
export class YondercrestDb extends Dexie {
  declare journal: EntityTable<JournalEntry, 'seq'>
  declare journalParts: EntityTable<JournalPart, 'id'>
  declare pictures: EntityTable<PictureRecord, 'hash'>
  declare thumbs: EntityTable<ThumbRecord, 'hash'>
  declare inkMaps: EntityTable<InkMapRecord, 'hash'>
  declare device: EntityTable<DeviceFact, 'id'>

  constructor(name: string) {
    // Without Dexie's cache every read sees what other tabs and the workers wrote.
    super(name, { cache: 'disabled' })
    this.version(1).stores(VERSION_1)
    this.version(2).stores(VERSION_2).upgrade(toVersion2)
  }

  records<T extends TableName>(table: T): CatalogueTables[T] {
    return this.table(table) as unknown as CatalogueTables[T]
  }

  /** The same tables where one piece of code handles them all alike. */
  anyRecords(table: TableName): Table<{ id: string }, string> {
    return this.table(table)
  }
}

const NAME = 'yondercrest'
let shared: YondercrestDb | null = null

/**
 * Has this browser ever held a catalogue? Asked of the browser itself: Dexie.exists() opens a missing database and deletes
 * it again, which must never happen beside a tab that is just making it.
 */
export async function databaseExists(): Promise<boolean> {
  return (await indexedDB.databases()).some(each => each.name === NAME)
}

/** The database of this browser, opened once a page or worker. */
export function database(): YondercrestDb {
  shared ??= new YondercrestDb(NAME)
  return shared
}
