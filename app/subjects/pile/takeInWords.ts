import type { PictureFault } from '~/data/pictureSize'
import { PICTURE_FAULTS } from '~/data/words'
import { countedThat, figure } from '#core/grammar'
import type { SizeReading } from '#core/units'

type SizeProblem = Extract<SizeReading, { ok: false }>['code']
const SIZE_PROBLEMS: Readonly<Record<SizeProblem, string>> = {
  empty: '',
  notASize: 'Write it like 5 3/4 x 7 1/4, 5.75x7.25in or 14,6 x 18,4 cm.',
  oneNumber: 'Width and height, please: 4 x 6.',
  zero: 'A side of nothing cannot be right.',
  tooSmall: 'A side of a millimetre cannot be right. Is the unit right?',
  tooLarge: 'That is over two metres. Is the unit right?',
  twoSizes: 'The two sizes written here disagree. Which one is right?',
  unitsMixed: 'Two units in one size: write both sides in the same one.',
  unitMissing: 'Inches or centimetres?',
}

export const takeInWords = {
  title: 'Take in',
  lead: 'A set in the hand becomes a set with a number and a place.',
  editTitle: (code: string) => `Change ${code}`,
  nextNumber: 'Next number',
  photo: 'Photo',
  photoFile: 'Choose a photo',
  photoCamera: 'Take a photo',
  photoDrop: 'or drop one here',
  photoRemove: 'Take the photo off',
  photoLate: 'Another set was opened while the photo was read: the photo was kept for neither. Choose it once more.',
  photoProblem: {
    full: 'The storage of this browser is full: the photo was not kept. Make room under Copies, and try it once more.',
    ...PICTURE_FAULTS,
  } satisfies Record<PictureFault | 'full', string>,
  name: 'Name',
  nameMissing: 'A set needs a name to be found by.',
  brand: 'Brand',
  kind: 'Kind',
  category: 'Category',
  themes: 'Themes',
  themesHint: 'It is put away under the first one',
  size: 'Size',
  words: 'Words on it',
  wordsHint: 'phrases and pictures, with commas',
  packagingBack: 'Back of the packaging',
  none: 'not said',
  kindUnsaid: 'No kind said',
  removeTheme: (name: string) => `Take ${name} off`,
  eitherSize: (written: string, exact: string) => `${written} (${exact})`,
  sizeRead: (text: string, assumed: boolean) => (assumed ? `Read as ${text}, the unit of this room` : `Read as ${text}`),
  sizeProblem: SIZE_PROBLEMS,
  proposeFirst: 'Say the kind and the first theme, and the place is proposed here.',
  save: 'Take it in',
  saveHint: 'Ctrl Enter',
  saveEdit: 'Keep the change',
  saved: (code: string, name: string, place: string) => `${code} ${name} is in. ${place}`,
  savedWithoutPhoto: (code: string, name: string) =>
    `${code} ${name} is changed, but its photo was cleared from this browser meanwhile. Choose the photo once more.`,
  savedEdit: (code: string, name: string) => `${code} ${name} is changed. Its number and place are as they were.`,
  editedGone: 'This set was taken out of the room in another tab. What you typed is still here; undo in that tab brings the set back.',
  draftKept: 'What you had begun to type is here again.',
  layBack: 'Begin a new one',
  discard: 'Start over',
  list: 'Bring in a list',
  placelessTitle: 'No place yet',
  placelessLead: (count: number) =>
    count === 1 ? 'One set is in the catalogue without a place.' : `${figure(count)} sets are in the catalogue without a place.`,
  placeIt: 'Put it there',
  placeAll: 'Put all where they belong',
  placeAllTitle: 'Before and after',
  placeAllSum: (count: number) => `${countedThat(count, 'set', 'finds', 'find')} a place; no bin or drawer is filled beyond what goes in.`,
  placeAllLeft: (count: number) => `${countedThat(count, 'set', 'stays', 'stay')} without: there is no room for more. Add a bin or drawer.`,
  placeAllUnclaimed: (count: number) =>
    `${countedThat(count, 'set', 'is', 'are')} of no kind that a corner takes. Say the kind, or let a corner take everything.`,
  placeAllRow: (sets: number, before: string, after: string) => `${before}, then ${after} (${figure(sets)} more)`,
  placeAllNow: 'Put them there',
  placed: (name: string, place: string) => `${name}: ${place}`,
  placedMany: (count: number) => `${countedThat(count, 'set', 'has', 'have')} a place now.`,
} as const
