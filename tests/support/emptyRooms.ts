import { ulid } from 'ulid'
import { YondercrestDb } from '~/db'
import * as commands from '~/db/commands'

/** Rooms of one test file, each empty and of its own; `drop` takes all of them away. */
export function emptyRooms() {
  const opened: YondercrestDb[] = []
  return {
    async room(): Promise<YondercrestDb> {
      const db = new YondercrestDb(`test-${ulid()}`)
      opened.push(db)
      await commands.startEmpty(db)
      return db
    },
    async drop(): Promise<void> {
      await Promise.all(opened.map(db => db.delete()))
      opened.length = 0
    },
  }
}
