import { createError, defineEventHandler } from 'h3'
import { z } from 'zod'
import { LABEL_LIMITS, TAPE_WIDTHS_MM } from '#core/catalog'
import { DOTS_PER_INCH } from '#demo/labelPrinter'
import type { SaidOfJob, SentJob } from '#demo/labelPrinterWorker'
import { MM_PER_INCH } from '#core/units'
import { readJson } from '../utils/body'
import { StandIn } from '../utils/thread'

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
/** Columns of dots that go on a reel: no more of them can be inside. What is sent is checked dot by dot against its bytes. */
const REEL_COLUMNS = Math.ceil((REEL_MM / MM_PER_INCH) * DOTS_PER_INCH)
const Job = z
  .object({
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
  .refine(({ held }) => held.reduce((sum, { columns }) => sum + columns, 0) <= REEL_COLUMNS)

const machine = new StandIn<SentJob, SaidOfJob>('label machine', { code: 'labelPrinter.mjs' })

/**
 * The stand-in label machine: takes a job as the application sends it, checks it, and answers with the strip that comes out, as a
 * picture. It keeps nothing: what is on the reel and what is held inside is told with each job.
 */
export default defineEventHandler(async event => {
  machine.expectOffered(event)
  const job = Job.safeParse(await readJson(event, MAX_BYTES))
  if (!job.success) throw createError({ statusCode: 400, statusMessage: 'The machine does not understand that' })
  return machine.run(event, job.data)
})
