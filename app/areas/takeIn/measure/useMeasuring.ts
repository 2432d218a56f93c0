import { shallowRef } from 'vue'
import { joinPieces, type MeasuredPiece, type Quad, type Reference } from '#core/measuring'
import { measureWords } from './words'
import { useWorker } from '~/data/worker'
import type { MeasureApi, MeasuredPhoto, OpenedPhoto } from './measure.worker'

/** The way from a photo to a measured set: one worker, one photo at a time, each step told and stoppable. */
export function useMeasuring() {
  const photo = shallowRef<OpenedPhoto | null>(null)
  const corners = shallowRef<Quad | null>(null)
  const proposals = shallowRef<readonly Quad[]>([])
  const measured = shallowRef<MeasuredPhoto | null>(null)
  const pieces = shallowRef<readonly MeasuredPiece[]>([])
  const busy = shallowRef('')
  const problem = shallowRef('')
  const worker = useWorker<MeasureApi>(() => new Worker(new URL('./measure.worker.ts', import.meta.url), { type: 'module' }))

  /** Runs one step, told on the screen as `what`. Null where it broke or was stopped: everything is as it was. */
  async function step<R>(what: string, call: (api: Parameters<Parameters<typeof worker.run>[0]>[0]) => R): Promise<Awaited<R> | null> {
    busy.value = what
    problem.value = ''
    return worker.ask(call).finally(() => (busy.value = ''))
  }
  function cancel(): void {
    worker.cancel()
    photo.value = null
    measured.value = null
  }
  async function open(file: Blob, reference: Reference): Promise<void> {
    const opened = await step(measureWords.reading, api => api.open(file))
    if (!opened) return
    measured.value = null
    if (!opened.ok) return void (problem.value = measureWords.photoProblems[opened.code])
    photo.value = opened
    await propose(reference)
  }
  /** Corners as proposed; where there is nothing to propose, in the middle, to be put where they are. */
  async function propose(reference: Reference): Promise<void> {
    const { value: open } = photo
    if (!open) return
    const found = await step(measureWords.looking, api => api.propose(reference))
    proposals.value = found?.quads ?? []
    const [x, y] = [open.widthPx / 4, open.heightPx / 4]
    corners.value = found?.quads[0] ?? [
      { x, y },
      { x: 3 * x, y },
      { x: 3 * x, y: 3 * y },
      { x, y: 3 * y },
    ]
    if (found?.quads.length === 0) problem.value = found.isCutOff ? measureWords.cutOff : measureWords.noProposal
    measured.value = null
  }
  function nextProposal(): void {
    const at = proposals.value.findIndex(quad => quad === corners.value)
    corners.value = proposals.value[(at + 1) % Math.max(1, proposals.value.length)] ?? corners.value
    measured.value = null
  }
  async function measure(reference: Reference): Promise<void> {
    const { value: asked } = corners
    if (!asked) return
    const found = await step(measureWords.measuring, api => api.measure(asked.map(({ x, y }) => ({ x, y })) as unknown as Quad, reference))
    if (!found) return
    if (!found.ok) {
      measured.value = null
      return void (problem.value = measureWords.faults[found.code])
    }
    measured.value = found
    corners.value = found.corners
    pieces.value = found.pieces
  }
  function join(marked: ReadonlySet<number>): void {
    const joined = joinPieces(pieces.value.filter((_, at) => marked.has(at)))
    if (joined) pieces.value = [...pieces.value.filter((_, at) => !marked.has(at)), joined]
  }
  async function split(at: number): Promise<boolean> {
    const piece = pieces.value[at]
    const parts = piece ? await worker.ask(api => api.split({ ...piece })) : null
    if (parts) pieces.value = [...pieces.value.slice(0, at), ...parts, ...pieces.value.slice(at + 1)]
    return parts !== null
  }
  const drop = (marked: ReadonlySet<number>): void => {
    pieces.value = pieces.value.filter((_, at) => !marked.has(at))
  }

  return { photo, corners, proposals, measured, pieces, busy, problem, cancel, open, propose, nextProposal, measure, join, split, drop }
}
