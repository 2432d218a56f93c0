import { z } from 'zod'
import { LATEST_VERSION, TABLE_NAMES } from '#core/catalog'

/** The head of every archive: format, version, and a checksum of every file in it. */
export const ARCHIVE_FORMAT = 'yondercrest-archive'
export const ARCHIVE_VERSION = LATEST_VERSION

export const MANIFEST_NAME = 'manifest.json'
/** The only names allowed in an archive: no name can leave its folder. */
export const FILE_NAME = /^(catalogue\/[A-Za-z]{2,20}\.json|pictures\/[0-9a-f]{64}\.(png|jpg|webp|gif|avif)|thumbs\/[0-9a-f]{64}\.jpg)$/

export const Manifest = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.number().int().positive(),
  madeAt: z.iso.datetime(),
  roomName: z.string().max(300),
  /** The tables as they were found, unchecked: read as far as it goes. */
  isRescue: z.boolean().optional(),
  counts: z.partialRecord(z.enum(TABLE_NAMES), z.number().int().nonnegative()),
  files: z.array(
    z.object({
      name: z.string().regex(FILE_NAME),
      bytes: z.number().int().nonnegative(),
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
    }),
  ),
})
export type Manifest = z.infer<typeof Manifest>

/**
 * Bounds that are checked before anything is unpacked. Pictures are compressed already, so a picture that grows is none. The largest
 * catalogue tried, 20,000 sets, has 20 MB of tables.
 */
export const ARCHIVE_LIMITS = {
  files: 60_000,
  totalBytes: 3 * 1024 ** 3,
  jsonBytes: 200 * 1024 ** 2,
  pictureBytes: 60 * 1024 ** 2,
  thumbBytes: 1024 ** 2,
  pictureGrowth: 1.5,
  /** Growth in bytes that is allowed for any small file. */
  slackBytes: 64 * 1024,
} as const

export const PICTURE_TYPES: Readonly<Record<string, string>> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/webp': 'webp',
  'image/gif': 'gif',
  'image/avif': 'avif',
}

export function typeOfExtension(extension: string): string {
  return Object.entries(PICTURE_TYPES).find(([, each]) => each === extension)?.[0] ?? 'application/octet-stream'
}

/** A picture as bytes, named by the SHA-256 of those bytes. */
export interface PictureFile {
  readonly hash: string
  readonly type: string
  readonly bytes: Uint8Array
}
/** A small JPEG of the picture with that hash; made again if it is missing. */
export interface ThumbFile {
  readonly hash: string
  readonly bytes: Uint8Array
}
