import type { OpenQuestion } from '#core/catalog'
import { counted, countedThat, figure } from '#core/grammar'

type Code = OpenQuestion['code']
const TITLES: Readonly<Record<Code, string>> = {
  sizeUnread: 'Sizes that could not be read',
  sizeUnitUnknown: 'Sizes without a unit',
  dateUnread: 'Dates that could not be read',
  dateOrderUnknown: 'Dates: day or month first?',
  priceUnread: 'Prices that could not be read',
  usedUnread: 'Used or not?',
  dieUnread: 'Is there a matching die?',
  kindUnread: 'Kinds that are not known',
  nameMissing: 'Sets without a name',
  numberClash: 'Numbers that were taken',
  numberUnread: 'Numbers that could not be read',
  numberFar: 'A number, or a code of its maker?',
  tooLong: 'Notes that were too long',
}
/** What the text was, where it becomes a note. */
const NOTES: Readonly<Record<Code, string>> = {
  sizeUnread: 'Size',
  sizeUnitUnknown: 'Size',
  dateUnread: 'Date in',
  dateOrderUnknown: 'Date in',
  priceUnread: 'Paid',
  usedUnread: 'Used',
  dieUnread: 'Matching die',
  kindUnread: 'Kind',
  nameMissing: '',
  numberClash: '',
  numberUnread: '',
  numberFar: '',
  tooLong: '',
}
const FIELDS: Readonly<Partial<Record<Code, { readonly label: string; readonly example: string }>>> = {
  sizeUnread: { label: 'Size', example: '4 x 6 in' },
  sizeUnitUnknown: { label: 'Size', example: '4 x 6 in' },
  dateUnread: { label: 'Came in', example: 'March 2019' },
  dateOrderUnknown: { label: 'Came in', example: '3 April 2019' },
  priceUnread: { label: 'Price', example: '9.50' },
}

export const questionWords = {
  title: 'Questions',
  lead: 'Answer once for all sets that say the same. Leave what you do not know: nothing waits for it.',
  none: 'No set carries a question.',
  noneHint: 'What a list says and could not be read comes here, each text once.',
  sum: (sets: number, texts: number) =>
    `${countedThat(sets, 'set', 'carries', 'carry')} a question; ${countedThat(texts, 'answer', 'settles', 'settle')} them all.`,
  sort: TITLES,
  sortCount: (texts: number) => counted(texts, 'text'),
  text: (text: string) => (text ? `“${text}”` : 'nothing written'),
  sets: (count: number) => counted(count, 'set'),
  more: (count: number) => `and ${figure(count)} more`,
  field: FIELDS,
  forAll: (count: number) => (count === 1 ? 'Answer' : `Answer for ${counted(count, 'set')}`),
  yes: 'Yes',
  no: 'No',
  kind: 'Kind or category',
  kinds: 'Kinds',
  categories: 'Categories',
  choose: 'Choose',
  unitAll: 'All of these are in',
  orderAll: 'In all of these comes first',
  unit: { in: 'inches', cm: 'centimetres', mm: 'millimetres' },
  order: { dayFirst: 'the day', monthFirst: 'the month' },
  asNote: 'Keep it as a note',
  soBeIt: 'It is right so',
  allSoBeIt: 'All are right so',
  soBeItHint: 'The number that was written is kept with the set, and finds it.',
  nameIt: 'Give it a name',
  look: 'Look at the set',
  unread: 'That cannot be read.',
  note: (code: Code, text: string) => `${NOTES[code]}: ${text}`,
  answered: (count: number) => `Answered for ${counted(count, 'set')}.`,
  left: (count: number) => `${countedThat(count, 'set', 'was', 'were')} left as before: gone meanwhile, or without room for more.`,
} as const
