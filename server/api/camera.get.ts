import { createError, defineEventHandler, getQuery, setHeader } from 'h3'
import { decode, encode } from 'fast-png'
import { strFromU8, unzipSync } from 'fflate'
import { useRuntimeConfig, useStorage } from 'nitropack/runtime'
import { z } from 'zod'
import { type FlatSet, takePhoto } from '#demo/camera'

/** What may be asked of the stand-in camera. Bounded: a photo of 12 megapixels takes some seconds. */
const Query = z.object({
  seed: z.coerce.number().int().min(0).max(1_000_000).default(1),
  reference: z.enum(['card', 'A4']).default('card'),
  megapixels: z.coerce.number().min(0.5).max(12).default(3),
  tilt: z.coerce.number().min(0).max(35).default(20),
  trouble: z.enum(['none', 'cutOff', 'blurred', 'bent']).default('none'),
})
const Truth = z.array(z.object({ file: z.string(), pxPerMm: z.number(), widthMm: z.number(), heightMm: z.number() }))

let sets: readonly FlatSet[] | null = null

/** The sets that the camera has, drawn when the project was built. Where their pieces lie is left out: it is not for who measures. */
async function flatSets(): Promise<readonly FlatSet[]> {
  if (sets) return sets
  const archive = await useStorage('assets:demo').getItemRaw<Uint8Array>('camera.zip')
  if (!archive) throw createError({ statusCode: 404, statusMessage: 'The stand-in camera has no sets: the demo was not built' })
  const files = unzipSync(new Uint8Array(archive))
  const truth = Truth.parse(JSON.parse(strFromU8(files['sets.json'] ?? new Uint8Array())))
  sets = truth.map(({ file, pxPerMm, widthMm, heightMm }) => {
    const png = decode(files[file] ?? new Uint8Array())
    return {
      picture: { widthPx: png.width, heightPx: png.height, pixels: Uint8Array.from(png.data) },
      pxPerMm,
      widthMm,
      heightMm,
      pieces: [],
    }
  })
  return sets
}

/**
 * The stand-in camera: a photo of one of its sets on a mat, with a reference of known size, as a grey PNG. Only where the
 * demo is offered: it is there to try the whole way with no device.
 */
export default defineEventHandler(async event => {
  if (String(useRuntimeConfig(event).demo) !== 'true') throw createError({ statusCode: 404, statusMessage: 'Only with the demo' })
  const query = Query.safeParse(getQuery(event))
  if (!query.success) throw createError({ statusCode: 400, statusMessage: 'The camera does not understand that' })
  const { seed, reference, megapixels, tilt, trouble } = query.data
  const all = await flatSets()
  const set = all[seed % all.length]
  if (!set) throw createError({ statusCode: 404, statusMessage: 'The camera has no sets' })
  const widthPx = Math.round(Math.sqrt((megapixels * 1e6 * 4) / 3))
  const { picture } = takePhoto(set, { seed, reference, widthPx, heightPx: Math.round(widthPx * 0.75), maxTiltDeg: tilt, trouble })
  setHeader(event, 'content-type', 'image/png')
  setHeader(event, 'cache-control', 'no-store')
  return encode({ width: picture.widthPx, height: picture.heightPx, data: picture.pixels, channels: 1, depth: 8 })
})
