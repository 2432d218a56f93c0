import { expose } from 'comlink'
import lexiconUrl from '~/assets/words/lexicon.txt?url'
import pluralsUrl from '~/assets/words/plurals.txt?url'
import { Lexicon, WordForms } from '#core/classing'
import type { Answer, LinkedHit } from '#core/finding'
import { database, keepRoom } from '~/db'
import { RoomIndex } from './roomIndex'

/** Hits sent back in full; beyond these only the ids travel, for the pins and the mat. */
const REASONS_FOR = 200
/** Nobody has asked for so long: index and room may be kept. */
const QUIET_MS = 5000
/** More that says the same otherwise is said in no words any more. */
const MOST_LINKED = 200

export interface AskResult {
  readonly ask: string
  readonly mode: Answer['mode']
  readonly absent: readonly string[]
  /** Line by line: one long text crosses from the worker ten times faster than thousands of short ones. */
  readonly ids: string
  readonly because: readonly Answer['hits'][number]['because'][]
  readonly indexed: number
}

const read = async (url: string): Promise<string> => {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`${url} ${response.status}`)
  return response.text()
}
/** Without its list of odd plurals the index still knows all that follow a rule. */
const forms = read(pluralsUrl).then(
  text => WordForms.read(text),
  () => new WordForms(),
)

// The name of this file in a build tells what is in it: another build has another name.
const index = new RoomIndex(database(), import.meta.url, undefined, () => forms)
let quiet: ReturnType<typeof setTimeout> | undefined
let lexicon: Promise<void> | undefined

/** What the next opening reads at once. What cannot be kept, for want of room say, is made anew then. */
async function keep(): Promise<void> {
  await index.keep()
  await keepRoom(database())
}
function keepWhenQuiet(): void {
  clearTimeout(quiet)
  if (!import.meta.env.DEV) quiet = setTimeout(() => void keep().catch(() => undefined), QUIET_MS)
}
/** What words mean; where it cannot be had, the other links still lead on. */
async function learn(): Promise<void> {
  index.know(new Lexicon(await read(lexiconUrl)))
}

const api = {
  /** Reads the whole catalogue into the index, and later what was done since. */
  async catchUp(): Promise<number> {
    await index.catchUp()
    keepWhenQuiet()
    return index.size
  },

  ask(text: string, without: readonly string[]): AskResult {
    const { ask, mode, absent, hits } = index.ask(text, without)
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

  /** Sets that say the same otherwise: asked once typing rests. The first time it reads the lexicon, a few tenths of a second. */
  async linked(text: string, without: readonly string[]): Promise<readonly LinkedHit[]> {
    await (lexicon ??= learn().catch(() => undefined))
    const { mode, hits } = index.ask(text, without)
    const but = new Set(mode === 'all' ? hits.map(hit => hit.id) : [])
    return index.linkedTo(text, but, without).slice(0, MOST_LINKED)
  },

  /** All sets that have each of the texts alone, id by id: asked where no set has them all. */
  apart(texts: readonly string[]): readonly string[] {
    return texts.map(text => {
      const { mode, hits } = index.ask(`${text} `)
      return mode === 'all' ? hits.map(hit => hit.id).join('\n') : ''
    })
  },
}

export type FindApi = typeof api
expose(api)
