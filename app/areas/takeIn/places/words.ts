import type { FamilyMeaning, FamilyPlan, MeaningBecause, PlaceDoubt, PlaceFamily } from '#core/room/places'
import type { FromListOutcome, NotBuilt } from '~/db'
import { addressTaken } from '~/subjects/room/roomWords'
import { counted, countedThat, figure, listOf } from '#core/grammar'

const BECAUSE: Readonly<Record<MeaningBecause, string>> = {
  caseWord: 'The word names a case, and each case has its figure.',
  containerWord: 'The word names something that sets stand in, and each has its figure or letter.',
  letters: 'Letters with a figure, as on a label. Nobody else says what they are.',
  manyFigures: 'So many different figures are seldom things that sets stand in: they may be numbers of the sets.',
  pageCode: 'Cells on a page, then page and cell: 12-308 is the page of 12, page 3, cell 08.',
  outWord: 'A table is where things lie while they are used.',
  notSaid: 'The list does not know.',
  ownNumber: 'A figure alone says nothing of where a set is.',
  unread: 'No word for a place is in it.',
}
const DOUBTS: Readonly<Record<PlaceDoubt, (sets: number) => string>> = {
  cellBeyondPage: sets =>
    `${countedThat(sets, 'set', 'names', 'name')} a cell that such a page does not have: put on the page, with the cell left open.`,
  pageBeyondBinder: sets =>
    `${countedThat(sets, 'set', 'names', 'name')} a page behind the last one: put in the binder, with the page left open.`,
  cellTaken: sets => `${countedThat(sets, 'set', 'names', 'name')} a cell that is taken: put on the page, with the cell left open.`,
  positionsHaveGaps: sets =>
    `${countedThat(sets, 'set', 'names', 'name')} a position, with some missing between: their order is kept, the position left open.`,
  twoAreCalledSo: sets =>
    `${countedThat(sets, 'set', 'waits', 'wait')}: two things in the room are called so. Give one of them another name, and come back.`,
  tooMany: sets => `${countedThat(sets, 'set', 'waits', 'wait')}: that would be more than a room can hold of one word.`,
}

const most = 3
/** What is there, and what is made. */
function makes({ made, found }: FamilyPlan): string {
  const [first, last] = [made[0], made.at(-1)]
  const names = listOf([...found.slice(0, most).map(({ name }) => name), ...(found.length > most ? [`${found.length - most} more`] : [])])
  const { cells } = first ?? { cells: null }
  const inside = cells ? counted(cells.pages, cells.rows * cells.columns === 1 ? 'slot' : 'page') : ''
  return [
    ...(found.length > 0 ? [`${names} ${found.length === 1 ? 'is' : 'are'} there already.`] : []),
    ...(first && made.length === 1 ? [`Makes ${first.name}, short ${first.code}${inside ? `, with ${inside}` : ''}.`] : []),
    ...(first && last && made.length > 1
      ? [`Makes ${made.length}: ${first.name} to ${last.name}, short ${first.code} to ${last.code}.`]
      : []),
  ].join(' ')
}

/** From the places that a list names to a room. */
export const listedWords = {
  title: 'The room your list tells of',
  menu: 'Places in your list',
  lead: 'Your list says where things are. Say what its words mean, and the room is built from it in one step.',
  none: 'No set without a place has a place in a list.',
  noneHint: 'Bring in a list with a column for the place, and what it says comes here.',
  family: ({ as, word, spots }: PlaceFamily, marks: readonly string[], cells: number) =>
    ({
      in: spots.length === 1 ? word : `${word} and ${marks.every(mark => /^\d/.test(mark)) ? 'a figure' : 'a letter or figure'}`,
      cell: `Page and cell, ${cells} to a page`,
      number: 'A figure alone',
      out: 'Out of their place',
      unknown: 'Not known',
      unread: 'Other words',
    })[as],
  spots: (sets: number, spots: number) => `${counted(sets, 'set')}, ${counted(spots, 'place')}`,
  examples: (texts: readonly string[]) => texts.map(text => `“${text}”`).join(', '),
  meaning: 'What it is',
  meanings: {
    containers: 'Each is something that sets stand in',
    slots: 'Numbered cases or slots of one rack',
    pages: 'Pages of cells in a binder',
    out: 'Out of their place for now',
    none: 'No place: leave them as they are',
  } satisfies Record<FamilyMeaning, string>,
  because: BECAUSE,
  shape: 'Of this sort',
  corner: 'Corner of the room',
  reading: 'The figures are',
  readings: { cell: 'page and cell', serial: 'one running figure' },
  readingHint: (example: string, cell: string, serial: string) => `${example} is ${cell}, or ${serial}.`,
  pageNames: (cells: number) => ({ name: `Pages of ${cells}`, code: `P${cells}` }),
  pageCell: (page: number, cell: number) => `page ${page}, cell ${cell}`,
  pagesUnknown: (cells: number) =>
    `The list does not say how many cells a page has. ${cells} are taken; choose another sort if it is not so.`,
  makes,
  gives: ({ placed, somewhere, out, left }: FamilyPlan) =>
    [
      ...(placed > 0 ? [`${countedThat(placed, 'set', 'gets its place', 'get their place')}`] : []),
      ...(somewhere > 0 ? [`${counted(somewhere, 'set')} somewhere in it, until somebody looks`] : []),
      ...(out > 0 ? [`${counted(out, 'set')} out`] : []),
      ...(left > 0 ? [`${countedThat(left, 'set', 'waits', 'wait')} without a place`] : []),
    ].join('; '),
  doubt: DOUBTS,
  doubtTexts: (texts: readonly string[], more: number) => `${texts.join(', ')}${more > 0 ? `, and ${more} more` : ''}`,
  sum: (sets: number, plans: readonly FamilyPlan[]) => {
    const all = (of: 'placed' | 'somewhere' | 'out' | 'left'): number => plans.reduce((sum, plan) => sum + plan[of], 0)
    return (
      `${counted(sets, 'set')}: ${all('placed')} with a place, ${all('somewhere')} somewhere in what holds them, ` +
      `${all('out')} out, ${all('left')} without a place yet.`
    )
  },
  told: (count: number) => `Your list says where ${figure(count)} of these ${count === 1 ? 'is' : 'are'}.`,
  toRoom: 'Build the room it tells of',
  build: (containers: number, sets: number) =>
    containers > 0 ? `Build ${figure(containers)} and place ${counted(sets, 'set')}` : `Place ${counted(sets, 'set')}`,
  built: ({ placed, out, containers }: Extract<FromListOutcome, { ok: true }>) =>
    `${containers > 0 ? `${countedThat(containers, 'container', 'stands', 'stand')} in the room. ` : ''}` +
    `${countedThat(placed, 'set', 'has its place', 'have their place')}${out > 0 ? `, ${counted(out, 'set')} out` : ''}. ` +
    'Undo takes it all back.',
  problem: (outcome: NotBuilt) =>
    outcome.code === 'gone'
      ? 'Something that was counted on is no longer in the room. Nothing was built; look again.'
      : `${outcome.name}: ${addressTaken(outcome.by, outcome.address)} Nothing was built.`,
  allUsed: 'All that the list says of places is used.',
  rest: (count: number) => `Of ${counted(count, 'set')} the list says nothing.`,
  toRest: 'Propose places for them',
  toStoreroom: 'To the storeroom',
} as const
