import type { AskField, LinkedBy, ShelfAnswer } from '#core/finding'
import { counted, countedThat, figure, isSameName, listOf } from '#core/grammar'

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
const BY: Readonly<Record<LinkedBy, string>> = {
  yours: 'by your link',
  craft: 'a short word of the craft',
  theme: 'a theme to see as well',
  searchWord: 'a search word you took',
  meaning: 'by what the words mean',
}

export const findWords = {
  title: 'Find',
  all: (count: number) => `All ${counted(count, 'set')}`,
  hits: (count: number, places: number) =>
    places > 0 ? `${counted(count, 'set')} in ${counted(places, 'container')}` : counted(count, 'set'),
  narrowedTo: (count: number, of: number) => `${figure(count)} of ${counted(of, 'set')}`,
  none: (ask: string) => `No set found for "${ask}".`,
  absent: (words: readonly string[]) => `Nothing in the room has ${words.map(word => `"${word}"`).join(' or ')}.`,
  some: 'No set has all of these words. These have some of them.',
  near: 'Nothing is spelt quite like that. These come close.',
  noneHint: 'Ask for a theme, a phrase, a brand, what is pictured, or a number.',
  narrowedAway: 'None of them is left as you have narrowed it.',
  widen: 'Show them all again',
  unsaid: (count: number) => `Of ${counted(count, 'more set', 'more sets')} nobody has noted what you ask for.`,
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
  withThese: 'With these sets',
  isOut: (to: string) => `out: ${to}`,

  /** What an ask says beside its words. */
  parts: 'Read from what you ask',
  family: { stamp: 'stamps', die: 'dies', stencil: 'stencils', folder: 'embossing folders', other: 'other things' },
  isFamily: (what: string, isNot: boolean) => (isNot ? `no ${what}` : `only ${what}`),
  isSize: (size: string, isNot: boolean, isAssumed: boolean) => `${isNot ? 'not ' : ''}${size}${isAssumed ? ' (no unit was written)' : ''}`,
  isUpTo: (length: string, isNot: boolean, isAssumed: boolean) =>
    `${isNot ? 'more than' : 'up to'} ${length}${isAssumed ? ' (no unit was written)' : ''}`,
  isUsed: (isNot: boolean) => (isNot ? 'never used' : 'used'),
  isWithDie: (isNot: boolean) => (isNot ? 'without a die' : 'with a die'),
  cameIn: (from: string | null, before: string | null, isYear: boolean) =>
    from !== null && before !== null && isYear
      ? `came in ${from}`
      : [from === null ? '' : `came in since ${from}`, before === null ? '' : `came in before ${before}`].filter(Boolean).join(', '),
  without: (word: string) => `without "${word}"`,
  widenFrom: (facet: string, value: string) => `${facet}: ${value}. Widen again`,
  takeBack: (what: string) => `${what}: read it as words instead`,

  /** What is written on a shelf or a set. */
  shelf: (answer: ShelfAnswer, name: string): string => {
    switch (answer.as) {
      case 'container':
        return answer.ids.length === 0 ? `${name} is empty` : `${name}: ${counted(answer.ids.length, 'set')}`
      case 'page':
        return `${name}, page ${figure(answer.page)}: ${answer.ids.length === 0 ? 'nothing in it' : counted(answer.ids.length, 'set')}`
      case 'place':
        return `${name}: ${answer.ids.length === 1 ? 'this set stands there' : `${counted(answer.ids.length, 'set')} stand there`}`
      case 'emptyPlace':
        return `Nothing stands there. ${name} holds ${counted(answer.count, 'set')}`
      case 'number':
        if (answer.isOtherLetter) return 'No set is written so. This one has the number, with another letter or none'
        return answer.ids.length === 1 ? 'The set with this number' : `${counted(answer.ids.length, 'set')} with this number`
      case 'noNumber':
        return `There is no number ${answer.text} in this room`
      case 'noPlace':
        return `There is no ${answer.text} in this room`
    }
  },
  open: (name: string) => `Open ${name}`,
  noWords: 'As words, no set answers to it.',
  sameWords: 'As words, it is the same.',
  wordsBelow: (count: number) => `The same as words: ${counted(count, 'set')}`,

  /** What says the same otherwise. */
  linkedTitle: (count: number) => `${countedThat(count, 'set', 'says', 'say')} it in other words`,
  linked: (word: string, through: string) => (isSameName(word, through) ? through : `${word}: ${through}`),
  linkedBy: (by: LinkedBy) => BY[by],
  keepLink: 'Always show these',
  dropLink: 'Never show these',
  keptLink: (word: string, through: string) => `"${word}" goes with "${through}" from now on.`,
  droppedLink: (word: string, through: string) => `"${word}" does not go with "${through}" any more.`,

  /** What is nearest where no set has all of an ask. */
  noneIsAll: (parts: readonly string[]) => `No set is all of this: ${listOf(parts.map(part => `"${part}"`))}.`,
  nearestTitle: 'Without one of them there is:',
  /** Some of the sets there are, by what they have instead. */
  sort: (sets: string, name: string, isMaker: boolean) => `${sets} ${isMaker ? 'from' : 'in'} ${name}`,
  nearest: (count: number, without: string, told: string) => `${told || counted(count, 'set')} without "${without}"`,
} as const
