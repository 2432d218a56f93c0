import { expose } from 'comlink'
import { type Answer, AskIndex, documentOf } from '#core/finding'
import type { Holding, Series, TableName } from '#core/catalog'
import type { Authority } from '#core/filing'
import { database } from '~/db'

/** Hits sent back in full; beyond these only the ids travel, for the pins and the mat. */
const REASONS_FOR = 200
const ADD_AT_ONCE = 1000

export interface AskResult {
  readonly ask: string
  readonly mode: Answer['mode']
  readonly absent: readonly string[]
  /** Line by line: one long text crosses from the worker ten times faster than thousands of short ones. */
  readonly ids: string
  readonly because: readonly Answer['hits'][number]['because'][]
  readonly indexed: number
}

const byId = <R extends { readonly id: string }>(records: readonly R[]): Map<string, R> =>
  new Map(records.map(record => [record.id, record]))

let index = new AskIndex()
let authority: Authority = { brands: new Map(), themes: new Map(), categories: new Map(), kinds: new Map() }
let series: ReadonlyMap<string, Series> = new Map()
let building: Promise<void> | null = null

const AUTHORITY = ['brands', 'themes', 'categories', 'kinds', 'series'] as const

/** Reads the names that sets refer to. Did one change, or go, that was there before? */
async function readAuthority(): Promise<boolean> {
  const before: readonly ReadonlyMap<string, unknown>[] = [...Object.values(authority), series]
  const db = database()
  const [brands, themes, categories, kinds, allSeries] = await Promise.all([
    db.records('brands').toArray(),
    db.records('themes').toArray(),
    db.records('categories').toArray(),
    db.records('kinds').toArray(),
    db.records('series').toArray(),
  ])
  authority = { brands: byId(brands), themes: byId(themes), categories: byId(categories), kinds: byId(kinds) }
  series = byId(allSeries)
  const now: readonly ReadonlyMap<string, unknown>[] = [...Object.values(authority), series]
  return before.some((records, at) => [...records].some(([id, record]) => JSON.stringify(now[at]?.get(id)) !== JSON.stringify(record)))
}

async function rebuild(): Promise<void> {
  await readAuthority()
  const holdings = await database().records('holdings').toArray()
  const fresh = new AskIndex()
  for (let at = 0; at < holdings.length; at += ADD_AT_ONCE) put(fresh, holdings.slice(at, at + ADD_AT_ONCE))
  index = fresh
}

function put(target: AskIndex, holdings: readonly Holding[]): void {
  target.put(holdings.map(holding => documentOf(holding, authority, series)))
}

const api = {
  /** Reads the whole catalogue into the index. A second call waits for the first. */
  async open(): Promise<number> {
    building ??= rebuild().finally(() => {
      building = null
    })
    await building
    return index.size
  },

  /**
   * Takes over what changed. A brand, theme or kind that was there before is in many sets, those of the step or not: where
   * it changed, the index is read anew. One that is new is in the sets of the step alone.
   */
  async follow(holdingIds: readonly string[], tables: readonly TableName[]): Promise<void> {
    if (tables.some(table => AUTHORITY.some(each => each === table)) && (await readAuthority())) return rebuild()
    const found = await database()
      .records('holdings')
      .bulkGet([...holdingIds])
    index.remove(holdingIds.filter((_, at) => !found[at]))
    put(
      index,
      found.filter(holding => holding !== undefined),
    )
  },

  ask(text: string): AskResult {
    const { ask, mode, absent, hits } = index.ask(text)
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
