import { defineStore } from 'pinia'
import { type ShallowRef, shallowRef } from 'vue'
import type { Use } from '#core/catalog'
import type { UseTally } from '#core/fetching'
import { database } from '~/db'
import { useCatalogue } from './useCatalogue'
import { useFollowed } from './useFollowed'
import type { UsesApi } from './uses.worker'
import { workerHandle } from './worker'

function read(text: string): ReadonlyMap<string, UseTally> {
  return new Map(
    text
      .split('\n')
      .filter(Boolean)
      .map(line => {
        const [id = '', times = '0', isCounted, lastOn = ''] = line.split(' ')
        return [id, { times: Number(times), isCounted: isCounted === '1', lastOn: lastOn || null }]
      }),
  )
}

/**
 * How often each set was used, counted from the log in a worker: the log itself grows for ever, and is not held here. Counted the
 * first time somebody asks, and after every change of it.
 */
export const useUses = defineStore('uses', () => {
  const catalogue = useCatalogue()
  const tallies = shallowRef<ReadonlyMap<string, UseTally>>(new Map())
  const worker = workerHandle<UsesApi>(() => new Worker(new URL('./uses.worker.ts', import.meta.url), { type: 'module' }))
  let counted: Promise<void> | null = null

  async function count(): Promise<void> {
    tallies.value = read(await worker.run(api => api.tally()))
  }
  /** The log is counted, as it is now. */
  function ready(): Promise<void> {
    return (counted ??= count().catch((reason: unknown) => {
      // Whoever asks next counts again.
      counted = null
      throw reason
    }))
  }
  catalogue.onChange((_, changed) => {
    if (counted && changed.includes('uses')) counted = count()
  })
  return { tallies, ready }
})

/** The log of one set, the last day first, as it is at any moment; null: it has not been read yet. */
export const useLogOf = (holdingId: () => string): Readonly<ShallowRef<readonly Use[] | null>> =>
  useFollowed(holdingId, async id => {
    const found = await database().records('uses').where('holdingId').equals(id).toArray()
    return found.sort((a, b) => ((a.on ?? '') < (b.on ?? '') || ((a.on ?? '') === (b.on ?? '') && a.id < b.id) ? 1 : -1))
  })
