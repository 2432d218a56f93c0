import type { ContainerLift, Outlook } from '#core/capacity'
import type { PatternFault } from '#core/room'
import type { RoomOutcome } from '~/db/commands'
import { addressTaken } from './storeroomWords'
import { counted, countedThat, figure } from '#core/grammar'

type Write = (mm: number) => string
const kilograms = (kg: number): string => `${kg.toFixed(1)} kg`
const years = (count: number): string => {
  if (count > 20) return 'more than twenty years'
  if (count >= 2) return `about ${Math.round(count)} years`
  return count > 0.2 ? `about ${counted(Math.max(1, Math.round(count * 12)), 'month')}` : 'some weeks'
}

/** Building the room, how full it is and how heavy. */
export const roomWords = {
  // Ways in
  nav: {
    room: 'The room',
    fill: 'How full, how heavy',
    refile: 'Re-file',
    ways: 'Which way suits me?',
    zones: 'Corners and addresses',
    orders: 'Other orders',
  },
  ordersTitle: 'Other orders',
  ordersLead: 'The sets of a corner, or of the whole room, in any order you like. They stay where they stand.',
  ordersOf: 'Sets of',
  wholeRoom: 'the whole room',
  ordersEmpty: 'Nothing stands here yet. What is filed into a container shows here.',
  noGroup: 'without',
  askAddress: 'What stands at',
  askAddressHint: 'an address such as B4-11, or a container',
  goAddress: 'Go there',
  noAddress: (text: string) => `There is nothing at ${text}.`,
  severalAddress: (text: string, count: number) => `${text} can mean ${count} places. Write it with the letters for the label.`,
  newFurniture: 'New furniture',
  fixtureType: 'What it is',
  shelves: 'Shelves, drawers or tiers',
  heights: 'Height of each shelf above the floor, from the top',
  heightsHint: 'Divided by semicolons, such as 146 cm; 108 cm; 70 cm. Left empty, the usual ones are taken',
  countProblem: (most: number) => (most === 1 ? 'There is only one: write 1.' : `A whole number from 1 to ${most}, please.`),
  heightsProblem: (shelves: number) => `Write ${counted(shelves, 'height')}, divided by semicolons, or none.`,
  sunlit: 'Daylight falls on it',
  change: 'Change',
  keep: 'Keep',
  remove: 'Take it out',
  kept: (name: string) => `${name} is kept.`,
  removedFixture: (name: string) => `${name} is out of the room. Undo brings it back.`,
  fixFall: "Fix tall furniture to the wall, and follow its maker's instructions.",
  // Containers
  changeTitle: (name: string) => `Change ${name}`,
  beginFrom: 'Begin from',
  ownShape: 'its own measures',
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
  emptyWeight: 'Weight when empty, in grams',
  emptyWeightHint: 'Left empty, the usual one is taken',
  copy: 'Copy',
  copyTitle: (name: string) => `More like ${name}`,
  copies: 'How many',
  copied: (name: string, count: number) => `${counted(count, 'container')} like ${name} ${count === 1 ? 'stands' : 'stand'} in the room.`,
  emptyOut: 'Empty or remove',
  allOut: 'Take all of it out',
  allBack: 'All of it is back',
  allOutTitle: (name: string) => `Take all of ${name} out`,
  allOutWhere: 'Where it is meanwhile',
  allOutHint: 'For a season, say: a basket, a cupboard, another room. Every place here stays kept, and it counts as no use.',
  seasonOut: (count: number, to: string) => `${countedThat(count, 'set', 'is', 'are')} out: ${to}. One undo takes it back.`,
  seasonNothing: 'Nothing of it could be taken out: what is in here has not been put away yet.',
  seasonBack: (count: number) => `${counted(count, 'set')} back in place.`,
  emptyTitle: (name: string) => `Empty ${name}`,
  emptyLead: (sets: number) =>
    sets === 0
      ? 'It is empty and can be taken out of the room.'
      : `${countedThat(sets, 'set', 'stands', 'stand')} in it. ${sets === 1 ? 'Where does it go?' : 'Where do they go?'}`,
  placeless: 'nowhere yet: they wait without a place',
  into: (name: string) => `to the end of ${name}, in their order`,
  alsoRemove: 'Take the container out of the room as well',
  doEmpty: 'Empty it',
  doRemove: 'Take it out',
  emptied: (name: string) => `${name} is empty.`,
  removed: (name: string) => `${name} is out of the room. Undo brings it back.`,
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
  // Kept apart
  apart: 'Pin it here',
  apartTitle: 'Why does it stay here?',
  apartLead: 'It keeps its address, whatever the order says.',
  apartWhy: 'The reason',
  apartExample: 'kept on the desk, used daily',
  apartNeeded: 'Say why, please.',
  fileAgain: 'Let the order move it again',
  isApart: (because: string) => `Pinned here: ${because}`,
  // Orders as views
  standing: 'Shown as they stand',
  shownBy: (key: string) => `Shown by ${key}`,
  view: 'Show in the order of',
  viewHint: 'Nothing is moved: the addresses stay.',
  gaps: (from: number, to: number) => (from === to ? `${from} is not here` : `${from} to ${to} are not here`),
  outOfOrder: (count: number) => (count === 0 ? 'All in order.' : `${counted(count, 'set')} out of order.`),
  // How full
  fillTitle: 'How full, how heavy, how long',
  fillLead:
    'From what stands in each container, by the usual thickness of its kinds until ' +
    'rows are measured. How long it lasts goes by what came in the last year.',
  free: 'Free',
  ofZone: (name: string) => `The corner ${name}`,
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
  // Measuring
  measure: 'Measure a row',
  measureLead: 'Push what stands in a row together and measure from its front to its back.',
  lane: 'Row',
  filled: 'Filled length',
  keepLength: 'Keep it',
  lengthKept: (name: string) => `The length of ${name} is kept, and the thicknesses are learnt from it.`,
  lengthProblem: 'Write the length like 8 1/2 in or 21 cm.',
  nothingThere: 'Nothing stands in that row.',
  learntTitle: 'Thickness of one filled pocket',
  learnt: (thick: string, off: string) => `Learnt from what you measured: ${thick}, plus or minus ${off}`,
  usual: (thick: string) => `As is usual: ${thick}`,
  tooLittle: (thick: string, off: string) => `As is usual: ${thick}; what was measured says too little yet (plus or minus ${off})`,
  measuredLanes: 'Measured rows',
  forget: 'Forget it',
  odd: (expected: string) => `The other rows would make it about ${expected}. Was something else there? Measure it once more.`,
  noLanes: 'No row was measured yet.',
  // Lifting
  liftTitle: 'Weight and lifting',
  liftLead:
    'Against the recommended limit of the revised NIOSH lifting equation, for lifting it from its shelf. It ' +
    'is guidance for healthy adults and no more: your own back, your doctor and your local rules come first.',
  lift: (lift: ContainerLift): string => `${kilograms(lift.weightKg)} of ${kilograms(lift.limitKg)} recommended`,
  tooHeavy: 'more than is recommended',
  better: (shelf: string) => `easier to lift from ${shelf}`,
  high: 'high and heavy: lower is safer',
  noneHeavy: 'No container is heavier than is recommended for its shelf.',
  inputs: 'What the limit rests on',
  reach: 'Hands in front of the ankles',
  carryTo: 'Carried to this height',
  twist: 'Turn of the body, in degrees',
  perMinute: 'Lifts a minute',
  hours: 'For so long',
  hoursOf: { 1: 'up to an hour', 2: 'up to two hours', 8: 'up to eight hours' } as Readonly<Record<number, string>>,
  grip: 'Hold',
  grips: { good: 'good: handles', fair: 'fair: a rim', poor: 'poor: nothing to hold' },
  howWorkedOut: 'How this was worked out',
  usualShelf: 'shelf height as is usual; measure your furniture',
  multipliers: (lift: ContainerLift): string =>
    `23 kg x ${Object.values(lift.multipliers)
      .map(each => each.toFixed(2))
      .join(' x ')}`,
  // Care
  careTitle: 'Light and stickiness',
  sun: (container: string, count: number, kinds: string) =>
    `${container} stands in daylight with ${counted(count, 'set')} that it harms: ${kinds}. A darker place keeps them.`,
  sticky: (set: string, others: string) => `${set} is sticky and lies beside ${others}. Give it a pocket of its own, apart.`,
  noCare: 'Nothing stands in harmful light, and nothing sticky lies beside others.',
  isSticky: 'Sticky: keep it from others',
  // Zones
  zonesTitle: 'Corners and addresses',
  zonesLead: 'A corner of the room: bins, drawers and binders that are filed in one way, with room kept for new sets and a limit.',
  newZone: 'New corner',
  zoneName: 'Name',
  takes: 'Takes these kinds',
  takesAll: 'everything that no other corner takes',
  growth: 'Room kept for new sets, in percent',
  capField: 'At most so many sets',
  capHint: 'Left empty, there is no limit',
  dies: 'Dies',
  diesOf: { apart: 'in the order of the rule', behind: 'directly behind their stamps' },
  members: 'What belongs to it',
  membersHint: 'Tick what is to be filed here. It leaves the corner whose name stands below it; nothing is moved.',
  endZone: 'Close this corner',
  endZoneInto: (name: string) => `its bins, drawers and binders go over to ${name}`,
  rule: 'In the order of',
  addressTitle: 'How addresses are written',
  addressLead: 'Choose what they look like, for each sort of bin, drawer or binder.',
  patternMore: 'More: written my own way',
  tokens: (tokens: string) => `Can be filled in: ${tokens}. {cell:2} writes two figures. All else stands as you write it.`,
  pattern: 'Written as',
  usualPattern: 'as is usual',
  sample: (address: string) => `for example ${address}`,
  noSample: 'none of these in the room',
  patternFault: (fault: PatternFault, placeOf: (at: 0 | 1) => string): string => {
    if (fault.code === 'unknownToken') return `{${fault.token}} is nothing that can be filled in.`
    return fault.code === 'noToken'
      ? 'Every address would be the same: let something be filled in.'
      : `${fault.address} would name two places: ${placeOf(0)} and ${placeOf(1)}.`
  },
  patternKept: 'Addresses are written so from now on. Labels that say otherwise are stale.',
} as const
