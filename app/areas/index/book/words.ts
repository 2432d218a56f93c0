import type { BookWay, IndexBook } from '#core/catalog'
import type { Reasons } from '#core/printing'
import { counted, figure, listOf, partialDay } from '#core/grammar'

const thing = ({ sides }: Pick<IndexBook, 'sides'>): string => (sides === 2 ? 'sheet' : 'page')
/** So many labels are named; more are counted. */
const NAMED = 12
const labels = (all: readonly string[]): string =>
  all.length > NAMED ? `${all.slice(0, NAMED).join(', ')} and ${figure(all.length - NAMED)} more` : listOf(all)

interface YearlyCosts {
  readonly months: number
  readonly isByArrival: boolean
  readonly costs: Readonly<Record<IndexBook['code'], number>>
}

const ways: Readonly<Record<BookWay, string>> = {
  theme: 'By theme',
  category: 'By category',
  kind: 'By kind',
  brand: 'By brand',
  series: 'By series',
  word: 'By word',
  number: 'By number',
  place: 'By place',
}

export const indexWords = {
  title: 'Index',
  lead: 'Your finding index on paper: the same number for a set wherever it stands, and only what changed is printed again.',
  books: 'Your books',
  newBook: 'Another book',
  firstBook: 'Begin a book',
  bookName: 'Index',
  nextName: (count: number) => `Index ${figure(count + 1)}`,
  dropBook: 'Let this book go',
  dropped: 'The book is gone, and what was remembered of its pages. Undo brings it back.',
  noBookTitle: 'No book yet',
  noBook:
    'A book is an index that you print and keep in a binder. It remembers what is on each page, so that later only the pages that ' +
    'changed are printed again: say "page 12 and 12a, and take out the old 12".',
  empty: 'There is nothing to print yet. Take in a set, or bring in your list.',
  made: 'How this book is made',

  laying: 'Setting the pages',
  nothingPrinted: (book: IndexBook, count: number) => `Nothing of it is printed yet: ${counted(count, thing(book))}.`,
  otherChoices: (book: IndexBook, count: number) =>
    `You changed how it is made, so all of it is new: ${counted(count, thing(book))}. Take out all the old ones.`,
  asPrinted: (book: IndexBook, count: number, at: string) =>
    count === 1
      ? `Its one ${thing(book)} is as it was printed on ${partialDay(at)}.`
      : `All ${counted(count, thing(book))} are as they were printed on ${partialDay(at)}.`,
  changed: (book: IndexBook, changed: number, count: number, at: string) =>
    `${figure(changed)} of ${counted(count, thing(book))} ${changed === 1 ? 'has' : 'have'} changed since ${partialDay(at)}.`,
  print: (all: readonly string[]) => `Print ${labels(all)}.`,
  /** Where a page takes the place of each old one, that is all there is to say. */
  inPlace: 'They take the place of the old ones.',
  takeOut: (all: readonly string[]) => `Take out the old ${labels(all)}.`,
  why: ({ arrived, gone, renamed, moved, otherwise }: Reasons) => {
    const said = [
      arrived && counted(arrived, 'new set'),
      gone && counted(gone, 'set that is gone', 'sets that are gone'),
      renamed && `${figure(renamed)} renamed`,
      moved && `${figure(moved)} moved`,
      otherwise && `${figure(otherwise)} changed otherwise`,
    ].filter(each => typeof each === 'string')
    return said.length > 0 ? `${listOf(said)}.` : ''
  },

  make: (book: IndexBook, count: number) => `Make ${counted(count, thing(book))} to print`,
  makeAll: (book: IndexBook, count: number) => (count === 1 ? `Make its one ${thing(book)}` : `Make all ${counted(count, thing(book))}`),
  afresh: 'Lay it out afresh',
  afreshHint: 'Every heading gets even room again and the numbers count on without letters. All of it is then to be printed.',
  notAfresh: 'Keep the pages as they are',
  ready: (pages: number) => `${counted(pages, 'page')} for the printer.`,
  readyBoth: (pages: number) => `${counted(pages, 'page')} for the printer: set it to print both sides, turned on the long edge.`,
  fileName: (room: string, book: string) => `${book} - ${room}.pdf`,

  waiting: (book: IndexBook, count: number, at: string) => `You made ${counted(count, thing(book))} to print on ${partialDay(at)}.`,
  confirmed: (book: IndexBook, count: number) => `${counted(count, thing(book))} count as printed now. Undo takes it back.`,
  refused: {
    otherPrint: 'It was printed in another tab meanwhile. What is left to print is worked out anew.',
    gone: 'The book is gone: it was let go in another tab.',
  },

  hand: 'Write it in by hand',
  handTitle: 'What to strike out and write in',
  handLead: 'For who prints nothing: go through the book once with a pen.',
  handPage: (book: IndexBook, label: string) => `${thing(book) === 'page' ? 'Page' : 'Sheet'} ${label}`,
  handNew: (book: IndexBook, label: string) => `A new ${thing(book)}, ${label}`,
  strike: 'Strike out',
  write: 'Write in',
  handUnder: (heading: string) => `under ${heading}`,
  handDone: 'I wrote it in',
  handNothing: 'There is nothing to write in.',

  name: 'Name of the book',
  waysTitle: 'Ways in',
  ways,
  wayHints: {
    theme: 'under every theme a set has',
    category: 'what sort of design it is',
    kind: 'clear, wood, dies',
    brand: 'each maker, in its own numbers',
    series: 'numbered series, with what is lacking',
    word: 'every phrase, under each of its words',
    number: 'all numbers given',
    place: 'container by container, as you walk',
  } satisfies Readonly<Record<BookWay, string>>,
  oneWay: 'A book needs at least one way in.',
  code: 'Each entry sends you to its',
  codes: { number: 'Number', address: 'Address', both: 'Number and address' },
  yearlyAsk: 'What does each cost in a year?',
  yearlyBusy: 'Going through your journal',
  yearlyNone:
    'Your journal is younger than a month, and no set says when it came in: it cannot be told yet. A book of numbers is printed again ' +
    'far less than one of addresses.',
  yearly: (book: IndexBook, { months, isByArrival, costs }: YearlyCosts) =>
    `${
      isByArrival
        ? 'Your journal is younger than a month, so this goes by the days on which sets came in, and counts no move. Printed once a month'
        : `By your own last ${counted(months, 'month')}, printed once a month`
    }: with numbers ${counted(costs.number, thing(book))} a year, ` +
    `with addresses ${figure(costs.address)}, with both ${figure(costs.both)}.`,
  shows: 'It also shows',
  showsName: 'Name',
  showsBrand: 'Brand',
  showsSize: 'Size',
  showsKind: 'Kind',
  picture: 'Picture',
  pictures: { none: 'None', small: 'Small', scale: 'A quarter of true size', life: 'True size, where it fits' },
  paper: 'Paper',
  papers: { A4: 'A4', Letter: 'Letter', A5: 'A5', halfLetter: 'Half Letter', square12: '12 x 12 in' },
  sides: 'Printed on',
  sidesOf: { 1: 'One side', 2: 'Both sides' },
  columns: 'Columns',
  binding: 'Margin at the binding',
  holes: 'Marks for holes',
  holesOf: { none: 'None', two: 'Two, 80 mm apart', four: 'Four, 80 mm apart', three: 'Three, 4 1/4 in apart' },
  own: 'A heading has pages of its own from',
  ownUnit: 'sets',
  ownHint: 'With fewer it shares a page under its letter.',
  free: 'Room kept free on each page',
  freeHint: 'More room means fewer new pages later.',
  percent: (share: number) => `${figure(Math.round(share * 100))} %`,

  isNew: 'to print',

  front: 'In front',
} as const
