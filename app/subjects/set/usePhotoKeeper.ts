import { useWorker } from '~/data/worker'
import type { PhotosApi, PictureOutcome } from './photos.worker'

/** Keeps photos in a worker that ends with the component that uses it: the hash of each, or why it could not be kept. */
export function usePhotoKeeper() {
  const worker = useWorker<PhotosApi>(() => new Worker(new URL('./photos.worker.ts', import.meta.url), { type: 'module' }))
  return (file: File): Promise<PictureOutcome> =>
    worker.run(api => api.addPicture(file)).catch((): PictureOutcome => ({ ok: false, code: 'notAPicture' }))
}
