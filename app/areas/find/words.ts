import type { AskField } from '#core/finding'
import { counted, figure } from '~/kit/grammar'

const FIELDS: Readonly<Record<AskField, string>> = {
  number: 'number',
  name: 'name',
  words: 'words on it',
  themes: 'theme',
  category: 'category',
  brand: 'brand',
  kind: 'kind',
  searchWords: 'search word',
  aliases: 'older number',
  notes: 'notes',
  place: 'place in your list',
}

export const findWords = {
  title: 'Find',
  all: (count: number) => `All ${counted(count, 'set')}`,
  hits: (count: number, places: number) =>
    places > 0 ? `${counted(count, 'set')} in ${counted(places, 'container')}` : counted(count, 'set'),
  none: (ask: string) => `No set answers to "${ask}".`,
  absent: (words: readonly string[]) => `Nothing in the room has ${words.map(word => `"${word}"`).join(' or ')}.`,
  some: 'No set has all of these words. These have some of them.',
  near: 'Nothing is spelt quite like that. These come close.',
  noneHint: 'Ask for a theme, a phrase, a brand, what is pictured, or a number.',
  emptyTitle: 'Nothing lies on the mat yet',
  empty: 'Sets that answer your ask lie here side by side at their true size. Take in the first one, or bring in your list.',
  emptyButton: 'Take in a set',
  because: (field: AskField, word: string) => `${FIELDS[field]}: ${word}`,
  scale: 'Scale of the mat',
  lifeSize: 'Life size',
  calibrate: 'Set life size',
  calibrateTitle: 'Set life size for this screen',
  calibrateHint:
    'Hold a bank card against the screen and move the slider until the outline is ' +
    'as wide as the card. Any ISO/IEC 7810 ID-1 card will do; it is 85.6 mm wide.',
  calibrateDone: 'This is as wide as my card',
  mat: 'The mat: sets at one common scale',
  item: (code: string, name: string, place: string) => `${code} ${name}. ${place}`,
  sizeUnknown: 'size not known',
  opening: 'The index is being opened',
  more: (count: number) => `and ${figure(count)} more`,
} as const
