import type { Version } from './version'

/**
 * The journal keeps the fields that a step changed, not whole records. No record changes by it; a tab of an older version, which could
 * not undo such a step, has to let go.
 */
export const VERSION_11: Version = { number: 11, stores: {}, brings: [], upgrade: {} }
