import { proxy, type Remote, wrap } from 'comlink'
import { onScopeDispose } from 'vue'

/** What long work tells while it runs. */
export interface Progress {
  readonly stage: string
  readonly done: number
  readonly total: number
}

/** Why a call has no result: somebody stopped it, or the worker broke. */
export class WorkStopped extends Error {
  constructor(
    readonly code: 'cancelled' | 'crashed',
    detail = '',
  ) {
    super(`${code} ${detail}`)
  }
}

/** The calls of a worker. */
export interface WorkerHandle<Api> {
  /**
   * The result of one call. Starts the worker where none runs: the first time, after a crash and after a cancel. Rejects with
   * `WorkStopped` when the worker is stopped or breaks before the answer; an answer that comes later is ignored.
   */
  run<R>(call: (api: Remote<Api>) => R): Promise<Awaited<R>>
  /** The result of one call; null where the call was stopped, or failed. */
  ask<R>(call: (api: Remote<Api>) => R): Promise<Awaited<R> | null>
  /** Terminates the worker, and with it any transaction that it has open: nothing half done stays. The next call starts another. */
  cancel(): void
  isRunning(): boolean
  /** Terminates the worker for good. Every call from then on is cancelled. */
  end(): void
}

interface RunningWorker<Api> {
  readonly api: Remote<Api>
  /** Never resolves. Rejects once the worker is stopped. */
  readonly stopped: Promise<never>
  /** What the worker has to know before the first call. */
  readonly prepared: Promise<unknown>
  stop(reason: WorkStopped): void
}

/** All that run. */
const running = new Set<(reason: WorkStopped) => void>()
// A worker that outlives its page, for the way back or by a moment, may leave its transactions open for good: see endWithPage.
if ('document' in globalThis)
  window.addEventListener('pagehide', () => {
    for (const stop of running) stop(new WorkStopped('cancelled', 'the page is left'))
  })

/**
 * The one handle of a worker. `prepare` is called on each worker that starts, before any other call: it tells a worker that takes the
 * place of a broken one what that one knew. Where it fails, the calls that wait for it fail, and the next call starts another worker.
 */
export function workerHandle<Api>(start: () => Worker, prepare: ((api: Remote<Api>) => unknown) | null = null): WorkerHandle<Api> {
  let current: RunningWorker<Api> | null = null
  let isEnded = false

  function startWorker(): RunningWorker<Api> {
    const worker = start()
    const api = wrap<Api>(worker)
    let reject: (reason: WorkStopped) => void = () => undefined
    const stopped = new Promise<never>((_resolve, rejectStopped) => {
      reject = rejectStopped
    })
    stopped.catch(() => undefined)
    const stop = (reason: WorkStopped): void => {
      worker.terminate()
      running.delete(stop)
      if (current === own) current = null
      reject(reason)
    }
    const prepared = Promise.race([Promise.resolve(prepare?.(api)), stopped])
    const own: RunningWorker<Api> = { api, stopped, prepared, stop }
    running.add(stop)
    prepared.catch(() => stop(new WorkStopped('crashed', 'while it was prepared')))
    // A library that throws outside its promise: no call would ever be answered.
    worker.addEventListener('error', event => stop(new WorkStopped('crashed', event.message)))
    return own
  }
  async function run<R>(call: (api: Remote<Api>) => R): Promise<Awaited<R>> {
    if (isEnded) throw new WorkStopped('cancelled')
    const { api, stopped, prepared } = (current ??= startWorker())
    await prepared
    return Promise.race([Promise.resolve(call(api)), stopped])
  }
  const cancel = (): void => current?.stop(new WorkStopped('cancelled'))
  return {
    run,
    ask: call => run(call).catch(() => null),
    cancel,
    isRunning: () => current !== null,
    end(): void {
      isEnded = true
      cancel()
    },
  }
}

/** A worker that ends with the component, or the scope, that uses it. */
export function useWorker<Api>(start: () => Worker): WorkerHandle<Api> {
  const handle = workerHandle<Api>(start)
  onScopeDispose(handle.end)
  return handle
}

/** Passes a worker's progress on to the screen, until the work is over: its last messages may arrive after its result. */
export async function withProgress<R>(
  show: (progress: Progress | null) => void,
  work: (tell: (progress: Progress) => void) => Promise<R>,
): Promise<R> {
  let isOver = false
  try {
    return await work(
      proxy((told: Progress) => {
        if (!isOver) show(told)
      }),
    )
  } finally {
    isOver = true
    show(null)
  }
}
