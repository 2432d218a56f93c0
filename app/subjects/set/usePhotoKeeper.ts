import { useWorker, workerHandle } from '~/data/worker'
import type { PhotosApi, PictureOutcome } from './photos.worker'

const start = (): Worker => new Worker(new URL('./photos.worker.ts', import.meta.url), { type: 'module' })
const NOT_READ: PictureOutcome = { ok: false, code: 'notAPicture' }

/** Keeps photos in a worker that ends with the component that uses it: the hash of each, or why it could not be kept. */
export function usePhotoKeeper() {
  const worker = useWorker<PhotosApi>(start)
  return async (file: File): Promise<PictureOutcome> => (await worker.ask(api => api.addPicture(file))) ?? NOT_READ
}

/** Keeps many photos, so many at a time, each in a worker that ends with the last. Tells the outcome of each by its place in the list. */
export async function keepPhotos(
  files: readonly File[],
  atOnce: number,
  isStopped: () => boolean,
  tell: (at: number, outcome: PictureOutcome) => void,
): Promise<void> {
  const waiting = files.entries()
  const workers = Array.from({ length: atOnce }, () => workerHandle<PhotosApi>(start))
  await Promise.all(
    workers.map(async worker => {
      for (const [at, file] of waiting) {
        if (isStopped()) break
        tell(at, (await worker.ask(api => api.addPicture(file))) ?? NOT_READ)
      }
    }),
  )
  workers.forEach(worker => worker.end())
}
