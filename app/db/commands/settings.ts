import type { RoomSettings } from '#core/catalog'
import type { YondercrestDb } from '../database'

/** How the room likes to read and print. A habit, not data: it is not a step that undo would stumble over. */
export async function changeSettings(db: YondercrestDb, change: Partial<Omit<RoomSettings, 'id'>>): Promise<void> {
  await db.records('settings').update('room', change)
}

/** Remembers when a copy was last saved, and what the journal's last step was then. */
export async function noteCopySaved(db: YondercrestDb, at: string): Promise<void> {
  const last = await db.journal.orderBy('seq').last()
  await db.device.put({ id: 'lastCopy', value: JSON.stringify({ at, seq: last?.seq ?? 0, swings: last?.swings ?? 0 }) })
}
