import { unzipSync } from 'fflate'
import {
  type CatalogueData,
  emptyCatalogue,
  type Old,
  TABLE_NAMES,
  TABLES,
  recordsGiven,
  upgradeRecord,
  versionThatBrought,
} from '#core/catalog'
import {
  ARCHIVE_FORMAT,
  ARCHIVE_LIMITS,
  ARCHIVE_VERSION,
  FILE_NAME,
  Manifest,
  MANIFEST_NAME,
  type PictureFile,
  type ThumbFile,
  typeOfExtension,
} from './format'
import type { Sha256 } from './pack'
import { findDangling, picturesOf, withoutMissing } from './references'

interface UnpackedArchive {
  readonly manifest: Manifest
  readonly data: CatalogueData
  readonly pictures: readonly PictureFile[]
  readonly thumbs: readonly ThumbFile[]
  /** Records that name a picture which the archive lacks, in words. They are read without it. */
  readonly withoutPicture: readonly string[]
}

export type ArchiveReading =
  | { readonly ok: true; readonly archive: UnpackedArchive }
  | {
      readonly ok: false
      readonly code:
        | 'notAZip'
        | 'foreign'
        | 'tooLarge'
        | 'damaged'
        | 'newer'
        | 'badRecord'
        | 'danglingReference'
        | 'fileMissing'
        | 'fileUnlisted'
      readonly where: string
    }

const CHECKED_AT_ONCE = 64

const refuse = (code: Extract<ArchiveReading, { ok: false }>['code'], where = ''): ArchiveReading => ({ ok: false, code, where })

/**
 * Reads an archive, and refuses it whole unless everything is right: bounds and names before unpacking, then exactly the listed files,
 * every checksum, every record against its schema, every reference. A missing picture is left out and reported; a picture that no record
 * names is left out. Nothing is written anywhere.
 */
export async function unpackArchive(
  zip: Uint8Array,
  sha256: Sha256,
  onProgress: (done: number, total: number) => void = () => undefined,
): Promise<ArchiveReading> {
  const opened = openZip(zip)
  if ('ok' in opened) return opened
  const manifestBytes = opened.get(MANIFEST_NAME)
  if (!manifestBytes) return refuse('foreign')
  const manifest = readManifest(manifestBytes)
  if ('ok' in manifest) return manifest

  const listed = new Set(manifest.files.map(file => file.name))
  for (const name of opened.keys()) if (name !== MANIFEST_NAME && !listed.has(name)) return refuse('fileUnlisted', name)
  const checks = checkFiles(manifest.files, opened, sha256, onProgress)
  // Parsed while the checksums are computed; damage is reported first.
  const read = readTables(opened, manifest.version)
  const problem = await checks
  if (problem) return problem
  if ('ok' in read) return read

  const pictures = filesIn(opened, 'pictures').map(({ hash, extension, bytes }): PictureFile => ({
    hash,
    type: typeOfExtension(extension),
    bytes,
  }))
  const wronglyNamed = manifest.files.find(file => file.name.startsWith('pictures/') && !file.name.includes(file.sha256))
  if (wronglyNamed) return refuse('damaged', wronglyNamed.name)
  const hashes = new Set(pictures.map(picture => picture.hash))
  const { data, missing } = withoutMissing(read, hash => hashes.has(hash))
  const dangling = findDangling(data, hashes)
  if (dangling) return refuse('danglingReference', dangling)
  onProgress(manifest.files.length, manifest.files.length)
  // A picture that no record names only takes room.
  const named = new Set(picturesOf(data).map(each => each.hash))
  const thumbs = filesIn(opened, 'thumbs').map(({ hash, bytes }): ThumbFile => ({ hash, bytes }))
  const isNamed = ({ hash }: { hash: string }): boolean => named.has(hash)
  return {
    ok: true,
    archive: { manifest, data, pictures: pictures.filter(isNamed), thumbs: thumbs.filter(isNamed), withoutPicture: missing },
  }
}

/**
 * Checks several files at once, so that memory stays bounded: a digest works on a copy. Returns the first fault in the order of the list.
 */
async function checkFiles(
  files: Manifest['files'],
  opened: ReadonlyMap<string, Uint8Array>,
  sha256: Sha256,
  onProgress: (done: number, total: number) => void,
): Promise<ArchiveReading | null> {
  const problems: (ArchiveReading | null)[] = []
  const waiting = files.entries()
  let done = 0
  await Promise.all(
    Array.from({ length: CHECKED_AT_ONCE }, async () => {
      for (const [at, file] of waiting) {
        problems[at] = await checkFile(file, opened.get(file.name), sha256)
        if (done++ % CHECKED_AT_ONCE === 0) onProgress(done, files.length)
      }
    }),
  )
  return problems.find(each => each !== null) ?? null
}

async function checkFile(file: Manifest['files'][number], bytes: Uint8Array | undefined, sha256: Sha256): Promise<ArchiveReading | null> {
  if (!bytes) return refuse('fileMissing', file.name)
  return bytes.length !== file.bytes || (await sha256(bytes)) !== file.sha256 ? refuse('damaged', file.name) : null
}

/** Whether a picture is larger than any can be, by its entry in the zip. */
function isTooMuch({ name, size, originalSize }: { name: string; size: number; originalSize: number }): boolean {
  const { pictureBytes, pictureGrowth, slackBytes, thumbBytes } = ARCHIVE_LIMITS
  if (name.endsWith('.json')) return false
  return originalSize > (name.startsWith('thumbs/') ? thumbBytes : pictureBytes) || originalSize > size * pictureGrowth + slackBytes
}

function openZip(zip: Uint8Array): Map<string, Uint8Array> | ArchiveReading {
  let [files, packed, json, total] = [0, 0, 0, 0]
  let foreign: string | null = null
  let isRefused = false
  try {
    const unzipped = unzipSync(zip, {
      filter: file => {
        files += 1
        // Overlapping files of a zip would add up to more than the zip.
        packed += file.size
        total += file.originalSize
        if (file.name.endsWith('.json')) json += file.originalSize
        if (file.name !== MANIFEST_NAME && !FILE_NAME.test(file.name)) foreign ??= file.name
        isRefused ||=
          files > ARCHIVE_LIMITS.files ||
          packed > zip.length ||
          total > ARCHIVE_LIMITS.totalBytes ||
          json > ARCHIVE_LIMITS.jsonBytes ||
          isTooMuch(file)
        return !isRefused && foreign === null
      },
    })
    if (foreign !== null) return refuse('foreign', foreign)
    if (isRefused) return refuse('tooLarge')
    return new Map(Object.entries(unzipped))
  } catch {
    return refuse(zip[0] === 0x50 && zip[1] === 0x4b ? 'damaged' : 'notAZip')
  }
}

const isObject = (value: unknown): value is Old => typeof value === 'object' && value !== null && !Array.isArray(value)

function parseJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    return undefined
  }
}

function readManifest(bytes: Uint8Array): Manifest | ArchiveReading {
  const json = parseJson(bytes)
  const marks = typeof json === 'object' && json !== null ? (json as { format?: unknown; version?: unknown }) : {}
  if (marks.format !== ARCHIVE_FORMAT) return refuse('foreign', MANIFEST_NAME)
  if (typeof marks.version === 'number' && marks.version > ARCHIVE_VERSION) return refuse('newer', String(marks.version))
  const parsed = Manifest.safeParse(json)
  return parsed.success ? parsed.data : refuse('damaged', MANIFEST_NAME)
}

function readTables(files: ReadonlyMap<string, Uint8Array>, version: number): CatalogueData | ArchiveReading {
  const data = emptyCatalogue() as Record<string, unknown[]>
  for (const table of TABLE_NAMES) {
    const name = `catalogue/${table}.json`
    const bytes = files.get(name)
    const isNew = versionThatBrought(table) > version
    if (!bytes && !isNew) return refuse('fileMissing', name)
    const records = bytes ? parseJson(bytes) : []
    if (!Array.isArray(records)) return refuse('damaged', name)
    for (const { to, record } of records.flatMap((each: unknown) => (isObject(each) ? recordsGiven(table, each, version) : [])))
      data[to]?.push(record)
    const upgraded = [
      ...records.map((record: unknown) => (isObject(record) ? upgradeRecord(table, record, version) : record)),
      // Records that older tables give to a table which their version did not have.
      ...(data[table] ?? []),
    ]
    const parsed = TABLES[table].array().safeParse(upgraded)
    if (!parsed.success) return refuse('badRecord', `${name}: ${parsed.error.issues[0]?.path.join('.') ?? ''}`)
    data[table] = parsed.data
  }
  return data as unknown as CatalogueData
}

function filesIn(
  files: ReadonlyMap<string, Uint8Array>,
  folder: string,
): readonly { hash: string; extension: string; bytes: Uint8Array }[] {
  return [...files]
    .filter(([name]) => name.startsWith(`${folder}/`))
    .map(([name, bytes]) => {
      const [hash = '', extension = ''] = name.slice(folder.length + 1).split('.')
      return { hash, extension, bytes }
    })
}
