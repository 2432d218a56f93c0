import { rmSync } from 'node:fs'
import { mkdtemp, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createError, defineEventHandler, getQuery, setHeader } from 'h3'
import { useRuntimeConfig, useStorage } from 'nitropack/runtime'
import { Piscina } from 'piscina'
import { z } from 'zod'
import { CAMERA_TROUBLES, type Shot } from '#demo/camera'

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
/** Photos that may wait for the one that is being taken. */
const MAX_WAITING = 8

let camera: Promise<Piscina<Shot, Uint8Array | null>> | null = null

/** One photo at a time, in a thread beside the server. Opened once, however many ask; a camera that cannot be opened is tried again. */
function openCamera(): Promise<Piscina<Shot, Uint8Array | null>> {
  camera ??= newCamera().catch((reason: unknown) => {
    camera = null
    throw reason
  })
  return camera
}
async function newCamera(): Promise<Piscina<Shot, Uint8Array | null>> {
  const assets = useStorage('assets:demo')
  const code = await assets.getItemRaw<Uint8Array>('camera.mjs')
  const sets = await assets.getItemRaw<Uint8Array>('camera.zip')
  if (!code || !sets) throw createError({ statusCode: 404, statusMessage: 'The stand-in camera has no sets: the demo was not built' })
  // A thread begins with a file.
  const folder = await mkdtemp(join(tmpdir(), 'letter-room-camera-'))
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  const filename = join(folder, 'camera.mjs')
  await writeFile(filename, code)
  return new Piscina({
    filename,
    workerData: new Uint8Array(sets),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    maxQueue: MAX_WAITING,
  })
}

/**
 * The stand-in camera: a photo of one of its sets on a mat, with a reference of known size, as a grey PNG. Only where the
 * demo is offered: it is there to try the whole way with no device. Who leaves is not waited for; where too many ask at
 * once, they are told to ask again.
 */
export default defineEventHandler(async event => {
  if (String(useRuntimeConfig(event).demo) !== 'true') throw createError({ statusCode: 404, statusMessage: 'Only with the demo' })
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
  const gone = new AbortController()
  event.node.res.once('close', () => gone.abort())
  const open = await openCamera()
  if (open.queueSize >= MAX_WAITING) {
    setHeader(event, 'retry-after', 10)
    throw createError({ statusCode: 503, statusMessage: 'The camera is busy: ask again in a moment' })
  }
  const photo = await open.run(shot, { signal: gone.signal }).catch((reason: unknown) => {
    if (!gone.signal.aborted) throw reason
    return null
  })
  if (gone.signal.aborted) return null
  if (!photo) throw createError({ statusCode: 404, statusMessage: 'The camera has no sets' })
  setHeader(event, 'content-type', 'image/png')
  setHeader(event, 'cache-control', 'no-store')
  return Buffer.from(photo)
})
