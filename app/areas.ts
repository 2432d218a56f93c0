import { BookOpenText, Inbox, Search, Warehouse } from 'lucide-vue-next'

/** The areas, in the order of their tabs and keys (1, 2, 3 ...). Tabs, keys and the list of keys read this, and nothing else. */
export const AREAS = [
  { id: 'find', path: '/', icon: Search, word: 'Find' },
  { id: 'takeIn', path: '/take-in', icon: Inbox, word: 'Take in' },
  { id: 'storeroom', path: '/storeroom', icon: Warehouse, word: 'Storeroom' },
  { id: 'index', path: '/index', icon: BookOpenText, word: 'Index' },
] as const

/**
 * The area that a page belongs to; undefined: none, as Copies. Find is the first page, its others lie under /find.
 * @example areaOf('/storeroom/fill')?.id //=> 'storeroom'
 */
export const areaOf = (path: string) =>
  AREAS.find(area =>
    area.path === '/' ? path === '/' || path.startsWith('/find/') : path === area.path || path.startsWith(`${area.path}/`),
  )
