import { componentsOf, grown } from './components'
import { brightQuads, type FoundQuad, isInside, middleOf } from './corners'
import type { GreyPicture } from './fingerprint'
import { brightnessAt } from './grey'
import { hasHardShadow } from './shadow'
import { median } from 'd3-array'
import { areaOf, smallestBox, type TurnedBox } from './outline'
import type { Point, Quad } from './perspective'
import { refineCorners } from './refine'
import { inkOf, type Mask } from './threshold'

/** A piece of the set: its box in mm from the set's upper left corner. */
export interface MeasuredPiece {
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
}
/** A part of the plane at true scale: its upper left corner in mm of the plane. */
export interface View {
  readonly picture: GreyPicture
  readonly x: number
  readonly y: number
  readonly pxPerMm: number
}

const DARKER_BY = 0.1
const REACH_MM = 9
/** Strokes of one piece are nearer to each other than this; pieces of a set are further apart (common practice). */
const ONE_PIECE_MM = 4.5
const LEAST_PIECE_MM = 2.5
const LEAST_INK_MM2 = 1.2

export const inkOfView = ({ picture, pxPerMm }: Pick<View, 'picture' | 'pxPerMm'>): Mask =>
  inkOf(picture, Math.round(REACH_MM * pxPerMm), DARKER_BY)

/** The set as a whole. `hasEdge`: measured to the rim of a backing, not only to the outermost ink. */
export interface SetBox extends TurnedBox {
  readonly hasEdge: boolean
}

/** Why no set was measured: none is there, several are, a shadow, the edge of sheet or photo, or no clear edge. */
export type FindFault = 'noSet' | 'twoSets' | 'hardShadow' | 'atEdge' | 'noSetEdge'
/** The card beside the set: its place in the plane, and the part of the plane in the photo. */
export interface BesideCard {
  readonly plane: Quad
  isInPhoto(point: Point): boolean
}
export type Found =
  | { readonly ok: true; readonly box: SetBox; readonly pieces: readonly MeasuredPiece[] }
  | { readonly ok: false; readonly code: FindFault }

/** The set on a sheet: the box of all ink, if no ink is at the edge and there is no second thing. */
function boxOfInk(view: View, ink: Mask): SetBox | FindFault {
  if (hasHardShadow(view.picture, view.pxPerMm)) return 'hardShadow'
  const boxes = inkBoxes(ink, view.pxPerMm)
  const { widthPx, heightPx } = view.picture
  if (boxes.some(({ left, top, right, bottom }) => left === 0 || top === 0 || right === widthPx - 1 || bottom === heightPx - 1))
    return 'atEdge'
  const outer = boxes.filter(box => !boxes.some(other => other !== box && isWithin(box, other)))
  if (outer.length > 1 && outer.some(box => isRim(box, view))) return 'twoSets'
  const box = outerBox(view, boxOf(boxes, view))
  if (!box) return 'noSet'
  const rim = boxes.flatMap(each => each.rim).map(({ x, y }): Point => ({ x: view.x + x / view.pxPerMm, y: view.y + y / view.pxPerMm }))
  // The rim of a backing goes all round; else a part of it was not seen.
  const pale = sides(box.corners).filter(side => isPale(view, rim, side))
  return !box.hasEdge && pale.length > 0 && pale.length < 4 ? 'noSetEdge' : box
}
/** Whether everything that reaches a side is pale, as the rim of a backing is. */
function isPale(view: View, rim: readonly Point[], { from, inward }: Side): boolean {
  const reach = Math.round(STROKE_MM * view.pxPerMm)
  return rim
    .filter(point => Math.abs((point.x - from.x) * inward.x + (point.y - from.y) * inward.y) < AT_SIDE_MM)
    .every(point => {
      const [x, y] = [Math.round((point.x - view.x) * view.pxPerMm), Math.round((point.y - view.y) * view.pxPerMm)]
      const near = Array.from({ length: (2 * reach + 1) ** 2 }, (_, at) =>
        brightnessAt(view.picture, x - reach + (at % (2 * reach + 1)), y - reach + Math.floor(at / (2 * reach + 1))),
      )
      return Math.min(...near) > PALE * Math.max(...near)
    })
}
const STROKE_MM = 1.5
const AT_SIDE_MM = 0.4
const PALE = 0.5
const boxOf = (boxes: readonly InkBox[], view: View): TurnedBox | null =>
  smallestBox(boxes.flatMap(each => each.rim).map(({ x, y }) => ({ x: view.x + x / view.pxPerMm, y: view.y + y / view.pxPerMm })))
const isWithin = (box: InkBox, other: InkBox): boolean =>
  box.left >= other.left && box.top >= other.top && box.right <= other.right && box.bottom <= other.bottom
/** The rim of a backing: a thin straight line all round something large. */
function isRim(box: InkBox, view: View): boolean {
  const round = boxOf([box], view)
  if (!round || Math.min(round.width, round.height) < LEAST_BACKING_MM) return false
  return box.pixels < RIM_INK * round.width * round.height * view.pxPerMm ** 2 && outerBox(view, round)?.hasEdge === true
}
const LEAST_BACKING_MM = 25
const RIM_INK = 0.4

/** The set and its pieces in a view of true scale, upper pieces first. `card`: the set lies beside a card; null: on a sheet. O(pixels). */
export function findSet(view: View, card: BesideCard | null): Found {
  const { pxPerMm } = view
  const toMm = ({ x, y }: Point): Point => ({ x: view.x + x / pxPerMm, y: view.y + y / pxPerMm })
  const ink = inkOfView(view)
  const whole = card ? backingBox(view, card) : boxOfInk(view, ink)
  if (typeof whole === 'string') return { ok: false, code: whole }
  if (Math.min(whole.width, whole.height) < LEAST_PIECE_MM) return { ok: false, code: 'noSet' }
  if (whole.hasEdge) keepInside(ink, view, whole)
  const boxes = inkBoxes(ink, pxPerMm)
  if (boxes.length === 0) return { ok: false, code: 'noSet' }
  const angle = (-whole.angleDeg * Math.PI) / 180
  const level = ({ x, y }: Point): Point => {
    const [dx, dy] = [x - whole.corners[0].x, y - whole.corners[0].y]
    return { x: dx * Math.cos(angle) - dy * Math.sin(angle), y: dx * Math.sin(angle) + dy * Math.cos(angle) }
  }
  const pieces = boxes
    .map((each): MeasuredPiece => {
      const rim = each.rim.map(toMm).map(level)
      const [x, y] = [Math.min(...rim.map(p => p.x)), Math.min(...rim.map(p => p.y))]
      return { xMm: x, yMm: y, widthMm: Math.max(...rim.map(p => p.x)) - x, heightMm: Math.max(...rim.map(p => p.y)) - y }
    })
    .filter(piece => !isOfRim(piece, whole))
  return pieces.length === 0
    ? { ok: false, code: 'noSet' }
    : { ok: true, box: whole, pieces: pieces.sort((a, b) => a.yMm - b.yMm || a.xMm - b.xMm) }
}

/** The rest of the rim of the backing: a thin line along its edge. */
function isOfRim({ xMm, yMm, widthMm, heightMm }: MeasuredPiece, whole: SetBox): boolean {
  const isAt = (from: number, size: number, all: number): boolean =>
    size < RIM_BREADTH_MM && (from < RIM_BREADTH_MM || from + size > all - RIM_BREADTH_MM)
  return whole.hasEdge && (isAt(xMm, widthMm, whole.width) || isAt(yMm, heightMm, whole.height))
}
const RIM_BREADTH_MM = 2.5

/**
 * The bright backing beside the card: the largest bright quadrilateral other than the card, with refined sides. Its edge must look the
 * same all round: if one side is darker outside than another, a shadow or the mat ends there, not the set.
 */
function backingBox(view: View, { plane, isInPhoto }: BesideCard): SetBox | FindFault {
  const { picture, pxPerMm } = view
  const card = {
    left: (plane[0].x - view.x) * pxPerMm,
    top: (plane[0].y - view.y) * pxPerMm,
    right: (plane[2].x - view.x) * pxPerMm,
    bottom: (plane[2].y - view.y) * pxPerMm,
  }
  const { quads } = brightQuads(picture, (_, quad) => -areaOf(quad), LOOKED_INTO)
  const isCard = (quad: Quad): boolean => {
    const { x, y } = middleOf(quad)
    return x > card.left && x < card.right && y > card.top && y < card.bottom
  }
  const others = quads.filter(each => !isCard(each.quad))
  const clear = others.filter(each => each.isRefined)
  const tried = (clear.length > 0 ? clear : others.slice(0, 1)).map(({ quad }) => ({ quad, box: edgeOf(view, quad, isInPhoto) }))
  const found = tried.find(each => typeof each.box !== 'string') ?? tried[0]
  if (!found) return 'noSet'
  const isSecond = ({ quad }: FoundQuad): boolean =>
    areaOf(quad) > SECOND * areaOf(found.quad) && !isInside(found.quad, middleOf(quad)) && !isInside(quad, middleOf(found.quad))
  return others.some(isSecond) ? 'twoSets' : found.box
}
/** The box of a bright thing if its edge is the same all round, or the reason against it. */
function edgeOf(view: View, quad: Quad, isInPhoto: BesideCard['isInPhoto']): SetBox | FindFault {
  const { pxPerMm } = view
  const box = outerBox(view, smallestBox(quad.map(({ x, y }) => ({ x: view.x + x / pxPerMm, y: view.y + y / pxPerMm }))))
  if (!box) return 'noSet'
  const all = sides(box.corners)
  if (!all.every(({ from, middle }) => isInPhoto(from) && isInPhoto(middle))) return 'atEdge'
  const steps = all.map(({ from, to, inward }) => stepAt(view, from, to, inward))
  if (Math.max(...steps) > NO_STEP) return 'noSetEdge'
  if (Math.max(...steps) - Math.min(...steps) > UNLIKE_STEPS) return 'hardShadow'
  return hasHardShadow(insideOf(view, box), pxPerMm) ? 'hardShadow' : box
}
/** A second thing of at least this share of the set is a set as well. */
const SECOND = 0.25
/** Outside as bright as inside: no edge. */
const NO_STEP = 0.97
/** The brightness outside a shadow's edge differs by more than this from that outside the set. */
const UNLIKE_STEPS = 0.2
/** Distance outside and inside an edge at which brightness is compared. */
const BESIDE_MM = 1.8

/** The sides of a clockwise quadrilateral: middle, ends, and the inward normal. */
interface Side {
  readonly from: Point
  readonly to: Point
  readonly middle: Point
  readonly inward: Point
}
function sides(quad: Quad): readonly Side[] {
  return quad.map((from, at) => {
    const to = quad[(at + 1) % 4] as Point
    const length = Math.hypot(to.x - from.x, to.y - from.y)
    return {
      from,
      to,
      middle: { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 },
      inward: { x: -(to.y - from.y) / length, y: (to.x - from.x) / length },
    }
  })
}
/** Brightness just outside a side over brightness just inside. */
function stepAt(view: View, from: Point, to: Point, inward: Point): number {
  const at = (share: number, byMm: number): number => {
    const [x, y] = [from.x + (to.x - from.x) * share + inward.x * byMm, from.y + (to.y - from.y) * share + inward.y * byMm]
    return brightnessAt(view.picture, (x - view.x) * view.pxPerMm - 0.5, (y - view.y) * view.pxPerMm - 0.5)
  }
  return median(ALONG.map(share => at(share, -BESIDE_MM) / Math.max(1, at(share, BESIDE_MM)))) ?? 1
}
const ALONG = Array.from({ length: 15 }, (_, at) => 0.08 + at * 0.06)
/** The part of an upright view inside a box. */
function insideOf({ picture, x, y, pxPerMm }: View, { corners }: TurnedBox): GreyPicture {
  const [xs, ys] = [corners.map(each => each.x).sort((a, b) => a - b), corners.map(each => each.y).sort((a, b) => a - b)]
  // Slightly turned: between the inner two of four corners there is nothing of the outside.
  const [left, top] = [Math.ceil(((xs[1] ?? 0) + BESIDE_MM - x) * pxPerMm), Math.ceil(((ys[1] ?? 0) + BESIDE_MM - y) * pxPerMm)]
  const [widthPx, heightPx] = [
    Math.max(2, Math.floor(((xs[2] ?? 0) - BESIDE_MM - x) * pxPerMm) - left),
    Math.max(2, Math.floor(((ys[2] ?? 0) - BESIDE_MM - y) * pxPerMm) - top),
  ]
  const pixels = new Uint8Array(widthPx * heightPx)
  for (let row = 0; row < heightPx; row += 1)
    pixels.set(picture.pixels.subarray((top + row) * picture.widthPx + left, (top + row) * picture.widthPx + left + widthPx), row * widthPx)
  return { widthPx, heightPx, pixels }
}

/** The box extended to the outermost edge, if there is one all round; a set of loose pieces keeps the box of its ink. */
function outerBox(view: View, box: TurnedBox | null): SetBox | null {
  if (!box) return null
  const { picture, pxPerMm } = view
  const inPx = box.corners.map(({ x, y }) => ({ x: (x - view.x) * pxPerMm, y: (y - view.y) * pxPerMm })) as unknown as Quad
  const refined = refineCorners(picture, inPx, RIM_REACH_MM * pxPerMm, 'outer')
  const edge = refined.ok ? smallestBox(refined.corners.map(({ x, y }) => ({ x: view.x + x / pxPerMm, y: view.y + y / pxPerMm }))) : null
  return edge ? { ...edge, hasEdge: true } : { ...box, hasEdge: false }
}
const RIM_REACH_MM = 2.5

/** Number of the largest bright things that are examined. */
const LOOKED_INTO = 6

/** Ink outside of the backing, and at its very rim, belongs to the mat. */
const RIM_MM = 1.2
export function keepInside({ widthPx, heightPx, ink }: Mask, view: View, box: TurnedBox): void {
  const angle = (-box.angleDeg * Math.PI) / 180
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      if (ink[row * widthPx + column] === 0) continue
      const dx = view.x + (column + 0.5) / view.pxPerMm - box.corners[0].x
      const dy = view.y + (row + 0.5) / view.pxPerMm - box.corners[0].y
      const x = dx * Math.cos(angle) - dy * Math.sin(angle)
      const y = dx * Math.sin(angle) + dy * Math.cos(angle)
      if (x < RIM_MM || y < RIM_MM || x > box.width - RIM_MM || y > box.height - RIM_MM) ink[row * widthPx + column] = 0
    }
  }
}

interface InkBox {
  left: number
  top: number
  right: number
  bottom: number
  pixels: number
  rim: Point[]
}
/** Groups near strokes into pieces, without specks. For each: box, amount of ink, and outermost pixels row by row. */
function inkBoxes(mask: Mask, pxPerMm: number): InkBox[] {
  const { widthPx, heightPx, ink } = mask
  const { labels, components } = componentsOf(grown(mask, Math.max(1, Math.round((ONE_PIECE_MM * pxPerMm) / 2))))
  const boxes = components.map((): InkBox => ({ left: widthPx, top: heightPx, right: 0, bottom: 0, pixels: 0, rim: [] }))
  for (let row = 0; row < heightPx; row += 1) {
    const ends = new Map<InkBox, [number, number]>()
    for (let column = 0; column < widthPx; column += 1) {
      if (ink[row * widthPx + column] === 0) continue
      const box = boxes[(labels[row * widthPx + column] ?? 0) - 1]
      if (!box) continue
      box.left = Math.min(box.left, column)
      box.right = Math.max(box.right, column)
      box.top = Math.min(box.top, row)
      box.bottom = Math.max(box.bottom, row)
      box.pixels += 1
      const end = ends.get(box)
      if (end) end[1] = column
      else ends.set(box, [column, column])
    }
    for (const [box, [from, to]] of ends)
      box.rim.push({ x: from, y: row }, { x: to + 1, y: row }, { x: from, y: row + 1 }, { x: to + 1, y: row + 1 })
  }
  return boxes.filter(
    each =>
      each.pixels >= LEAST_INK_MM2 * pxPerMm ** 2 && Math.max(each.right - each.left, each.bottom - each.top) >= LEAST_PIECE_MM * pxPerMm,
  )
}
