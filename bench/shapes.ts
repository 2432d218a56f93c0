import sharp from 'sharp'
import type { GreyPicture } from '#core/measuring'
import { packShapes, ShapeIndex, shapesOf } from '#core/shapes'
import { takePhoto } from '../demo/camera'
import { moved } from '../demo/pen'
import { chance } from '../demo/random'
import { stamped } from '../demo/stamping'
import { doodle } from './doodles'
import { median, ms, percentile, report } from './measure'

/** Seeds are those of no test. */
const SETS = 5000
const PHOTOS = 100
const SHEET_MM = { width: 102, height: 152 }
const LAYOUTS = [
  [2, 3],
  [2, 3],
  [3, 4],
  [2, 2],
  [3, 3],
] as const
const PX_PER_MM = 3
const STAMP_PX_PER_MM = 6

interface Piece {
  readonly drawing: string
  readonly side: number
  readonly x: number
  readonly y: number
}
function setOf(seed: number): readonly Piece[] {
  const luck = chance(seed * 7919 + 31)
  const [columns, rows] = luck.pick(LAYOUTS)
  const [cellW, cellH] = [(SHEET_MM.width - 6) / columns, (SHEET_MM.height - 6) / rows]
  return Array.from({ length: columns * rows }, (_, at) => ({
    drawing: doodle(luck),
    side: Math.min(cellW, cellH) * luck.between(0.7, 0.88),
    x: 3 + ((at % columns) + 0.5) * cellW,
    y: 3 + (Math.floor(at / columns) + 0.5) * cellH,
  }))
}
async function drawn(widthMm: number, heightMm: number, pxPerMm: number, inner: string): Promise<GreyPicture> {
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm * pxPerMm}" height="${heightMm * pxPerMm}" ` +
    `viewBox="0 0 ${widthMm} ${heightMm}">` +
    '<rect width="100%" height="100%" fill="#fff"/><g fill="none" stroke="#1B2340" stroke-linecap="round" stroke-linejoin="round" ' +
    `stroke-width="3.5">${inner}</g></svg>`
  const { data, info } = await sharp(Buffer.from(svg)).greyscale().raw().toBuffer({ resolveWithObject: true })
  return { widthPx: info.width, heightPx: info.height, pixels: new Uint8Array(data) }
}
const placed = ({ drawing, side }: Piece, x: number, y: number): string => moved(x, y, side / 104, drawing)
const sheetOf = (pieces: readonly Piece[]): Promise<GreyPicture> =>
  drawn(SHEET_MM.width, SHEET_MM.height, PX_PER_MM, pieces.map(each => placed(each, each.x, each.y)).join(''))

async function photoOf(piece: Piece, seed: number): Promise<GreyPicture> {
  const luck = chance(seed * 104_729 + 7)
  const side = piece.side + 4
  const flat = stamped(await drawn(side, side, STAMP_PX_PER_MM, placed(piece, side / 2, side / 2)), STAMP_PX_PER_MM, {
    seed,
    turnDeg: luck.between(0, 360),
    scale: luck.between(0.7, 1.4),
    uneven: luck.between(0.2, 0.9),
  })
  return takePhoto(flat, { seed, reference: null, widthPx: 1000, heightPx: 750, maxTiltDeg: 15, trouble: 'none' }).picture
}

/** Finding a set by a photo: invented sets of drawn pieces, and photos of one stamped piece each. */
export async function byPicture(): Promise<void> {
  const index = new ShapeIndex()
  const [made, shapes]: [number[], number[]] = [[], []]
  for (let at = 0; at < SETS; at += 1) {
    const sheet = await sheetOf(setOf(at))
    const began = performance.now()
    const found = shapesOf(sheet)
    made.push(performance.now() - began)
    shapes.push(found.length)
    index.put(String(at), packShapes(found))
  }
  report(`the shapes of a picture of a set, ${median(shapes)} of them`, ms(median(made)), 'none given')
  const [ink, asks]: [number[], number[]] = [[], []]
  let [first, inTen] = [0, 0]
  for (let at = 0; at < PHOTOS; at += 1) {
    const luck = chance(at * 15_485_863 + 11)
    luck.unit()
    const set = luck.whole(0, SETS - 1)
    const photo = await photoOf(luck.pick(setOf(set)), 70_000 + at)
    let began = performance.now()
    const asked = shapesOf(photo)
    ink.push(performance.now() - began)
    began = performance.now()
    const found = index.ask(asked)
    asks.push(performance.now() - began)
    const rank = found.findIndex(({ id }) => id === String(set))
    if (rank === 0) first += 1
    if (rank >= 0) inTen += 1
  }
  report(`the right set of ${SETS} first, by a photo of one stamped piece`, `${first} of ${PHOTOS}`, '70 of 100')
  report('  among the first ten', `${inTen} of ${PHOTOS}`, '90 of 100')
  report('  the ink of the photo, found', ms(median(ink)), 'none given')
  report('  and from there to the ten', `p50 ${ms(median(asks))}, p95 ${ms(percentile(asks, 0.95))}`, '150 ms')
}
