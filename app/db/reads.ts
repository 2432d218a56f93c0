import type { Draft } from '#core/catalog'
import type { YondercrestDb } from './database'
import { tryKept } from './kept'

/** The strips of the pile, in order. */
export async function readDrafts(db: YondercrestDb): Promise<readonly Draft[]> {
  return (await db.records('drafts').toArray()).sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1))
}

/** When a copy was last saved, and which step was the last by then. */
export interface LastCopy {
  readonly at: string
  readonly seq: number
  readonly swings: number
}
export function readLastCopy(db: YondercrestDb): Promise<LastCopy | null> {
  return tryKept(db, ['lastCopy'], async () => {
    const fact = await db.device.get('lastCopy')
    return fact ? (JSON.parse(fact.value) as LastCopy) : null
  })
}

/** Where sets were ever taken to, in order. O(loans): asked by a page that offers these names. */
export async function readLoanPlaces(db: YondercrestDb): Promise<readonly string[]> {
  const places = new Set<string>()
  await db.records('loans').each(({ to }) => void places.add(to))
  return [...places].sort()
}
