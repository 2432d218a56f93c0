import { counted, money, partialDay } from '~/kit/grammar'

export const slipWords = {
  title: (code: string, name: string) => `${code} ${name}`,
  close: 'Close the slip',
  brand: 'Brand', kind: 'Kind', category: 'Category', themes: 'Themes', size: 'Size', words: 'Words on it', notes: 'Notes', acquired: 'Came in', used: 'Used', price: 'Paid',
  aliases: 'Also written as', goesWith: 'Goes with', questions: 'Still to be answered',
  useText: (isUsed: boolean | null, count: number | null) => isUsed === null ? '' : !isUsed ? 'never' : count === null ? 'yes' : counted(count, 'time'),
  alias: (text: string, reading: 'cell' | 'serial' | null) => reading ? `${text} (${reading === 'cell' ? 'page and cell' : 'a running number'})` : text,
  partialDay, money,
  sitsIn: 'Sits in', searchWords: 'Search words', pieces: 'Pieces', alsoHolds: 'Also holds',
  piece: (words: string, isMissing: boolean, livesWith: string) => `${words || 'a piece'}${isMissing ? ' (missing)' : livesWith ? ` (lives with ${livesWith})` : ''}`,
  guest: (words: string, from: string) => `${words || 'a piece'} of ${from}`,
  edit: 'Change',
  place: 'Show it in the storeroom',
  propose: 'Give it a place',
  remove: 'Let it go',
  removed: (name: string) => `${name} has left the catalogue. Its number stays given. Undo brings it back.`,
  relation: {
    dieForStamp: 'Die for this stamp', stampForDie: 'Stamp for this die', layersWith: 'Layers with', sameLettersOtherStyle: 'Same letters in another style',
    sameCollection: 'Same collection', sameMechanism: 'Same mechanism', sameNumberedSeries: 'Same numbered series',
  },
  question: {
    sizeUnread: 'Size could not be read', sizeUnitUnknown: 'Size has no unit', dateUnread: 'Date could not be read', dateOrderUnknown: 'Day or month first?',
    priceUnread: 'Price could not be read', usedUnread: 'Used or not?', dieUnread: 'Matching die?', kindUnread: 'Kind not known', nameMissing: 'No name in the list',
    numberClash: 'This number was taken', numberUnread: 'Number could not be read', tooLong: 'Too long for the notes; the rest is here',
  },
  questionText: (what: string, text: string) => text ? `${what}: "${text}"` : what,
} as const
