import { expose } from 'comlink'
import decodeQR from 'qr/decode.js'
import { openPicture } from '~/data/pictures'
import type { PictureFault } from '~/data/pictureSize'

/** More pixels a side say nothing more of a label that fills some of the picture, and take longer. */
const MOST_SIDE = 1600

function read(bitmap: ImageBitmap): string | null {
  const scale = Math.min(1, MOST_SIDE / Math.max(bitmap.width, bitmap.height))
  const [width, height] = [Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale))]
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })
  if (!context) return null
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  try {
    return decodeQR({ width, height, data: context.getImageData(0, 0, width, height).data })
  } catch {
    // The library throws where there is no code, or none that can be read.
    return null
  }
}
export type Scanned =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly code: 'noCode' }
  | { readonly ok: false; readonly code: 'notRead'; readonly fault: PictureFault }

const api = {
  /** The text of the code in one frame of the camera; null: there is none yet. */
  frame: (bitmap: ImageBitmap): string | null => read(bitmap),
  /** The text of the code in a photo. */
  async file(photo: Blob): Promise<Scanned> {
    const opened = await openPicture(photo)
    if (!opened.ok) return { ok: false, code: 'notRead', fault: opened.fault }
    const text = read(opened.bitmap)
    return text === null ? { ok: false, code: 'noCode' } : { ok: true, text }
  },
}
export type ScanApi = typeof api

expose(api)
