import { createError, defineEventHandler, getRequestHeader, readBody } from 'h3'
import { useRuntimeConfig } from 'nitropack/runtime'
import { encode } from 'fast-png'
import { z } from 'zod'
import { LABEL_LIMITS, TAPE_WIDTHS_MM } from '#core/catalog'
import { runLabelJob } from '#demo/labelPrinter'

/** A reel is no longer than this; a job holds no more than goes on one. */
const REEL_MM = 8000
const MAX_BYTES = 4 * 1024 * 1024
const MAX_LABELS = 600
const Mm = z.number().min(0).max(LABEL_LIMITS.marginMm)
const Dots = z.object({
  columns: z.number().int().min(1).max(4000),
  rows: z.number().int().min(1).max(400),
  bytes: z.base64().max(300_000),
})
const Job = z.object({
  tapeWidthMm: z.literal([...TAPE_WIDTHS_MM]),
  loadedWidthMm: z.literal([...TAPE_WIDTHS_MM]),
  leftMm: z.number().min(0).max(REEL_MM),
  beforeMm: Mm,
  afterMm: Mm,
  singlyAfterMm: Mm,
  toCutterMm: Mm,
  isChained: z.boolean(),
  isFed: z.boolean(),
  blankMm: Mm,
  held: z.array(Dots).max(40),
  labels: z.array(Dots.extend({ order: z.number().int(), lengthMm: z.number().min(0).max(1000) })).max(MAX_LABELS),
})

/**
 * The stand-in label machine: takes a job as the application sends it, checks it, and answers with the strip that comes out, as a
 * picture. Only where the demo is offered. It keeps nothing: what is on the reel and what is held inside is told with each job.
 */
export default defineEventHandler(async event => {
  if (String(useRuntimeConfig(event).demo) !== 'true') throw createError({ statusCode: 404, statusMessage: 'Only with the demo' })
  const length = Number(getRequestHeader(event, 'content-length') ?? NaN)
  if (!(length >= 0)) throw createError({ statusCode: 411, statusMessage: 'A job says how long it is' })
  if (length > MAX_BYTES) throw createError({ statusCode: 413, statusMessage: 'That is more than a machine takes at once' })
  const job = Job.safeParse(await readBody(event))
  if (!job.success) throw createError({ statusCode: 400, statusMessage: 'The machine does not understand that' })
  const dots = <T extends { readonly bytes: string }>(label: T) => ({ ...label, bytes: new Uint8Array(Buffer.from(label.bytes, 'base64')) })
  const outcome = runLabelJob({ ...job.data, held: job.data.held.map(dots), labels: job.data.labels.map(dots) })
  if (!outcome.ok) return outcome
  const { strip, ...said } = outcome
  const png = strip && encode({ width: strip.widthPx, height: strip.heightPx, data: strip.pixels, channels: 1, depth: 8 })
  return { ...said, strip: png && Buffer.from(png).toString('base64') }
})
