import type { CLOSURES, FitWay, HolderKind, Zone } from '#core/catalog'
import type { ContainerFit, CutSize, FitAnswer, NoFit } from '#core/holders'
import { counted, figure } from '#core/grammar'

type Write = (mm: number) => string

const WAY_NAMES: Readonly<Record<FitWay, string>> = {
  loose: 'Fits with room',
  fits: 'Goes in',
  snug: 'Snug',
  turned: 'Turned by a quarter',
  tilted: 'Tilted',
  rearranged: 'With its pieces arranged anew',
  foldPackaging: 'With its packaging folded',
  flapOpen: 'With the flap left open',
  zeroClearance: 'It may just fit: try it',
  trim: 'Trimmed',
  sticksOut: 'Sticks out at the top',
  cutInTwo: 'Cut in two, into two pockets',
}
const LAYERS = { set: 'the set', insert: 'insert', magnet: 'magnet sheet', packaging: 'packaging', dies: 'dies behind it' } as const

/** As large as the room there is, or a little larger. */
function tryIt({ spareWidthMm, spareHeightMm, angleDeg }: FitAnswer, write: Write): string {
  const over = Math.max(-spareWidthMm, -spareHeightMm)
  if (angleDeg % 90 !== 0) return `tilted it may go in or not: try it before you rely on it`
  return over < 0.5
    ? 'it may go in or not: try it before you rely on it'
    : `${write(over)} too large as it lies; with its pieces arranged anew it may go in: try it before you rely on it`
}
/** What a way means for this set, and what it costs. */
function answerText(answer: FitAnswer, write: Write): string {
  const spare = `${write(Math.max(0, answer.spareWidthMm))} to spare across and ${write(Math.max(0, answer.spareHeightMm))} up`
  const says: Readonly<Record<FitWay, string>> = {
    loose: spare,
    fits: spare,
    snug: spare,
    turned: spare,
    foldPackaging: `the set itself has ${spare}`,
    rearranged: `${counted(answer.laid.length, 'piece')} side by side; ${spare}`,
    tilted: `turned to ${Math.round(answer.angleDeg)} degrees`,
    flapOpen: `too thick for the flap to close, but standing upright holds it; ${spare}`,
    zeroClearance: tryIt(answer, write),
    trim: [
      answer.trimWidthMm > 0 ? `${write(answer.trimWidthMm)} off its width` : '',
      answer.trimHeightMm > 0 ? `${write(answer.trimHeightMm)} off its height` : '',
    ]
      .filter(Boolean)
      .join(' and '),
    sticksOut: `by ${write(answer.sticksOutMm)}`,
    cutInTwo: `each half has ${spare}; the set then has two addresses`,
  }
  return says[answer.way]
}
function whyNot(why: NoFit, write: Write): string {
  if (why.code === 'onlyNever') return 'it would go in, but only in ways that you never use'
  const what = { tooWide: 'too wide', tooTall: 'too tall', tooThick: 'too thick' }[why.code]
  return `${what}: it needs ${write(why.needMm)}, there is room for ${write(why.haveMm)}`
}
function containerSays(fit: ContainerFit | null, name: string, write: Write): string {
  if (!fit) return ''
  if (fit.fits) return fit.isMeasured ? `${name} takes it.` : `${name} was never measured: whether it takes it is not known.`
  return fit.code === 'wrongContainer'
    ? `It does not stand in ${name}.`
    : `${fit.code === 'tooWideForLane' ? 'Too wide for a row of' : 'Too high for'} ` +
        `${name}: ${write(fit.needMm)} against ${write(fit.haveMm)}.`
}

export const holderWords = {
  title: 'Pockets and cases',
  button: 'Pockets and cases',
  make: 'New pocket or case',
  list: 'Pockets and cases of this room',
  empty: 'No pocket or case is on the list yet. Begin with the common sizes, or write down one of your own.',
  begin: 'Begin with the common sizes',
  begun: (count: number) =>
    count === 0 ? 'All of them are there already.' : `${counted(count, 'pocket or case', 'pockets and cases')} added.`,
  way: WAY_NAMES,
  answer: answerText,
  whyNot,
  container: containerSays,
  // Fit, in Take in
  tooBig: 'Nothing on the list takes it, in any way that you allow. It can stand or lie without, or you put a larger pocket on the list.',
  anySize: 'it takes any size',
  nextUp: (name: string) => `The next size up that takes it plainly: ${name}.`,
  refused: (count: number) => `${counted(count, 'pocket or case', 'pockets and cases')} ${count === 1 ? 'does' : 'do'} not take it`,
  unsure: (names: string) => `Its pieces were not laid out in every way for ${names}: it may go in there after all. Lay them out and see.`,
  ask: 'What does it sit in?',
  sizeAsk: 'How large is it?',
  sizeHint: 'With its size, the pocket is proposed and the sizes to cut are worked out',
  measure: 'Measure it from a photo',
  others: 'Other pockets and cases',
  anyHolder: 'Another way, not on the list',
  filled: (mm: string) => `Filled, it is ${mm} thick.`,
  thick: (mm: string, layers: readonly { readonly of: keyof typeof LAYERS }[]) =>
    `${mm} thick with ${layers.map(layer => LAYERS[layer.of]).join(', ')}`,
  share: 'It can share a pocket',
  shareWith: (names: string, address: string) => `with ${names}, ${address}`,
  shareNow: 'Put it in there',
  notShared: 'That pocket is gone, or it is in there already. Nothing was changed.',
  shared: (name: string) => `${name} shares that pocket now. It keeps its own number.`,
  sharesWith: 'Shares its pocket with',
  cuts: 'Cut for it',
  cut: { insert: 'Insert', magnet: 'Magnet sheet', acetate: 'Acetate' } satisfies Record<CutSize['of'], string>,
  cutsDown: 'Rounded down to your ticks, as they must go in.',
  irreversible: 'This cannot be taken back on the real thing. Look at another pocket first.',
  blade:
    'A sharp blade, a metal edge, fingers behind it, children away; a ' +
    "separate blade for magnet and plastic. Follow the maker's instructions.",
  magnet: "Keep strong magnets from children, cards and implants, and follow the maker's instructions.",
  drawing: (name: string, way: string) => `Drawing to scale: the set in ${name}. ${way}.`,
  stays: (address: string) => `It stands at ${address} already.`,
  // The list
  name: 'Name',
  type: 'What it is',
  inner: 'Inner width and height',
  innerHint: 'Laid flat and empty, between the seams; left empty, it takes any size',
  innerProblem: 'Write it like 5 x 7 in or 13 x 18 cm. It needs a width and a height.',
  closure: 'How it closes',
  closures: { none: 'it stays open', flap: 'a flap is tucked in', snap: 'it snaps shut' } satisfies Record<
    (typeof CLOSURES)[number],
    string
  >,
  maxThickness: 'Closes over up to',
  film: 'Plastic, one layer',
  emptyThickness: 'Empty thickness',
  bulk: 'Snaps and stiff backs',
  weight: 'Weight in grams',
  standsIn: 'Stands in',
  anywhere: 'anything',
  lengthProblem: 'Write lengths like 6 mm or 1/4 in.',
  stock: 'Stock on hand',
  packs: 'Packs',
  packsHint: 'Pieces and price, divided by commas: 10 at 4.50, 50 at 18',
  packsProblem: 'Write the packs like 10 at 4.50, 50 at 18.',
  retired: 'No longer sold',
  replacedBy: 'Replaced by',
  nothing: 'nothing yet',
  cells: 'Rows and columns of cells',
  cellsProblem: 'A page has between 1 and 12 rows and columns.',
  bothSides: 'Front and back',
  keep: 'Keep',
  kept: (name: string) => `${name} is kept.`,
  remove: 'Take off the list',
  removed: (name: string) => `${name} is off the list. Undo brings it back.`,
  problems: {
    nameMissing: 'A name, please.',
    nameTaken: 'Another one is called that already.',
    gone: 'It was taken off the list meanwhile.',
  },
  inUse: (count: number) => `${counted(count, 'set')} ${count === 1 ? 'sits' : 'sit'} in it. Mark it as no longer sold instead.`,
  types: {
    pocket: 'Pocket',
    sleeve: 'Sleeve',
    case: 'Case',
    celledPage: 'Celled page',
    bag: 'Bag',
    ring: 'Ring',
    trayCell: 'Cell of a tray',
    box: 'Box',
    none: 'Nothing',
  } satisfies Record<HolderKind, string>,
  inUseBy: (count: number, stock: number) => `${counted(count, 'set')}, ${stock} in stock`,
  // One size for all
  oneSize: 'One size for all?',
  oneSizeLead: (name: string) => `How every set would go into ${name}.`,
  plainly: (count: number, all: number) => `${counted(count, 'set')} of ${all} go in plainly.`,
  unknown: (count: number) =>
    `${counted(count, 'set')} ${count === 1 ? 'has' : 'have'} no size yet and ${count === 1 ? 'is' : 'are'} not counted.`,
  without: (count: number) => (count === 0 ? 'None is left without.' : `${counted(count, 'set')} would not go in at all.`),
  untried: (count: number) => `Of ${counted(count, 'set')} the pieces were not laid out in every way: they may go in after all.`,
  needed: (holders: number, stock: number, toGet: number) => `It takes ${figure(holders)}; ${stock} are there, ${toGet} are to get.`,
  working: 'Working it out',
  replace: 'If it is no longer sold',
  replaceLead: 'The nearest by inner size, and who would no longer go in.',
  none: 'No other of this sort is on the list.',
  nobody: 'everything still goes in',
  noLonger: (count: number, names: string) => `${counted(count, 'set')} would no longer go in: ${names}`,
  larger: (width: string, height: string) => `${width} across, ${height} up`,
  signed: (mm: number, write: Write) => (mm < 0 ? `${write(-mm)} less` : `${write(mm)} more`),
  // Habits
  habits: 'Ways you fit',
  habitsLead: 'The order is yours: the ways above are proposed first. What you mark as never is never proposed.',
  never: 'never',
  earlier: (way: string) => `${way}: earlier`,
  later: (way: string) => `${way}: later`,
  zones: 'What goes in besides the set',
  zoneHabits: { insert: 'insert card', magnet: 'magnet sheet', packaging: 'packaging kept', dies: 'its dies behind it' } satisfies Record<
    keyof Zone['habits'],
    string
  >,
} as const
