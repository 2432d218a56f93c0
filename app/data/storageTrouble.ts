/** Why something could not be read or written: the browser's storage is full, it allows none, or something else went wrong. */
export type StorageTrouble = 'full' | 'refused' | 'other'

/** What browsers say where they keep nothing for a page: in private windows, by a setting, or because they cannot. */
const REFUSALS: readonly string[] = ['SecurityError', 'InvalidStateError', 'NotAllowedError', 'MissingAPIError', 'NotSupportedError']

/**
 * Reads an error of the database, however deep the reason lies in it. Workers pass errors on without their classes, so the
 * name may stand in the text.
 * @example troubleOf(new DOMException('', 'QuotaExceededError')) //=> 'full'
 * @example troubleOf(new DOMException('', 'SecurityError')) //=> 'refused'
 */
export function troubleOf(reason: unknown): StorageTrouble {
  for (let each: unknown = reason, depth = 0; typeof each === 'object' && each !== null && depth < 5; depth += 1) {
    const { name, message, inner, cause } = each as { name?: unknown; message?: unknown; inner?: unknown; cause?: unknown }
    if (REFUSALS.includes(String(name))) return 'refused'
    if (name === 'QuotaExceededError' || (typeof message === 'string' && message.includes('QuotaExceeded'))) return 'full'
    each = inner ?? cause
  }
  return 'other'
}

const GONE: readonly string[] = ['AbortError', 'DatabaseClosedError']

/**
 * Whether a reading broke off because the storage was closed or cleared under the page: that is told where it happens, and nobody waits
 * for what was read.
 * @example wasCleared(new DOMException('', 'AbortError')) //=> true
 */
export const wasCleared = (reason: unknown): boolean =>
  typeof reason === 'object' && reason !== null && 'name' in reason && GONE.includes(String(reason.name)) && troubleOf(reason) === 'other'
