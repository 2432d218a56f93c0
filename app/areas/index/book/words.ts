import { counted } from '~/kit/grammar'

export const indexWords = {
  title: 'Index',
  lead: 'The finding index for the shelf: the same number for a set wherever it stands.',
  paper: 'Paper', A4: 'A4', Letter: 'Letter',
  partsTitle: 'Ways in',
  parts: { byTheme: 'By theme', byNumber: 'By number', byPlace: 'By place' },
  partHints: { byTheme: 'under every theme a set has', byNumber: 'the register', byPlace: 'container by container, as you walk' },
  make: 'Make the index',
  making: (done: number, total: number) => `Page ${done} of ${total}`,
  laying: 'Setting the pages',
  ready: (pages: number, sets: number) => `${counted(pages, 'page')} for ${counted(sets, 'set')}.`,
  open: 'Open it', save: 'Save it',
  fileName: (room: string) => `Index - ${room}.pdf`,
  docTitle: (room: string) => `Index of ${room}`,
  onePart: 'Tick at least one way in.',
  empty: 'There is nothing to print yet. Take in a set, or bring in your list.',
  cancelled: 'Stopped. No pages were made.',
  crashed: 'The printing broke off. Your catalogue is as it was; please try once more.',
  noTheme: 'Without a theme', noPlace: 'No place yet',
  // The print worker puts numbers and headings where {a} and {b} stand.
  numberRange: '{a} to {b}', pageOf: 'Page {a} of {b}', continued: '{a} (continued)', range: '{a}  to  {b}',
  preview: 'How a page will look',
} as const
