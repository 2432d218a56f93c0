import type { Holder, Holding } from '#core/catalog'
import type { YondercrestDb } from './database'
import { beforeChange, type JournalEntry } from './journal'

/** A set at one moment. Cut in two it is in two holders; without a place in none. */
export interface SetThen {
  readonly holding: Holding | null
  readonly holders: readonly Holder[]
}
/** What one step did to a set: what it was before, and what it is after. */
interface SetStep {
  readonly step: JournalEntry
  readonly before: SetThen
  readonly after: SetThen
}
export interface SetHistory {
  /** The latest first. */
  readonly steps: readonly SetStep[]
  /** It goes back to the step that made the set; otherwise earlier steps are kept no more, or were not asked for. */
  readonly isWhole: boolean
}

/**
 * What the steps that are done did to one set and to what it sits in, out of the journal, at most so many.
 * One transaction. O(holders + changes).
 */
export async function historyOfSet(db: YondercrestDb, id: string, most: number): Promise<SetHistory> {
  return db.transaction('r', [db.table('holdings'), db.table('holders'), db.journal, db.journalParts], async () => {
    let holding = (await db.records('holdings').get(id)) ?? null
    const holders = new Map((await db.records('holders').toArray()).map(holder => [holder.id, holder]))
    const own = new Set([...holders.values()].flatMap(holder => (holder.holdingIds.includes(id) ? [holder.id] : [])))
    const now = (): SetThen => ({ holding, holders: [...own].sort().flatMap(each => holders.get(each) ?? []) })
    const steps: SetStep[] = []
    const done = (await db.journal.toArray()).filter(({ state }) => state === 'done').reverse()
    for (const step of done) {
      if (!holding || steps.length === most) break
      if (!step.tables.includes('holdings') && !step.tables.includes('holders')) continue
      const after = now()
      let isTouched = false
      const parts = await db.journalParts.where('seq').equals(step.seq).toArray()
      for (const change of parts.flatMap(part => part.changes)) {
        if (change.table === 'holdings' && change.id === id) {
          holding = beforeChange(change, holding) as Holding | null
          isTouched = true
        }
        if (change.table !== 'holders') continue
        const before = beforeChange(change, holders.get(change.id) ?? null) as Holder | null
        const wasIn = before?.holdingIds.includes(id) ?? false
        isTouched ||= wasIn || own.has(change.id)
        if (before) holders.set(change.id, before)
        else holders.delete(change.id)
        if (wasIn) own.add(change.id)
        else own.delete(change.id)
      }
      if (isTouched) steps.push({ step, before: now(), after })
    }
    return { steps, isWhole: holding === null }
  })
}
