import { afterEach, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { START_SETTINGS } from '#core/catalog'
import { runLabelJob } from '#demo/labelPrinter'
import { type JobRecord, jobsOf, type MachineOutcome, type MachineState, newReel, runOnMachine } from './machine'

const habits = { ...START_SETTINGS.labels, isChained: true }
/** So many dots long, as the machine counts them: 180 to the inch. */
const label = (nth: number, columns = 180) => ({
  of: `set:${nth}`,
  columns,
  rows: 8,
  bytes: new Uint8Array(columns),
  lengthMm: (columns / 180) * 25.4,
})

const { fetch } = globalThis
afterEach(() => {
  globalThis.fetch = fetch
})
/** The stand-in machine, asked as over the network: it takes no more than so many labels at once. */
function standIn(most: number, failsAt = Infinity): { readonly jobs: number[] } {
  const jobs: number[] = []
  globalThis.fetch = async (_url, init) => {
    const job = JSON.parse(String(init?.body)) as Parameters<typeof runLabelJob>[0] & {
      labels: { bytes: string }[]
      held: { bytes: string }[]
    }
    if (jobs.length + 1 >= failsAt) throw new TypeError('away')
    jobs.push(job.labels.length)
    if (job.labels.length > most) return new Response('', { status: 400 })
    const dots = <T extends { bytes: unknown }>(each: T) => ({ ...each, bytes: new Uint8Array(Buffer.from(String(each.bytes), 'base64')) })
    const said = runLabelJob({ ...job, labels: job.labels.map(dots), held: job.held.map(dots) })
    return Response.json(said.ok ? { ...said, strip: said.strip && Buffer.from('png').toString('base64') } : said)
  }
  return { jobs }
}

test('jobs have every label once, in order, each job within what the machine takes (property)', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 50 })),
      fc.integer({ min: 1, max: 7 }),
      fc.integer({ min: 1, max: 90 }),
      (sizes, most, bytes) => {
        const labels = sizes.map((size, nth) => ({ nth, bytes: new Uint8Array(size) }))
        const jobs = jobsOf(labels, most, bytes)
        expect(jobs.flat()).toEqual(labels)
        expect(jobs.length).toBeGreaterThan(0)
        for (const job of jobs) {
          expect(job.length).toBeLessThanOrEqual(most)
          if (job.length > 1) expect(job.reduce((sum, each) => sum + each.bytes.length, 0)).toBeLessThanOrEqual(bytes)
        }
      },
    ),
  )
})

/** Keeps nothing of what is sent, and hands on what was done. */
const record = (
  onDone: (done: Extract<MachineOutcome, { ok: true }>) => void,
  onSend = (): Promise<void> => Promise.resolve(),
): JobRecord => ({
  onSend,
  onDone: async done => void (done && onDone(done)),
})

test('seven hundred labels on one reel: as many as it holds, job after job, each kept before the next is sent', async () => {
  const { jobs } = standIn(600)
  const labels = Array.from({ length: 700 }, (_, nth) => label(nth))
  const kept: MachineState[] = []
  const outcome = await runOnMachine(
    labels,
    newReel(habits.tapeWidthMm),
    habits,
    true,
    record(({ machine }) => kept.push(machine)),
  )
  if (!outcome.ok) throw new Error(outcome.code)
  expect(Math.max(...jobs)).toBeLessThanOrEqual(300)
  // 8 m of tape, and 25.4 mm with 4 mm around each label: some 270 of them.
  expect(outcome.out.length).toBeGreaterThan(250)
  expect([...outcome.out, ...outcome.held, ...outcome.unprinted]).toEqual(labels.map(({ of }) => of))
  expect(outcome.fault).toBeNull()
  expect(kept.at(-1)).toEqual(outcome.machine)
  expect(kept).toHaveLength(jobs.length)
})

test('a machine that stops answering half way: what came out is told, the rest is left, and all of it is accounted for', async () => {
  const { jobs } = standIn(600, 2)
  const labels = Array.from({ length: 400 }, (_, nth) => label(nth, 30))
  const out: string[] = []
  const outcome = await runOnMachine(
    labels,
    newReel(habits.tapeWidthMm),
    habits,
    true,
    record(done => out.push(...done.out, ...done.held)),
  )
  if (!outcome.ok) throw new Error(outcome.code)
  expect([jobs.length, outcome.fault, outcome.unprinted.length]).toEqual([1, 'away', 100])
  expect([...out, ...outcome.unprinted]).toEqual(labels.map(({ of }) => of))
})

test('a machine that cannot be reached at all prints nothing', async () => {
  standIn(600, 1)
  expect(
    await runOnMachine(
      [label(1)],
      newReel(habits.tapeWidthMm),
      habits,
      true,
      record(() => undefined),
    ),
  ).toEqual({
    ok: false,
    code: 'away',
  })
})

test('what cannot be recorded is not sent; of a job that failed it is told that nothing was printed', async () => {
  const { jobs } = standIn(600, 1)
  const full = record(
    () => undefined,
    () => Promise.reject(new DOMException('', 'QuotaExceededError')),
  )
  await expect(runOnMachine([label(1)], newReel(habits.tapeWidthMm), habits, true, full)).rejects.toThrow()
  expect(jobs).toEqual([])
  const told: string[] = []
  await runOnMachine([label(1)], newReel(habits.tapeWidthMm), habits, true, {
    onSend: async ofs => void told.push(`send ${ofs.length}`),
    onDone: async (done, ofs) => void told.push(`${done ? 'done' : 'nothing of'} ${ofs.length}`),
  })
  expect(told).toEqual(['send 1', 'nothing of 1'])
})
