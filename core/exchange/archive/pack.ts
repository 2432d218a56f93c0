import { zipSync, type Zippable } from 'fflate'
import { type CatalogueData, LIMITS, TABLE_NAMES } from '#core/catalog'
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type Manifest, MANIFEST_NAME, PICTURE_TYPES, type PictureFile, type ThumbFile } from './format'

export type Sha256 = (bytes: Uint8Array) => Promise<string>

/**
 * A whole catalogue with its pictures as one zip. JSON is deflated; pictures are stored, as they are compressed
 * already and must come back byte for byte. `rescue`: the tables are as they were found in a database of that version. See docs/formats.md.
 */
export async function packArchive(
  data: CatalogueData,
  pictures: readonly PictureFile[],
  thumbs: readonly ThumbFile[],
  madeAt: string,
  sha256: Sha256,
  onProgress: (done: number, total: number) => void = () => undefined,
  rescue: { readonly version: number } | null = null,
): Promise<Uint8Array> {
  const encoder = new TextEncoder()
  const contents: [name: string, bytes: Uint8Array][] = [
    ...TABLE_NAMES.map((table): [string, Uint8Array] => [`catalogue/${table}.json`, encoder.encode(JSON.stringify(data[table]))]),
    ...pictures.map((picture): [string, Uint8Array] => [`pictures/${picture.hash}.${PICTURE_TYPES[picture.type] ?? 'png'}`, picture.bytes]),
    ...thumbs.map((thumb): [string, Uint8Array] => [`thumbs/${thumb.hash}.jpg`, thumb.bytes]),
  ]
  const files: Manifest['files'] = []
  for (const [index, [name, bytes]] of contents.entries()) {
    files.push({ name, bytes: bytes.length, sha256: await sha256(bytes) })
    if (index % 50 === 0) onProgress(index, contents.length)
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
  const zippable: Zippable = { [MANIFEST_NAME]: [encoder.encode(JSON.stringify(manifest, null, 1)), { level: 6 }] }
  for (const [name, bytes] of contents) zippable[name] = [bytes, { level: name.endsWith('.json') ? 6 : 0 }]
  onProgress(contents.length, contents.length)
  // A fixed date: the same catalogue gives the same bytes.
  return zipSync(zippable, { mtime: new Date(madeAt) })
}
