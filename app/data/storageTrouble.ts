/** Why something could not be written: the browser's storage is full, or something else went wrong. */
export type StorageTrouble = 'full' | 'other'

/**
 * Reads an error of the database, however deep the reason lies in it. Workers pass errors on without their classes, so the
 * name may stand in the text.
 * @example troubleOf(new DOMException('', 'QuotaExceededError')) //=> 'full'
 */
export function troubleOf(reason: unknown): StorageTrouble {
  for (let each: unknown = reason, depth = 0; typeof each === 'object' && each !== null && depth < 5; depth += 1) {
    const { name, message, inner, cause } = each as { name?: unknown; message?: unknown; inner?: unknown; cause?: unknown }
    if (name === 'QuotaExceededError' || (typeof message === 'string' && message.includes('QuotaExceeded'))) return 'full'
    each = inner ?? cause
  }
  return 'other'
}
