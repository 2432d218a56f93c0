import type { YondercrestDb } from '~/db'

/** What makes things that somebody is asked about. */
export type Maker = 'book' | 'labels' | 'cards'

/** What was made of one thing and waits for the answer whether it came out well. */
export interface Waiting {
  /** What it was made for, or on: a book, a label sheet, dividers. */
  readonly thing: string
  /** When the last of it was made. An answer to something older than this is no answer to it. */
  readonly at: string
  /** What is asked about, piece by piece. */
  readonly pieces: readonly { readonly id: string; readonly text: string }[]
  /** Of a label sheet, the labels that are used by it. */
  readonly used?: number
}

type Kept<T> = T & { readonly at: string }
const keyOf = (maker: Maker, thing: string): `waiting ${string}` => `waiting ${maker} ${thing}`

/**
 * The one way in which what was made waits for an answer: by maker and thing, with exactly what was made beside it. It outlives a
 * reload, several things may wait at once, and what cannot be read any more is dropped. Read and written by workers.
 */
export function waitingFor<T>(db: YondercrestDb, maker: Maker) {
  const { device } = db
  const read = (text: string | undefined): Kept<T> | null => {
    try {
      return text === undefined ? null : (JSON.parse(text) as Kept<T>)
    } catch {
      return null
    }
  }
  const drop = (thing: string): Promise<void> => device.delete(keyOf(maker, thing))
  async function keep(thing: string, change: (before: Kept<T> | null) => T | null): Promise<void> {
    const id = keyOf(maker, thing)
    await db.transaction('rw', device, async () => {
      const made = change(read((await device.get(id))?.value))
      if (made) await device.put({ id, value: JSON.stringify({ ...made, at: new Date().toISOString() }) })
      else await device.delete(id)
    })
  }
  /** What waits of one thing and was made at that moment, which from then on waits no longer; null: something else waits, or nothing. */
  const take = (thing: string, at: string): Promise<Kept<T> | null> =>
    db.transaction('rw', device, async () => {
      const kept = read((await device.get(keyOf(maker, thing)))?.value)
      if (kept?.at !== at) return null
      await drop(thing)
      return kept
    })
  return {
    /** What waits of one thing; null: nothing does. */
    get: async (thing: string): Promise<Kept<T> | null> => read((await device.get(keyOf(maker, thing)))?.value),
    /** Everything of this maker that waits, by its thing. */
    async all(): Promise<ReadonlyMap<string, Kept<T>>> {
      const prefix = keyOf(maker, '')
      const facts = await device.where('id').startsWith(prefix).toArray()
      return new Map(
        facts.flatMap(({ id, value }) => {
          const kept = read(value)
          return kept ? [[id.slice(prefix.length), kept] as const] : []
        }),
      )
    },
    /** Keeps what was made, worked out from what waits already: another tab may have made something. `change` gives null: nothing waits. */
    keep,
    /**
     * Answers what was made at that moment, once, whoever else answers: `done` is handed what was made. Where it fails, it waits again.
     * null: it was answered, or more was made, meanwhile.
     */
    async answer<R>({ thing, at }: Waiting, done: (made: T) => Promise<R>): Promise<R | null> {
      const taken = await take(thing, at)
      if (!taken) return null
      try {
        return await done(taken)
      } catch (reason) {
        await keep(thing, before => before ?? taken)
        throw reason
      }
    },
    drop,
  }
}
