import type { ContainerType, Fixture } from '#core/catalog'
import { counted } from '#core/grammar'

/** Making furniture and containers: what they are called, and what fits where. */
export const buildingWords = {
  names: {
    bin: 'Bin',
    binder: 'Binder',
    drawer: 'Drawer',
    caseRack: 'Rack',
    tray: 'Tray',
    basket: 'Basket',
    ring: 'Ring',
    board: 'Board',
  } satisfies Record<ContainerType, string>,
  /** What their labels begin with: no two sorts alike, so that each counts its own. */
  letters: { bin: 'B', binder: 'P', drawer: 'D', caseRack: 'C', tray: 'T', basket: 'K', ring: 'R', board: 'W' } satisfies Record<
    ContainerType,
    string
  >,
  /** What new furniture is called. */
  furnitureNames: { bookcase: 'Bookcase', cabinet: 'Drawer cabinet', cart: 'Cart', table: 'Table', wall: 'Wall' } satisfies Record<
    Fixture['type'],
    string
  >,
  newFurniture: (name: string) => `${name}, new`,
  standsOn: 'It stands on',
  shelf: (word: string, number: number, at: number, shelves: number) =>
    [`${word} ${number}`, shelves > 1 && at === 0 && 'at the top', shelves > 1 && at === shelves - 1 && 'lowest']
      .filter(Boolean)
      .join(', '),
  where: 'Where on it',
  every: (word: string) => `on every ${word}`,
  howMany: 'How many',
  howManyEach: (word: string) => `How many on each ${word}`,
  standsOnHint: '0: nothing yet',
  ofShape: 'Of this sort',
  width: 'Width inside',
  widthHint: 'Left empty, nothing is checked',
  widthProblem: 'Write the width like 31 1/2 in or 80 cm.',
  each: (count: number, word: string, shelves: number) =>
    `${count} on each of ${counted(shelves, word, word === 'shelf' ? 'shelves' : undefined)}`,
  willStand: (first: string, last: string, count: number, fixture: string, where: string) =>
    `${count === 1 ? first : `${first} to ${last}, ${count} in all,`} will stand in ${fixture}${where ? `, ${where}` : ''}.`,
  fits: 'There is room for them.',
  widthUnknown: (fixture: string) => `${fixture} was never measured across: whether they fit is not known.`,
  narrow: (word: string, shelf: number, fits: number, count: number, need: string, have: string) =>
    `On ${word} ${shelf} there is room for ${fits === 0 ? 'none' : fits} of ${count} beside what stands there: ` +
    `${need} is needed, there is ${have}.`,
  low: (word: string, shelf: number, need: string, have: string) =>
    `Too high for ${word} ${shelf}: ${need} is needed, below the next board there is ${have}.`,
  added: (first: string, count: number) =>
    count === 1 ? `${first} stands in the room.` : `${counted(count, 'container')} stand in the room, from ${first} on.`,
  addMore: 'Add, and another',
} as const
