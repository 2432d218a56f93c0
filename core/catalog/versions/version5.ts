import type { Version } from './version'

/** Of a holder, that nobody has looked where in its container it stands. Until then every place was one that somebody had seen. */
export const VERSION_5: Version = {
  number: 5,
  stores: {},
  brings: [],
  upgrade: {
    holders: record => ({ somewhere: null, ...record }),
  },
}
