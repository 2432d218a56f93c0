import { expose } from 'comlink'
import { type CatalogueData, namedPictures, TABLE_NAMES } from '#core/catalog'
import {
  type ArchiveContents,
  type ArchiveReading,
  lineOf,
  type ListedSet,
  type Reading,
  unpackArchive,
  writeArchive,
  writeList,
  type Written,
} from '#core/exchange'
import { type Finding, findingsIn, type Given } from '#core/soundness'
import { makeThumb, sha256 } from '~/data/pictures'
import { headerSize } from '~/data/pictureSize'
import type { Progress } from '~/data/worker'
import { database, type LastCopy, type PictureRecord, type ThumbRecord } from '~/db'
import { firstFault } from '~/db/checked'
import * as commands from '~/db/commands'
import type { Sifted, StorageUse } from '~/db/commands'
import { newId } from '~/db/newId'
import { eachOf } from '~/db/reads'
import { readAsFound } from '~/db/rescue'
import { beginCopyFile, clearCopyFiles } from './copyFile'

type Tell = (progress: Progress) => void
export type RestoreOutcome =
  | {
      readonly ok: true
      readonly holdings: number
      /** Pictures that were named and not in the copy. */
      readonly missing: number
      /** What did not hold together and was mended, what could not be, records that were set aside, and files that were left out. */
      readonly mended: readonly Finding[]
      readonly left: readonly Finding[]
      readonly aside: number
      readonly leftOut: readonly string[]
    }
  | Extract<ArchiveReading, { ok: false }>
/** A copy as it was packed. */
export interface PackedCopy {
  readonly file: Blob
  /** The last step that is in it. */
  readonly step: Pick<LastCopy, 'seq' | 'swings'>
  /** Pictures that are named and that this browser no longer has. */
  readonly missing: number
  /** What was set aside for it; null: nothing had to be. */
  readonly sifted: Sifted | null
  /** So much in it is not as it should be. */
  readonly findings: number
}
/** What a look through the whole room has found. */
export interface Checked {
  readonly sifted: Sifted
  readonly findings: readonly Finding[]
  /** So many records were looked at. */
  readonly records: number
}
const givenNow = (): Omit<Given, 'pictures'> => ({ at: new Date().toISOString(), newId })
/** Whether a record can stand in a copy at all. */
function isWritable(record: unknown): boolean {
  try {
    return JSON.stringify(record) !== undefined
  } catch {
    return false
  }
}

type Bytes<T extends { readonly bytes: ArrayBuffer }> = Omit<T, 'bytes'> & { readonly bytes: Uint8Array }

/** Records with their bytes as an archive takes them, one by one. */
async function* bytesOf<T extends { readonly bytes: ArrayBuffer }>(records: AsyncIterable<T>): AsyncGenerator<Bytes<T>> {
  for await (const record of records) yield { ...record, bytes: new Uint8Array(record.bytes) }
}
/** Packs an archive into a file that takes no memory. */
async function pack(tell: Tell, contents: Omit<ArchiveContents, 'madeAt'>): Promise<Written & { readonly file: Blob }> {
  const file = await beginCopyFile()
  const onProgress = (done: number, total: number): void => tell({ stage: 'packing', done, total })
  const written = await writeArchive({ ...contents, madeAt: new Date().toISOString() }, sha256, file.write, onProgress)
  return { ...written, file: await file.end() }
}

const api = {
  /** The whole catalogue with its pictures as an archive. */
  async saveArchive(tell: Tell): Promise<PackedCopy> {
    const db = database()
    const first = await commands.readWithStep(db)
    // A copy with a record that no table takes would not open: it goes along as one that is set aside.
    const isSpoilt = TABLE_NAMES.some(table => firstFault(table, first.data[table]) !== null)
    const sifted = isSpoilt ? await commands.siftRecords(db) : null
    const { data: all, step } = sifted ? await commands.readWithStep(db) : first
    const wanted = [...namedPictures(all)]
    const { file, data, missing, pictures } = await pack(tell, {
      data: all,
      pictures: bytesOf(eachOf(db.pictures, wanted)),
      thumbs: bytesOf(eachOf(db.thumbs, wanted)),
      files: 2 * wanted.length,
      rescue: null,
    })
    const findings = findingsIn(data, { ...givenNow(), pictures }).length
    return { file, step, missing: missing.length, sifted, findings }
  },

  /** A catalogue that is no longer in the database, as an archive without pictures. */
  async packData(data: CatalogueData, tell: Tell): Promise<Blob> {
    return (await pack(tell, { data, pictures: [], thumbs: [], files: 0, rescue: null })).file
  },

  /**
   * Everything that is found in the database of this browser, unchecked and whatever state it is in, as an archive from which as much is
   * read back as goes; null: there is none. Needs nothing of what opens the room.
   */
  saveRescue(tell: Tell): Promise<{ readonly file: Blob; readonly records: number; readonly unread: number } | null> {
    return readAsFound(async found => {
      const tables = Object.entries(found.tables).map(([table, records]) => [table, records.filter(isWritable)] as const)
      const count = (lists: readonly (readonly unknown[])[]): number => lists.reduce((sum, list) => sum + list.length, 0)
      const records = count(tables.map(([, list]) => list))
      const { file } = await pack(tell, {
        data: Object.fromEntries(tables) as unknown as CatalogueData,
        pictures: bytesOf(found.pictures),
        thumbs: [],
        files: found.pictureCount,
        rescue: found,
      })
      return { file, records, unread: found.unread + count(Object.values(found.tables)) - records }
    })
  },

  /** Reads an archive back in the place of the present catalogue, or refuses it whole and changes nothing. */
  async restoreArchive(bytes: ArrayBuffer, command: 'restoreArchive' | 'loadDemo', wanted: Reading, tell: Tell): Promise<RestoreOutcome> {
    // Opened while the archive is checked; whatever is wrong with it shows when it is written to.
    database()
      .open()
      .catch(() => undefined)
    const onProgress = (done: number, total: number): void => tell({ stage: 'checking', done, total })
    const reading = await unpackArchive(new Uint8Array(bytes), sha256, givenNow(), onProgress, wanted)
    if (!reading.ok) return reading
    const { data, pictures, thumbs, withoutPicture, mended, left, leftOut } = reading.archive
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
    return { ok: true, holdings: data.holdings.length, missing: withoutPicture.length, mended, left, leftOut, aside: data.setAside.length }
  },

  /** Looks through the whole room: what is spoilt is set aside, and what does not hold together is found. */
  async check(tell: Tell): Promise<Checked> {
    const db = database()
    const sifted = await commands.siftRecords(db, (done, total) => tell({ stage: 'checking', done, total }))
    const data = await commands.readCatalogue(db)
    const findings = await commands.findingsInRoom(db, data)
    return { sifted, findings, records: TABLE_NAMES.reduce((sum, table) => sum + data[table].length, 0) }
  },

  /** Mends all that can be mended, as one step. How many things. */
  async mend(tell: Tell): Promise<number> {
    tell({ stage: 'checking', done: 0, total: 1 })
    const { mended } = await commands.mendRoom(database(), (done, total) => tell({ stage: 'mending', done, total }))
    return mended.length
  },

  /** How much room pictures and steps take. */
  storageUse: (): Promise<StorageUse> => commands.storageUse(database()),

  /** Lets go of the files of earlier copies, and of pictures that nothing has named for long. */
  async sweepForgotten(): Promise<void> {
    await clearCopyFiles()
    await commands.sweepForgotten(database())
  },

  saveList(sets: readonly ListedSet[]): string {
    return writeList(sets.map(lineOf))
  },
}

export type CopiesApi = typeof api
expose(api)
