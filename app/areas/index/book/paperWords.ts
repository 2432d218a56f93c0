import type { BookWords, FrontWords, WayWords } from '#core/printing'
import { indexWords } from './words'

/** What stands on paper around the entries. `isOneNumbering`: nobody needs to be told which. */
export const paperWords = {
  contents: 'Where each heading begins',
  legend: 'What stands behind a number',
  codes: 'How places are written',
  front: 'In front',
  ways: indexWords.ways,
  noTheme: 'Without a theme',
  noCategory: 'Without a category',
  noKind: 'Without a kind',
  noBrand: 'Without a brand',
  noPlace: 'No place yet',

  numbers: (first, last, numbering) => `${first} to ${last}${numbering ? `, ${numbering}` : ''}`,
  gap: number => `No. ${number} is lacking`,
  continued: heading => `${heading} (continued)`,
  range: (first, last) => `${first}  to  ${last}`,
  seeAlso: headings => `see also ${headings}`,
} as const satisfies WayWords & FrontWords & Omit<BookWords, 'roomName' | 'printedOn' | 'leaf' | 'back'>

/** The same, with what is of this book, this room and this day. */
export const bookWords = (roomName: string, printedOn: string, sides: 1 | 2): BookWords => ({
  ...paperWords,
  roomName,
  printedOn,
  leaf: label => `${sides === 2 ? 'Sheet' : 'Page'} ${label}`,
  back: label => `Sheet ${label}, back`,
})
/** In place of an address. */
export const NOWHERE = 'no place yet'
