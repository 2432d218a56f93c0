import { type Labelled, type LabelSheet, type SetLabel, TAPE_WIDTHS_MM } from '#core/catalog'
import type { GridFault, LabelReason, LaidLabel, ShortenedPart, TemplateReason } from '#core/printing'
import { counted, figure, listOf, partialDay } from '#core/grammar'

const labels = (count: number): string => counted(count, 'label')
/** Tape is spoken of in metres, and in centimetres where it is short. */
const tape = (mm: number): string => (mm >= 1000 ? `${(mm / 1000).toFixed(2)} m` : `${figure(Math.round(mm / 10))} cm`)

export const labelWords = {
  title: 'Labels',
  lead: 'What is to be labelled and why, in the order in which the things stand, so that one after the other is stuck on along the row.',
  books: 'Books',
  what: 'Labels for',
  kinds: {
    set: 'Sets and pockets',
    container: 'Bins, drawers, binders',
    tab: 'Divider tabs',
    cell: 'Cells of pages',
  } satisfies Record<Exclude<Labelled, 'shared'>, string>,
  none: {
    set: 'There is no set to label yet. Take in a set, or bring in your list.',
    container: 'There is nothing to label yet: add a bin, drawer or binder in the Storeroom.',
    tab: 'There are no divider tabs yet: a bin or drawer has them once it is filed by theme or brand.',
    cell: 'There are no pages with cells in this room.',
  } satisfies Record<Exclude<Labelled, 'shared'>, string>,
  sets: (count: number) => counted(count, 'set'),

  laying: 'Setting the labels',
  nothing: 'Every label is true. There is nothing to make.',
  nothingChosen: 'Nothing is chosen to be made.',
  toMake: (count: number) => `${labels(count)} to make.`,
  groups: {
    waiting: (count: number) => `${counted(count, 'new set')} on the pile`,
    differs: (count: number) => `${figure(count)} that ${count === 1 ? 'says' : 'say'} something else by now`,
    none: (count: number) => `${figure(count)} with no label that is known of`,
    otherForm: (count: number) => `${figure(count)} of another form than you want now`,
    fine: (count: number) => `${figure(count)} that ${count === 1 ? 'is' : 'are'} true, once more`,
  },
  where: 'Only where',
  everywhere: 'Everywhere',
  reason: { none: 'new', differs: 'says something else', otherForm: 'another form' } satisfies Record<LabelReason, string>,
  was: (was: string) => `was: ${was}`,

  shortened: (count: number) => `${labels(count)} made shorter to fit`,
  how: {
    abbreviation: 'your abbreviation',
    shortForms: 'known short words',
    letters: 'letters left out',
    number: 'the number tells it from another',
  } satisfies Record<ShortenedPart['how'], string>,
  troubles: {
    noRoom: (count: number) =>
      `${labels(count)} ${count === 1 ? 'has' : 'have'} no room for a single letter. Take wider tape, or larger labels.`,
    tiny: (count: number) => `On ${labels(count)} the letters are too small to read. Take wider tape, or one line.`,
    noCode: (count: number) =>
      `${labels(count)} ${count === 1 ? 'is' : 'are'} made with no square code: a phone would not read one so small.`,
  } satisfies Record<LaidLabel['troubles'][number], (count: number) => string>,

  lengths: (chained: number, singly: number) =>
    `${tape(chained)} of tape as one chain, ${tape(singly)} one by one: a chain saves ${Math.round((1 - chained / singly) * 100)} %.`,
  blank: (mm: number, all: number) => `Blank: ${tape(mm)}, ${Math.round((mm / all) * 100)} %.`,
  onSheets: (count: number, sheets: number, from: number) =>
    `${counted(sheets, 'sheet')}: ${from > 0 ? `goes on at label ${figure(from + 1)} of the sheet that was begun, ` : ''}${labels(count)}.`,

  howMade: 'How labels are made',
  medium: 'Printed on',
  onTape: 'Tape',
  newSheet: 'Another kind of sheet',
  template: 'A set says',
  templateHint: (because: ReadonlyMap<TemplateReason, number>): string => {
    const said = [
      because.get('corner') && `${figure(because.get('corner') ?? 0)} follow their corner`,
      because.get('case') && `${figure(because.get('case') ?? 0)} sit in cases and have a label for its back`,
      because.get('block') && `${figure(because.get('block') ?? 0)} are blocks and have one for their side`,
    ].filter(each => typeof each === 'string')
    return said.length > 0 ? `${listOf(said)}.` : ''
  },
  templates: {
    brandAboveName: 'Brand above, name below',
    nameAboveBrand: 'Name, and the BRAND below',
    name: 'Name alone',
    numberAndName: 'Number and name',
    ticket: 'Number alone',
    spine: 'Back of a case: number, name, brand',
    blockSide: 'Side of a block: name and number',
  } satisfies Record<SetLabel, string>,
  corner: (name: string) => `In the corner ${name}`,
  asRoom: 'As everywhere',
  code: 'A square code of the number, for the phone',
  width: 'Tape is',
  widths: Object.fromEntries(TAPE_WIDTHS_MM.map(mm => [mm, `${mm} mm wide`])) as Readonly<Record<number, string>>,
  edge: 'Blank along each edge, mm',
  before: 'Blank in front, mm',
  after: 'Blank behind, mm',
  singlyAfter: 'Blank behind, one by one, mm',
  toCutter: 'Lost with each cut, mm',
  toCutterHint: 'What your machine feeds out before the first letter: print one label and measure.',
  longest: 'Never longer than, mm',
  chained: 'Print as one chain and cut by hand',
  chainedHint: 'The last label stays in the machine until it is fed out.',

  pdf: 'Make a PDF',
  csv: 'Save as a list (CSV)',
  machine: 'Print on the practice machine',
  machineHint: 'A label machine made of software: it shows the tape as it would come out of a real one.',
  fileName: (roomName: string) => `Labels ${roomName}.pdf`,
  csvName: (roomName: string) => `Labels ${roomName}.csv`,
  csvOrder: 'Order',
  csvNumber: 'Number',
  csvLine: (line: number) => `Line ${line}`,
  ready: (count: number) => `${labels(count)} ready.`,

  strip: 'The tape that came out',
  cameOut: (out: number, mm: number) => `${labels(out)} came out, ${tape(mm)} of tape.`,
  held: (count: number) =>
    count === 1
      ? 'The last one is still in the machine until it is fed out.'
      : `The last ${figure(count)} are still in the machine until they are fed out.`,
  feed: 'Feed it out',
  brokeOff: (count: number) =>
    `The machine stopped answering: ${labels(count)} ${count === 1 ? 'was' : 'were'} not printed. What came out before is good.`,
  ranOut: (count: number) => `The tape came to its end: ${labels(count)} ${count === 1 ? 'was' : 'were'} not printed.`,
  left: (mm: number) => `${tape(mm)} left on the reel.`,
  newReel: 'Put in a new reel',
  printOthers: (count: number) => `Print the other ${count === 1 ? 'one' : figure(count)} on it`,
  faults: {
    otherTape: (mm: number) => `There is tape of ${mm} mm in the machine. Put in a new reel, or choose that width.`,
    broken: 'The machine did not understand the job. Nothing was printed.',
    busy: 'The machine is busy. Nothing was printed: send them again in a moment.',
    away: 'There is no machine to be reached. Make a PDF, or save the list for your own machine.',
    gone: 'Nothing was printed.',
  },

  well: 'Did they come out well, and are they on their things?',
  /** `on`: what they were made on; empty: sheets that are no longer known. */
  waiting: (count: number, at: string, on: string) =>
    `${labels(count)} made on ${partialDay(at)}${on && `, ${on},`} ${count === 1 ? 'waits' : 'wait'} for your word.`,
  madeOnTape: 'on tape',
  madeAsList: 'as a list',
  madeOnSheets: (name: string) => `on sheets of ${name}`,
  confirmed: (count: number) => `${labels(count)} ${count === 1 ? 'counts' : 'count'} as made. Undo takes it back.`,
  bladeCaution: 'Keep sharp blades from small hands when you cut the tape, and cut away from your fingers.',

  preview: 'As they will be',
  lifeSize: 'As large as on paper, in the order in which they are stuck on.',
  nowhere: 'No place yet',
  more: (count: number) => `and ${figure(count)} more`,
  sheetNo: (nth: number) => `Sheet ${figure(nth)}`,

  sheetName: ({ columns, rows, paper }: Pick<LabelSheet, 'columns' | 'rows' | 'paper'>) =>
    `${figure(columns * rows)} labels on ${paper === 'Letter' ? 'Letter' : paper} (${columns} across, ${rows} down)`,
  sheetTitle: 'A kind of label sheet',
  start: 'Begin with',
  name: 'Name',
  paper: 'Sheet',
  papers: { A4: 'A4', Letter: 'Letter', A5: 'A5', halfLetter: 'Half Letter', square12: '12 x 12 in' } satisfies Record<
    LabelSheet['paper'],
    string
  >,
  columns: 'Labels across',
  rows: 'Labels down',
  labelWidth: 'Label width',
  labelHeight: 'Label height',
  leftMargin: 'From the left edge',
  topMargin: 'From the upper edge',
  across: 'From one to the next across',
  down: 'From one to the next down',
  nextFree: 'First free label',
  nextFreeHint: 'Of the sheet that was begun, counted row by row.',
  keep: 'Keep it',
  drop: 'Let this sheet go',
  change: 'Change its measures',
  cancel: 'Cancel',
  fault: ({ code, overMm }: GridFault) =>
    ({
      overlapsAcross: `Labels lie over each other across, by ${overMm.toFixed(1)} mm.`,
      overlapsDown: `Labels lie over each other downwards, by ${overMm.toFixed(1)} mm.`,
      leavesAcross: `The labels go ${overMm.toFixed(1)} mm beyond the right edge of the sheet.`,
      leavesDown: `The labels go ${overMm.toFixed(1)} mm beyond the lower edge of the sheet.`,
    })[code],
  testPage: 'Hold this page against the light, on a label sheet.',
  testButton: 'A test page of outlines',
  testHint: 'On plain paper. Hold it against the light with a label sheet, and say below how far it is off.',
  printer: 'Printer',
  noPrinter: 'Any printer, as it prints',
  newPrinter: 'Another printer',
  printerName: 'What you call it',
  right: 'Too far left by, mm',
  downwards: 'Too high by, mm',
  keepPrinter: 'Keep this printer',
  dropPrinter: 'Let this printer go',
  mm: 'mm',
  unread: 'Something is missing, or is no measure: every field needs one.',
} as const
