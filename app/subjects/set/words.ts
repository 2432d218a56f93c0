import type { Use } from '#core/catalog'
import type { UseTally } from '#core/fetching'
import { counted, money, partialDay } from '#core/grammar'

const FROM: Readonly<Record<Use['from'], string>> = { fetched: 'fetched', noted: 'noted by hand', said: 'by an older list' }

export const slipWords = {
  title: (code: string, name: string) => `${code} ${name}`,
  close: 'Close the slip',
  print: 'Print it as a slip of paper, to carry to the shelf',
  brand: 'Brand',
  kind: 'Kind',
  category: 'Category',
  themes: 'Themes',
  size: 'Size',
  words: 'Words on it',
  used: 'Used',
  labelSays: 'Its label says',
  aliases: 'Other codes on it',
  questions: 'Still to be answered',
  /** What the log says of its use. */
  useText: (tally: UseTally | undefined) => {
    if (!tally) return 'nobody has noted whether'
    const times = tally.times === 0 ? 'never' : counted(tally.times, 'time')
    const often = tally.isCounted ? times : 'yes, nobody counted how often'
    return tally.lastOn ? `${often}, last ${partialDay(tally.lastOn)}` : often
  },
  /** What a list says of it. */
  saidUse: (said: Pick<Use, 'times'> | null) => {
    if (said === null) return ''
    if (said.times === null) return 'yes'
    return said.times === 0 ? 'never' : counted(said.times, 'time')
  },
  usedToday: 'Used today',
  notedToday: (name: string) => `${name} was used today.`,
  knownToday: 'Today is noted already.',
  useLog: 'Day by day',
  useDay: (on: string | null, times: number | null, from: Use['from']) => {
    if (times === 0) return 'not used until it was noted down'
    const often = times === null ? 'used, nobody knows how often' : times > 1 && counted(times, 'time')
    return [on ? partialDay(on) : 'no day noted', often, FROM[from]].filter(Boolean).join(', ')
  },
  useDate: 'Day of this use',
  history: 'What was changed',
  historyReading: 'Reading what was done ...',
  historyUnread: 'What was changed could not be read. Close this and open it again.',
  historyNone: 'Nothing that is kept of the last steps changed this set.',
  historyEarlier: 'What was done before this is kept no longer.',
  historyMore: 'Show earlier changes',
  name: 'Name',
  number: 'Number',
  placeChanged: 'Place',
  becameKnown: (label: string, is: string) => `${label}: ${is}`,
  becameUnknown: (label: string, was: string) => `${label}: empty (was ${was})`,
  became: (label: string, was: string, is: string) => `${label}: ${is} (was ${was})`,
  photo: 'Photo',
  photoAdded: (label: string) => `${label}: added`,
  photoReplaced: (label: string) => `${label}: replaced`,
  photoRemoved: (label: string) => `${label}: taken away`,
  placeGone: 'a container that is gone',
  pageAndCell: (name: string, page: number, cell: number) => `${name}, page ${page}, cell ${cell}`,
  forgetUse: (what: string) => `Take back: ${what}`,
  takeOut: 'Take out',
  takeOutTitle: (name: string) => `Take out ${name}`,
  takeOutWhere: 'Where it is meanwhile',
  takeOutHint: 'A place of the house: the table, a desk, a seasonal basket. Its own place stays kept for it.',
  wentOut: (name: string, to: string) => `${name} is out: ${to}.`,
  notOut: 'It is not out: it has not been put away yet, or is there already.',
  putBack: 'Put back',
  alias: (text: string, reading: 'cell' | 'serial' | null) =>
    reading ? `${text} (${reading === 'cell' ? 'page and cell' : 'a running number'})` : text,
  money,
  sitsIn: 'Sits in',
  searchWords: 'Search words',
  pieces: 'Pieces',
  alsoHolds: 'Also holds',
  piece: (words: string, isMissing: boolean, livesWith: string) => {
    const what = words || 'a piece'
    if (isMissing) return `${what} (missing)`
    return livesWith ? `${what} (lives with ${livesWith})` : what
  },
  guest: (words: string, from: string) => `${words || 'a piece'} of ${from}`,
  more: 'More about it',
  edit: 'Change',
  place: 'Show its place',
  propose: 'Give it a place',
  remove: 'Remove or give away',
  removed: (name: string) => `${name} is out of the catalogue. Its number stays given. Undo brings it back.`,
  relation: {
    dieForStamp: 'Die for this stamp',
    stampForDie: 'Stamp for this die',
    layersWith: 'Layers with',
    sameLettersOtherStyle: 'Same letters in another style',
    sameCollection: 'Same collection',
    sameMechanism: 'Same mechanism',
    sameNumberedSeries: 'Same numbered series',
  },
  question: {
    sizeUnread: 'Size could not be read',
    sizeUnitUnknown: 'Size has no unit',
    dateUnread: 'Date could not be read',
    dateOrderUnknown: 'Day or month first?',
    priceUnread: 'Price could not be read',
    usedUnread: 'Used or not?',
    dieUnread: 'Matching die?',
    kindUnread: 'Kind not known',
    brandUnread: 'No brand in the list',
    categoryUnread: 'No category in the list',
    nameMissing: 'No name in the list',
    numberClash: 'This number was taken',
    numberUnread: 'Number could not be read',
    numberFar: 'A number, or a code of its maker?',
    tooLong: 'Too long for the notes; the rest is here',
  },
  questionText: (what: string, text: string) => (text ? `${what}: "${text}"` : what),
} as const
