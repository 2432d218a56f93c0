import { imageSize } from 'image-size'
import { ARCHIVE_LIMITS } from '#core/exchange'

/** A picture above this is not taken: no browser would decode it in bounded memory. */
export const MAX_PICTURE_BYTES = ARCHIVE_LIMITS.pictureBytes
export const MAX_PICTURE_PIXELS = 70_000_000

export interface PixelSize {
  readonly widthPx: number
  readonly heightPx: number
}

/** Width and height of a PNG, JPEG, WebP, GIF or AVIF from its header alone, before anything is decoded; null where none can be read. */
export function headerSize(bytes: Uint8Array): PixelSize | null {
  try {
    const { width, height } = imageSize(bytes)
    return { widthPx: width, heightPx: height }
  } catch {
    return null
  }
}

/** More than a browser should be asked to decode. O(header). */
export function isTooLarge(bytes: Uint8Array): boolean {
  const size = headerSize(bytes)
  return bytes.length > MAX_PICTURE_BYTES || (size !== null && size.widthPx * size.heightPx > MAX_PICTURE_PIXELS)
}
