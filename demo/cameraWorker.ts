import { workerData } from 'node:worker_threads'
import { decode, encode } from 'fast-png'
import { strFromU8, unzipSync } from 'fflate'
import { z } from 'zod'
import { type FlatSet, labelOf, type Shot, takePhoto } from './camera'

/** The stand-in camera in a thread of its own: a photo of 12 megapixels takes some seconds, and the server goes on answering. */
const Truth = z.array(z.object({ file: z.string(), pxPerMm: z.number(), widthMm: z.number(), heightMm: z.number() }))

const files = unzipSync(z.instanceof(Uint8Array).parse(workerData))
/** The sets that the camera has, drawn when the project was built. Where their pieces lie is left out: it is not for who measures. */
const sets = Truth.parse(JSON.parse(strFromU8(files['sets.json'] ?? new Uint8Array()))).map(
  ({ file, pxPerMm, widthMm, heightMm }): FlatSet => {
    const png = decode(files[file] ?? new Uint8Array())
    return {
      picture: { widthPx: png.width, heightPx: png.height, pixels: Uint8Array.from(png.data) },
      pxPerMm,
      widthMm,
      heightMm,
      pieces: [],
    }
  },
)

/** A photo as a grey PNG. null: the camera has no sets. */
export default function photograph(shot: Shot): Uint8Array | null {
  const set = shot.label ? labelOf(shot.label) : sets[shot.seed % sets.length]
  if (!set) return null
  const { picture } = takePhoto(set, shot)
  return encode({ width: picture.widthPx, height: picture.heightPx, data: picture.pixels, channels: 1, depth: 8 })
}
