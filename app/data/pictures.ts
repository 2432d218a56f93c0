import { type GreyPicture, type InkMap, inkMapOf } from '#core/measuring'
import { faultOf, isTooLarge, MAX_PICTURE_BYTES, type PictureFault } from './pictureSize'

/** Longest side of a thumbnail, and the quality of its JPEG: sharp at 38 points on paper and in any list. */
export const THUMB_PX = 180
const THUMB_QUALITY = 0.72

export async function sha256(bytes: Uint8Array): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)
  return Array.from(new Uint8Array(digest), byte => byte.toString(16).padStart(2, '0')).join('')
}

/** A picture that is not kept as it came is scaled to this: more than a screen or a printed page shows. */
const SCALED_PX = 2400
const SCALED_QUALITY = 0.88

export interface MadePicture {
  readonly thumb: ArrayBuffer
  readonly inkMap: InkMap
  readonly widthPx: number
  readonly heightPx: number
  /** The upright, scaled JPEG; null where the original is kept. */
  readonly scaled: ArrayBuffer | null
}

/** Decodes in the turn the camera noted (EXIF), and gives a small JPEG on white, its ink map, and the picture's true size. */
export async function makeThumb(bytes: ArrayBuffer, type: string, keepsOriginal = true): Promise<MadePicture> {
  const bitmap = await createImageBitmap(new Blob([bytes], { type }), { imageOrientation: 'from-image' })
  const { width, height } = bitmap
  const small = draw(bitmap, THUMB_PX)
  const scaled = keepsOriginal
    ? null
    : await (await draw(bitmap, SCALED_PX).canvas.convertToBlob({ type: 'image/jpeg', quality: SCALED_QUALITY })).arrayBuffer()
  bitmap.close()
  const thumb = await (await small.canvas.convertToBlob({ type: 'image/jpeg', quality: THUMB_QUALITY })).arrayBuffer()
  return { thumb, inkMap: inkMapOf(small.grey()), widthPx: width, heightPx: height, scaled }
}

/** A picture as JPEG, no side longer than that, for paper. */
export async function jpegForPaper(bytes: ArrayBuffer, type: string, longestPx: number): Promise<ArrayBuffer> {
  const bitmap = await createImageBitmap(new Blob([bytes], { type }), { imageOrientation: 'from-image' })
  const { canvas } = draw(bitmap, longestPx)
  bitmap.close()
  return (await canvas.convertToBlob({ type: 'image/jpeg', quality: SCALED_QUALITY })).arrayBuffer()
}

/** A file as a picture, upright; or why this browser does not read it. */
export async function openPicture(
  file: Blob,
): Promise<{ readonly ok: true; readonly bitmap: ImageBitmap } | { readonly ok: false; readonly fault: PictureFault }> {
  if (file.size > MAX_PICTURE_BYTES) return { ok: false, fault: 'tooLarge' }
  const bytes = new Uint8Array(await file.arrayBuffer())
  if (isTooLarge(bytes)) return { ok: false, fault: 'tooLarge' }
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null)
  return bitmap ? { ok: true, bitmap } : { ok: false, fault: faultOf(bytes) }
}

/** In grey, no side longer than that. The bitmap is let go. */
export function greyOf(bitmap: ImageBitmap, longestPx: number): GreyPicture {
  const { grey } = draw(bitmap, longestPx)
  bitmap.close()
  return grey()
}

/** The ink map of a picture that has a thumbnail already. */
export async function inkMapOfThumb(thumb: ArrayBuffer): Promise<InkMap> {
  const bitmap = await createImageBitmap(new Blob([thumb], { type: 'image/jpeg' }))
  const { grey } = draw(bitmap, THUMB_PX)
  bitmap.close()
  return inkMapOf(grey())
}

/** Draws on white, no side longer than `longestPx`. */
function draw(bitmap: ImageBitmap, longestPx: number) {
  const { width, height } = bitmap
  const scale = Math.min(1, longestPx / Math.max(width, height))
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale)))
  const context = canvas.getContext('2d')
  if (!context) throw new Error('no 2d canvas in this worker')
  context.fillStyle = '#fff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  /** Luma by Rec. ITU-R BT.601: 0.299 R + 0.587 G + 0.114 B. */
  const grey = () => {
    const { data } = context.getImageData(0, 0, canvas.width, canvas.height)
    const pixels = new Uint8Array(canvas.width * canvas.height)
    for (let at = 0; at < pixels.length; at += 1)
      pixels[at] = Math.round(0.299 * (data[4 * at] ?? 0) + 0.587 * (data[4 * at + 1] ?? 0) + 0.114 * (data[4 * at + 2] ?? 0))
    return { widthPx: canvas.width, heightPx: canvas.height, pixels }
  }
  return { canvas, grey }
}
