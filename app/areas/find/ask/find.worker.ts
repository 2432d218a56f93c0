import { expose } from 'comlink'
import type { Answer } from '#core/finding'
import { database, keepRoom } from '~/db'
import { RoomIndex } from './roomIndex'

/** Hits sent back in full; beyond these only the ids travel, for the pins and the mat. */
const REASONS_FOR = 200
/** Nobody has asked for so long: index and room may be kept. */
const QUIET_MS = 5000

export interface AskResult {
  readonly ask: string
  readonly mode: Answer['mode']
  readonly absent: readonly string[]
  /** Line by line: one long text crosses from the worker ten times faster than thousands of short ones. */
  readonly ids: string
  readonly because: readonly Answer['hits'][number]['because'][]
  readonly indexed: number
}

// The name of this file in a build tells what is in it: another build has another name.
const index = new RoomIndex(database(), import.meta.url)
let quiet: ReturnType<typeof setTimeout> | undefined

/** What the next opening reads at once. What cannot be kept, for want of room say, is made anew then. */
async function keep(): Promise<void> {
  await index.keep()
  await keepRoom(database())
}
function keepWhenQuiet(): void {
  clearTimeout(quiet)
  if (!import.meta.env.DEV) quiet = setTimeout(() => void keep().catch(() => undefined), QUIET_MS)
}

const api = {
  /** Reads the whole catalogue into the index, and later what was done since. */
  async catchUp(): Promise<number> {
    await index.catchUp()
    keepWhenQuiet()
    return index.size
  },

  ask(text: string): AskResult {
    const { ask, mode, absent, hits } = index.ask(text)
    keepWhenQuiet()
    return {
      ask,
      mode,
      absent,
      ids: hits.map(hit => hit.id).join('\n'),
      because: hits.slice(0, REASONS_FOR).map(hit => hit.because),
      indexed: index.size,
    }
  },
}

export type FindApi = typeof api
expose(api)
