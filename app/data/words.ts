import type { FilingKey, FilingRule, Fixture } from '#core/catalog'
import { cellText, type Placement } from '#core/room'
import { counted, ordinal } from '~/kit/grammar'

const SHELF_WORDS: Readonly<Record<Fixture['type'], string>> = {
  bookcase: 'shelf',
  cabinet: 'level',
  cart: 'tier',
  table: 'part',
  wall: 'row',
}
const LANES: readonly (readonly string[])[] = [
  [],
  ['left lane', 'right lane'],
  ['left lane', 'middle lane', 'right lane'],
  ['first lane', 'second lane', 'third lane', 'fourth lane'],
]

export function laneName(lane: number, lanes: number): string {
  return LANES[lanes - 1]?.[lane - 1] ?? `lane ${lane}`
}

export function containerWay(fixture: Fixture | undefined, container: Placement['container']): string {
  const shelf = fixture && fixture.shelves > 1 ? `${SHELF_WORDS[fixture.type]} ${container.shelf}` : ''
  return [fixture?.name ?? '', shelf, container.name.charAt(0).toLowerCase() + container.name.slice(1)].filter(Boolean).join(', ')
}

/** The place as a sentence: "Bookcase, shelf 2, bin 4, tab Tide pools, 11th of 31, between 88 Kelp Study and 131 Limpets". */
export function placeSentence(placement: Placement, fixture: Fixture | undefined, front: string | null, behind: string | null): string {
  const { container, cell, section, lane } = placement
  const way = containerWay(fixture, container)
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
const keyText = ({ by, order }: FilingKey): string =>
  order === 'own'
    ? `${KEY_NAMES[by]} in your own order`
    : order === 'asItself'
      ? `${KEY_NAMES[by]}, each under its own name`
      : KEY_NAMES[by]

export const placeWords = {
  none: 'No place yet',
  both: (addresses: readonly string[]) => addresses.join(' and '),
  halves: (sentence: string, other: string) => `${sentence}. It was cut in two: the other half stands at ${other}.`,
  listSays: (text: string) => `The list says: ${text}. Not yet checked.`,
  front: 'In front of it',
  behind: 'Behind it',
  firstInRow: 'nothing, it is the first',
  lastInRow: 'nothing, it is the last',
  out: (to: string, since: string) => `Out: ${to}, since ${since}`,
  proposed: 'Its place',
  proposal: (way: string, tab: string | null, front: string | null, behind: string | null) =>
    `${way}${tab ? `, tab ${tab}` : ''}${between(front, behind) || ', the first one there'}`,
  proposalCell: (way: string, page: number, cell: number) => `${way}, page ${page}, cell ${cell}: the next free cell`,
  because: (zone: string, keys: string) => `${zone} files by ${keys}.`,
  becauseCell: (zone: string) => `${zone} fills its pages in order of arrival.`,
  noTab: (name: string) => `There is no tab for ${name} there yet.`,
  tooFull: (name: string, over: string) => `${name} is full: about ${over} would not go in.`,
  placeGone: 'That place was taken or is gone since. Nothing was moved; another is proposed in a moment.',
  problems: {
    noZoneTakesKind: 'No zone of the room takes this kind. Let a zone take it, in the storeroom.',
    zoneHasNoContainer: 'The zone for this kind has no container yet. Add one in the storeroom.',
    noCellFits: 'No page of this zone has cells large enough for it. Give it another holder, or add pages with larger cells.',
    allCellsTaken: 'Every cell of every page is taken. Add pages or a binder in the storeroom.',
  },
  keys: KEY_NAMES,
  /** A rule in words: an order that is not the usual one of its key is said. */
  rule: ({ keys }: FilingRule) => keys.map(keyText).join(', then '),
  sets: (count: number) => counted(count, 'set'),
} as const
