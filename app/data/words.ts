import type { FilingKey, FilingRule, Fixture, ShelvesFrom } from '#core/catalog'
import { cellText, type Placement, shelfNumber } from '#core/room'
import type { PictureFault } from './pictureSize'
import { isSameName, ordinal } from '#core/grammar'

/** What a file is that was chosen as a picture, and how to get a picture of it. */
export const PICTURE_FAULTS: Readonly<Record<PictureFault, string>> = {
  heic:
    'This is a HEIC photo, as many phones keep them, and this browser cannot read it. Send it from the phone as JPEG, or open it ' +
    'there, save it as JPEG, and choose that. Nothing was changed.',
  tiff:
    'This is a TIFF, as many scanners write them, and this browser cannot read it. Save it as PNG or JPEG, and choose that. ' +
    'Nothing was changed.',
  pdf: 'This is a PDF, not a photo. Save its page as PNG or JPEG, and choose that. Nothing was changed.',
  drawing: 'This is a drawing, not a photo. Save it as PNG, and choose that. Nothing was changed.',
  notAPicture: 'What is in that file cannot be read as a picture; it may be damaged. Choose a PNG or JPEG. Nothing was changed.',
  tooLarge: 'That picture is over 60 MB or 70 megapixels. Please take a smaller one.',
}
const SHELF_WORDS: Readonly<Record<Fixture['type'], string>> = {
  bookcase: 'shelf',
  cabinet: 'level',
  cart: 'tier',
  table: 'part',
  wall: 'row',
}
export const shelfWord = (type: Fixture['type']): string => SHELF_WORDS[type]
const LANES: readonly (readonly string[])[] = [
  [],
  ['left row', 'right row'],
  ['left row', 'middle row', 'right row'],
  ['first row', 'second row', 'third row', 'fourth row'],
]

export function laneName(lane: number, lanes: number): string {
  return LANES[lanes - 1]?.[lane - 1] ?? `row ${lane}`
}

/** The way to a container; without its name where that stands beside it. */
export function containerWay(
  fixture: Fixture | undefined,
  container: Placement['container'],
  shelvesFrom: ShelvesFrom,
  isNamed = true,
): string {
  const word = fixture ? SHELF_WORDS[fixture.type] : ''
  const number = fixture ? shelfNumber(container.shelf, fixture.shelves, shelvesFrom) : 1
  const shelf = fixture && fixture.shelves > 1 ? `${word} ${number}` : ''
  const isDouble = fixture && isSameName(fixture.name, container.name)
  const name = isNamed && !isDouble ? container.name.charAt(0).toLowerCase() + container.name.slice(1) : ''
  // What is called alike is said once: "Shelf 2", not "Shelf, shelf 2"; a board that hangs by itself is its own furniture.
  const isSaid = shelf !== '' && fixture?.name.toLowerCase() === word
  return [isSaid ? `${fixture.name} ${number}` : (fixture?.name ?? ''), isSaid ? '' : shelf, name].filter(Boolean).join(', ')
}

/** The place as a sentence: "Bookcase, shelf 2, bin 4, tab Tide pools, 11th of 31, between 88 Kelp Study and 131 Limpets". */
export function placeSentence(placement: Placement, way: string, front: string | null, behind: string | null): string {
  const { container, cell, section, lane } = placement
  if (cell)
    return (
      `${way}, page ${cell.page}, cell ${cell.cell}${cell.side === 'back' ? ', at the back' : ''} ` +
      `(${cellText(container, cell.page, cell.cell)})`
    )
  const parts = [
    way,
    ...(container.lanes > 1 ? [laneName(lane, container.lanes)] : []),
    ...(section ? [`tab ${section.title}`] : []),
    `${ordinal(placement.positionInSection)} of ${placement.sectionCount}`,
  ]
  return `${parts.join(', ')}${between(front, behind)}`
}

function between(front: string | null, behind: string | null): string {
  if (front && behind) return `, between ${front} and ${behind}`
  if (front) return `, behind ${front}`
  return behind ? `, in front of ${behind}` : ''
}

const KEY_NAMES: Readonly<Record<FilingKey['by'], string>> = {
  brand: 'brand',
  theme: 'theme',
  category: 'category',
  kind: 'kind',
  sizeClass: 'size',
  series: 'series',
  number: 'number',
  name: 'name',
  date: 'date',
}
const keyText = ({ by, order }: FilingKey): string => {
  if (order === 'own') return `${KEY_NAMES[by]} in your own order`
  return order === 'asItself' ? `${KEY_NAMES[by]}, each under its own name` : KEY_NAMES[by]
}

export const placeWords = {
  weightProblem: 'Write the weight in grams, such as 45.',
  none: 'No place yet',
  both: (addresses: readonly string[]) => addresses.join(' and '),
  halves: (sentence: string, other: string) => `${sentence}. It was cut in two: the other half stands at ${other}.`,
  listSays: (text: string) => `The list says: ${text}. Not yet checked.`,
  somewhere: (way: string, page: number | null) => `${way}${page === null ? '' : `, page ${page}`}. Exact spot not known yet.`,
  front: 'In front of it',
  behind: 'Behind it',
  firstInRow: 'nothing, it is the first',
  lastInRow: 'nothing, it is the last',
  out: (to: string, since: string) => `Out: ${to}, since ${since}`,
  proposed: 'Its place',
  writeThis: (side: 'front' | 'back' | null) => {
    if (side === null) return 'goes on the pocket'
    return side === 'back' ? 'goes on the pocket: the back of the cell' : 'goes on the pocket: the front of the cell'
  },
  another: 'Another place',
  byOrder: 'as the order has it',
  proposal: (way: string, tab: string | null, front: string | null, behind: string | null) =>
    `${way}${tab ? `, tab ${tab}` : ''}${between(front, behind) || ', the first one there'}`,
  proposalCell: (way: string, page: number, cell: number) => `${way}, page ${page}, cell ${cell}: the next free cell`,
  because: (zone: string, keys: string) => `The order of ${zone}: ${keys}.`,
  becauseCell: (zone: string) => `${zone} fills its pages in order of arrival.`,
  noTab: (name: string, tab: string | null) =>
    tab ? `There is no tab for ${name} yet: in the order it comes behind the tab ${tab}.` : `There is no tab for ${name} there yet.`,
  insteadOf: (full: string) => `${full}, where its order has it, is full: this is the nearest place with room.`,
  tooFull: (name: string, over: string) => `${name} is full: about ${over} would not go in.`,
  placeGone: 'That place was taken or is gone since. Nothing was moved; another is proposed in a moment.',
  problems: {
    kindNotSaid: 'Say of what kind it is, and its place follows. Here each corner of the room takes its own kinds.',
    noZoneTakesKind: 'No corner of the room takes this kind. Let a corner take it, in the storeroom.',
    zoneHasNoContainer: 'The corner for this kind has no bin, drawer or binder yet. Add one in the storeroom.',
    noCellFits: 'No page of this corner has cells large enough for it. Give it another pocket or case, or add pages with larger cells.',
    noRoom: 'Every row of this corner is full. Choose another place, or add a bin or drawer in the storeroom.',
    cellsNotLookedAt:
      'Nobody has looked yet which cells are free. Open the pages in the storeroom and say what is in them, or choose a cell.',
    allCellsTaken: 'Every cell of every page is taken. Add pages or a binder in the storeroom.',
  },
  keys: KEY_NAMES,
  /** A rule in words: an order that is not the usual one of its key is said. */
  rule: ({ keys }: FilingRule) => keys.map(keyText).join(', then '),
} as const

/** What is said of anything that was to be kept, and was not. */
export const keepingWords = {
  notKept: 'That did not work. If what you did does not show, it was not kept: try it once more. What was kept before is as it was.',
  storageFull:
    'The storage of this browser is full, so that was not kept. What was ' +
    'kept before is safe. Make room under Copies, and try it once more.',
} as const
