/** Longest side of a thumbnail, and the quality of its JPEG: sharp at 38 points on paper and in any list. */
const THUMB_PX = 180
const THUMB_QUALITY = 0.72
/** A picture above this is not taken: no browser would decode it in bounded memory. */
export const MAX_PICTURE_BYTES = 60 * 1024 * 1024
export const MAX_PICTURE_PIXELS = 70_000_000

export async function sha256(bytes: Uint8Array): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)
  return Array.from(new Uint8Array(digest), byte => byte.toString(16).padStart(2, '0')).join('')
}

/** Decodes in the turn the camera noted (EXIF), draws on white, and gives a small JPEG and the picture's true size. */
export async function makeThumb(bytes: ArrayBuffer, type: string): Promise<{ thumb: ArrayBuffer, widthPx: number, heightPx: number }> {
  const bitmap = await createImageBitmap(new Blob([bytes], { type }), { imageOrientation: 'from-image' })
  const { width, height } = bitmap
  const scale = Math.min(1, THUMB_PX / Math.max(width, height))
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale)))
  const context = canvas.getContext('2d')
  if (!context) throw new Error('no 2d canvas in this worker')
  context.fillStyle = '#fff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: THUMB_QUALITY })
  return { thumb: await blob.arrayBuffer(), widthPx: width, heightPx: height }
}

/** Width and height of a PNG or JPEG from its header alone; null for anything else. */
export function headerSize(bytes: Uint8Array): { widthPx: number, heightPx: number } | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (bytes.length > 24 && view.getUint32(0) === 0x89504e47) return { widthPx: view.getUint32(16), heightPx: view.getUint32(20) }
  if (bytes.length < 4 || view.getUint16(0) !== 0xffd8) return null
  for (let at = 2; at + 9 < bytes.length;) {
    const marker = view.getUint16(at)
    const isFrame = marker >= 0xffc0 && marker <= 0xffcf && marker !== 0xffc4 && marker !== 0xffc8 && marker !== 0xffcc
    if (isFrame) return { widthPx: view.getUint16(at + 7), heightPx: view.getUint16(at + 5) }
    at += 2 + view.getUint16(at + 2)
  }
  return null
}
