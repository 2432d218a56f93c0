import { rmSync } from 'node:fs'
import { mkdtemp, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createError, type H3Event, setHeader } from 'h3'
import { useRuntimeConfig, useStorage } from 'nitropack/runtime'
import { Piscina } from 'piscina'

/** Jobs that may wait for the one that is under way. */
const MAX_WAITING = 8
const RETRY_AFTER_S = 10

/**
 * A stand-in of the demo, at work in a thread of its own: one job at a time, so that the server goes on answering. `code` and `data` are
 * files that were made when the demo was built.
 */
export class StandIn<Job, Answer> {
  private thread: Promise<Piscina<Job, Answer>> | null = null

  constructor(
    /** What it is called where it is busy, or was not built. */
    private readonly name: string,
    private readonly files: { readonly code: string; readonly data?: string },
  ) {}

  /** Only where the demo is offered: it is there to try the whole way with no device. */
  expectOffered(event: H3Event): void {
    if (String(useRuntimeConfig(event).demo) !== 'true') throw createError({ statusCode: 404, statusMessage: 'Only with the demo' })
  }

  /**
   * What became of a job; null: who asked has left, and is not waited for. Where too many ask at once, they are told to ask again.
   */
  async run(event: H3Event, job: Job): Promise<Answer | null> {
    const gone = new AbortController()
    event.node.res.once('close', () => gone.abort())
    const thread = await this.open()
    if (thread.queueSize >= MAX_WAITING) {
      setHeader(event, 'retry-after', RETRY_AFTER_S)
      throw createError({ statusCode: 503, statusMessage: `The ${this.name} is busy: ask again in a moment` })
    }
    const answer = await thread.run(job, { signal: gone.signal }).catch((reason: unknown) => {
      if (!gone.signal.aborted) throw reason
      return null
    })
    return gone.signal.aborted ? null : answer
  }

  /** Opened once, however many ask. One that cannot be opened is tried again. */
  private open(): Promise<Piscina<Job, Answer>> {
    this.thread ??= this.start().catch((reason: unknown) => {
      this.thread = null
      throw reason
    })
    return this.thread
  }
  private async start(): Promise<Piscina<Job, Answer>> {
    const assets = useStorage('assets:demo')
    const { code, data } = this.files
    const script = await assets.getItemRaw<Uint8Array>(code)
    const known = data === undefined ? new Uint8Array() : await assets.getItemRaw<Uint8Array>(data)
    if (!script || !known) throw createError({ statusCode: 404, statusMessage: `There is no ${this.name}: the demo was not built` })
    // A thread begins with a file.
    const folder = await mkdtemp(join(tmpdir(), 'letter-room-'))
    process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
    const filename = join(folder, code)
    await writeFile(filename, script)
    return new Piscina({
      filename,
      workerData: new Uint8Array(known),
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 60_000,
      maxQueue: MAX_WAITING,
    })
  }
}
