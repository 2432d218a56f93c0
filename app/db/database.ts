import Dexie, { type EntityTable, type Table } from 'dexie'
import type { RecordOf, TableName } from '#core/catalog'
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
/** Facts of this browser that belong to no catalogue. */
export interface DeviceFact {
  readonly id: 'lastCopy' | 'start' | 'draft'
  readonly value: string
}

type CatalogueTables = { [T in TableName]: EntityTable<RecordOf<T> & { id: string }, 'id'> }

// Table versions once shipped are never edited: a new version migrates, and a test opens a frozen old copy.
const VERSION_1: Record<string, string> = {
  settings: 'id',
  brands: 'id', kinds: 'id', categories: 'id', themes: 'id', series: 'id',
  register: 'id, [seriesId+number]',
  fixtures: 'id', zones: 'id', containers: 'id', sections: 'id, containerId', holderTypes: 'id',
  holdings: 'id', holders: 'id, containerId, *holdingIds', relations: 'id, fromId, toId', loans: 'id, holdingId',
  journal: '++seq, state',
  journalParts: '++id, seq',
  pictures: 'hash', thumbs: 'hash', device: 'id',
}

/** The only truth: everything the person typed or brought in. Written to by commands alone. */
export class YondercrestDb extends Dexie {
  declare journal: EntityTable<JournalEntry, 'seq'>
  declare journalParts: EntityTable<JournalPart, 'id'>
  declare pictures: EntityTable<PictureRecord, 'hash'>
  declare thumbs: EntityTable<ThumbRecord, 'hash'>
  declare device: EntityTable<DeviceFact, 'id'>

  constructor(name: string) {
    // Without Dexie's cache every read sees what other tabs and the workers wrote.
    super(name, { cache: 'disabled' })
    this.version(1).stores(VERSION_1)
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
