import type { Version } from './version'

/** Which way shelves are counted in what the screen says, and which figure of 3/4/2019 is the month where nothing else tells. */
export const VERSION_4: Version = {
  number: 4,
  stores: {},
  brings: [],
  upgrade: {
    settings: record => ({ shelvesFrom: 'top', dateOrder: null, ...record }),
  },
}
