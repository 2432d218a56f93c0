import type { Version } from './version'

/** What the owner says of two words: that they go together, or never do. */
export const VERSION_6: Version = {
  number: 6,
  stores: { links: 'id' },
  brings: ['links'],
  upgrade: {},
}
