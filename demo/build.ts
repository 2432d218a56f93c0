import { createHash } from 'node:crypto'
import { mkdirSync, writeFileSync } from 'node:fs'
import sharp from 'sharp'
import type { Holding } from '#core/catalog'
import { packArchive, type PictureFile, type ThumbFile } from '#core/exchange'
import { strToU8, zipSync } from 'fflate'
import { drawCameraSets } from './cameraSets'
import type { GreyPicture } from '#core/measuring'
import { shapesOf } from '#core/shapes'
import { backOfCard } from './collection'
import { STRIP_MM } from './living'
import { makeLetterRoom } from './letterRoom'
import { labelAll, printBook } from './printed'

/** Pixels a millimetre of the drawings: fine enough for life size on a good screen, small enough to load at once. */
const PX_PER_MM = 4
const THUMB_PX = 180
/** So many greys, from ink to paper: enough for an edge to look smooth. */
const GREYS = 8
const nearestGrey = Uint8Array.from({ length: 256 }, (_, grey) => (Math.round((grey / 255) * (GREYS - 1)) * 255) / (GREYS - 1))
const AT_ONCE = 4
const CAMERA_SETS = 12
const CAMERA_SEED = 500
/** So many pieces it can stamp. */
const STAMPS = 24

const sha256 = (bytes: Uint8Array): Promise<string> => Promise.resolve(createHash('sha256').update(bytes).digest('hex'))

/** By hash, so that the archive is the same whichever drawing was ready first. */
function sorted<F extends { readonly hash: string }>(files: ReadonlyMap<string, F>): F[] {
  return [...files.values()].sort((a, b) => (a.hash < b.hash ? -1 : 1))
}

/** Draws the letter room and writes it as an archive of the project's own format: the same door that a person's copy uses. */
async function buildDemo(target: string): Promise<readonly Stamp[]> {
  const { data, drawings } = makeLetterRoom()
  const pictures = new Map<string, PictureFile>()
  const thumbs = new Map<string, ThumbFile>()
  const draw = async (drawing: string, widthMm: number, heightMm: number): Promise<string> => {
    const [width, height] = [Math.round(widthMm * PX_PER_MM), Math.round(heightMm * PX_PER_MM)]
    const svg = drawing.replace('<svg ', `<svg width="${width}" height="${height}" `)
    const { data: raw, info } = await sharp(Buffer.from(svg)).greyscale().raw().toBuffer({ resolveWithObject: true })
    for (let at = 0; at < raw.length; at += 1) raw[at] = nearestGrey[raw[at] ?? 0] ?? 0
    const image = sharp(raw, { raw: { width: info.width, height: info.height, channels: info.channels } })
    const bytes = new Uint8Array(await image.clone().toColourspace('b-w').png().toBuffer())
    const hash = await sha256(bytes)
    pictures.set(hash, { hash, type: 'image/png', bytes })
    thumbs.set(hash, {
      hash,
      bytes: new Uint8Array(await image.resize(THUMB_PX, THUMB_PX, { fit: 'inside' }).jpeg({ quality: 72 }).toBuffer()),
    })
    return hash
  }
  const drawOne = async (holding: Holding): Promise<void> => {
    if (!holding.size) return
    const { widthMm, heightMm } = holding.size
    holding.pictureHash = await draw(drawings.get(holding.id) ?? '', widthMm, heightMm)
    if (holding.packaging !== 'whole') return
    const back = backOfCard(widthMm)
    holding.packagingPictureHash = await draw(back.svg, widthMm, back.heightMm)
  }
  for (const draft of data.drafts) {
    const drawing = drawings.get(draft.id)
    if (drawing) draft.pictureHash = await draw(drawing, STRIP_MM.widthMm, STRIP_MM.heightMm)
  }
  for (let at = 0; at < data.holdings.length; at += AT_ONCE) await Promise.all(data.holdings.slice(at, at + AT_ONCE).map(drawOne))
  printBook(data)
  labelAll(data)
  const zip = await packArchive(data, sorted(pictures), sorted(thumbs), '2026-11-01T00:00:00.000Z', sha256)
  mkdirSync(target, { recursive: true })
  writeFileSync(`${target}/letter-room.zip`, zip)
  console.log(`${data.holdings.length} sets, ${pictures.size} pictures, ${(zip.length / 1e6).toFixed(1)} MB`)
  const images = data.categories.find(({ name }) => name === 'Images')?.id
  const dies = new Set(data.kinds.filter(({ family }) => family === 'die').map(({ id }) => id))
  const shown = data.holdings.filter(({ categoryId, kindId }) => categoryId === images && !dies.has(kindId ?? '')).slice(0, STAMPS)
  return (await Promise.all(shown.map(({ number, pictureHash }) => stampOf(number, pictures.get(pictureHash ?? '')?.bytes)))).flatMap(
    each => each ?? [],
  )
}

/** A piece of a set of the room, cut out of its picture, to be stamped on a card. */
interface Stamp {
  readonly number: number
  readonly picture: GreyPicture
}
/** A piece that has so much of the ink of its set, neither a dot nor all of it. */
const SHARE = { from: 0.08, to: 0.5 }
async function stampOf(number: number, bytes: Uint8Array | undefined): Promise<Stamp | null> {
  if (!bytes) return null
  const { data, info } = await sharp(bytes).greyscale().raw().toBuffer({ resolveWithObject: true })
  const picture = { widthPx: info.width, heightPx: info.height, pixels: new Uint8Array(data) }
  const piece = shapesOf(picture).find(({ share, levels }) => share > SHARE.from && share < SHARE.to && levels.includes(1))
  if (!piece) return null
  const longer = Math.max(info.width, info.height)
  const [left, top, right, bottom] = [piece.box.left, piece.box.top, piece.box.right, piece.box.bottom].map(each =>
    Math.round(each * longer),
  )
  const [widthPx, heightPx] = [(right ?? 0) - (left ?? 0), (bottom ?? 0) - (top ?? 0)]
  const pixels = new Uint8Array(widthPx * heightPx)
  for (let row = 0; row < heightPx; row += 1) {
    const from = ((top ?? 0) + row) * info.width + (left ?? 0)
    pixels.set(picture.pixels.subarray(from, from + widthPx), row * widthPx)
  }
  return { number, picture: { widthPx, heightPx, pixels } }
}

/** The sets of the stand-in camera and the pieces it can stamp, as pictures, with their sizes and the numbers of their sets. */
async function buildCamera(target: string, stamps: readonly Stamp[]): Promise<void> {
  const sets = await drawCameraSets(CAMERA_SETS, CAMERA_SEED)
  const files: Record<string, Uint8Array> = {}
  const png = async ({ widthPx, heightPx, pixels }: GreyPicture): Promise<Uint8Array> =>
    new Uint8Array(
      await sharp(pixels, { raw: { width: widthPx, height: heightPx, channels: 1 } })
        .toColourspace('b-w')
        .png()
        .toBuffer(),
    )
  for (const [at, { picture }] of sets.entries()) files[`${at}.png`] = await png(picture)
  for (const { number, picture } of stamps) files[`stamp-${number}.png`] = await png(picture)
  files['stamps.json'] = strToU8(JSON.stringify(stamps.map(({ number }) => ({ file: `stamp-${number}.png`, number, pxPerMm: PX_PER_MM }))))
  files['sets.json'] = strToU8(
    JSON.stringify(sets.map(({ pxPerMm, widthMm, heightMm, pieces }, at) => ({ file: `${at}.png`, pxPerMm, widthMm, heightMm, pieces }))),
  )
  writeFileSync(`${target}/camera.zip`, zipSync(files, { level: 0 }))
}

const stamps = await buildDemo(process.argv[2] ?? '.demo')
await buildCamera(process.argv[2] ?? '.demo', stamps)
