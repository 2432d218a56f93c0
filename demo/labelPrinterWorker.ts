import { encode } from 'fast-png'
import { type LabelJob, type LabelOutcome, runLabelJob } from './labelPrinter'

/** Dots as a job sends them: base64. */
type Sent<Label> = Omit<Label, 'bytes'> & { readonly bytes: string }
export type SentJob = Omit<LabelJob, 'held' | 'labels'> & {
  readonly held: readonly Sent<LabelJob['held'][number]>[]
  readonly labels: readonly Sent<LabelJob['labels'][number]>[]
}
/** What the machine says, with the strip as a PNG in base64. */
export type SaidOfJob =
  | Extract<LabelOutcome, { ok: false }>
  | (Omit<Extract<LabelOutcome, { ok: true }>, 'strip'> & { readonly strip: string | null })

const dots = <L extends { readonly bytes: string }>(label: L) => ({ ...label, bytes: new Uint8Array(Buffer.from(label.bytes, 'base64')) })

/** The stand-in label machine in a thread of its own: a whole reel is some millions of dots, and the server goes on answering. */
export default function print(job: SentJob): SaidOfJob {
  const outcome = runLabelJob({ ...job, held: job.held.map(dots), labels: job.labels.map(dots) })
  if (!outcome.ok) return outcome
  const { strip, ...said } = outcome
  const png = strip && encode({ width: strip.widthPx, height: strip.heightPx, data: strip.pixels, channels: 1, depth: 8 })
  return { ...said, strip: png && Buffer.from(png).toString('base64') }
}
