import { proxy, type Remote, wrap } from 'comlink'

/** What long work tells while it runs. */
export interface Progress {
  readonly stage: string
  readonly done: number
  readonly total: number
}

/** Why a piece of work has no result: the person stopped it, or the worker broke. */
export class WorkStopped extends Error {
  constructor(
    readonly code: 'cancelled' | 'crashed',
    detail = '',
  ) {
    super(`${code} ${detail}`)
  }
}

/** A worker of its own, with its calls. `crashed` rejects when a library throws outside its promise. */
export interface Crew<Api> {
  readonly api: Remote<Api>
  /** Runs one call; cancelling ends the worker, and with it any transaction it had open: nothing half done stays. */
  run<R>(call: (api: Remote<Api>) => R): Promise<Awaited<R>>
  end(code?: WorkStopped['code']): void
}

export function hire<Api>(worker: Worker): Crew<Api> {
  const api = wrap<Api>(worker)
  let stop: (reason: WorkStopped) => void = () => undefined
  const stopped = new Promise<never>((_resolve, reject) => {
    stop = reject
  })
  stopped.catch(() => undefined)
  worker.addEventListener('error', event => stop(new WorkStopped('crashed', event.message)))
  return {
    api,
    run: call => Promise.race([Promise.resolve(call(api)), stopped]),
    end(code = 'cancelled') {
      worker.terminate()
      stop(new WorkStopped(code))
    },
  }
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

/**
 * A record of the screen as plain data, for a worker or the database: what Vue watches cannot be handed over. `change` may
 * change each value on the way.
 */
export const plainly = <T>(value: T, change?: (key: string, each: unknown) => unknown): T => JSON.parse(JSON.stringify(value), change) as T
