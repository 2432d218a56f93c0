import { spawn } from 'node:child_process'
import { setTimeout as sleep } from 'node:timers/promises'
import { median, ms, percentile, report } from './measure'

const CLIENTS = 500
const SAMPLES = 200

/** A label job as long as a reel, dot by dot. */
function reelJob(): string {
  const labels = Array.from({ length: 280 }, (_, at) => ({
    columns: 200,
    rows: 160,
    bytes: Buffer.alloc(4000, at).toString('base64'),
    order: at + 1,
    lengthMm: (200 / 180) * 25.4,
  }))
  const mm = { leftMm: 8000, beforeMm: 0, afterMm: 0, singlyAfterMm: 0, toCutterMm: 0, blankMm: 0 }
  return JSON.stringify({ ...mm, tapeWidthMm: 24, loadedWidthMm: 24, isChained: true, isFed: true, held: [], labels })
}

/** The clients, in a process of their own. Half ask for photos, half for labels; each comes again when it was told to. */
async function ask(base: string): Promise<void> {
  const body = reelJob()
  const counts: Record<number, number> = {}
  process.once('SIGTERM', () => {
    console.log(JSON.stringify(counts))
    process.exit(0)
  })
  async function client(nth: number): Promise<void> {
    for (;;) {
      const asked =
        nth % 2 === 0
          ? fetch(`${base}/api/camera?megapixels=3&seed=${nth}`)
          : fetch(`${base}/api/label-printer`, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
      const response = await asked.catch(() => null)
      await response?.arrayBuffer().catch(() => null)
      counts[response?.status ?? 0] = (counts[response?.status ?? 0] ?? 0) + 1
      await sleep(Number(response?.headers.get('retry-after') ?? 0) * 1000)
    }
  }
  await Promise.all(Array.from({ length: CLIENTS }, (_, nth) => client(nth)))
}

/** How soon something small is answered while many ask for photos and labels. */
export async function flood(script: string, base: string): Promise<void> {
  const clients = spawn(process.execPath, [script, '--flood', base], { stdio: ['ignore', 'pipe', 'inherit'] })
  let said = ''
  clients.stdout.on('data', (text: Buffer) => (said += text.toString()))
  const times: number[] = []
  for (let at = 0; at < SAMPLES; at += 1) {
    const start = performance.now()
    await (await fetch(`${base}/api/start`)).arrayBuffer()
    times.push(performance.now() - start)
    await sleep(100)
  }
  const ended = new Promise(resolve => clients.once('exit', resolve))
  clients.kill('SIGTERM')
  await ended
  report(`/api/start while ${CLIENTS} clients ask for photos and labels, median`, ms(median(times)), '200 ms')
  report(`  95th of 100, slowest of ${SAMPLES}`, `${ms(percentile(times, 0.95))}, ${ms(Math.max(...times))}`, '200 ms')
  report('  answers meanwhile, by their codes', said.trim(), 'none given')
  const start = performance.now()
  while ((await fetch(`${base}/api/camera?megapixels=0.5&seed=1`)).status !== 200) await sleep(20)
  report('  a photo once they have left', ms(performance.now() - start), 'none given')
}
if (process.argv[2] === '--flood') await ask(process.argv[3] ?? '')
