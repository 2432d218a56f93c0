import type { AddContainersOutcome } from '~/db/commands'
import type { MovePlan } from '#core/room'
import { counted, countedThat, figure } from '#core/grammar'

type MoveProblem = Extract<MovePlan, { ok: false }>['code']
const MOVE_PROBLEMS: Readonly<Record<MoveProblem, string>> = {
  noSuchContainer: 'That container is no longer there.',
  needsCell: 'This one has pages of cells: drop the set on a free cell.',
  noCellsHere: 'There are no cells here.',
  cellTaken: 'That cell is taken.',
  onlyOneToACell: 'One set to a cell, please.',
  notOnPage: 'That cell is not on the page.',
}

/** Two containers that could not be told apart by what is written on a label. */
export const addressTaken = (by: string, address: string): string =>
  `${address} would be read as a place in ${by} as well. Choose other letters.`

export const storeroomWords = {
  title: 'Storeroom',
  gone: 'It is no longer in the room',
  goneThen: 'This bin, drawer or binder was taken out of the room, or the address is of another room. Undo brings back what was taken out.',
  toStoreroom: 'To the storeroom',
  full: (percent: number) => `${percent} % full`,
  sets: (count: number) => counted(count, 'set'),
  zone: (name: string, keys: string) => `${name}, by ${keys}`,
  changeRule: 'Change the order',
  ruleTitle: (zone: string) => `The order of ${zone}`,
  ruleHint: 'Up to three, the first one first. Nothing is moved by a change; new sets go by the new order.',
  ruleKey: (index: number) => ['First by', 'then by', 'and then by'][index] ?? '',
  noKey: 'nothing more',
  orders: { alphabetical: 'in alphabetical order', asItself: 'each under its own name', own: 'in my own order', ascending: 'rising' },
  save: 'Keep it',
  emptyContainer:
    'This container is empty. Take in a set, or carry one here: pick it up with m and press Enter on a row of this container.',
  tab: (title: string) => `Tab ${title}`,
  somewhere: (count: number) => `${counted(count, 'set')} somewhere in here`,
  somewhereHint: 'The list says that they are in here. Exact spot not known yet.',
  page: (page: number) => `Page ${page}`,
  andMore: (count: number) => `and ${figure(count)} more`,
  freeCell: (text: string) => `${text}, free`,
  carrying: (count: number, name: string) =>
    count === 1
      ? `Carrying ${name}. Arrows choose where, Enter sets it down, Esc puts it back.`
      : `Carrying ${counted(count, 'set')}. Arrows choose where, Enter sets them down, Esc puts them back.`,
  carryTo: 'Carry to another container',
  carryThere: 'Carry there',
  moved: (name: string, address: string) => `${name} now stands at ${address}.`,
  movedMany: (count: number, container: string) => `${countedThat(count, 'set', 'now stands', 'now stand')} in ${container}.`,
  moveProblem: MOVE_PROBLEMS,
  select: (name: string) => `Mark ${name}`,
  selected: (count: number) => `${counted(count, 'set')} marked`,
  unselect: 'Take the marks off',
  addContainer: 'Add a container',
  addTab: 'Put in a tab',
  addTitle: 'A new container',
  tabTitle: 'A new divider tab',
  tabText: 'What stands on it',
  tabStandsHint: 'New sets of it go behind this tab.',
  tabPlace: 'It goes in front of the marked set, or to the end of the row.',
  removeTab: 'Take the tab out',
  name: 'Name',
  code: 'Letters for the label',
  codeHint: 'Stands in addresses: B4 in B4-11',
  type: 'What it is',
  lanes: 'Rows side by side',
  length: 'Inner length of a row',
  fixture: 'It stands on',
  newFixture: 'New furniture',
  newFixtureName: 'Its name',
  zone_: 'It belongs to',
  inner: 'Inner width and height',
  innerHint: 'Of all rows together, up to the shelf above; left empty, nothing is checked',
  sizeProblem: 'Write it like 5 x 7 in or 13 x 18 cm.',
  cellSize: 'Inner size of a cell',
  cellSizeHint: 'Left empty, anything is taken to fit',
  reuse: 'A cell that was freed',
  reuses: { last: 'is used again when the pages are full', first: 'is used again before a new one', never: 'is never used again' },
  rows: 'Rows of cells',
  columns: 'Columns of cells',
  pages: 'Pages',
  bothSides: 'Front and back of each cell',
  types: {
    bin: 'Bin',
    binder: 'Binder with pages of cells',
    drawer: 'Drawer',
    caseRack: 'Rack of cases',
    tray: 'Tray',
    basket: 'Basket',
    ring: 'Ring',
    board: 'Open board',
  },
  fixtureTypes: { bookcase: 'Bookcase', cabinet: 'Cabinet', cart: 'Cart', table: 'Table', wall: 'Wall' },
  addProblem: (problem: Extract<AddContainersOutcome, { ok: false }>) =>
    problem.code === 'gone' ? 'The corner or the furniture is no longer there. Choose another.' : addressTaken(problem.by, problem.address),
  lengthProblem: 'Write the length like 12 in or 30 cm.',
  needed: 'Please fill this in.',
  liftCaution: 'Lift with both hands, heavy containers low; no climbing with a full one.',
  placeless: (count: number) => `${counted(count, 'set')} without a place`,
  elevation: 'The room, fixture by fixture',
  position: (position: number) => figure(position),
} as const
