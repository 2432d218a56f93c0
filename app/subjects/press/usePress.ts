import { useDebounceFn } from '@vueuse/core'
import { computed, onScopeDispose, type ShallowRef, shallowRef } from 'vue'
import { troubleOf } from '~/data/storageTrouble'
import type { Waiting } from './waiting'
import { type Progress, useWorker, withProgress, type WorkerHandle, WorkStopped } from '~/data/worker'

/** Typing and clicking rest for so long before pages are laid anew. */
const RESTS_MS = 250

type Tell = (progress: Progress) => void
/** A PDF that was made. `missing`: letters that no font of ours has. */
export interface MadePdf {
  readonly pdf: ArrayBuffer
  readonly count: number
  readonly missing: readonly string[]
}
export interface Made extends Omit<MadePdf, 'pdf'> {
  readonly url: string
  readonly blob: Blob
}

/**
 * One who lays out and prints, in a worker of its own that can be stopped: laid anew as things change, made with progress, and asked
 * about until somebody answers, also after a reload. `layOut` gives null where there is nothing to lay.
 */
export function usePress<Api, Laid>(
  start: () => Worker,
  {
    layOut,
    askWaiting,
  }: {
    readonly layOut: (run: WorkerHandle<Api>['run']) => Promise<Laid | null>
    readonly askWaiting: (run: WorkerHandle<Api>['run']) => Promise<readonly Waiting[]>
  },
) {
  // A ref of a type that is not known here would be of no type.
  const laid: ShallowRef<Laid | null> = shallowRef(null)
  const progress = shallowRef<Progress | null>(null)
  const made = shallowRef<Made | null>(null)
  const waiting = shallowRef<readonly Waiting[]>([])
  const stopped = shallowRef<WorkStopped['code'] | 'full' | null>(null)
  const { run, cancel } = useWorker<Api>(start)
  let asked = 0
  /** Something changed that is not laid yet. */
  let isStale = false
  /** Whether what is being laid comes to its end. */
  let laying: Promise<boolean> = Promise.resolve(true)

  function told(reason: unknown): void {
    const trouble = troubleOf(reason) === 'full' ? 'full' : 'crashed'
    stopped.value = reason instanceof WorkStopped ? reason.code : trouble
  }
  async function layNow(): Promise<boolean> {
    asked += 1
    const mine = asked
    isStale = false
    try {
      const found = await layOut(run)
      if (mine !== asked) return true
      laid.value = found
      // Another tab may have answered, or made something.
      await lookForWaiting()
      return true
    } catch (reason) {
      // The worker that takes its place knows of nothing laid.
      isStale = true
      told(reason)
      return false
    }
  }
  const lay = (): Promise<boolean> => (laying = layNow())
  const laySoon = useDebounceFn(lay, RESTS_MS)

  async function lookForWaiting(): Promise<void> {
    const found = await askWaiting(run).catch(() => [])
    // What is as it was stays as it is: somebody may be ticking it off.
    if (JSON.stringify(found) !== JSON.stringify(waiting.value)) waiting.value = found
  }
  function forget(): void {
    if (made.value) URL.revokeObjectURL(made.value.url)
    made.value = null
  }
  /** Long work of the worker, with progress. What is made waits for what is being laid: else it would be made as it was before. */
  async function work<R>(stage: string, call: (tell: Tell) => Promise<R>): Promise<R | null> {
    stopped.value = null
    progress.value = { stage, done: 0, total: 0 }
    try {
      // Stopped, or failed, while it was laid: there is nothing to make.
      if (!(await (isStale ? lay() : laying))) {
        void lay()
        return null
      }
      return await withProgress(now => (progress.value = now), call)
    } catch (reason) {
      told(reason)
      void lay()
      return null
    } finally {
      progress.value = null
    }
  }
  async function make(call: (tell: Tell) => Promise<MadePdf | null>): Promise<void> {
    forget()
    const result = await work('printing', call)
    if (!result) return
    const blob = new Blob([result.pdf], { type: 'application/pdf' })
    made.value = { url: URL.createObjectURL(blob), blob, count: result.count, missing: result.missing }
    await lookForWaiting()
  }

  void lay()
  void lookForWaiting()
  onScopeDispose(forget)
  return {
    laid: computed(() => laid.value),
    progress: computed(() => progress.value),
    made: computed(() => made.value),
    waiting: computed(() => waiting.value),
    stopped: computed(() => stopped.value),
    run,
    lay,
    /** Something was chosen or changed: it is laid anew in a moment. */
    change(): void {
      isStale = true
      void laySoon()
    },
    /** What is laid is of something else altogether. */
    clear: (): void => void (laid.value = null),
    work,
    make,
    lookForWaiting,
    forget,
    cancel,
  }
}
/** What the panel of every press shows. */
export type Press = Pick<ReturnType<typeof usePress<unknown, unknown>>, 'progress' | 'made' | 'waiting' | 'stopped' | 'cancel'>
