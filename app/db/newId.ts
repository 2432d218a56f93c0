import { monotonicFactory } from 'ulid'

/**
 * An id for a new record: by the clock, then by chance, in the order of making. Of many in one thousandth of a second each is the
 * next of the one before: asking for chance at each of 16 letters took a quarter of all writing of a long list.
 */
export const newId = monotonicFactory()
