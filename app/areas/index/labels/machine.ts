import type { LabelHabits, TapeWidthMm } from '#core/catalog'
import type { Dots } from '~/subjects/press/dots'

/** The reel in the stand-in machine, and what is printed and still inside. */
export interface MachineState {
  readonly loadedWidthMm: TapeWidthMm
  readonly leftMm: number
  /** Blank tape in front of the first label inside; null: as much as lies between head and cutter. */
  readonly blankMm: number | null
  readonly held: readonly HeldLabel[]
}
/** Dots as they are sent. */
interface SentDots {
  readonly columns: number
  readonly rows: number
  readonly bytes: string
}
type HeldLabel = SentDots & { readonly of: string }
/** A new reel: 8 m, common practice. */
const REEL_MM = 8000
export const newReel = (loadedWidthMm: TapeWidthMm): MachineState => ({ loadedWidthMm, leftMm: REEL_MM, blankMm: null, held: [] })

export type MachineOutcome =
  | {
      readonly ok: true
      readonly machine: MachineState
      /** What came out, in order; what is inside; what could not be printed. */
      readonly out: readonly string[]
      readonly held: readonly string[]
      readonly unprinted: readonly string[]
      readonly stripMm: number
      readonly strips: readonly Blob[]
      /** Why the last of them could not be printed, where that is not the end of the tape. */
      readonly fault: MachineFault | null
    }
  /** `otherTape`: that tape is not in the machine; `broken`: it does not understand the job; `away`: there is no machine, or no network. */
  | { readonly ok: false; readonly code: MachineFault }
type MachineFault = 'otherTape' | 'broken' | 'busy' | 'away' | 'gone'

interface Said {
  readonly ok: boolean
  readonly fault?: { readonly code: string }
  readonly out: number
  readonly held: number
  readonly leftMm: number
  readonly blankMm: number
  readonly stripMm: number
  readonly strip: string | null
}

const inText = (bytes: Uint8Array): string => btoa(String.fromCharCode(...bytes))
const sent = ({ columns, rows, bytes }: Dots): SentDots => ({ columns, rows, bytes: inText(bytes) })

type SentLabel = Dots & { readonly of: string; readonly lengthMm: number }
/** No more goes to the machine at once: so many labels, so many bytes of dots. */
const [MOST_LABELS, MOST_BYTES] = [300, 2_000_000]

/** The labels in jobs that the machine takes, in order. Nothing to print is one job: what is inside is fed out. */
export function jobsOf<L extends Pick<Dots, 'bytes'>>(
  labels: readonly L[],
  most = MOST_LABELS,
  mostBytes = MOST_BYTES,
): readonly (readonly L[])[] {
  const jobs: L[][] = [[]]
  let bytes = 0
  for (const label of labels) {
    bytes += label.bytes.length
    const last = jobs.at(-1) ?? []
    if (last.length > 0 && (last.length >= most || bytes > mostBytes)) {
      jobs.push([label])
      bytes = label.bytes.length
    } else last.push(label)
  }
  return jobs
}

/** What is kept of a job before it is sent, and once it is known what became of it; null: nothing was printed. */
export interface JobRecord {
  onSend(ofs: readonly string[]): Promise<void>
  onDone(done: Extract<MachineOutcome, { ok: true }> | null, ofs: readonly string[]): Promise<void>
}

/**
 * Prints labels, job after job, as far as the reel goes. Each job is recorded before it is sent: where it cannot be, no tape is used. Where
 * a later job fails, what came before it is printed all the same.
 */
export async function runOnMachine(
  labels: readonly SentLabel[],
  before: MachineState,
  habits: LabelHabits,
  isFed: boolean,
  record: JobRecord,
): Promise<MachineOutcome> {
  const jobs = jobsOf(labels)
  let whole = null as Extract<MachineOutcome, { ok: true }> | null
  for (const [at, job] of jobs.entries()) {
    const ofs = job.map(({ of }) => of)
    await record.onSend(ofs)
    const done = await runJob(job, whole?.machine ?? before, habits, isFed && at === jobs.length - 1)
    const left = jobs.slice(at).flatMap(each => each.map(({ of }) => of))
    await record.onDone(done.ok ? done : null, ofs)
    if (!done.ok) return whole ? { ...whole, unprinted: left, fault: done.code } : done
    const unprinted = done.unprinted.length > 0 ? [...done.unprinted, ...jobs.slice(at + 1).flatMap(each => each.map(({ of }) => of))] : []
    whole = {
      ...done,
      out: [...(whole?.out ?? []), ...done.out],
      strips: [...(whole?.strips ?? []), ...done.strips],
      stripMm: (whole?.stripMm ?? 0) + done.stripMm,
      unprinted,
    }
    if (unprinted.length > 0) break
  }
  return whole ?? { ok: false, code: 'gone' }
}

/** Sends one job as the machine wants it, and reads what it says. The state of the machine is told with it. */
async function runJob(
  labels: readonly SentLabel[],
  machine: MachineState,
  { tapeWidthMm, beforeMm, afterMm, singlyAfterMm, toCutterMm, isChained }: LabelHabits,
  isFed: boolean,
): Promise<MachineOutcome> {
  const all: readonly HeldLabel[] = [...machine.held, ...labels.map(label => ({ of: label.of, ...sent(label) }))]
  const job = {
    tapeWidthMm,
    loadedWidthMm: machine.loadedWidthMm,
    leftMm: machine.leftMm,
    beforeMm,
    afterMm,
    singlyAfterMm,
    toCutterMm,
    isChained,
    isFed,
    blankMm: machine.held.length > 0 ? (machine.blankMm ?? toCutterMm) : toCutterMm,
    held: machine.held.map(({ columns, rows, bytes }) => ({ columns, rows, bytes })),
    labels: labels.map((label, at) => ({ ...sent(label), order: at + 1, lengthMm: label.lengthMm })),
  }
  const response = await fetch('/api/label-printer', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(job),
  }).catch(() => null)
  if (!response || response.status === 404) return { ok: false, code: 'away' }
  if (!response.ok) return { ok: false, code: response.status === 503 ? 'busy' : 'broken' }
  const said = (await response.json()) as Said
  if (!said.ok) return { ok: false, code: said.fault?.code === 'otherTape' ? 'otherTape' : 'broken' }
  const next = { ...machine, leftMm: said.leftMm, blankMm: said.blankMm, held: all.slice(said.out, said.out + said.held) }
  const names = (list: readonly HeldLabel[]): string[] => list.map(({ of }) => of)
  return {
    ok: true,
    machine: next,
    out: names(all.slice(0, said.out)),
    held: names(next.held),
    unprinted: names(all.slice(said.out + said.held)),
    stripMm: said.stripMm,
    strips:
      said.strip === null ? [] : [new Blob([Uint8Array.from(atob(said.strip), letter => letter.charCodeAt(0))], { type: 'image/png' })],
    fault: null,
  }
}
