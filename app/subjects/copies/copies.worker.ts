import { expose } from 'comlink'
import { type CatalogueData, picturesOf, TABLE_NAMES, withoutMissing } from '#core/catalog'
import { type ArchiveReading, lineOf, type ListedSet, packArchive, type Reading, unpackArchive, writeList } from '#core/exchange'
import { type Finding, findingsIn, type Given } from '#core/soundness'
import { makeThumb, sha256 } from '~/data/pictures'
import { headerSize } from '~/data/pictureSize'
import type { Progress } from '~/data/worker'
import { database, type LastCopy, type PictureRecord, type ThumbRecord } from '~/db'
import { firstFault } from '~/db/checked'
import * as commands from '~/db/commands'
import type { Sifted } from '~/db/commands'
import { newId } from '~/db/newId'
import { readAsFound } from '~/db/rescue'

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
  readonly bytes: ArrayBuffer
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

const api = {
  /** The whole catalogue with its pictures as an archive. */
  async saveArchive(tell: Tell): Promise<PackedCopy> {
    const db = database()
    const first = await commands.readWithStep(db)
    // A copy with a record that no table takes would not open: it goes along as one that is set aside.
    const isSpoilt = TABLE_NAMES.some(table => firstFault(table, first.data[table]) !== null)
    const sifted = isSpoilt ? await commands.siftRecords(db) : null
    const { data: all, step } = sifted ? await commands.readWithStep(db) : first
    const wanted = new Set(picturesOf(all).map(each => each.hash))
    const pictures = (await db.pictures.bulkGet([...wanted])).filter(picture => picture !== undefined)
    const thumbs = (await db.thumbs.bulkGet([...wanted])).filter(thumb => thumb !== undefined)
    const hashes = new Set(pictures.map(({ hash }) => hash))
    const { data, missing } = withoutMissing(all, hash => hashes.has(hash))
    const zip = await packArchive(
      data,
      pictures.map(each => ({ ...each, bytes: new Uint8Array(each.bytes) })),
      thumbs.map(each => ({ ...each, bytes: new Uint8Array(each.bytes) })),
      new Date().toISOString(),
      sha256,
      (done, total) => tell({ stage: 'packing', done, total }),
    )
    return {
      bytes: zip.buffer as ArrayBuffer,
      step,
      missing: missing.length,
      sifted,
      findings: findingsIn(data, { ...givenNow(), pictures: hashes }).length,
    }
  },

  /** A catalogue that is no longer in the database, as an archive without pictures. */
  async packData(data: CatalogueData, tell: Tell): Promise<ArrayBuffer> {
    const zip = await packArchive(data, [], [], new Date().toISOString(), sha256, (done, total) => tell({ stage: 'packing', done, total }))
    return zip.buffer as ArrayBuffer
  },

  /**
   * Everything that is found in the database of this browser, unchecked and whatever state it is in, as an archive from which as much is
   * read back as goes; null: there is none. Needs nothing of what opens the room.
   */
  async saveRescue(tell: Tell): Promise<{ readonly bytes: ArrayBuffer; readonly records: number; readonly unread: number } | null> {
    const found = await readAsFound()
    if (!found) return null
    const tables = Object.entries(found.tables).map(([table, records]) => [table, records.filter(isWritable)] as const)
    const records = tables.reduce((sum, [, list]) => sum + list.length, 0)
    const zip = await packArchive(
      Object.fromEntries(tables) as unknown as CatalogueData,
      found.pictures.map(each => ({ ...each, bytes: new Uint8Array(each.bytes) })),
      [],
      new Date().toISOString(),
      sha256,
      (done, total) => tell({ stage: 'packing', done, total }),
      found,
    )
    const all = Object.values(found.tables).reduce((sum, list) => sum + list.length, 0)
    return { bytes: zip.buffer as ArrayBuffer, records, unread: found.unread + all - records }
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

  /** Lets go of pictures that nothing has named for long. */
  sweepForgotten: (): Promise<number> => commands.sweepForgotten(database()),

  saveList(sets: readonly ListedSet[]): string {
    return writeList(sets.map(lineOf))
  },
}

export type CopiesApi = typeof api
expose(api)
