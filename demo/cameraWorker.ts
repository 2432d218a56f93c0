import { workerData } from 'node:worker_threads'
import { decode, encode } from 'fast-png'
import { strFromU8, unzipSync } from 'fflate'
import { z } from 'zod'
import type { GreyPicture } from '#core/measuring'
import { type FlatSet, labelOf, type Shot, takePhoto } from './camera'
import { chance } from './random'
import { stamped } from './stamping'

/** The stand-in camera in a thread of its own: a photo of 12 megapixels takes some seconds, and the server goes on answering. */
const Truth = z.array(z.object({ file: z.string(), pxPerMm: z.number(), widthMm: z.number(), heightMm: z.number() }))

const files = unzipSync(z.instanceof(Uint8Array).parse(workerData))
function greyOf(file: string): GreyPicture {
  const png = decode(files[file] ?? new Uint8Array())
  return { widthPx: png.width, heightPx: png.height, pixels: Uint8Array.from(png.data) }
}
const Stamps = z.array(z.object({ file: z.string(), pxPerMm: z.number() }))
const stamps = Stamps.parse(JSON.parse(strFromU8(files['stamps.json'] ?? new Uint8Array())))
/** One of the pieces on a card, turned any way, nearer or further, with ink that took unevenly. */
function cardOf(seed: number): FlatSet | undefined {
  const [luck, piece] = [chance(seed), stamps[seed % stamps.length]]
  return (
    piece &&
    stamped(greyOf(piece.file), piece.pxPerMm, {
      seed,
      turnDeg: luck.between(0, 360),
      scale: luck.between(0.7, 1.4),
      uneven: luck.between(0.2, 0.9),
    })
  )
}

/** The sets that the camera has, drawn when the project was built. Where their pieces lie is left out: it is not for who measures. */
const sets = Truth.parse(JSON.parse(strFromU8(files['sets.json'] ?? new Uint8Array()))).map(
  ({ file, pxPerMm, widthMm, heightMm }): FlatSet => {
    return {
      picture: greyOf(file),
      pxPerMm,
      widthMm,
      heightMm,
      pieces: [],
    }
  },
)

/** A photo as a grey PNG. null: the camera has no sets. */
export default function photograph(shot: Shot): Uint8Array | null {
  const plain = shot.label ? labelOf(shot.label) : sets[shot.seed % sets.length]
  const set = shot.isStamped ? cardOf(shot.seed) : plain
  if (!set) return null
  const { picture } = takePhoto(set, shot)
  return encode({ width: picture.widthPx, height: picture.heightPx, data: picture.pixels, channels: 1, depth: 8 })
}
