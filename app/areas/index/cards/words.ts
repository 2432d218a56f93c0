import { counted, figure, partialDay } from '#core/grammar'

export const CARD_KINDS = ['cards', 'dividers', 'contents', 'out', 'pull', 'slips', 'gaps', 'legend'] as const
export type CardKind = (typeof CARD_KINDS)[number]

const cards = (count: number): string => counted(count, 'card')
const dividers = (count: number): string => counted(count, 'divider')

export const cardWords = {
  title: 'Cards and lists',
  lead: 'Cards that lie beneath your stamps, dividers, and short lists to take along.',
  what: 'What to print',
  kinds: {
    cards: 'Cards beneath the stamps',
    dividers: 'Dividers',
    contents: 'What is in it, front to back',
    out: 'What is out',
    pull: 'The pull list, as one walk',
    slips: 'Slips to carry to the shelf',
    gaps: 'Numbers that a series lacks',
    legend: 'What marks and letters mean',
  } satisfies Record<CardKind, string>,
  hints: {
    cards:
      'One card for each pocket, with number, name, address and the impression at true size, readable and grey, so that a stamp ' +
      'shows on it. In the order of the container, with marks to cut at.',
    dividers: 'One for each tab, in its colour and at its place from left to right; also those of a re-filing under way.',
    contents: 'All that stands in it, in order, to lie in front.',
    out: 'With a box to tick as things come back.',
    pull: 'With a box to tick, in the order of the walk.',
    slips:
      'One for each set, in the order of the walk, with its number, picture and place. It can stand where the set was taken out: ' +
      'write on it when, and who has it.',
    gaps: 'To take along to a shop.',
    legend: 'What stands behind a number, and what your marks say.',
  } satisfies Record<CardKind, string>,
  where: 'Where',
  everywhere: 'Everywhere',
  which: 'Which pull list',
  thisSet: (name: string) => `Only ${name}`,
  plan: 'The re-filing under way',
  takenOut: 'Taken out:',
  form: 'Made as',
  forms: { tab: 'Labels for tabs that are there', full: 'Whole dividers' },
  blank: 'Cut from',
  onlyChanged: 'Only those that changed since they were made',
  laying: 'Setting the pages',
  nothing: {
    cards: 'There is no pocket here to make a card for.',
    dividers: 'There are no divider tabs here: a bin or drawer has them once it is filed by theme or brand.',
    contents: 'There is nothing in it yet.',
    out: 'Nothing is out.',
    pull: 'Nothing is on your pull list. Put sets on it from Find.',
    slips: 'Nothing is on your pull list. Put sets on it from Find, or print the slip of one set from the set itself.',
    gaps: 'No series of yours lacks a number between its first and its last.',
    legend: 'No kind has letters behind its number, and there are no marks.',
  } satisfies Record<CardKind, string>,
  allTrue: (kind: CardKind, count: number) =>
    count === 1 ? 'It is as it was made.' : `All ${kind === 'cards' ? cards(count) : dividers(count)} are as they were made.`,
  count: {
    cards: (count: number, pages: number) => `${cards(count)} on ${counted(pages, 'sheet')}.`,
    dividers: (count: number, pages: number) => `${dividers(count)} on ${counted(pages, 'sheet')}.`,
    slips: (count: number, pages: number) => `${counted(count, 'slip')} on ${counted(pages, 'sheet')}.`,
    lines: (count: number, pages: number) => `${counted(count, 'line')} on ${counted(pages, 'page')}.`,
  },
  changed: (count: number, all: number) => `${figure(count)} of ${figure(all)} changed, or were never made.`,
  tooLarge: (count: number) => `${figure(count)} ${count === 1 ? 'is' : 'are'} larger than the sheet and left out. Choose a larger sheet.`,
  noPicture: (count: number) => `On ${cards(count)} a picture is larger than the card. It is left out, as it would not be at true size.`,
  pdf: 'Make a PDF',
  ready: (pages: number) => `${counted(pages, 'page')} ready.`,
  fileName: (title: string, roomName: string) => `${title} ${roomName}.pdf`,
  care:
    'Print at 100 %, not fitted to the page: else nothing has its true size. Cut with the trimmer on a firm mat and keep your fingers ' +
    'behind the guard; keep blades from children. Follow the maker\u2019s instructions.',
  waiting: (of: 'cards' | 'dividers', count: number, at: string) =>
    `${(of === 'cards' ? cards : dividers)(count)} made on ${partialDay(at)} ${count === 1 ? 'waits' : 'wait'} for your word.`,
  confirmed: (count: number) => `${figure(count)} ${count === 1 ? 'counts' : 'count'} as made. Undo takes it back.`,
  foot: (roomName: string, on: string) => `${roomName}  \u00b7  ${on}`,
  page: (nth: number, count: number) => `Page ${figure(nth)} of ${figure(count)}`,
  lacking: (number: number) => `No. ${figure(number)}`,
  outSince: (to: string, at: string) => `${to}, since ${partialDay(at)}`,
  nowhere: 'Nobody knows where',
  marks: 'Marks',
  letters: 'Letters behind the number',
} as const
