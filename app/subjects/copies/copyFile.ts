/** A file that is being made: where its bytes go meanwhile, so that the memory need not hold them. */
export interface CopyFile {
  write(bytes: Uint8Array): void
  /** The whole file. Its bytes stay where they are. */
  end(): Promise<Blob>
}

/** What a worker can write to at once; the types of pages do not know it. */
interface Writable {
  write(bytes: Uint8Array, where: { readonly at: number }): number
  flush(): void
  close(): void
}
type WritableHandle = FileSystemFileHandle & { createSyncAccessHandle(): Promise<Writable> }

const FOLDER = 'copies'
/** A download may still be reading a file that is younger. */
const KEPT_MS = 600_000
/** Parts of this size leave the memory of the page. */
const PART_BYTES = 4 * 1024 ** 2

const folder = async (): Promise<FileSystemDirectoryHandle> =>
  (await navigator.storage.getDirectory()).getDirectoryHandle(FOLDER, { create: true })

/** Removes the files of earlier copies, which were given to the person long ago. Each is named by the moment in which it was begun. */
export async function clearCopyFiles(now = Date.now()): Promise<void> {
  try {
    const files = await folder()
    for await (const name of files.keys()) if (now - Number(name) > KEPT_MS) await files.removeEntry(name).catch(() => undefined)
  } catch {
    // A browser without files of its own has none to clear.
  }
}

/** A file of this browser's own to write into; null: it has none, or does not allow it. */
async function ownFile(): Promise<{ readonly handle: FileSystemFileHandle; readonly target: Writable } | null> {
  try {
    const handle = await (await folder()).getFileHandle(String(Date.now()), { create: true })
    return { handle, target: await (handle as WritableHandle).createSyncAccessHandle() }
  } catch {
    return null
  }
}

/**
 * Begins a file. It is written to a file of the browser's own, which takes no memory; where there is none, or no room is left for it, to
 * parts that the browser keeps outside of the page. Called in a worker.
 */
export async function beginCopyFile(): Promise<CopyFile> {
  await clearCopyFiles()
  const own = await ownFile()
  let target = own?.target ?? null
  let written = 0
  const parts: Blob[] = []
  let [held, heldBytes]: [Uint8Array<ArrayBuffer>[], number] = [[], 0]

  function closePart(): void {
    if (held.length > 0) parts.push(new Blob(held))
    ;[held, heldBytes] = [[], 0]
  }
  function hold(bytes: Uint8Array): void {
    held.push(bytes.slice())
    heldBytes += bytes.length
    if (heldBytes >= PART_BYTES) closePart()
  }
  /** Whether all went into the browser's own file. What was cut off there is overlooked. */
  function writeOwn(bytes: Uint8Array): boolean {
    try {
      if (target?.write(bytes, { at: written }) !== bytes.length) return false
      written += bytes.length
      return true
    } catch {
      return false
    }
  }
  return {
    write(bytes) {
      if (target && writeOwn(bytes)) return
      // Full: the rest is held in parts.
      target?.close()
      target = null
      hold(bytes)
    },
    async end() {
      target?.flush()
      target?.close()
      closePart()
      const first = own && written > 0 ? (await own.handle.getFile()).slice(0, written) : null
      return new Blob(first ? [first, ...parts] : parts, { type: 'application/zip' })
    },
  }
}
