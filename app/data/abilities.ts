import type { DatabaseTrouble } from '~/db'

/**
 * What keeps the room from opening here: `insecure`, a page that came over http from another machine, where browsers withhold what tells
 * pictures apart and tabs from one another; `old`, a browser without what the work needs. null: nothing.
 */
export function whatLacks(): 'insecure' | 'old' | null {
  if (!isSecureContext) return 'insecure'
  const has = 'locks' in navigator && 'subtle' in crypto && 'OffscreenCanvas' in window && 'toSorted' in Array.prototype
  return has ? null : 'old'
}

/** Why the room does not open, or is not written to. */
export type RoomTrouble = DatabaseTrouble | NonNullable<ReturnType<typeof whatLacks>>

/** Whether this browser lends a camera to pages at all; whether there is one, and it may be used, only asking tells. */
export const lendsCamera = (): boolean => 'mediaDevices' in navigator && 'getUserMedia' in navigator.mediaDevices
