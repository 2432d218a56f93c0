import { expose } from 'comlink'
import type { CatalogueData } from '#core/catalog'
import {
  type ArchiveReading,
  findDangling,
  lineOf,
  type ListedSet,
  packArchive,
  picturesOf,
  unpackArchive,
  withoutMissing,
  writeList,
} from '#core/exchange'
import { makeThumb, sha256 } from '~/data/pictures'
import { headerSize } from '~/data/pictureSize'
import type { Progress } from '~/data/worker'
import { database, type LastCopy, type PictureRecord, type ThumbRecord } from '~/db'
import * as commands from '~/db/commands'

type Tell = (progress: Progress) => void
export type RestoreOutcome =
  | {
      readonly ok: true
      readonly holdings: number
      /** Pictures that were named and not in the copy. */
      readonly missing: number
    }
  | Extract<ArchiveReading, { ok: false }>
/** A copy as it was packed. */
export interface PackedCopy {
  readonly bytes: ArrayBuffer
  /** The last step that is in it. */
  readonly step: Pick<LastCopy, 'seq' | 'swings'>
  /** Pictures that are named and that this browser no longer has. */
  readonly missing: number
  /** Why it would not be read back, in words that name the record; null: it would be. */
  readonly fault: string | null
}

const api = {
  /** The whole catalogue with its pictures as an archive. */
  async saveArchive(tell: Tell): Promise<PackedCopy> {
    const db = database()
    const { data: all, step } = await commands.readWithStep(db)
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
    return { bytes: zip.buffer as ArrayBuffer, step, missing: missing.length, fault: findDangling(data, hashes) }
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
    const { data, pictures, thumbs, withoutPicture } = reading.archive
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
    return { ok: true, holdings: data.holdings.length, missing: withoutPicture.length }
  },

  saveList(sets: readonly ListedSet[]): string {
    return writeList(sets.map(lineOf))
  },
}

export type CopiesApi = typeof api
expose(api)
