import type { Version } from './version'

/** Records that could not be read are set aside, each as the text that it was. */
export const VERSION_12: Version = { number: 12, stores: { setAside: 'id' }, brings: ['setAside'], upgrade: {} }
