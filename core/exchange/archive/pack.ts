import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { type CatalogueData, LIMITS, TABLE_NAMES, withoutMissing } from '#core/catalog'
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type Manifest, MANIFEST_NAME, PICTURE_TYPES, type PictureFile, type ThumbFile } from './format'

export type Sha256 = (bytes: Uint8Array) => Promise<string>

/** Of 26 MB of tables 2.7 MB are left in 0.6 s; the usual level 6 leaves 2.5 MB in 1.6 s. */
const LEVEL = 2

/** What comes one by one, so that nobody holds all of it at once. */
type Stream<T> = Iterable<T> | AsyncIterable<T>

/** What goes into an archive. */
export interface ArchiveContents {
  readonly data: CatalogueData
  readonly pictures: Stream<PictureFile>
  readonly thumbs: Stream<ThumbFile>
  /** So many pictures and thumbs, at most. Only progress is counted by it. */
  readonly files: number
  readonly madeAt: string
  /** The tables are as they were found in a database of that version, and nothing is left out. */
  readonly rescue: { readonly version: number } | null
}

/** What became of it. */
export interface Written {
  /** The catalogue as it stands in the archive: no record names a picture that is not in it. */
  readonly data: CatalogueData
  readonly pictures: ReadonlySet<string>
  /** Named pictures that did not come, or that are no longer what their name says: for each, the record that names it. */
  readonly missing: readonly string[]
}

/**
 * Writes a whole catalogue with its pictures as one zip, piece by piece: pictures first, as they come, then the tables, and last the list
 * of files with their checksums. JSON is deflated; pictures are stored, as they are compressed already and must come back byte for byte.
 * Of the pictures one is held at a time. See docs/formats.md.
 */
export async function writeArchive(
  contents: ArchiveContents,
  sha256: Sha256,
  write: (bytes: Uint8Array) => void,
  onProgress: (done: number, total: number) => void = () => undefined,
): Promise<Written> {
  const { rescue, madeAt } = contents
  const encoder = new TextEncoder()
  const files: Manifest['files'] = []
  const total = contents.files + TABLE_NAMES.length
  const zip = new Zip((error, bytes) => {
    if (error) throw error
    write(bytes)
  })
  const add = (name: string, bytes: Uint8Array): void => {
    const file = name.endsWith('.json') ? new ZipDeflate(name, { level: LEVEL }) : new ZipPassThrough(name)
    // A fixed date: the same catalogue gives the same bytes.
    file.mtime = new Date(madeAt)
    zip.add(file)
    file.push(bytes, true)
  }
  const addListed = (name: string, bytes: Uint8Array, sha: string): void => {
    files.push({ name, bytes: bytes.length, sha256: sha })
    add(name, bytes)
    if (files.length % 20 === 1) onProgress(Math.min(files.length, total), total)
  }

  const pictures = new Set<string>()
  for await (const { hash, type, bytes } of contents.pictures) {
    const sha = await sha256(bytes)
    // A copy that held a spoilt picture would be refused whole.
    if (sha !== hash && !rescue) continue
    pictures.add(hash)
    addListed(`pictures/${hash}.${PICTURE_TYPES[type] ?? 'png'}`, bytes, sha)
  }
  for await (const { hash, bytes } of contents.thumbs) if (pictures.has(hash)) addListed(`thumbs/${hash}.jpg`, bytes, await sha256(bytes))
  const { data, missing } = rescue ? { data: contents.data, missing: [] } : withoutMissing(contents.data, hash => pictures.has(hash))
  for (const table of TABLE_NAMES) {
    const bytes = encoder.encode(JSON.stringify(data[table]))
    addListed(`catalogue/${table}.json`, bytes, await sha256(bytes))
  }
  const manifest: Manifest = {
    format: ARCHIVE_FORMAT,
    version: rescue?.version ?? ARCHIVE_VERSION,
    madeAt,
    roomName: String(data.settings[0]?.roomName ?? '').slice(0, LIMITS.name),
    ...(rescue ? { isRescue: true } : {}),
    counts: Object.fromEntries(TABLE_NAMES.map(table => [table, data[table].length])) as Manifest['counts'],
    files,
  }
  add(MANIFEST_NAME, encoder.encode(JSON.stringify(manifest, null, 1)))
  zip.end()
  onProgress(total, total)
  return { data, pictures, missing }
}

/** A whole archive in memory. A rescue copy says the version of the database that it was found in. */
export async function packArchive(
  data: CatalogueData,
  pictures: readonly PictureFile[],
  thumbs: readonly ThumbFile[],
  madeAt: string,
  sha256: Sha256,
  rescue: ArchiveContents['rescue'] = null,
): Promise<Uint8Array<ArrayBuffer>> {
  const parts: Uint8Array<ArrayBuffer>[] = []
  const files = pictures.length + thumbs.length
  await writeArchive({ data, pictures, thumbs, files, madeAt, rescue }, sha256, bytes => void parts.push(bytes.slice()))
  const zip = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    zip.set(part, at)
    at += part.length
  }
  return zip
}
