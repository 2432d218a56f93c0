import type { Old, Version } from './version'

/** A piece as it was before anybody noted where on its set it lies. */
const withPlace = (piece: Old): Old => ({ at: null, ...piece })

/** Where on its set a piece lies; beside each picture the shapes of its ink, to find a set by a photo. These belong to no catalogue. */
export const VERSION_8: Version = {
  number: 8,
  stores: { shapes: 'hash' },
  brings: [],
  upgrade: {
    holdings: record => ({ ...record, pieces: ((record.pieces ?? []) as Old[]).map(withPlace) }),
  },
}
