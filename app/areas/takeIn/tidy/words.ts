import type { HolderType } from '#core/catalog'
import type { HolderCount, ZoneTidy } from '#core/tidy'
import { counted, countedThat, figure } from '#core/grammar'

const NAMES = 4
const some = (names: readonly string[]): string =>
  `${names.slice(0, NAMES).join(', ')}${names.length > NAMES ? `, and ${names.length - NAMES} more` : ''}`

/** Begin tidy: the room that what stands nowhere needs. */
export const tidyWords = {
  title: 'Begin tidy',
  menu: 'Begin tidy',
  lead: (sets: number) =>
    `${countedThat(sets, 'set', 'stands', 'stand')} nowhere yet. This is the room ${sets === 1 ? 'it needs' : 'they need'}: ` +
    'build it in one step, then file from the heap.',
  listed: (count: number) => `Of ${counted(count, 'set')} your list says where they are. Read that first: they are not counted here.`,
  offer: (sets: number) => `${counted(sets, 'set')} at once: see what pockets and bins they need, and file them in order from a heap.`,
  none: 'Every set stands somewhere, or a list says where.',
  noneHint: 'Sets without a place come here, to see what room they need.',
  toCapture: 'Take a set in',
  working: 'Working out what they need',
  zone: (name: string, sets: number) => `${name}: ${counted(sets, 'set')}`,
  by: (rule: string) => `Filed by ${rule}.`,
  change: 'Change the order',
  holders: 'What they sit in',
  holder: ({ count }: HolderCount, type: HolderType | undefined) => {
    if (type?.type === 'none') return `${figure(count)} by themselves`
    return type ? `${figure(count)} × ${type.name}` : counted(count, 'page')
  },
  toGet: ({ count, toGet }: HolderCount) => {
    if (toGet === 0) return 'on hand'
    return toGet < count ? `${figure(toGet)} more to get` : 'to get'
  },
  noHolders: 'No size is known of any: what they sit in cannot be told.',
  assumed: (count: number) =>
    `${figure(count)} of no known size ${count === 1 ? 'is' : 'are'} counted as most of ${count === 1 ? 'its' : 'their'} kind.`,
  unknown: (count: number, isRow: boolean) =>
    isRow
      ? `${figure(count)} of no known size ${count === 1 ? 'is' : 'are'} in the row, but what they sit in is not known: ` +
        'give one of each kind its size.'
      : `${figure(count)} of no known size ${count === 1 ? 'is' : 'are'} taken to fit.`,
  fitsNone: (names: readonly string[]) =>
    names.length === 1
      ? `Into none of your pockets and cases goes, as it is: ${some(names)}.`
      : `Into none of your pockets and cases go, as they are: ${some(names)}.`,
  tooLarge: (names: readonly string[]) =>
    `Too large for it: ${some(names)}. Choose a larger sort, or give ` +
    `${names.length === 1 ? 'it a corner of its own' : 'them a corner of their own'}.`,
  containers: 'What they stand in',
  sort: 'Of this sort',
  like: (name: string) => `as ${name}`,
  length: 'Length inside',
  lengthProblem: 'Write lengths like 30 cm or 12 in.',
  run: (length: string, reserve: string) =>
    `One behind the other they are ${length} deep. Of each row, ${reserve} stays free for new ones.`,
  cells: (reserve: string) => `One to a cell. Of each page, ${reserve} stays free for new ones.`,
  makes: ({ made, there, tooMany }: ZoneTidy) => {
    if (tooMany !== null)
      return `It would take ${figure(tooMany)} of them: more than a room can hold. Choose a larger sort, or a greater length.`
    const [first, last] = [made[0], made.at(-1)]
    if (!first || !last)
      return there === 1 ? 'What is there has room for all of them.' : `The ${there} that are there have room for all of them.`
    const beside = there > 0 ? ` beside the ${there === 1 ? 'one' : there} that ${there === 1 ? 'is' : 'are'} there` : ''
    return made.length === 1
      ? `It takes one more${beside}: ${first.name}, short ${first.code}.`
      : `It takes ${made.length} more${beside}: ${first.name} to ${last.name}, short ${first.code} to ${last.code}.`
  },
  unclaimed: (names: readonly string[]) =>
    `No corner takes ${names.length === 1 ? 'this' : 'these'}: ${some(names)}. ` +
    `Say of a corner that it takes ${names.length === 1 ? 'its kind' : 'their kinds'}.`,
  toZones: 'To the corners',
  note: (sets: number) => `Note of ${counted(sets, 'set')} what ${sets === 1 ? 'it sits' : 'they sit'} in`,
  build: (containers: number) => (containers > 0 ? `Build ${counted(containers, 'container')}` : 'Note what they sit in'),
  built: (containers: number) =>
    containers > 0
      ? `${countedThat(containers, 'container', 'stands', 'stand')} in the room. Undo takes it all back.`
      : 'Noted. Undo takes it back.',
  file: (sets: number) => `File ${counted(sets, 'set')} from the heap`,
  putAway: (sets: number) => `Put ${counted(sets, 'set')} where ${sets === 1 ? 'it belongs' : 'they belong'}`,
  putAwayHint: (filed: number) =>
    `${countedThat(filed, 'pocket', 'stands', 'stand')} there already. The new ones go between, each in its order; nothing else is moved.`,
  refileAll: 'File the whole corner anew with them',
  toPages: (sets: number) => `Give ${counted(sets, 'set')} their cells`,
  toPagesDone: (sets: number) => `${countedThat(sets, 'set', 'has its cell', 'have their cells')}, in the order of the corner.`,
  underWay: 'A re-filing is under way. One at a time: finish it first.',
  toUnderWay: 'Go on with it',
} as const
