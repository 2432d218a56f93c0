import type { LabelHabits, TapeWidthMm } from '#core/catalog'
import type { Dots } from '~/areas/index/paper/dots'

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
export type HeldLabel = SentDots & { readonly of: string }
/** A new reel: 8 m, common practice. */
export const REEL_MM = 8000
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
      readonly strip: Blob | null
    }
  /** `otherTape`: that tape is not in the machine; `broken`: it does not understand the job; `away`: there is no machine, or no network. */
  | { readonly ok: false; readonly code: 'otherTape' | 'broken' | 'away' | 'gone' }

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

/** Sends a job as the machine wants it, and reads what it says. The state of the machine is told with it. */
export async function runOnMachine(
  labels: readonly (Dots & { readonly of: string; readonly lengthMm: number })[],
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
  if (!response.ok) return { ok: false, code: 'broken' }
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
    strip:
      said.strip === null ? null : new Blob([Uint8Array.from(atob(said.strip), letter => letter.charCodeAt(0))], { type: 'image/png' }),
  }
}
