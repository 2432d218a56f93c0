import type { RoomSettings } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { expectFaultless } from '../../transact'

/** How the room likes to read and print. A habit, not data: it is not a step that undo would stumble over. */
export async function changeSettings(db: YondercrestDb, change: Partial<Omit<RoomSettings, 'id'>>): Promise<void> {
  const { firstFault } = await import('../../checked')
  await db.transaction('rw', db.records('settings'), async () => {
    const settings = await db.records('settings').get('room')
    if (!settings) return
    expectFaultless(firstFault, 'settings', [{ ...settings, ...change }])
    await db.records('settings').put({ ...settings, ...change })
  })
}

/** When a copy was last saved, and which step was the last by then. */
export interface LastCopy {
  readonly at: string
  readonly seq: number
  readonly swings: number
}
export async function readLastCopy(db: YondercrestDb): Promise<LastCopy | null> {
  const fact = await db.device.get('lastCopy')
  return fact ? (JSON.parse(fact.value) as LastCopy) : null
}

/** Remembers when a copy was last saved, and what the journal's last step was then. */
export async function noteCopySaved(db: YondercrestDb, at: string): Promise<void> {
  const last = await db.journal.orderBy('seq').last()
  await db.device.put({ id: 'lastCopy', value: JSON.stringify({ at, seq: last?.seq ?? 0, swings: last?.swings ?? 0 }) })
}
