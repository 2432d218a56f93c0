import type { DeviceFact, YondercrestDb } from './database'

/** Facts that only make an opening quicker. */
export const QUICKER = ['askIndex', 'keptRoom', 'keptSteps'] as const satisfies readonly DeviceFact['id'][]

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
