import type { RoomSettings } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import type { LastCopy } from '../../reads'
import { expectTaken } from '../../desk'

type SettingsChange = Partial<Omit<RoomSettings, 'id'>>

/**
 * How the room likes to read and print. A habit, not data: it is not a step that undo would stumble over. What is one more or one fewer
 * of a list says so as a function of what the list is at that moment: a second press may come before the screen has heard of the first.
 */
export async function changeSettings(db: YondercrestDb, wanted: SettingsChange | ((now: RoomSettings) => SettingsChange)): Promise<void> {
  const { taken } = await import('../../checked')
  await db.transaction('rw', db.records('settings'), async () => {
    const settings = await db.records('settings').get('room')
    if (!settings) return
    const change = typeof wanted === 'function' ? wanted(settings) : wanted
    await db.records('settings').bulkPut([...expectTaken(taken, 'settings', [{ ...settings, ...change }])])
  })
}

/** Remembers that a copy was saved: when, and the last step that is in it. */
export async function noteCopySaved(db: YondercrestDb, copy: LastCopy): Promise<void> {
  await db.device.put({ id: 'lastCopy', value: JSON.stringify(copy) })
}
