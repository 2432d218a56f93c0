import { brightnessAt, type GreyPicture, inverse, mapPoint, type Matrix3, perspective, type Point, type Quad } from '#core/measuring'
import encodeQR from 'qr'
import { chance } from './random'

/** A set as it lies flat: its drawing, and the truth about it. */
export interface FlatSet {
  readonly picture: GreyPicture
  readonly pxPerMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly pieces: readonly { readonly xMm: number; readonly yMm: number; readonly widthMm: number; readonly heightMm: number }[]
  /** Lies there without a backing: only its ink shows. */
  readonly isLoose?: boolean
}
export const CAMERA_REFERENCES = {
  card: { widthMm: 85.6, heightMm: 53.98, isSheet: false }, // ISO/IEC 7810 ID-1
  A4: { widthMm: 210, heightMm: 297, isSheet: true }, // ISO 216
} as const
export type CameraReference = keyof typeof CAMERA_REFERENCES
const NO_REFERENCE = { widthMm: 0, heightMm: 0, isSheet: false }
/** A label as it lies flat: its number as a square code with the quiet zone that ISO/IEC 18004 asks for, and room beside it. */
export function labelOf(text: string): FlatSet {
  const modules = encodeQR(text, 'raw', { border: QUIET_MODULES })
  const sidePx = modules.length * LABEL_PX_A_MODULE
  const widthPx = sidePx * 2
  const pixels = new Uint8Array(widthPx * sidePx).fill(255)
  modules.forEach((row, y) =>
    row.forEach((isDark, x) => {
      if (!isDark) return
      for (let at = 0; at < LABEL_PX_A_MODULE ** 2; at += 1)
        pixels[(y * LABEL_PX_A_MODULE + Math.floor(at / LABEL_PX_A_MODULE)) * widthPx + x * LABEL_PX_A_MODULE + (at % LABEL_PX_A_MODULE)] =
          0
    }),
  )
  const pxPerMm = LABEL_PX_A_MODULE / MODULE_MM
  return { picture: { widthPx, heightPx: sidePx, pixels }, pxPerMm, widthMm: widthPx / pxPerMm, heightMm: sidePx / pxPerMm, pieces: [] }
}
const LABEL_PX_A_MODULE = 8
/** A code of an 18 mm tape. Common practice. */
const MODULE_MM = 0.62
const QUIET_MODULES = 4

/** What is wrong with a photo. A hard shadow lies across the set; a set at the edge lies half off the sheet, or half out of the photo. */
export const CAMERA_TROUBLES = ['none', 'cutOff', 'blurred', 'bent', 'hardShadow', 'twoSets', 'atEdge', 'pale'] as const
export type CameraTrouble = (typeof CAMERA_TROUBLES)[number]

export interface Shot {
  readonly seed: number
  /** null: nothing of known size lies there, only what is photographed. */
  readonly reference: CameraReference | null
  readonly widthPx: number
  readonly heightPx: number
  readonly maxTiltDeg: number
  readonly leastTiltDeg?: number
  readonly trouble: CameraTrouble
  /** A label with this text is photographed in place of a set. */
  readonly label?: string
  /** A card with one stamped piece is photographed, and nothing beside it. */
  readonly isStamped?: boolean
}
export interface Photo {
  readonly picture: GreyPicture
  /** Where the corners of the reference really are, or of what is photographed: never shown to what measures. */
  readonly corners: Quad
}

const MAT = { ground: 92, line: 118 }
/** A pale table: nearly as bright as what lies on it. */
const PALE = { ground: 196, line: 204 }
const CARD = 226
const PAPER = 248
const BACKING = 236
const RIM = 150
const RIM_MM = 0.3
const CARD_ROUND_MM = 3.18
/** So near to the edge of the sheet lies a set at its edge; it may lie as much beyond. */
const ROOM_MM = 4

/**
 * The stand-in camera: photographs a flat set on a cutting mat, beside a bank card or on a sheet, from an angle, with
 * uneven light, a shadow, blur and grain. Seeded: the same shot gives the same photo. O(pixels).
 */
export function takePhoto(set: FlatSet, shot: Shot): Photo {
  const luck = chance(shot.seed)
  const reference = shot.reference ? CAMERA_REFERENCES[shot.reference] : NO_REFERENCE
  const turn = (luck.between(-6, 6) * Math.PI) / 180
  // On the sheet, somewhere in its middle; beside the card, to its right.
  const at: { x: number; y: number } = reference.isSheet
    ? { x: (reference.widthMm - set.widthMm) / 2 + luck.between(-6, 6), y: (reference.heightMm - set.heightMm) / 2 + luck.between(-12, 12) }
    : { x: reference.widthMm + luck.between(14, 26), y: luck.between(-20, 4) }
  const corners = (w: number, h: number, from: Point, angle: number): Point[] =>
    [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ].map(([x = 0, y = 0]) => ({
      x: from.x + x * Math.cos(angle) - y * Math.sin(angle),
      y: from.y + x * Math.sin(angle) + y * Math.cos(angle),
    }))
  const isAtEdge = shot.trouble === 'atEdge'
  if (isAtEdge && reference.isSheet) at.x = luck.between(-0.4 * ROOM_MM, ROOM_MM)
  const second = { x: at.x + (reference.isSheet ? 0 : set.widthMm + luck.between(6, 16)), y: at.y }
  if (shot.trouble === 'twoSets' && reference.isSheet) {
    // Side by side, however they fit.
    const gap = luck.between(6, 14)
    at.x = Math.max(8, (reference.widthMm - 2 * set.widthMm - gap) / 2)
    second.x = at.x + set.widthMm + gap
  }
  const places = shot.trouble === 'twoSets' ? [at, second] : [at]
  const onPlane = (shot.reference
    ? corners(reference.widthMm, reference.heightMm, { x: 0, y: 0 }, 0)
    : corners(set.widthMm, set.heightMm, at, turn)) as unknown as Quad
  // Of a set half out of the photo the far side is not aimed at.
  const aimedAt = isAtEdge && !reference.isSheet ? set.widthMm - luck.between(10, 25) : set.widthMm
  const scene = [...onPlane, ...places.flatMap(place => corners(aimedAt, set.heightMm, place, turn))]
  const toPhoto = pose(scene, shot, luck)
  const toPlane = inverse(toPhoto)
  const pixels = new Uint8Array(shot.widthPx * shot.heightPx)
  const light = lighting(shot, luck)
  const bend = shot.trouble === 'bent' ? 9 : 0
  const mat = shot.trouble === 'pale' ? PALE : MAT
  const flat = sceneSampler(set, reference, places, turn, bend, mat)
  const shade = shot.trouble === 'hardShadow' ? hardShadow(set, at, luck) : () => 1
  const sample = (x: number, y: number): number => flat(x, y) * shade(x, y)
  for (let row = 0; row < shot.heightPx; row += 1) {
    for (let column = 0; column < shot.widthPx; column += 1) {
      const w = toPlane[6] * column + toPlane[7] * row + toPlane[8]
      const x = (toPlane[0] * column + toPlane[1] * row + toPlane[2]) / w
      const y = (toPlane[3] * column + toPlane[4] * row + toPlane[5]) / w
      pixels[row * shot.widthPx + column] = Math.max(0, Math.min(255, sample(x, y) * light(column, row)))
    }
  }
  const sigma = shot.trouble === 'blurred' ? shot.widthPx / 110 : luck.between(0.4, 1.3)
  const picture = grain(blurred({ widthPx: shot.widthPx, heightPx: shot.heightPx, pixels }, sigma), luck.between(1, 5), luck)
  return { picture, corners: onPlane.map(corner => mapPoint(toPhoto, corner)) as unknown as Quad }
}

/** A camera at half a metre, tilted, turned in the hand, near enough that everything just fills the picture. */
function pose(scene: readonly Point[], shot: Shot, luck: ReturnType<typeof chance>): Matrix3 {
  const [tilt, azimuth, roll] = [
    (luck.between(shot.leastTiltDeg ?? 0, shot.maxTiltDeg) * Math.PI) / 180,
    luck.between(0, 2 * Math.PI),
    (luck.between(-15, 15) * Math.PI) / 180,
  ]
  const middle = {
    x: (Math.min(...scene.map(p => p.x)) + Math.max(...scene.map(p => p.x))) / 2,
    y: (Math.min(...scene.map(p => p.y)) + Math.max(...scene.map(p => p.y))) / 2,
  }
  const project = ({ x, y }: Point): Point => {
    // Turned about an axis that lies in the plane, at the azimuth; then in the hand.
    const [px, py] = [x - middle.x, y - middle.y]
    const [along, across] = [px * Math.cos(azimuth) + py * Math.sin(azimuth), -px * Math.sin(azimuth) + py * Math.cos(azimuth)]
    const [tiltedAcross, depth] = [across * Math.cos(tilt), 500 + across * Math.sin(tilt)]
    const [u, v] = [
      (along * Math.cos(azimuth) - tiltedAcross * Math.sin(azimuth)) / depth,
      (along * Math.sin(azimuth) + tiltedAcross * Math.cos(azimuth)) / depth,
    ]
    return { x: u * Math.cos(roll) - v * Math.sin(roll), y: u * Math.sin(roll) + v * Math.cos(roll) }
  }
  const seen = scene.map(project)
  const [lowX, highX, lowY, highY] = [
    Math.min(...seen.map(p => p.x)),
    Math.max(...seen.map(p => p.x)),
    Math.min(...seen.map(p => p.y)),
    Math.max(...seen.map(p => p.y)),
  ]
  const focal = (shot.trouble === 'cutOff' ? 1.22 : 0.9) * Math.min(shot.widthPx / (highX - lowX), shot.heightPx / (highY - lowY))
  const square: Quad = [
    { x: middle.x - 50, y: middle.y - 50 },
    { x: middle.x + 50, y: middle.y - 50 },
    { x: middle.x + 50, y: middle.y + 50 },
    { x: middle.x - 50, y: middle.y + 50 },
  ]
  const inPhoto = square.map(corner => {
    const { x, y } = project(corner)
    return { x: shot.widthPx / 2 + focal * (x - (lowX + highX) / 2), y: shot.heightPx / 2 + focal * (y - (lowY + highY) / 2) }
  }) as unknown as Quad
  const mapping = perspective(square, inPhoto)
  if (!mapping) throw new Error('the camera looks along the table')
  return mapping
}

function sceneSampler(
  set: FlatSet,
  reference: { readonly widthMm: number; readonly heightMm: number; readonly isSheet: boolean },
  places: readonly Point[],
  turn: number,
  bend: number,
  mat: typeof MAT,
): (x: number, y: number) => number {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return (x, y) => {
    for (const at of places) {
      const u = (x - at.x) * cos + (y - at.y) * sin
      const v = -(x - at.x) * sin + (y - at.y) * cos
      if (u < 0 || v < 0 || u > set.widthMm || v > set.heightMm) continue
      const ink = brightnessAt(set.picture, u * set.pxPerMm - 0.5, v * set.pxPerMm - 0.5) / 255
      if (set.isLoose) return ink * PAPER
      return u < RIM_MM || v < RIM_MM || u > set.widthMm - RIM_MM || v > set.heightMm - RIM_MM ? RIM : ink * BACKING
    }
    // A bent sheet: its long sides bow outward.
    const bow = bend === 0 ? 0 : bend * Math.sin(Math.PI * Math.min(Math.max(y / reference.heightMm, 0), 1))
    if (
      reference.widthMm > 0 &&
      x >= -bow &&
      y >= 0 &&
      x <= reference.widthMm + bow &&
      y <= reference.heightMm &&
      (reference.isSheet || isOnCard(x, y, reference.widthMm, reference.heightMm))
    )
      return reference.isSheet ? PAPER : CARD
    const isLine = x - 10 * Math.floor(x / 10) < 0.4 || y - 10 * Math.floor(y / 10) < 0.4
    return isLine ? mat.line : mat.ground
  }
}
function isOnCard(x: number, y: number, width: number, height: number): boolean {
  const dx = Math.max(CARD_ROUND_MM - x, x - width + CARD_ROUND_MM, 0)
  const dy = Math.max(CARD_ROUND_MM - y, y - height + CARD_ROUND_MM, 0)
  return dx * dx + dy * dy <= CARD_ROUND_MM ** 2
}

/** The shadow of something near, as of a lamp's arm: half of the plane, its edge through the set. */
function hardShadow(set: FlatSet, at: Point, luck: ReturnType<typeof chance>): (x: number, y: number) => number {
  const [angle, dark, softMm] = [luck.between(0, 2 * Math.PI), luck.between(0.2, 0.45), luck.between(0.3, 1.5)]
  const [x0, y0] = [at.x + set.widthMm * luck.between(0.25, 0.75), at.y + set.heightMm * luck.between(0.25, 0.75)]
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return (x, y) => {
    const across = ((x - x0) * cos + (y - y0) * sin) / softMm + 0.5
    return 1 - dark * Math.min(1, Math.max(0, across))
  }
}

/** Brighter towards one side, and a soft shadow across a corner. */
function lighting({ widthPx, heightPx }: Shot, luck: ReturnType<typeof chance>): (column: number, row: number) => number {
  const [fall, from, dark, shadowAt, place] = [
    luck.between(0.05, 0.3),
    luck.between(0, 2 * Math.PI),
    luck.between(0.08, 0.28),
    luck.between(0, 2 * Math.PI),
    luck.between(0.1, 0.45),
  ]
  const [shadowX, shadowY, fallX, fallY] = [Math.cos(shadowAt), Math.sin(shadowAt), Math.cos(from), Math.sin(from)]
  return (column, row) => {
    const x = column / widthPx - 0.5
    const y = row / heightPx - 0.5
    const shade = (x * shadowX + y * shadowY - place) / 0.08
    const part = Math.min(1, Math.max(0, shade))
    const soft = part * part * (3 - 2 * part)
    return (1 - fall * (0.5 + x * fallX + y * fallY)) * (1 - dark * soft)
  }
}

/** Three passes of a box as wide as the spread asks are as good as a bell. Along the rows, and, turned, along the columns. */
function blurred({ widthPx, heightPx, pixels }: GreyPicture, sigma: number): GreyPicture {
  const radius = Math.max(0, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2))
  if (radius === 0) return { widthPx, heightPx, pixels }
  const [upright, turned] = [new Float32Array(pixels), new Float32Array(pixels.length)]
  for (let pass = 0; pass < 3; pass += 1) {
    boxTurned(upright, turned, widthPx, radius)
    boxTurned(turned, upright, heightPx, radius)
  }
  const rounded = new Uint8Array(pixels.length)
  for (let at = 0; at < rounded.length; at += 1) rounded[at] = Math.round(upright[at] ?? 0)
  return { widthPx, heightPx, pixels: rounded }
}
/** The mean of each pixel and its neighbours in its row; the rows of what comes are its columns. */
function boxTurned(from: Float32Array, to: Float32Array, widthPx: number, radius: number): void {
  const rows = from.length / widthPx
  for (let row = 0; row < rows; row += 1) {
    const first = row * widthPx
    const last = first + widthPx - 1
    // Beyond its ends the row goes on as it ends.
    const value = (at: number): number => from[Math.min(last, Math.max(first, at))] ?? 0
    let sum = 0
    for (let at = first - radius; at <= first + radius; at += 1) sum += value(at)
    for (let at = first; at <= last; at += 1) {
      to[(at - first) * rows + row] = sum / (2 * radius + 1)
      sum += value(at + radius + 1) - value(at - radius)
    }
  }
}

/** Grain: the sum of four even chances is bell-shaped enough. A table of it is drawn once, and read at shifting places. */
function grain({ widthPx, heightPx, pixels }: GreyPicture, sigma: number, luck: ReturnType<typeof chance>): GreyPicture {
  const table = Float32Array.from(
    { length: 65_521 },
    () => (luck.unit() + luck.unit() + luck.unit() + luck.unit() - 2) * Math.sqrt(3) * sigma,
  )
  const grained = new Uint8Array(pixels.length)
  let place = 0
  for (let at = 0; at < pixels.length; at += 1) {
    grained[at] = Math.max(0, Math.min(255, Math.round((pixels[at] ?? 0) + (table[place] ?? 0))))
    place = (place + 7919 + (at % 65_536 === 65_535 ? 104_729 : 0)) % table.length
  }
  return { widthPx, heightPx, pixels: grained }
}
