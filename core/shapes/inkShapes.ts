import { addTo } from '#core/catalog'
import { areaOf, componentsOf, type GreyPicture, grown, hullOf, inkOf, type Mask, otsu, type Point, shrink } from '#core/measuring'
import { GRID_SIDE, type Moments, momentsOf } from './zernike'

/** A part of a picture, in shares of its longer side. */
export interface ShapeBox {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}
/** Connected ink, which may be one piece. */
export interface InkShape {
  readonly box: ShapeBox
  /** Its share of all ink of the picture, 0 to 1. */
  readonly share: number
  /** The levels at which it is a connected part; the last level is all of the ink. */
  readonly levels: readonly number[]
  readonly moments: Moments
}

/** Largest side in pixels of kept pictures and asked photos: none is looked at in more detail. */
export const KNOWN_PX = 460
export const ASKED_PX = 1000

/**
 * Distances, in shares of the longer side, within which strokes are connected. The gaps within a piece and between pieces differ from set
 * to set, so every level is examined, and all ink together.
 */
const NEARNESS = [0.008, 0.02, 0.045] as const
const REACH = 0.06
const DARKER_BY = 0.12
/** A smaller part is a speck. */
const LEAST_SIDE = 0.025
const LEAST_PIXELS = 30
const MOST_SHAPES = 60

/** The ink of a picture: on the paper, if it shows paper on something darker. O(pixels). */
export function inkOnPaper(picture: GreyPicture): Mask {
  const { widthPx, heightPx } = picture
  const mask = inkOf(picture, Math.max(4, Math.round(REACH * Math.max(widthPx, heightPx))), DARKER_BY)
  const paper = paperOf(picture)
  for (let row = 0; paper && row < heightPx; row += 1) {
    const [after, before] = paper(row)
    for (let column = 0; column < widthPx; column += 1) if (column <= after || column >= before) mask.ink[row * widthPx + column] = 0
  }
  return mask
}

/** Size of the picture in which the paper is searched. */
const PAPER_PX = 320
/** Paper and background differ by more than this share of its brightness, which light and shade do not. */
const GROUND_DARKER = 0.72
/** If a larger share is paper, all of it is. */
const ALL_PAPER = 0.93
/** Ink begins at this distance inside the edge of the paper, in shares of the longer side. */
const WITHIN = 0.012

/** The paper: the convex hull of the largest bright part, as a range of each row. null: the picture shows nothing but paper. */
function paperOf(picture: GreyPicture): ((row: number) => readonly [after: number, before: number]) | null {
  const factor = Math.max(1, Math.floor(Math.max(picture.widthPx, picture.heightPx) / PAPER_PX))
  const small = shrink(picture, factor)
  const { widthPx, heightPx, pixels } = small
  const level = otsu(small)
  let [dark, darkSum, brightSum] = [0, 0, 0]
  for (const pixel of pixels) {
    if (pixel > level) brightSum += pixel
    else [dark, darkSum] = [dark + 1, darkSum + pixel]
  }
  if (dark === 0 || darkSum / dark > (GROUND_DARKER * brightSum) / (pixels.length - dark)) return null
  const { labels, components } = componentsOf({ widthPx, heightPx, ink: pixels.map(pixel => Number(pixel > level)) })
  const largest = components.reduce((best, each, at) => (each.pixels > (components[best]?.pixels ?? 0) ? at : best), 0)
  const rim: Point[] = []
  for (let row = 0; row < heightPx; row += 1) {
    const line = labels.subarray(row * widthPx, (row + 1) * widthPx)
    const [first, last] = [line.indexOf(largest + 1), line.lastIndexOf(largest + 1)]
    if (first >= 0) rim.push({ x: first, y: row }, { x: last + 1, y: row }, { x: first, y: row + 1 }, { x: last + 1, y: row + 1 })
  }
  const hull = hullOf(rim)
  if (areaOf(hull) > ALL_PAPER * widthPx * heightPx) return null
  const sides = hull.map((from, at) => {
    const to = hull[(at + 1) % hull.length] as Point
    const length = Math.hypot(to.x - from.x, to.y - from.y)
    return { from, inX: -(to.y - from.y) / length, inY: (to.x - from.x) / length }
  })
  const sign = Math.sign(sides.reduce((sum, { from, inX, inY }) => sum + inX * (widthPx / 2 - from.x) + inY * (heightPx / 2 - from.y), 0))
  // At the edge of the picture the paper continues.
  const isOpen = ({ x, y }: Point, inX: number, inY: number): boolean =>
    (x <= 1 && Math.abs(inX) > 0.99) ||
    (y <= 1 && Math.abs(inY) > 0.99) ||
    (x >= widthPx - 1 && Math.abs(inX) > 0.99) ||
    (y >= heightPx - 1 && Math.abs(inY) > 0.99)
  const within = WITHIN * Math.max(widthPx, heightPx)
  const closed = sides.filter(({ from, inX, inY }) => !isOpen(from, inX, inY))
  return row => {
    let [after, before] = [-Infinity, Infinity]
    for (const { from, inX, inY } of closed) {
      // Signed distance of a point of the row from this side: linear along the row.
      const [atStart, more] = [sign * (inY * (row / factor - from.y) - inX * from.x) - within, (sign * inX) / factor]
      if (more > 0) after = Math.max(after, -atStart / more)
      else if (more < 0) before = Math.min(before, -atStart / more)
      else if (atStart <= 0) before = -Infinity
    }
    return [after, before]
  }
}

/** Every connected part of the ink that may be a piece, each once, the largest first. O(pixels). */
export function shapesOf(picture: GreyPicture): readonly InkShape[] {
  const mask = inkOnPaper(picture)
  const longer = Math.max(mask.widthPx, mask.heightPx)
  const strokes = strokesOf(
    mask,
    NEARNESS.map(near => Math.max(1, Math.round((near * longer) / 2))),
  )
  if (!strokes) return []
  const all = strokes.pixels.length
  const found = new Map<string, { readonly parts: readonly number[]; readonly levels: number[]; readonly tally: Tally }>()
  strokes.groups.forEach((groups, level) => {
    for (const parts of groups) {
      const tally = added(parts.map(part => strokes.tallies[part] as Tally))
      if (tally.count < LEAST_PIXELS || Math.max(tally.right - tally.left, tally.bottom - tally.top) < LEAST_SIDE * longer) continue
      const key = parts.join(' ')
      const known = found.get(key)
      if (known) known.levels.push(level)
      else found.set(key, { parts, levels: [level], tally })
    }
  })
  return [...found.values()]
    .sort((a, b) => b.tally.count - a.tally.count)
    .slice(0, MOST_SHAPES)
    .map(({ parts, levels, tally }) => ({
      box: { left: tally.left / longer, top: tally.top / longer, right: tally.right / longer, bottom: tally.bottom / longer },
      share: tally.count / all,
      levels,
      moments: momentsOf(gridOf(strokes, parts, tally, mask.widthPx)),
    }))
}

/** Sums over some ink: pixel count, coordinates, squared coordinates, and the bounding box. */
interface Tally {
  count: number
  sumX: number
  sumY: number
  sumSquares: number
  left: number
  top: number
  right: number
  bottom: number
}
const NOTHING: Tally = { count: 0, sumX: 0, sumY: 0, sumSquares: 0, left: Infinity, top: Infinity, right: 0, bottom: 0 }
function added(tallies: readonly Tally[]): Tally {
  const sum = { ...NOTHING }
  for (const each of tallies) {
    sum.count += each.count
    sum.sumX += each.sumX
    sum.sumY += each.sumY
    sum.sumSquares += each.sumSquares
    sum.left = Math.min(sum.left, each.left)
    sum.top = Math.min(sum.top, each.top)
    sum.right = Math.max(sum.right, each.right)
    sum.bottom = Math.max(sum.bottom, each.bottom)
  }
  return sum
}

/** The parts at the finest level, and how these connect at each wider level; the last level is all of them. */
interface Strokes {
  /** The pixels of the ink, part after part; `from` gives the start of each part. */
  readonly pixels: Int32Array
  readonly from: Int32Array
  readonly tallies: readonly Tally[]
  readonly groups: readonly (readonly (readonly number[])[])[]
}
function strokesOf(mask: Mask, reaches: readonly number[]): Strokes | null {
  const { widthPx, ink } = mask
  const finest = componentsOf(grown(mask, reaches[0] ?? 1))
  if (finest.components.length === 0) return null
  const tallies = finest.components.map((): Tally => ({ ...NOTHING }))
  for (let at = 0; at < ink.length; at += 1) {
    if (ink[at] !== 1) continue
    const tally = tallies[(finest.labels[at] as number) - 1] as Tally
    const [x, y] = [at % widthPx, Math.floor(at / widthPx)]
    tally.count += 1
    tally.sumX += x
    tally.sumY += y
    tally.sumSquares += x * x + y * y
    tally.left = Math.min(tally.left, x)
    tally.top = Math.min(tally.top, y)
    tally.right = Math.max(tally.right, x + 1)
    tally.bottom = Math.max(tally.bottom, y + 1)
  }
  const from = new Int32Array(tallies.length + 1)
  tallies.forEach(({ count }, part) => (from[part + 1] = (from[part] as number) + count))
  const [pixels, next] = [new Int32Array(from[tallies.length] as number), from.slice()]
  for (let at = 0; at < ink.length; at += 1) {
    if (ink[at] !== 1) continue
    const part = (finest.labels[at] as number) - 1
    pixels[next[part] as number] = at
    next[part] = (next[part] as number) + 1
  }
  // Parts connected at one level are connected at every wider one, so a wider level can use a coarser mask.
  const groups = reaches.map(reach => {
    const labelAt = reach === reaches[0] ? (at: number) => finest.labels[at] as number : coarseLabels(mask, reach)
    const byLabel = new Map<number, number[]>()
    tallies.forEach(({ count }, part) => {
      if (count === 0) return
      const label = labelAt(pixels[from[part] as number] as number)
      addTo(byLabel, label, part)
    })
    return [...byLabel.values()]
  })
  return { pixels, from, tallies, groups: [...groups, [tallies.flatMap(({ count }, part) => (count > 0 ? [part] : []))]] }
}

/** Least reach, in cells of the coarser mask. */
const FIELDS_A_REACH = 3

/** The number of the connected part of each pixel, where squares of pixels count as one cell. */
function coarseLabels({ widthPx, heightPx, ink }: Mask, reach: number): (at: number) => number {
  const side = Math.max(1, Math.floor(reach / FIELDS_A_REACH))
  const [columns, rows] = [Math.ceil(widthPx / side), Math.ceil(heightPx / side)]
  const field = (at: number): number => Math.floor(Math.floor(at / widthPx) / side) * columns + Math.floor((at % widthPx) / side)
  const fields = new Uint8Array(columns * rows)
  for (let at = 0; at < ink.length; at += 1) if (ink[at] === 1) fields[field(at)] = 1
  const { labels } = componentsOf(grown({ widthPx: columns, heightPx: rows, ink: fields }, Math.round(reach / side)))
  return at => labels[field(at)] as number
}

/** Disc radius in multiples of the RMS radius of the ink. */
const DISC = 2.1

/** The ink on the grid: centred, scaled by its spread, slightly blurred, with sum 1. */
function gridOf(
  { pixels, from }: Strokes,
  parts: readonly number[],
  { count, sumX, sumY, sumSquares }: Tally,
  widthPx: number,
): Float32Array {
  const [x0, y0] = [sumX / count, sumY / count]
  const spread = Math.sqrt(Math.max(0, sumSquares / count - x0 * x0 - y0 * y0))
  const perPx = GRID_SIDE / 2 / (DISC * spread || 1)
  let grid = new Float32Array(GRID_SIDE * GRID_SIDE)
  for (const part of parts) {
    for (let index = from[part] as number; index < (from[part + 1] as number); index += 1) {
      const at = pixels[index] as number
      const [x, y] = [((at % widthPx) - x0) * perPx + GRID_SIDE / 2 - 0.5, (Math.floor(at / widthPx) - y0) * perPx + GRID_SIDE / 2 - 0.5]
      const [column, row] = [Math.floor(x), Math.floor(y)]
      if (column < 0 || row < 0 || column >= GRID_SIDE - 1 || row >= GRID_SIDE - 1) continue
      const [u, v] = [x - column, y - row]
      const field = row * GRID_SIDE + column
      grid[field] = (grid[field] as number) + (1 - u) * (1 - v)
      grid[field + 1] = (grid[field + 1] as number) + u * (1 - v)
      grid[field + GRID_SIDE] = (grid[field + GRID_SIDE] as number) + (1 - u) * v
      grid[field + GRID_SIDE + 1] = (grid[field + GRID_SIDE + 1] as number) + u * v
    }
  }
  for (let pass = 0; pass < Math.max(2, Math.ceil(perPx)); pass += 1) grid = softened(grid)
  let sum = 0
  for (const value of grid) sum += value
  return grid.map(value => value / (sum || 1))
}

/** Each cell is the mean of itself and its neighbours, weighted 1 2 1 both ways. */
function softened(grid: Float32Array): Float32Array<ArrayBuffer> {
  const across = new Float32Array(grid.length)
  const both = new Float32Array(grid.length)
  const last = grid.length - GRID_SIDE
  for (let at = 1; at < grid.length - 1; at += 1)
    across[at] = ((grid[at - 1] as number) + 2 * (grid[at] as number) + (grid[at + 1] as number)) / 4
  for (let at = GRID_SIDE; at < last; at += 1)
    both[at] = ((across[at - GRID_SIDE] as number) + 2 * (across[at] as number) + (across[at + GRID_SIDE] as number)) / 4
  return both
}
