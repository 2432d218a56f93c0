import type { Outlook } from '#core/capacity'
import { counted, countedThat, figure } from '#core/grammar'
import type { MovePlan } from '#core/room'
import type { RoomOutcome } from '~/db/commands'

type Write = (mm: number) => string
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

const years = (count: number): string => {
  if (count > 20) return 'more than twenty years'
  if (count >= 2) return `about ${Math.round(count)} years`
  return count > 0.2 ? `about ${counted(Math.max(1, Math.round(count * 12)), 'month')}` : 'some weeks'
}

/** The room and what stands in it: what several works say. */
export const roomWords = {
  nav: {
    room: 'The room',
    fill: 'How full, how heavy',
    refile: 'Re-file',
    ways: 'Which way suits me?',
    zones: 'Corners and addresses',
    orders: 'Other orders',
  },
  change: 'Change',
  keep: 'Keep',
  shapes: {
    narrowBin: 'narrow bin',
    wideBin: 'wide bin of two rows',
    tallBin: 'tall bin',
    shallowDrawer: 'shallow drawer',
    deepDrawer: 'deep drawer',
    caseRack: 'rack of cases',
    basket: 'basket',
    tray: 'tray of cells',
    pages16: 'binder, 16 cells a page',
    pages12: 'binder, 12 cells a page',
    pages6: 'binder, 6 cells a page',
    pages4: 'binder, 4 cells a page',
    ring: 'ring',
    board: 'open board',
  } as Readonly<Record<string, string>>,
  outcome: (outcome: Extract<RoomOutcome, { ok: false }>): string =>
    ({
      addressTaken: () => ('by' in outcome ? addressTaken(outcome.by, outcome.address) : ''),
      notEmpty: () =>
        `${counted('count' in outcome ? outcome.count : 0, 'thing')} would lose its place by this. Move what stands there first.`,
      cellsRunOut: () =>
        `There are only ${'free' in outcome ? outcome.free : 0} free cells for ` +
        `${'needed' in outcome ? outcome.needed : 0} sets. Nothing was moved.`,
      gone: () => 'It is no longer there.',
      inUse: () => 'The re-filing under way needs it. Finish that, or leave off, first.',
    })[outcome.code](),
  isApart: (because: string) => `Pinned here: ${because}`,
  outlook: (outlook: Outlook, write: Write): string => {
    if (outlook.overMm > 0) return `${write(outlook.overMm)} too much`
    if (outlook.state === 'full') return 'nothing more goes in'
    return outlook.state === 'reserve'
      ? `${write(Math.max(0, -outlook.spareMm))} of the room kept for new sets is used`
      : `${write(outlook.spareMm)} free`
  },
  lastsFor: (outlook: Outlook): string => {
    if (outlook.yearsLeft === null) return 'nothing came in the last year'
    return outlook.yearsLeft === 0 ? 'full now' : `full in ${years(outlook.yearsLeft)}`
  },
  cap: (count: number, cap: number) => {
    if (count > cap) return `${counted(count, 'set')}, ${figure(count - cap)} more than the ${figure(cap)} you want`
    return count === cap ? `${counted(count, 'set')}: as many as you want` : `${figure(count)} of at most ${counted(cap, 'set')}`
  },
  capWarns: (zone: string, cap: number) =>
    `${zone} holds the ${counted(cap, 'set')} that you want at most. Let one go, or raise the limit, before one more comes in.`,
  measureLead: 'Push what stands in a row together and measure from its front to its back.',
  isSticky: 'Sticky: keep it from others',
  title: 'Storeroom',
  full: (percent: number) => `${percent} % full`,
  sets: (count: number) => counted(count, 'set'),
  save: 'Keep it',
  moved: (name: string, address: string) => `${name} now stands at ${address}.`,
  movedMany: (count: number, container: string) => `${countedThat(count, 'set', 'now stands', 'now stand')} in ${container}.`,
  moveProblem: MOVE_PROBLEMS,
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
} as const
