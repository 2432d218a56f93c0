import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie'
import { newId } from '~/db/newId'
import { LATEST_VERSION, type Old, type RecordOf, type TableName, type Version, VERSIONS } from '#core/catalog'
import type { Change, JournalEntry, JournalPart } from './journal'

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
export const BESIDE: readonly string[] = ['device', 'inkMaps', 'shapes']
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
    | 'printing'
    | 'labels'
    | 'labelMachine'
    | 'cards'
  readonly value: string
  /** The bytes of a list that is open and not taken in yet. */
  readonly file?: ArrayBuffer
}

type CatalogueTables = { [T in TableName]: EntityTable<RecordOf<T> & { id: string }, 'id'> }

/** Records and what undo would bring back, as the new version has them. */
async function upgradeTo(version: Version, transaction: Transaction): Promise<void> {
  for (const [table, { to, make }] of Object.entries(version.gives ?? {})) {
    const records = (await transaction.table(table).toArray()) as Old[]
    await transaction.table(to).bulkPut(records.flatMap(record => make(record) ?? []))
  }
  for (const [table, upgrade] of Object.entries(version.upgrade)) {
    await transaction
      .table(table)
      .toCollection()
      .modify((record: Old, row: { value: Old }) => {
        row.value = upgrade(record)
      })
  }
  await transaction
    .table<JournalPart>('journalParts')
    .toCollection()
    .modify((part, row) => {
      row.value = {
        ...part,
        changes: part.changes.flatMap((change): Change[] => {
          const [upgrade, gives] = [version.upgrade[change.table], version.gives?.[change.table]]
          const now = upgrade && change.other ? { ...change, other: upgrade({ ...change.other }) as Change['other'] } : change
          // What the record gave goes back and forth with it.
          return gives
            ? [now, { table: gives.to, id: change.id, other: change.other && (gives.make({ ...change.other }) as Change['other']) }]
            : [now]
        }),
      }
    })
  const giving = new Map(Object.entries(version.gives ?? {}).map(([table, { to }]) => [table, to]))
  await transaction
    .table<JournalEntry>('journal')
    .toCollection()
    .modify((entry, row) => {
      const more = entry.tables.flatMap(table => giving.get(table) ?? [])
      if (more.length > 0) row.value = { ...entry, tables: [...new Set([...entry.tables, ...more])] }
    })
}

/** Version 1 kept the one draft beside the catalogue; it is the first strip of the pile now. Literal, like the versions. */
async function keepTheOneDraft(transaction: Transaction): Promise<void> {
  const device = transaction.table('device')
  const kept = (await device.get('draft')) as { value: string } | undefined
  if (!kept) return
  const { pictureHash = null, ...texts } = JSON.parse(kept.value) as Record<string, unknown>
  await transaction.table('drafts').add({
    id: newId(),
    rank: 0,
    createdAt: new Date().toISOString(),
    pictureHash,
    texts: {
      name: '',
      brand: '',
      kindId: '',
      category: '',
      themes: [],
      theme: '',
      size: '',
      words: '',
      searchWords: [],
      written: '',
      acquiredOn: '',
      price: '',
      notes: '',
      ...texts,
    },
  })
  await device.delete('draft')
}

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
  /** The browser allows no storage, or it cannot be opened. */
  | 'refused'
  /** What the browser kept for this page was cleared while it was open: only what is on the screen is left. */
  | 'cleared'

const NAME = 'yondercrest'
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
    const isNewer = db.backendDB().version > LATEST_VERSION * 10
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
  return (await indexedDB.databases()).some(each => each.name === NAME)
}

/** The database of this browser, opened once a page or worker. */
export function database(): YondercrestDb {
  shared ??= watched(new YondercrestDb(NAME))
  return shared
}
