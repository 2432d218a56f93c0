import Dexie, { type EntityTable, type Table } from 'dexie'
import { LATEST_VERSION, type RecordOf, type TableName, VERSIONS } from '#core/catalog'
import type { JournalEntry, JournalPart } from './journal'
import { endWithPage } from './leaving'
import { keepTheOneDraft, keepWhatWaits, upgradeTo } from './upgrade'

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
/** The shapes of the ink of a picture. Can always be made again from the picture, and are where they were made in another way. */
export interface ShapesRecord {
  readonly hash: string
  readonly madeAs: number
  /** Width by height of the picture. */
  readonly aspect: number
  readonly boxes: ArrayBuffer
  readonly moments: ArrayBuffer
}
/** Tables that no command and no undo touches: facts of this browser, and what can be made again from pictures. */
export const NOT_JOURNALED: readonly string[] = ['device', 'inkMaps', 'shapes']
/** Facts of this browser that belong to no catalogue. */
export interface DeviceFact {
  readonly id:
    | 'lastCopy'
    | 'start'
    | 'askIndex'
    | 'keptRoom'
    | 'keptSteps'
    | 'openList'
    | 'listChoices'
    | 'labelMachine'
    | 'unnamedPictures'
    | `waiting ${string}`
    | `size ${string}`
  readonly value: string
  /** The bytes of a list that is open and not taken in yet. */
  readonly file?: ArrayBuffer
}

type CatalogueTables = { [T in TableName]: EntityTable<RecordOf<T> & { id: string }, 'id'> }

/** The only truth: everything the person typed or brought in. Written to by commands alone. */
export class YondercrestDb extends Dexie {
  declare journal: EntityTable<JournalEntry, 'seq'>
  declare journalParts: EntityTable<JournalPart, 'id'>
  declare pictures: EntityTable<PictureRecord, 'hash'>
  declare thumbs: EntityTable<ThumbRecord, 'hash'>
  declare inkMaps: EntityTable<InkMapRecord, 'hash'>
  declare shapes: EntityTable<ShapesRecord, 'hash'>
  declare device: EntityTable<DeviceFact, 'id'>

  constructor(name: string) {
    // Without Dexie's cache every read sees what other tabs and the workers wrote.
    super(name, { cache: 'disabled' })
    for (const version of VERSIONS) {
      this.version(version.number)
        .stores({ ...version.stores })
        .upgrade(async transaction => {
          await upgradeTo(version, transaction)
          if (version.number === 2) await keepTheOneDraft(transaction)
          if (version.number === 11) await keepWhatWaits(transaction)
        })
    }
  }

  records<T extends TableName>(table: T): CatalogueTables[T] {
    return this.table(table) as unknown as CatalogueTables[T]
  }

  /** The same tables where one piece of code handles them all alike. */
  anyRecords(table: TableName): Table<{ id: string }, string> {
    return this.table(table)
  }
}

/** Why the database of this browser cannot be worked with. */
export type DatabaseTrouble =
  /** An older tab still has it open: it goes on by itself once that is closed. */
  | 'blocked'
  /** A newer version of the application is at work in it: this tab has let go, and writes no more. */
  | 'newer'
  /** The browser allows no storage. */
  | 'refused'
  /** It is there and cannot be read, although what is spoilt was looked for. */
  | 'spoilt'
  /** There is no room left to open it, or to begin one. */
  | 'full'
  /** What the browser kept for this page was cleared while it was open: only what is on the screen is left. */
  | 'cleared'

export const DATABASE_NAME = 'yondercrest'
const listeners = new Set<(trouble: DatabaseTrouble | null) => void>()
const tell = (trouble: DatabaseTrouble | null): void => listeners.forEach(each => each(trouble))

/** Tells of trouble with the database as it comes, and null once it is over. */
export function onTrouble(listener: (trouble: DatabaseTrouble | null) => void): void {
  listeners.add(listener)
}

/** A database that says what stands in its way, and lets go of itself for a newer version in another tab. */
function watched(db: YondercrestDb): YondercrestDb {
  db.on('blocked', () => tell('blocked'))
  db.on('versionchange', ({ newVersion }) => {
    // A database that is deleted, not upgraded, has no next version.
    db.close()
    tell(newVersion === null ? 'cleared' : 'newer')
  })
  db.on('ready', () => {
    // A version of the tables counts ten. In between are those that Dexie gives to a database in which it had to make a table anew.
    const isNewer = Math.floor(db.backendDB().version / 10) > LATEST_VERSION
    if (isNewer) db.close()
    tell(isNewer ? 'newer' : null)
    // The browser closed it, nobody here. It must not be made anew, empty, behind what the screen still shows.
    db.backendDB().addEventListener('close', () => {
      db.close()
      tell('cleared')
    })
  })
  return db
}

let shared: YondercrestDb | null = null

/**
 * Has this browser ever held a catalogue? Asked of the browser itself: Dexie.exists() opens a missing database and deletes
 * it again, which must never happen beside a tab that is just making it.
 */
export async function databaseExists(): Promise<boolean> {
  return (await indexedDB.databases()).some(each => each.name === DATABASE_NAME)
}

/** The database of this browser, opened once a page or worker. */
export function database(): YondercrestDb {
  if (!shared) {
    shared = watched(new YondercrestDb(DATABASE_NAME))
    // A worker ends with its page.
    if ('document' in globalThis) endWithPage(shared)
  }
  return shared
}
