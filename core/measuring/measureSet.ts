import { cameraFit, rectangle } from './asCamera'
import { type FindFault, findSet, inkOfView, keepInside, type MeasuredPiece, type SetBox, type View } from './findSet'
import type { GreyPicture } from './fingerprint'
import { rectify } from './grey'
import { areaOf } from './outline'
import { cornersFault, type CornersFault, inverse, mapPoint, type Matrix3, perspective, type Point, type Quad } from './perspective'
import { refineCorners } from './refine'
import type { Mask } from './threshold'

/** The thing of known size in the photo. The set lies on a sheet, or beside a card. */
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
  /** Error of the size: about 95 % interval (coverage factor 2). */
  readonly plusMinusMm: number
  readonly pieces: readonly MeasuredPiece[]
  /** Black and white at true size, upright: 1 is ink. */
  readonly impression: Mask
  readonly pxPerMm: number
}
export type MeasureFault = CornersFault | 'blurred' | 'notFlat' | 'noEdge' | 'referenceTooLarge' | 'otherShape' | 'tooSlanted' | FindFault
export type Measurement = Measured | { readonly ok: false; readonly code: MeasureFault }

const PX_PER_MM = 6
/** Larger planes are measured at a lower resolution, so that memory stays bounded. */
const MOST_PIXELS = 7_000_000
/** Distance beyond a card within which a set is searched. */
const AROUND_CARD_MM = 450
/** Edge of the sheet, and rounded corners, are left out. */
const INSIDE_MM = 2
/** The edge of a clear backing shows as a line of this width: which side of it is the edge, no photo shows. */
const FILM_EDGE_MM = 0.5
/** Smallest error of a corner, in pixels. */
const CORNER_PX = 0.35
const LARGEST_REFERENCE = 0.985

/**
 * Measures the set in a photo from approximate corners of the reference: these are refined, the plane is rectified to true scale, and the
 * set and its pieces are found by their ink. If the reference cannot be trusted, the reason is returned and nothing is measured.
 * O(pixels).
 */
export function measureSet(photo: GreyPicture, corners: Quad, reference: Reference): Measurement {
  const fault = cornersFault(corners, photo.widthPx, photo.heightPx)
  if (fault) return { ok: false, code: fault }
  if (areaOf(corners) > LARGEST_REFERENCE * photo.widthPx * photo.heightPx) return { ok: false, code: 'referenceTooLarge' }
  const refined = refineCorners(photo, corners, Math.max(8, Math.max(photo.widthPx, photo.heightPx) / 150))
  if (!refined.ok) return refined
  const plane = planeOf(refined.corners, reference, photo)
  if (typeof plane === 'string') return { ok: false, code: plane }
  const toPhoto = perspective(plane, refined.corners)
  if (!toPhoto) return { ok: false, code: 'onOneLine' }
  const view = lookedAt(photo, toPhoto, reference, plane)
  const found = findSet(view, reference.isSheet ? null : { plane, isInPhoto: isInPhoto(photo, toPhoto) })
  if (!found.ok) return found
  const { box, pieces } = found
  const impression = uprightImpression(photo, toPhoto, box, view)
  const scaleOffMm = offBy(plane, refined.corners, Math.max(CORNER_PX, refined.offPx), box)
  const edgeOffMm = 1 / view.pxPerMm + (0.25 * refined.blurPx * reference.widthMm) / distance(refined.corners[0], refined.corners[1])
  return {
    ok: true,
    corners: refined.corners,
    widthMm: box.width,
    heightMm: box.height,
    pxPerMm: view.pxPerMm,
    impression,
    pieces,
    plusMinusMm: Math.hypot(scaleOffMm, edgeOffMm, FILM_EDGE_MM),
  }
}

/** Largest deviation of the corners from the proportions of the reference; a cropped photo of a slanted sheet deviates more. */
const MISFIT = 0.04
const MISFIT_A_DEGREE = 0.0011
/** A smaller difference does not distinguish two orientations of the reference. */
const TOLD_APART = 0.02

/** The reference in its plane, oriented like the corners; or why it is no rectangle of these proportions. */
function planeOf(corners: Quad, { widthMm, heightMm }: Reference, photo: GreyPicture): Quad | 'otherShape' | 'tooSlanted' {
  const ways = [
    { widthMm, heightMm },
    { widthMm: heightMm, heightMm: widthMm },
  ].map(way => ({ ...way, ...cameraFit(corners, way, photo) }))
  const [best, other] = ways.sort((a, b) => a.misfit - b.misfit) as [(typeof ways)[number], (typeof ways)[number]]
  if (best.misfit > MISFIT + MISFIT_A_DEGREE * best.tiltDeg) return 'otherShape'
  if (Math.abs(Math.log(widthMm / heightMm)) > TOLD_APART && other.misfit - best.misfit < TOLD_APART) return 'tooSlanted'
  return rectangle(best.widthMm, best.heightMm)
}

/** Whether a point of the plane is in the photo, a little inside of its edge. */
function isInPhoto(photo: GreyPicture, toPhoto: Matrix3): (point: Point) => boolean {
  return point => {
    const { x, y } = mapPoint(toPhoto, point)
    return x > 1 && y > 1 && x < photo.widthPx - 1 && y < photo.heightPx - 1
  }
}

/** The part of the plane that may hold the set: the sheet, or the photo around the card. */
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

/**
 * Error of the longer side if each coordinate of each corner of the reference has this error: contributions added in quadrature, times two
 * (JCGM 100:2008, 5.1.2 and 6.2.1). A set far from a small card has a larger error than the card.
 */
function offBy(plane: Quad, corners: Quad, offPx: number, box: SetBox): number {
  const seen = box.corners.map(corner => mapPoint(perspective(plane, corners) as Matrix3, corner)) as unknown as Quad
  const sizeBy = (moved: Quad): readonly [number, number] => {
    const toPhoto = perspective(plane, moved)
    if (!toPhoto) return [Infinity, Infinity]
    const [a, b, c, d] = seen.map(corner => mapPoint(inverse(toPhoto), corner)) as unknown as Quad
    return [(distance(a, b) + distance(c, d)) / 2, (distance(b, c) + distance(d, a)) / 2]
  }
  const [width, height] = sizeBy(corners)
  const parts = corners.flatMap((_, at) =>
    (['x', 'y'] as const).map(axis =>
      sizeBy(corners.map((corner, other) => (other === at ? { ...corner, [axis]: corner[axis] + offPx } : corner)) as unknown as Quad),
    ),
  )
  return 2 * Math.max(Math.hypot(...parts.map(([w]) => w - width)), Math.hypot(...parts.map(([, h]) => h - height)))
}

/** The set alone, upright, black and white. */
function uprightImpression(photo: GreyPicture, toPhoto: Matrix3, box: SetBox, { pxPerMm }: View): Mask {
  const flat = rectangle(box.width, box.height)
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
