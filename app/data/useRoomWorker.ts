import type { RoomApi } from './room.worker'
import { useWorker } from './worker'

/** The worker that plans and compares. It ends with the page that uses it. */
export const useRoomWorker = () => useWorker<RoomApi>(() => new Worker(new URL('./room.worker.ts', import.meta.url), { type: 'module' }))
