import { onScopeDispose, type ShallowRef, shallowRef, watch as watchRef } from 'vue'
import { watch } from '~/db'

/** What the database has for a key, as it is at any moment; null: it has not been read yet. For tables that no screen holds in memory. */
export function useFollowed<T>(key: () => string, read: (key: string) => Promise<T>): Readonly<ShallowRef<T | null>> {
  const found = shallowRef<T | null>(null)
  let stop: () => void = () => undefined
  watchRef(
    key,
    now => {
      stop()
      found.value = null
      stop = watch(
        () => read(now),
        value => {
          found.value = value
        },
      )
    },
    { immediate: true },
  )
  onScopeDispose(() => stop())
  return found
}
