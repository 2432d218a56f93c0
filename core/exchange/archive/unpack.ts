import { unzipSync } from 'fflate'
import {
  type CatalogueData,
  emptyCatalogue,
  LIMITS,
  type Old,
  namedPictures,
  recordsGiven,
  type SetAside,
  TABLE_NAMES,
  type TableName,
  TABLES,
  upgradeRecord,
  versionThatBrought,
  withoutMissing,
} from '#core/catalog'
import { type Finding, type Given, mend } from '#core/soundness'
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

interface UnpackedArchive {
  readonly manifest: Manifest
  readonly data: CatalogueData
  readonly pictures: readonly PictureFile[]
  readonly thumbs: readonly ThumbFile[]
  /** Records that name a picture which the archive lacks, in words. They are read without it. */
  readonly withoutPicture: readonly string[]
  /** What did not hold together and was mended, and what only somebody who knows can make right. */
  readonly mended: readonly Finding[]
  readonly left: readonly Finding[]
  /** Names of files that are damaged, missing or unknown. Only where it was read as far as it goes. */
  readonly leftOut: readonly string[]
}
/**
 * `whole`: as it was saved, or not at all. `asFarAsItGoes`: records that no table takes are set aside, and files that are damaged are left
 * out. A rescue copy is read so, as it holds what was found.
 */
export type Reading = 'whole' | 'asFarAsItGoes'

export type ArchiveReading =
  | { readonly ok: true; readonly archive: UnpackedArchive }
  | {
      readonly ok: false
      readonly code: 'notAZip' | 'foreign' | 'tooLarge' | 'damaged' | 'newer' | 'badRecord' | 'fileMissing' | 'fileUnlisted'
      readonly where: string
    }

const CHECKED_AT_ONCE = 64

const refuse = (code: Extract<ArchiveReading, { ok: false }>['code'], where = ''): ArchiveReading => ({ ok: false, code, where })

/**
 * Reads an archive. Bounds and names are checked before anything is unpacked; then exactly the listed files, every checksum, and every
 * record against its schema. Read `whole`, one fault refuses it. What the records say of each other is mended where it does not hold
 * together, and reported. A missing picture is left out and reported; a picture that no record names is left out. Nothing is written.
 */
export async function unpackArchive(
  zip: Uint8Array,
  sha256: Sha256,
  given: Omit<Given, 'pictures'>,
  onProgress: (done: number, total: number) => void = () => undefined,
  wanted: Reading = 'whole',
): Promise<ArchiveReading> {
  const opened = openZip(zip)
  if ('ok' in opened) return opened
  const manifestBytes = opened.get(MANIFEST_NAME)
  if (!manifestBytes) return refuse('foreign')
  const manifest = readManifest(manifestBytes)
  if ('ok' in manifest) return manifest
  const isWhole = wanted === 'whole' && manifest.isRescue !== true

  const listed = new Set(manifest.files.map(file => file.name))
  const unlisted = [...opened.keys()].filter(name => name !== MANIFEST_NAME && !listed.has(name))
  if (isWhole && unlisted[0] !== undefined) return refuse('fileUnlisted', unlisted[0])
  const checks = checkFiles(manifest.files, opened, sha256, onProgress)
  // Parsed while the checksums are computed; damage is reported first.
  const read = isWhole ? readTables(opened, manifest.version) : readWhatGoes(opened, manifest.version, given)
  const problems = await checks
  if (isWhole && problems[0]) return refuse(problems[0].code, problems[0].where)
  if ('ok' in read) return read

  const wronglyNamed = manifest.files.flatMap(file =>
    file.name.startsWith('pictures/') && !file.name.includes(file.sha256) ? file.name : [],
  )
  if (isWhole && wronglyNamed[0] !== undefined) return refuse('damaged', wronglyNamed[0])
  const wrong = new Set([...problems.map(({ where }) => where), ...wronglyNamed])
  const pictures = filesIn(opened, 'pictures')
    .filter(({ name }) => !wrong.has(name) && listed.has(name))
    .map(({ hash, extension, bytes }): PictureFile => ({ hash, type: typeOfExtension(extension), bytes }))
  const hashes = new Set(pictures.map(picture => picture.hash))
  const { data: complete, missing } = withoutMissing(read.data, hash => hashes.has(hash))
  const { data, mended, left } = mend(complete, { ...given, pictures: hashes })
  onProgress(manifest.files.length, manifest.files.length)
  // A picture that no record names only takes room.
  const named = namedPictures(data)
  const thumbs = filesIn(opened, 'thumbs').filter(({ name }) => !wrong.has(name) && listed.has(name))
  const isNamed = ({ hash }: { hash: string }): boolean => named.has(hash)
  return {
    ok: true,
    archive: {
      manifest,
      data,
      pictures: pictures.filter(isNamed),
      thumbs: thumbs.filter(isNamed).map(({ hash, bytes }): ThumbFile => ({ hash, bytes })),
      withoutPicture: missing,
      mended,
      left,
      leftOut: [...new Set([...wrong, ...unlisted, ...read.leftOut])],
    },
  }
}

interface FileProblem {
  readonly code: 'fileMissing' | 'damaged'
  readonly where: string
}
/**
 * Checks several files at once, so that memory stays bounded: a digest works on a copy. Returns the faults in the order of the list.
 */
async function checkFiles(
  files: Manifest['files'],
  opened: ReadonlyMap<string, Uint8Array>,
  sha256: Sha256,
  onProgress: (done: number, total: number) => void,
): Promise<readonly FileProblem[]> {
  const problems: (FileProblem | null)[] = []
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
  return problems.filter(each => each !== null)
}

async function checkFile(file: Manifest['files'][number], bytes: Uint8Array | undefined, sha256: Sha256): Promise<FileProblem | null> {
  if (!bytes) return { code: 'fileMissing', where: file.name }
  return bytes.length !== file.bytes || (await sha256(bytes)) !== file.sha256 ? { code: 'damaged', where: file.name } : null
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

interface ReadTables {
  readonly data: CatalogueData
  readonly leftOut: readonly string[]
}
const fileOf = (table: TableName): string => `catalogue/${table}.json`

/** What records of earlier versions give to tables that these did not have, and the records themselves, as today's. */
function upgradedRecords(table: TableName, records: readonly unknown[], version: number) {
  return {
    given: records.flatMap(each => (isObject(each) ? recordsGiven(table, each, version) : [])),
    own: records.map(record => (isObject(record) ? upgradeRecord(table, record, version) : record)),
  }
}

function readTables(files: ReadonlyMap<string, Uint8Array>, version: number): ReadTables | ArchiveReading {
  const data = emptyCatalogue() as Record<string, unknown[]>
  for (const table of TABLE_NAMES) {
    const name = fileOf(table)
    const bytes = files.get(name)
    const isNew = versionThatBrought(table) > version
    if (!bytes && !isNew) return refuse('fileMissing', name)
    const records = bytes ? parseJson(bytes) : []
    if (!Array.isArray(records)) return refuse('damaged', name)
    const { given, own } = upgradedRecords(table, records, version)
    for (const { to, record } of given) data[to]?.push(record)
    const parsed = TABLES[table].array().safeParse([...own, ...(data[table] ?? [])])
    if (!parsed.success) return refuse('badRecord', `${name}: ${parsed.error.issues[0]?.path.join('.') ?? ''}`)
    if (new Set(parsed.data.map(({ id }) => id)).size !== parsed.data.length) return refuse('badRecord', `${name}: one id twice`)
    data[table] = parsed.data
  }
  return { data: data as unknown as CatalogueData, leftOut: [] }
}

/** Every record that its table takes; the rest is set aside, word for word. */
function readWhatGoes(files: ReadonlyMap<string, Uint8Array>, version: number, { at, newId }: Omit<Given, 'pictures'>): ReadTables {
  const data = emptyCatalogue() as Record<string, { readonly id: string }[]>
  const [aside, leftOut]: [SetAside[], string[]] = [[], []]
  const take = (table: TableName, record: unknown, original: unknown, known: Set<string>): void => {
    const { data: taken, error } = TABLES[table].safeParse(record)
    if (taken && !known.has(taken.id)) {
      known.add(taken.id)
      data[table]?.push(taken)
      return
    }
    const text = JSON.stringify(original)
    const issue = error?.issues[0]
    const fault = issue ? `${issue.path.join('.')} ${issue.message}` : 'id: one id twice'
    if (text.length > LIMITS.setAside) leftOut.push(fileOf(table))
    else aside.push({ id: newId(), from: table, text, fault: `${table}: ${fault}`.slice(0, LIMITS.fault), at })
  }
  const known = new Map(TABLE_NAMES.map(table => [table, new Set<string>()]))
  for (const table of TABLE_NAMES) {
    const bytes = files.get(fileOf(table))
    const records = bytes && parseJson(bytes)
    if (!Array.isArray(records)) {
      if (versionThatBrought(table) <= version) leftOut.push(fileOf(table))
      continue
    }
    for (const record of records as readonly unknown[]) {
      const upgraded = tried(() => upgradedRecords(table, [record], version))
      take(table, upgraded?.own[0] ?? record, record, known.get(table) ?? new Set())
      for (const gift of upgraded?.given ?? []) take(gift.to, gift.record, gift.record, known.get(gift.to) ?? new Set())
    }
  }
  data.setAside?.push(...aside)
  return { data: data as unknown as CatalogueData, leftOut: [...new Set(leftOut)] }
}
/** What is spoilt may have no field that an upgrade counts on. */
function tried<R>(work: () => R): R | null {
  try {
    return work()
  } catch {
    return null
  }
}

function filesIn(
  files: ReadonlyMap<string, Uint8Array>,
  folder: string,
): readonly { name: string; hash: string; extension: string; bytes: Uint8Array }[] {
  return [...files]
    .filter(([name]) => name.startsWith(`${folder}/`))
    .map(([name, bytes]) => {
      const [hash = '', extension = ''] = name.slice(folder.length + 1).split('.')
      return { name, hash, extension, bytes }
    })
}
