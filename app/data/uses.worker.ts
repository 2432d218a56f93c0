import { expose } from 'comlink'
import { tallyUses } from '#core/fetching'
import { database } from '~/db'

const api = {
  /** Set, times, whether all are counted, last day: line by line, as one long text crosses from the worker quickest. */
  async tally(): Promise<string> {
    const tallies = tallyUses(await database().records('uses').toArray())
    return [...tallies].map(([id, { times, isCounted, lastOn }]) => `${id} ${times} ${isCounted ? 1 : 0} ${lastOn ?? ''}`).join('\n')
  },
}
export type UsesApi = typeof api

expose(api)
