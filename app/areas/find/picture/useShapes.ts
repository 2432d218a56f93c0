import { defineStore } from 'pinia'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import { addTo, type Holding } from '#core/catalog'
import { type Progress, type WorkerHandle, workerHandle, withProgress } from '~/data/worker'
import { useCatalogue } from '~/data/useCatalogue'
import type { Like, ShapesApi } from './shapes.worker'

/**
 * The shapes of the ink of every picture, in a worker: read or made from the first time a page wants them, and followed from then on.
 * A page can ask before all of them are there.
 */
export const useShapes = defineStore('shapes', () => {
  const catalogue = useCatalogue()
  const progress = shallowRef<Progress | null>(null)
  /** Counted up when more pictures are in: what was asked before may have a better answer. */
  const version = shallowRef(0)
  const worker = workerHandle<ShapesApi>(() => new Worker(new URL('./shapes.worker.ts', import.meta.url), { type: 'module' }))
  let users = 0

  /** Sets by the pictures that show them or a piece of them. */
  const setsOf = computed((): ReadonlyMap<string, readonly string[]> => {
    const sets = new Map<string, string[]>()
    for (const { id, pictureHash, pieces } of catalogue.tables?.holdings.values() ?? [])
      for (const hash of new Set([pictureHash, ...pieces.map(each => each.pictureHash)])) {
        if (hash) addTo(sets, hash, id)
      }
    return sets
  })

  async function know(): Promise<void> {
    if (users === 0) return
    const hashes = [...setsOf.value.keys()]
    // Where it breaks, as when the storage is cleared, what was read stays; the next page tries again.
    await withProgress(
      now => (progress.value = now),
      tell => worker.ask(api => api.know(hashes, tell)),
    )
    version.value += 1
  }
  watch(setsOf, () => void know())

  /** For a page that asks, as long as it is open. */
  function use(): void {
    users += 1
    if (users === 1) void know()
    onScopeDispose(() => (users -= 1))
  }
  const ask: WorkerHandle<ShapesApi>['ask'] = question => {
    if (!worker.isRunning()) void know()
    return worker.ask(question)
  }
  /** The sets that pictures show, the likest first. */
  const setsLike = (likes: readonly Like[]): readonly { readonly holding: Holding; readonly like: Like }[] =>
    likes.flatMap(like =>
      (setsOf.value.get(like.id) ?? []).flatMap(id => {
        const holding = catalogue.tables?.holdings.get(id)
        return holding ? [{ holding, like }] : []
      }),
    )
  const hasPictures = computed(() => setsOf.value.size > 0)
  return { progress, version, hasPictures, setsLike, use, ask }
})
