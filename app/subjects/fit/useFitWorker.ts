import { useWorker } from '~/data/worker'
import type { FitApi } from './fit.worker'

/** The worker that tries how things fit: laying out many pieces takes its time. What is handed over is copied as plain data. */
export const useFitWorker = () => useWorker<FitApi>(() => new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' }))
