import type { PageMark } from '#core/drawing'
import type { Count } from '#core/fetching'
import { counted, countedThat, figure, listOf, ordinal, partialDay } from '#core/grammar'
import type { PullOutcome } from '~/db/commands'

type Refused = Extract<PullOutcome, { ok: false }>['code']

export const fetchWords = {
  title: 'Pull list',
  table: 'On the table',
  pullOne: 'Put on the pull list',
  isPulled: 'On the pull list',
  dropHere: 'Let go here to fetch it',
  dropOn: (name: string, count: number) => `Onto the pull list: ${name}, ${counted(count, 'set')}`,
  dropOnNew: 'It begins a pull list',
  pullThese: 'Fetch these',
  pullTheseHint: 'Put all sets of this answer on the pull list',
  pulled: (added: number, asked: number) => {
    if (added > asked) return `${counted(added, 'set')} on the pull list, with what goes along.`
    return added === 0 ? 'It is on the pull list already, for itself now.' : `${counted(added, 'set')} more on the pull list.`
  },
  notPulled: {
    listFull: 'A pull list holds 400 sets. Fetch some of them first, or begin another list.',
    nothingNew: 'All of it is on the pull list already.',
  } satisfies Readonly<Record<Refused, string>>,
  tooMany: (count: number) => `${countedThat(count, 'set', 'is', 'are')} more than one walk takes. Narrow the answer first.`,

  emptyTitle: 'Nothing is to be fetched',
  empty:
    'Find what you want to use, open its slip and choose "Put on the pull list", press p, or carry it there. What goes along ' +
    'with it, its dies or its stamp, comes by itself. You then get one walk through the room.',
  toFind: 'Find something',
  forCard: 'For one card',
  newList: 'Begin another list',
  name: 'Name of this list, if you like',
  nameExample: 'card for Saturday',
  unnamed: (at: string) => `List of ${partialDay(at)}`,
  lists: 'Your lists',
  drop: 'Let this list go',
  dropped: 'The list is gone. What you fetched stays out until you put it back. Undo brings the list back.',
  again: 'Fetch all of it once more',
  where: 'It goes',
  print: 'Print as a slip',
  printShort: 'Print',

  stopsTitle: (stops: number, sets: number) =>
    stops === 0 ? 'There is nothing left to fetch' : `One walk: ${counted(stops, 'stop')}, ${counted(sets, 'set')}`,
  allFetched: (out: number) =>
    out > 0 ? `Everything is fetched. ${countedThat(out, 'set', 'is', 'are')} out now.` : 'Everything is fetched.',
  toBack: 'To what is out',
  stop: (at: number, of: number) => `Stop ${figure(at)} of ${figure(of)}`,
  next: 'Next stop',
  before: 'Stop before',
  taken: 'Taken',
  takenAll: (count: number) => (count === 1 ? 'Taken' : `Took all ${figure(count)}`),
  took: (count: number, to: string) =>
    `${countedThat(count, 'set', 'is', 'are')} out: ${to.toLowerCase() === to ? to : to.charAt(0).toLowerCase() + to.slice(1)}.`,
  tookNothing: 'It was taken already.',
  tookHalf: 'One half is taken. The other half stands elsewhere.',
  count: ({ nth, of, section }: Count, lane: string) =>
    [section ? `${ordinal(nth)} of ${figure(of)} behind the tab ${section.title}` : `${ordinal(nth)} of ${figure(of)}`, lane]
      .filter(Boolean)
      .join(', '),
  cell: (page: number, cell: string, isBack: boolean) => `page ${figure(page)}, cell ${cell}${isBack ? ', at the back' : ''}`,
  somewhere: (page: number | null) =>
    page === null ? 'somewhere in it, exact spot not known' : `somewhere on page ${figure(page)}, exact spot not known`,
  between: (front: string | null, behind: string | null) => {
    if (front && behind) return `between ${front} and ${behind}`
    if (front) return `behind ${front}, the last there`
    return behind ? `in front of ${behind}, the first there` : 'by itself'
  },
  shares: (names: readonly string[]) => `Shares its pocket with ${listOf(names)}`,
  half: 'One half of it: it was cut in two',
  along: (name: string) => `goes along with ${name}`,
  leaveOut: (name: string) => `Take ${name} off the list`,
  page: (page: number) => `page ${figure(page)}`,
  pagePicture: ({ page, cells }: PageMark) =>
    `Page ${figure(page)}: ${listOf(cells.filter(each => each.as === 'here').map(({ cell }) => `cell ${figure(cell)}`))}`,
  picture: (name: string, count: number) => `${name} from the front: ${counted(count, 'place')} marked`,
  front: 'front',
  back: 'back',

  onIt: (count: number) => `${counted(count, 'set')} on the list`,
  state: { toFetch: 'to fetch', back: 'fetched, and back' },
  out: (to: string, at: string) => `out: ${to}, since ${partialDay(at)}`,
  nowhere: 'Nobody has noted where these stand',
  nowhereThen: 'Look for them, and tick what you found.',
  found: 'Found',

  caution: {
    high: 'High up: use a steady step, both hands, and let nobody stand below.',
    heavy: 'Heavy when full: pull it out on both hands, do not climb with it. Follow your local rules for lifting.',
    blades: 'Dies have sharp edges: carry them in what they sit in, away from children.',
  },

  paperTitle: (name: string) => name || 'Pull list',
  paperFoot: (made: string) => `As things stand on ${made}`,
} as const
