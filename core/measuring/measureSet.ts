import { findSet, inkOfView, keepInside, type MeasuredPiece, type SetBox, type View } from './findSet'
import type { GreyPicture } from './fingerprint'
import { rectify } from './grey'
import { areaOf } from './outline'
import { cornersFault, type CornersFault, inverse, mapPoint, type Matrix3, perspective, type Point, type Quad } from './perspective'
import { refineCorners } from './refine'
import type { Mask } from './threshold'

/** What of known size lies in the photo. The set lies on a sheet, or beside a card. */
export interface Reference {
  readonly widthMm: number
  readonly heightMm: number
  readonly isSheet: boolean
}
export interface Measured {
  readonly ok: true
  readonly corners: Quad
  readonly widthMm: number
  readonly heightMm: number
  /** The size is as likely as not nearer than half of this, and in 95 of 100 within it. */
  readonly plusMinusMm: number
  readonly pieces: readonly MeasuredPiece[]
  /** Black and white at true size, upright: 1 is ink. */
  readonly impression: Mask
  readonly pxPerMm: number
}
export type MeasureFault = CornersFault | 'blurred' | 'notFlat' | 'noEdge' | 'noSet' | 'referenceTooLarge'
export type Measurement = Measured | { readonly ok: false; readonly code: MeasureFault }

const PX_PER_MM = 6
/** Larger planes are measured coarser, so that memory stays bounded. */
const MOST_PIXELS = 7_000_000
/** As far beyond a card a set is looked for. */
const AROUND_CARD_MM = 260
/** Edge of the sheet, and rounded corners, are not looked at. */
const INSIDE_MM = 4
/** The edge of a clear backing shows as a line about so wide: which side of it is the edge, no photo says. */
const FILM_EDGE_MM = 0.5
/** So sure is a corner at best, in pixels. */
const CORNER_PX = 0.35
const LARGEST_REFERENCE = 0.985

/**
 * Measures the set in a photo, given corners that are nearly right: they are refined, the plane is rectified to true
 * scale, and the set with its pieces is found by its ink. Where the reference cannot be trusted, that is said and
 * nothing is measured. O(pixels).
 */
export function measureSet(photo: GreyPicture, corners: Quad, reference: Reference): Measurement {
  const fault = cornersFault(corners, photo.widthPx, photo.heightPx)
  if (fault) return { ok: false, code: fault }
  if (areaOf(corners) > LARGEST_REFERENCE * photo.widthPx * photo.heightPx) return { ok: false, code: 'referenceTooLarge' }
  const refined = refineCorners(photo, corners, Math.max(8, Math.max(photo.widthPx, photo.heightPx) / 150))
  if (!refined.ok) return refined
  const plane = planeOf(refined.corners, reference)
  const toPhoto = plane && perspective(plane, refined.corners)
  if (!toPhoto) return { ok: false, code: 'onOneLine' }
  const view = lookedAt(photo, toPhoto, reference, plane)
  const found = findSet(view, reference.isSheet ? null : plane)
  if (!found) return { ok: false, code: 'noSet' }
  const { box, pieces } = found
  const impression = uprightImpression(photo, toPhoto, box, view)
  const shortestSidePx = Math.min(...refined.corners.map((corner, at) => distance(corner, refined.corners[(at + 1) % 4] as Point)))
  const scaleOff = (2 * Math.max(CORNER_PX, refined.offPx)) / shortestSidePx
  const edgeOff = 1 / view.pxPerMm + (0.25 * refined.blurPx * reference.widthMm) / distance(refined.corners[0], refined.corners[1])
  return {
    ok: true,
    corners: refined.corners,
    widthMm: box.width,
    heightMm: box.height,
    pxPerMm: view.pxPerMm,
    impression,
    pieces,
    plusMinusMm: Math.hypot(scaleOff * Math.max(box.width, box.height), edgeOff, FILM_EDGE_MM),
  }
}

/** The reference in its plane: its longer side lies along the longer sides in the photo. */
function planeOf(corners: Quad, { widthMm, heightMm }: Reference): Quad {
  const across = distance(corners[0], corners[1]) + distance(corners[2], corners[3])
  const down = distance(corners[1], corners[2]) + distance(corners[3], corners[0])
  const [w, h] = across > down === widthMm > heightMm ? [widthMm, heightMm] : [heightMm, widthMm]
  return [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ]
}

/** The part of the plane where the set may lie: on the sheet, or in the photo around the card. */
function lookedAt(photo: GreyPicture, toPhoto: Matrix3, { isSheet }: Reference, plane: Quad): View {
  const [w, h] = [plane[2].x, plane[2].y]
  let [x0, y0, x1, y1] = [INSIDE_MM, INSIDE_MM, w - INSIDE_MM, h - INSIDE_MM]
  if (!isSheet) {
    const toPlane = inverse(toPhoto)
    const seen = [
      { x: 0, y: 0 },
      { x: photo.widthPx, y: 0 },
      { x: photo.widthPx, y: photo.heightPx },
      { x: 0, y: photo.heightPx },
    ].map(corner => mapPoint(toPlane, corner))
    x0 = Math.max(-AROUND_CARD_MM, Math.min(...seen.map(each => each.x)))
    y0 = Math.max(-AROUND_CARD_MM, Math.min(...seen.map(each => each.y)))
    x1 = Math.min(w + AROUND_CARD_MM, Math.max(...seen.map(each => each.x)))
    y1 = Math.min(h + AROUND_CARD_MM, Math.max(...seen.map(each => each.y)))
  }
  const [widthMm, heightMm] = [Math.max(10, x1 - x0), Math.max(10, y1 - y0)]
  const pxPerMm = Math.min(PX_PER_MM, Math.sqrt(MOST_PIXELS / (widthMm * heightMm)))
  return { picture: rectify(photo, toPhoto, { x: x0, y: y0, widthMm, heightMm }, pxPerMm), x: x0, y: y0, pxPerMm }
}

/** The set alone, upright, black and white. */
function uprightImpression(photo: GreyPicture, toPhoto: Matrix3, box: SetBox, { pxPerMm }: View): Mask {
  const flat: Quad = [
    { x: 0, y: 0 },
    { x: box.width, y: 0 },
    { x: box.width, y: box.height },
    { x: 0, y: box.height },
  ]
  const toBox = perspective(flat, box.corners)
  if (!toBox) return { widthPx: 1, heightPx: 1, ink: new Uint8Array(1) }
  const picture = rectify(photo, times(toPhoto, toBox), { x: 0, y: 0, widthMm: box.width, heightMm: box.height }, pxPerMm)
  const impression = inkOfView({ picture, pxPerMm })
  if (box.hasEdge)
    keepInside(impression, { picture, x: 0, y: 0, pxPerMm }, { width: box.width, height: box.height, angleDeg: 0, corners: flat })
  return impression
}
function times(a: Matrix3, b: Matrix3): Matrix3 {
  return [0, 1, 2].flatMap(row =>
    [0, 1, 2].map(column => [0, 1, 2].reduce((sum, at) => sum + (a[3 * row + at] ?? 0) * (b[3 * at + column] ?? 0), 0)),
  ) as unknown as Matrix3
}
const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)
