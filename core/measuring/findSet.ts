import { componentsOf, grown } from './components'
import { brightQuads } from './corners'
import type { GreyPicture } from './fingerprint'
import { areaOf, smallestBox, type TurnedBox } from './outline'
import type { Point, Quad } from './perspective'
import { refineCorners } from './refine'
import { inkOf, type Mask } from './threshold'

/** A piece of the set: its box in millimetres from the set's upper left corner. */
export interface MeasuredPiece {
  readonly xMm: number
  readonly yMm: number
  readonly widthMm: number
  readonly heightMm: number
}
/** A part of the plane at true scale: its upper left corner in millimetres of the plane. */
export interface View {
  readonly picture: GreyPicture
  readonly x: number
  readonly y: number
  readonly pxPerMm: number
}

const DARKER_BY = 0.1
const REACH_MM = 9
/** Strokes of one piece lie nearer to each other than this; pieces of a set lie further apart (common practice). */
const ONE_PIECE_MM = 4.5
const LEAST_PIECE_MM = 2.5
const LEAST_INK_MM2 = 1.2

export const inkOfView = ({ picture, pxPerMm }: Pick<View, 'picture' | 'pxPerMm'>): Mask =>
  inkOf(picture, Math.round(REACH_MM * pxPerMm), DARKER_BY)

/** The set as a whole; with an edge: the rim of a backing, not only the outermost ink of loose pieces. */
export interface SetBox extends TurnedBox {
  readonly hasEdge: boolean
}

function boxOfInk(view: View, ink: Mask): SetBox | null {
  const toMm = ({ x, y }: Point): Point => ({ x: view.x + x / view.pxPerMm, y: view.y + y / view.pxPerMm })
  return outerBox(
    view,
    smallestBox(
      inkBoxes(ink, view.pxPerMm)
        .flatMap(each => each.rim)
        .map(toMm),
    ),
  )
}

/**
 * The set in a view of true scale, and its pieces, upper ones first; null where there is none. `card` is where the card
 * beside it lies, in the plane; null: the set lies on a sheet. O(pixels).
 */
export function findSet(view: View, card: Quad | null): { box: SetBox; pieces: readonly MeasuredPiece[] } | null {
  const { pxPerMm } = view
  const toMm = ({ x, y }: Point): Point => ({ x: view.x + x / pxPerMm, y: view.y + y / pxPerMm })
  const ink = inkOfView(view)
  const whole = card ? backingBox(view, card) : boxOfInk(view, ink)
  if (!whole || Math.min(whole.width, whole.height) < LEAST_PIECE_MM) return null
  if (whole.hasEdge) keepInside(ink, view, whole)
  const boxes = inkBoxes(ink, pxPerMm)
  if (boxes.length === 0) return null
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
  return pieces.length === 0 ? null : { box: whole, pieces: pieces.sort((a, b) => a.yMm - b.yMm || a.xMm - b.xMm) }
}

/** What is left of the rim of the backing: a thin line along its edge. */
function isOfRim({ xMm, yMm, widthMm, heightMm }: MeasuredPiece, whole: SetBox): boolean {
  const isAt = (from: number, size: number, all: number): boolean =>
    size < RIM_BREADTH_MM && (from < RIM_BREADTH_MM || from + size > all - RIM_BREADTH_MM)
  return whole.hasEdge && (isAt(xMm, widthMm, whole.width) || isAt(yMm, heightMm, whole.height))
}
const RIM_BREADTH_MM = 2.5

/** The bright backing beside the card: the largest bright quadrilateral that is not the card, its sides refined. */
function backingBox(view: View, plane: Quad): SetBox | null {
  const { picture, pxPerMm } = view
  const card = {
    left: (plane[0].x - view.x) * pxPerMm,
    top: (plane[0].y - view.y) * pxPerMm,
    right: (plane[2].x - view.x) * pxPerMm,
    bottom: (plane[2].y - view.y) * pxPerMm,
  }
  const { quads } = brightQuads(picture, (_, quad) => -areaOf(quad), LOOKED_INTO)
  const isCard = (quad: Quad): boolean => {
    const middle = { x: quad.reduce((sum, each) => sum + each.x, 0) / 4, y: quad.reduce((sum, each) => sum + each.y, 0) / 4 }
    return middle.x > card.left && middle.x < card.right && middle.y > card.top && middle.y < card.bottom
  }
  const others = quads.filter(each => !isCard(each.quad))
  const quad = (others.find(each => each.isRefined) ?? others[0])?.quad
  const rough = quad && smallestBox(quad.map(({ x, y }) => ({ x: view.x + x / pxPerMm, y: view.y + y / pxPerMm })))
  return rough ? outerBox(view, rough) : null
}

/** The box moved to where the outermost edge is, where there is one all round; a set of loose pieces keeps its box of ink. */
function outerBox(view: View, box: TurnedBox | null): SetBox | null {
  if (!box) return null
  const { picture, pxPerMm } = view
  const inPx = box.corners.map(({ x, y }) => ({ x: (x - view.x) * pxPerMm, y: (y - view.y) * pxPerMm })) as unknown as Quad
  const refined = refineCorners(picture, inPx, RIM_REACH_MM * pxPerMm, 'outer')
  const edge = refined.ok ? smallestBox(refined.corners.map(({ x, y }) => ({ x: view.x + x / pxPerMm, y: view.y + y / pxPerMm }))) : null
  return edge ? { ...edge, hasEdge: true } : { ...box, hasEdge: false }
}
const RIM_REACH_MM = 2.5

/** So many of the largest bright things are looked into. */
const LOOKED_INTO = 6

/** Ink outside of the backing, and its very rim, are of the mat. */
const RIM_MM = 1.2
export function keepInside({ widthPx, heightPx, ink }: Mask, view: View, box: TurnedBox): void {
  const angle = (-box.angleDeg * Math.PI) / 180
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      if (ink[row * widthPx + column] === 0) continue
      const [dx, dy] = [view.x + (column + 0.5) / view.pxPerMm - box.corners[0].x, view.y + (row + 0.5) / view.pxPerMm - box.corners[0].y]
      const [x, y] = [dx * Math.cos(angle) - dy * Math.sin(angle), dx * Math.sin(angle) + dy * Math.cos(angle)]
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
/** Strokes near each other are one piece; specks are none. Of each its ink: box, amount, and its outermost pixels row by row. */
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
