import { expose, transfer } from 'comlink'
import {
  type GreyPicture,
  type Measured,
  type MeasuredPiece,
  type MeasureFault,
  measureSet,
  proposeCorners,
  type Quad,
  type Reference,
  splitPiece,
  type Mask,
} from '#core/measuring'
import { openPicture } from '~/data/pictures'
import type { PictureFault } from '~/data/pictureSize'

/** More than this says nothing more, and takes the memory of a phone. */
const MOST_PIXELS = 12_500_000

export interface OpenedPhoto {
  readonly ok: true
  readonly widthPx: number
  readonly heightPx: number
  /** Megapixels as it came, where it was scaled down first. */
  readonly scaledFrom: number | null
  /** The photo as it is shown: corners are pixels of it. */
  readonly shown: ImageBitmap
}
export type PhotoOpening = OpenedPhoto | { readonly ok: false; readonly code: PictureFault }
/** As measured, with the impression as a PNG: black on white. */
export type MeasuredPhoto = Omit<Measured, 'impression'> & { readonly impression: Blob }
export type PhotoMeasurement = MeasuredPhoto | { readonly ok: false; readonly code: MeasureFault | 'noPhoto' }

let photo: GreyPicture | null = null
let last: { readonly impression: Mask; readonly pxPerMm: number } | null = null

const api = {
  /** Reads a photo, upright and grey. A very large one is scaled first. */
  async open(file: Blob): Promise<PhotoOpening> {
    const opened = await openPicture(file)
    if (!opened.ok) return { ok: false, code: opened.fault }
    const { bitmap } = opened
    const pixels = bitmap.width * bitmap.height
    const scale = Math.min(1, Math.sqrt(MOST_PIXELS / pixels))
    const [widthPx, heightPx] = [Math.max(1, Math.round(bitmap.width * scale)), Math.max(1, Math.round(bitmap.height * scale))]
    const canvas = new OffscreenCanvas(widthPx, heightPx)
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) return { ok: false, code: 'notAPicture' }
    context.imageSmoothingQuality = 'high'
    context.drawImage(bitmap, 0, 0, widthPx, heightPx)
    bitmap.close()
    photo = { widthPx, heightPx, pixels: greyOf(context, widthPx, heightPx) }
    const shown = canvas.transferToImageBitmap()
    return transfer({ ok: true, widthPx, heightPx, scaledFrom: scale < 1 ? Math.round(pixels / 1e6) : null, shown }, [shown])
  },

  propose(reference: Reference): { readonly quads: readonly Quad[]; readonly isCutOff: boolean } {
    return photo ? proposeCorners(photo, reference) : { quads: [], isCutOff: false }
  },

  async measure(corners: Quad, reference: Reference): Promise<PhotoMeasurement> {
    if (!photo) return { ok: false, code: 'noPhoto' }
    const measured = measureSet(photo, corners, reference)
    if (!measured.ok) return measured
    last = measured
    const { widthMm, heightMm, plusMinusMm, pieces, pxPerMm } = measured
    return {
      ok: true,
      corners: measured.corners,
      widthMm,
      heightMm,
      plusMinusMm,
      pieces,
      pxPerMm,
      impression: await pngOf(measured.impression),
    }
  },

  split(piece: MeasuredPiece): readonly [MeasuredPiece, MeasuredPiece] | null {
    return last && splitPiece(last.impression, last.pxPerMm, piece)
  },
}

/** Luma by Rec. ITU-R BT.601, in strips, so that no second copy of the whole is held. */
const STRIP_PX = 256
function greyOf(context: OffscreenCanvasRenderingContext2D, widthPx: number, heightPx: number): Uint8Array {
  const grey = new Uint8Array(widthPx * heightPx)
  for (let top = 0; top < heightPx; top += STRIP_PX) {
    const { data } = context.getImageData(0, top, widthPx, Math.min(STRIP_PX, heightPx - top))
    for (let at = 0; at < data.length / 4; at += 1)
      grey[top * widthPx + at] = (299 * (data[4 * at] ?? 0) + 587 * (data[4 * at + 1] ?? 0) + 114 * (data[4 * at + 2] ?? 0) + 500) / 1000
  }
  return grey
}

async function pngOf({ widthPx, heightPx, ink }: Mask): Promise<Blob> {
  const canvas = new OffscreenCanvas(widthPx, heightPx)
  const context = canvas.getContext('2d')
  const image = new ImageData(widthPx, heightPx)
  image.data.fill(255)
  for (let at = 0; at < ink.length; at += 1) if (ink[at] === 1) image.data[4 * at] = image.data[4 * at + 1] = image.data[4 * at + 2] = 0
  context?.putImageData(image, 0, 0)
  return canvas.convertToBlob({ type: 'image/png' })
}

export type MeasureApi = typeof api
expose(api)
