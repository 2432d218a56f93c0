import type { Version } from './version'

/** Books of the index, and every leaf of them as it was printed. */
export const VERSION_9: Version = {
  number: 9,
  stores: { books: 'id', bookLeaves: 'id, bookId' },
  brings: ['books', 'bookLeaves'],
  upgrade: {},
}
