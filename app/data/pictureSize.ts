import { imageSize } from 'image-size'
import { ARCHIVE_LIMITS } from '#core/exchange'

/** A picture above this is not taken: no browser would decode it in bounded memory. */
export const MAX_PICTURE_BYTES = ARCHIVE_LIMITS.pictureBytes
const MAX_PICTURE_PIXELS = 70_000_000

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

/** Why a file is not taken as a picture: what it is, where that can be told. */
export type PictureFault = 'heic' | 'tiff' | 'pdf' | 'drawing' | 'notAPicture' | 'tooLarge'
/** How files begin that are no picture to every browser: ISO 23008-12 (HEIF), TIFF 6.0, ISO 32000 (PDF). */
const SIGNATURES: readonly (readonly [begins: RegExp, what: PictureFault])[] = [
  [/^[^]{4}ftyp(?:hei[cxms]|hev[cxms]|mif1|msf1)/, 'heic'],
  [/^(?:II\*\0|MM\0\*)/, 'tiff'],
  [/^%PDF-/, 'pdf'],
  [/^(?:8BPS|\s*(?:<\?xml[^]*)?<svg)/, 'drawing'],
]
const BEGINNING = 400

/**
 * What a file is that this browser cannot read as a picture, by how it begins.
 * @example faultOf(new Uint8Array([37, 80, 68, 70, 45])) //=> 'pdf'
 */
export function faultOf(bytes: Uint8Array): PictureFault {
  const text = String.fromCharCode(...bytes.subarray(0, BEGINNING))
  return SIGNATURES.find(([begins]) => begins.test(text))?.[1] ?? 'notAPicture'
}

/** More than a browser should be asked to decode. O(header). */
export function isTooLarge(bytes: Uint8Array): boolean {
  const size = headerSize(bytes)
  return bytes.length > MAX_PICTURE_BYTES || (size !== null && size.widthPx * size.heightPx > MAX_PICTURE_PIXELS)
}
