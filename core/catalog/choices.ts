// Lists of choices without their schemas, so that the screen can show them without loading the validator.

/**
 * How long a name and a text may be, how many themes and words a set may have, how large furniture and pages: fields say so
 * before a record is made.
 */
export const LIMITS = {
  name: 300,
  text: 20_000,
  /** A field whose text is read, and not kept as it is typed. */
  typed: 4000,
  /** The highest number that a series gives. */
  number: 9_999_999,
  themes: 40,
  words: 400,
  moneyMinor: 100_000_000,
  shelves: 60,
  lanes: 4,
  cellsASide: 12,
  pages: 500,
  pullLines: 400,
  /** A record that is set aside, as text: the largest, an aim of a re-filing, has its half. */
  setAside: 4_000_000,
  fault: 400,
} as const
/** Who says that a set was used: its being fetched and returned, somebody by hand, or an older list as a whole. */
export const USE_SOURCES = ['fetched', 'noted', 'said'] as const
/** How many sets somebody has or expects. */
export const COLLECTIONS = ['few', 'some', 'many'] as const
/** Stages of taking in that an owner may leave out. */
export const OPTIONAL_STAGES = ['class', 'fit', 'label'] as const
/** Ways in which two sets go together, as they are said of one of them: a stamp has its die, a die its stamp. */
export const WAYS = [
  'dieForStamp',
  'stampForDie',
  'layersWith',
  'sameLettersOtherStyle',
  'sameCollection',
  'sameMechanism',
  'sameNumberedSeries',
] as const
export type Way = (typeof WAYS)[number]
/** Marks to begin with: plain signs that say what they mean. */
export const START_MARKS: Readonly<Record<Way, string>> = {
  dieForStamp: '+D',
  stampForDie: '+S',
  layersWith: '&',
  sameLettersOtherStyle: 'Aa',
  sameCollection: '=',
  sameMechanism: '>',
  sameNumberedSeries: 'No',
}
/** What the number of a set counts: every set, or the sets of its brand or container; or what it takes over. */
export const NUMBER_SCHOOLS = ['all', 'brand', 'container', 'cell', 'maker'] as const
export type NumberSchool = (typeof NUMBER_SCHOOLS)[number]
/** A text such as 12-203 is page 2, cell 03 of the 12-cell pages, or a running number: only the owner knows. */
export const CODE_READINGS = ['cell', 'serial'] as const
/** Answers to "does it fit?", best first as most people rank them. The order, and what is never done, are the owner's. */
export const FIT_WAYS = [
  'loose',
  'fits',
  'snug',
  'turned',
  'tilted',
  'rearranged',
  'foldPackaging',
  'flapOpen',
  'zeroClearance',
  'trim',
  'sticksOut',
  'cutInTwo',
] as const
export type FitWay = (typeof FIT_WAYS)[number]
export const CONTAINER_TYPES = ['bin', 'binder', 'drawer', 'caseRack', 'tray', 'basket', 'ring', 'board'] as const
export type ContainerType = (typeof CONTAINER_TYPES)[number]
/** How well the hands hold a container. */
export const GRIPS = ['good', 'fair', 'poor'] as const
/** A bin held close with both hands at its rim, carried to the table, now and then. */
export const START_LIFTING = {
  reachMm: 300,
  perMinute: 0.2,
  hours: 1 as 1 | 2 | 8,
  twistDeg: 30,
  carryToMm: 750,
  grip: 'fair' as (typeof GRIPS)[number],
}
/** Which number of 3/4/2019 is the month. */
export const DATE_ORDERS = ['monthFirst', 'dayFirst'] as const
export type DateOrder = (typeof DATE_ORDERS)[number]
export const SHELVES_FROM = ['top', 'floor'] as const
export type ShelvesFrom = (typeof SHELVES_FROM)[number]
export const CLOSURES = ['none', 'flap', 'snap'] as const
export const CELL_REUSES = ['last', 'first', 'never'] as const
/** What of its packaging a zone keeps, and where its dies are. */
export const PACKAGINGS = ['keep', 'none'] as const
/** What is kept of the packaging of one set. */
export const KEPT_PACKAGINGS = ['whole', 'folded', 'part', 'instructions', 'gone'] as const
export type KeptPackaging = (typeof KEPT_PACKAGINGS)[number]
export const DIE_PLACES = ['apart', 'behind'] as const
/** What a label of a set says: its maker, name and number, in some order. */
export const SET_LABELS = ['brandAboveName', 'nameAboveBrand', 'name', 'numberAndName', 'ticket', 'spine', 'blockSide'] as const
export type SetLabel = (typeof SET_LABELS)[number]
const LABEL_TEMPLATES = [...SET_LABELS, 'shared', 'cell', 'container', 'tab'] as const
export type LabelTemplateId = (typeof LABEL_TEMPLATES)[number]
/** What else is printed for a thing and remembered: the card beneath its stamps, a divider or the label of its tab. */
export const PRINTED_FORMS = [...LABEL_TEMPLATES, 'card', 'dividerFull', 'dividerTab'] as const
/** What carries a label. */
export const LABELLED = ['set', 'shared', 'cell', 'container', 'tab'] as const
export type Labelled = (typeof LABELLED)[number]
export const TAPE_WIDTHS_MM = [6, 9, 12, 18, 24] as const
export type TapeWidthMm = (typeof TAPE_WIDTHS_MM)[number]
export const LABEL_LIMITS = { marginMm: 60, longestMm: 300, edgeMm: 4, columns: 12, rows: 40, pitchMm: 500, offsetMm: 20 } as const

export const HOLDER_TYPES = ['pocket', 'sleeve', 'case', 'celledPage', 'bag', 'ring', 'trayCell', 'box', 'none'] as const
export type HolderKind = (typeof HOLDER_TYPES)[number]
export const KIND_FAMILIES = ['stamp', 'die', 'stencil', 'folder', 'other'] as const
export const FIXTURE_TYPES = ['bookcase', 'cabinet', 'cart', 'table', 'wall'] as const
export const FILING_KEYS = ['brand', 'theme', 'category', 'kind', 'sizeClass', 'series', 'number', 'name', 'date'] as const
/** Ways into the printed index. */
export const BOOK_WAYS = ['theme', 'category', 'kind', 'brand', 'series', 'word', 'number', 'place'] as const
export type BookWay = (typeof BOOK_WAYS)[number]
/** By what an entry sends one to its set. */
export const BOOK_CODES = ['number', 'address', 'both'] as const
/** No picture, a small one, all of a book at one common scale, or as large as the thing where that fits. */
export const BOOK_PICTURES = ['none', 'small', 'scale', 'life'] as const
export const BOOK_PAPERS = ['A4', 'Letter', 'A5', 'halfLetter', 'square12'] as const
export type BookPaper = (typeof BOOK_PAPERS)[number]
/** Where holes are to be punched: nowhere, two or four 80 mm apart, three 4 1/4 in apart. */
export const BOOK_HOLES = ['none', 'two', 'four', 'three'] as const
export type BookHoles = (typeof BOOK_HOLES)[number]
export const BOOK_LIMITS = { columns: 4, leastBindingMm: 8, bindingMm: 40, ownLeafFrom: 1000, freeShare: 0.6 } as const
