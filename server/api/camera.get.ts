import { createError, defineEventHandler, getQuery, setHeader } from 'h3'
import { z } from 'zod'
import { CAMERA_TROUBLES, type Shot } from '#demo/camera'
import { StandIn } from '../utils/thread'

/** What may be asked of the stand-in camera. Bounded: a photo of 12 megapixels takes some seconds. */
const Query = z.object({
  seed: z.coerce.number().int().min(0).max(1_000_000).default(1),
  reference: z.enum(['card', 'A4']).default('card'),
  megapixels: z.coerce.number().min(0.5).max(12).default(3),
  tilt: z.coerce.number().min(0).max(60).default(20),
  trouble: z.enum(CAMERA_TROUBLES).default('none'),
  /** A label with this text as a square code, in place of a set. */
  label: z.string().min(1).max(40).optional(),
  /** A card with a piece of a set of the demo room stamped on it. */
  stamped: z.literal('true').optional(),
})

const camera = new StandIn<Shot, Uint8Array | null>('camera', { code: 'camera.mjs', data: 'camera.zip' })

/** The stand-in camera: a photo of one of its sets on a mat, with a reference of known size, as a grey PNG. */
export default defineEventHandler(async event => {
  camera.expectOffered(event)
  const query = Query.safeParse(getQuery(event))
  if (!query.success) throw createError({ statusCode: 400, statusMessage: 'The camera does not understand that' })
  const { megapixels, tilt, stamped, ...asked } = query.data
  const widthPx = Math.round(Math.sqrt((megapixels * 1e6 * 4) / 3))
  const isStamped = stamped === 'true'
  const shot: Shot = {
    ...asked,
    isStamped,
    reference: isStamped ? null : asked.reference,
    widthPx,
    heightPx: Math.round(widthPx * 0.75),
    maxTiltDeg: tilt,
  }
  const photo = await camera.run(event, shot)
  if (!photo) return null
  setHeader(event, 'content-type', 'image/png')
  setHeader(event, 'cache-control', 'no-store')
  return Buffer.from(photo)
})
