import type { DeviceFact, YondercrestDb } from './database'

/** Facts that only make an opening quicker. */
export const QUICKER = ['askIndex', 'keptRoom', 'keptSteps'] as const satisfies readonly DeviceFact['id'][]

/** An opening that takes longer is slower than it should be, and something may hold the storage. */
export const SLOW_MS = 5000

/** The answer of `first`; where it does not come in time, of it or of `second`, whichever is quicker. Not called in a transaction. */
export function answersWithin<R>(first: Promise<R>, waitMs: number, second: () => Promise<R>): Promise<R> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<R>((resolve, reject) => (timer = setTimeout(() => void second().then(resolve, reject), waitMs)))
  return Promise.race([first, late]).finally(() => clearTimeout(timer))
}

/** Lets go of what is kept beside the tables. Where even that fails, the next reading tries again. */
const dropKept = (db: YondercrestDb, ids: readonly DeviceFact['id'][] = QUICKER): Promise<void> =>
  db.device.bulkDelete([...ids]).catch(() => undefined)

/**
 * What `read` makes of facts that are kept beside the tables. The tables are the truth: facts that are spoilt, lost, or make no sense to
 * `read` are let go, and the answer is null.
 */
export async function tryKept<R>(db: YondercrestDb, ids: readonly DeviceFact['id'][], read: () => Promise<R | null>): Promise<R | null> {
  try {
    return await read()
  } catch {
    await dropKept(db, ids)
    return null
  }
}
