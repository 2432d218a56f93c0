import { type MaybeRefOrGetter, onScopeDispose, shallowRef, toValue, watchEffect } from 'vue'
import { database } from '~/db'

interface Loaded {
  users: number
  readonly url: Promise<string | null>
}
const loaded = new Map<string, Loaded>()
/** Pictures that nobody shows any more are kept this long, in case the mat is scrolled back. */
const LINGER_MS = 20_000

async function read(hash: string, isFull: boolean): Promise<string | null> {
  const db = database()
  const thumb = isFull ? undefined : await db.thumbs.get(hash)
  const picture = thumb ? undefined : await db.pictures.get(hash)
  const found = thumb ? { bytes: thumb.bytes, type: 'image/jpeg' } : picture
  return found ? URL.createObjectURL(new Blob([found.bytes], { type: found.type })) : null
}

function acquire(key: string): Loaded {
  const [hash = '', size] = key.split('/')
  // One that cannot be read, as when the storage is cleared meanwhile, is not shown, and read again the next time.
  const unread = (): null => {
    loaded.delete(key)
    return null
  }
  const entry = loaded.get(key) ?? { users: 0, url: read(hash, size === 'full').catch(unread) }
  entry.users += 1
  loaded.set(key, entry)
  return entry
}

function release(key: string): void {
  const entry = loaded.get(key)
  if (!entry) return
  entry.users -= 1
  setTimeout(async () => {
    if (entry.users > 0 || loaded.get(key) !== entry) return
    loaded.delete(key)
    const url = await entry.url
    if (url) URL.revokeObjectURL(url)
  }, LINGER_MS)
}

/** The address of a picture for an <img>, read from the database when first shown and shared by all who show it. */
export function usePicture(hash: MaybeRefOrGetter<string | null>, isFull: MaybeRefOrGetter<boolean> = false) {
  const url = shallowRef<string | null>(null)
  let key: string | null = null
  const drop = (): void => {
    if (key) release(key)
  }
  watchEffect(async () => {
    const wanted = toValue(hash)
    const next = wanted ? `${wanted}/${toValue(isFull) ? 'full' : 'thumb'}` : null
    if (next === key) return
    drop()
    key = next
    const found = next ? await acquire(next).url : null
    if (next === key) url.value = found
  })
  onScopeDispose(drop)
  return url
}
