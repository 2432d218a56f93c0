import type { TableName } from '#core/catalog'
import { counted, countedThat } from '#core/grammar'
import type { Finding, FindingCode, Repair } from '#core/soundness'

/** What a record of each table is called in a sentence. */
export const RECORD_WORDS: Readonly<Record<TableName, string>> = {
  settings: 'the settings of the room',
  brands: 'a brand',
  kinds: 'a kind',
  categories: 'a category',
  themes: 'a theme',
  series: 'a series of numbers',
  register: 'a line of the register of numbers',
  fixtures: 'a piece of furniture',
  zones: 'a corner',
  containers: 'a container',
  sections: 'a tab',
  holderTypes: 'a sort of pocket',
  holdings: 'a set',
  holders: 'a pocket with its place',
  relations: 'what two sets have to do with each other',
  loans: 'where a set was taken',
  drafts: 'something on the pile',
  measuredLengths: 'a measured length',
  refilings: 'a re-filing',
  links: 'a link between two words',
  pullLists: 'a pull list',
  uses: 'a day of use',
  books: 'a book of the index',
  bookLeaves: 'a printed leaf',
  labels: 'a label',
  labelSheets: 'a kind of label sheet',
  printers: 'a printer',
  setAside: 'something that was set aside',
}

type Sentence = (finding: Finding) => string
const of = ({ table, name }: Finding): string => (name ? `${RECORD_WORDS[table]} (${name})` : RECORD_WORDS[table])
const begin = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
const pocketIn = ({ about }: Finding): string => (about ? `A pocket in ${about}` : 'A pocket')

/** What each finding says, and what mending does about it. */
const SENTENCES: Readonly<Record<FindingCode, readonly [says: Sentence, mending: string | Sentence]>> = {
  settingsMissing: [() => 'The settings of the room are missing.', 'The usual settings are put in.'],
  lost: [
    found => `${begin(of(found))} names ${RECORD_WORDS[found.about as TableName]} that is not there.`,
    ({ mend }) => (mend?.some(edit => 'remove' in edit) ? 'It says nothing without, and goes.' : 'It is no longer named.'),
  ],
  pictureLost: [found => `${begin(of(found))} names a picture that is not there.`, 'The picture is no longer named.'],
  noneRunning: [() => 'No series gives the next number.', 'The first series of the room gives it again.'],
  manyRunning: [({ name, about }) => `Two series give the next number: ${about} and ${name}.`, 'Only the first of them gives it.'],
  seriesCircle: [({ name }) => `The series ${name} is a part of itself.`, 'It stands by itself.'],
  notRegistered: [({ name }) => `The number of ${name} is not in the register.`, 'It is written in.'],
  registeredForOther: [
    ({ name, about }) => `In the register the number of ${name} was given to ${about || 'another set'}, which is not there.`,
    'The register says what the set says.',
  ],
  registerLine: [({ name }) => `A line of the register stands under another number than ${name}.`, 'It is put under its own.'],
  numberTwice: [({ name }) => `${name} has a number that another set has too.`, ''],
  refilingsOpen: [({ name }) => `A second re-filing is under way: ${name}.`, 'It is ended; everything stays where it is.'],
  tableOfNone: [
    ({ name }) => `${name} is the table of a re-filing that is not under way.`,
    'What lies there keeps its place; empty, it goes.',
  ],
  tableNotMarked: [({ name, about }) => `${name} is the table of the re-filing ${about}, and does not say so.`, 'It says so.'],
  codesAlike: [({ name, about }) => `${name} and ${about} have one code, so that an address may mean either.`, ''],
  shelfBeyond: [({ name, about }) => `${name} stands on a shelf that is not there: the last is ${about}.`, 'It stands on the last.'],
  laneBeyond: [
    found => `${found.table === 'holders' ? pocketIn(found) : begin(of(found))} stands in a row that its container does not have.`,
    'It stands in the last row.',
  ],
  cellTaken: [found => `${pocketIn(found)} is in a cell that another is in.`, 'Somebody has to look where on its page it is.'],
  cellUnseen: [found => `${pocketIn(found)} is in a cell, and nobody has looked where.`, 'Somebody has to look.'],
  cellBeyond: [found => `${pocketIn(found)} is in a cell that is not there.`, 'Somebody has to look where it is.'],
  cellMissing: [found => `${pocketIn(found)} is on a page, and in none of its cells.`, 'Somebody has to look where it is.'],
  setTwiceInHolder: [() => 'A pocket names one of its sets twice.', 'It names it once.'],
  setInMore: [({ name }) => `${name} stands in more than one place.`, 'It stands where it was put last.'],
  loanMissing: [({ name }) => `${name} is out, and nothing says where.`, 'It is out since now, at a place that nobody noted.'],
  loanOpen: [({ name, about }) => `${name} is at its place, and out (${about}) as well.`, 'It is at its place.'],
  loansOpen: [({ name, about }) => `${name} is out at ${about}, and elsewhere as well.`, 'It is out where it was taken last.'],
  withItself: [() => 'A set goes together with itself.', 'It does not.'],
  pulledTwice: [({ name }) => `A set is twice on a pull list${name ? ` (${name})` : ''}.`, 'It is on it once.'],
  leafTwice: [({ name, about }) => `The leaf ${name} of ${about || 'a book'} is kept twice.`, 'The one printed last stays.'],
  labelTwice: [({ about }) => `One thing has two labels (${about}).`, 'The one made last counts.'],
  sheetBeyond: [({ name }) => `The label sheet ${name} goes on behind its last label.`, 'It is used up.'],
}

/** Fields of records as a sentence names them, where their own name does not say it. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  id: 'which record it is',
  name: 'name',
  title: 'title',
  roomName: 'name of the room',
  to: 'where it was taken',
  word: 'word',
  goesWith: 'what it goes with',
  code: 'code',
  label: 'number of the leaf',
  holdingIds: 'which sets are in it',
  containerId: 'which container it is in',
  themeIds: 'themes',
  brandId: 'brand',
  seeAlsoIds: 'see also',
  searchWords: 'search words',
}
const fieldWord = (field: string): string =>
  FIELD_WORDS[field] ?? field.replace(/(Ids?|Mm|G|Hash)$/, '').replace(/[A-Z]/g, letter => ` ${letter.toLowerCase()}`)
/** What a field is after mending where nothing is in it. */
const NOTHING: Readonly<Record<string, string>> = { '[]': 'empty', '""': 'empty', null: 'not said', false: 'no' }

export const soundnessWords = {
  title: 'Is all as it should be?',
  lead: 'Every record of this room is looked at, and whether what they say of each other is true.',
  section: 'Is all as it should be?',
  sectionHint: 'Looks through the whole room for what is damaged or does not hold together, and mends what can be mended.',
  open: 'Look through the room',
  again: 'Look again',
  allRight: (records: number, isAside: boolean) =>
    `${countedThat(records, 'record', 'was', 'were')} looked at. ${isAside ? 'What is not set aside' : 'All'} is as it should be.`,
  found: (records: number, count: number) =>
    `${countedThat(records, 'record', 'was', 'were')} looked at. ${countedThat(count, 'thing', 'is', 'are')} not right.`,
  since: 'Something was done since: look again.',
  stopped: 'Stopped before the end: what is shown is not all.',
  notMended: 'Stopped: nothing was mended.',
  says: (finding: Finding) => SENTENCES[finding.code][0](finding),
  mending: (finding: Finding) => {
    const [, mending] = SENTENCES[finding.code]
    return typeof mending === 'string' ? mending : mending(finding)
  },
  alike: (count: number) => `${countedThat(count, 'other', 'is', 'are')} the same`,
  putBackFirst: 'Put back first what was set aside below: what names it is right again then, and nothing is lost by mending.',
  byHand: 'Only you can say what is right.',
  mend: (count: number) => `Mend ${counted(count, 'thing')}`,
  mended: (count: number) => `${countedThat(count, 'thing', 'was', 'were')} mended. Undo takes it back.`,
  more: (count: number) => `and ${counted(count, 'other')}`,
  asideTitle: 'Set aside',
  asideHint:
    'These records could not be read, so the room goes on without them. They are kept word for word, here and in every copy, until you ' +
    'put them back or remove them.',
  aside: (table: TableName, name: string) => begin(name ? `${RECORD_WORDS[table]}: ${name}` : RECORD_WORDS[table]),
  fault: (fields: readonly string[]) => `What cannot be read in it: ${fields.map(fieldWord).join(', ')}.`,
  text: 'As it was found',
  change: ({ field, was, now }: Repair['changes'][number]) => `${fieldWord(field)}: ${was || 'missing'} becomes ${NOTHING[now] ?? now}`,
  asks: (field: string) => begin(fieldWord(field)),
  hopeless: 'It cannot be mended here: too much of it is missing.',
  putBack: 'Put it back',
  wasPutBack: 'It is back.',
  notPutBack: 'It could not be put back: another has its place by now.',
  remove: 'Remove it',
  removed: 'It is removed. Undo brings it back.',
  banner: (records: readonly string[]) =>
    records.length === 1
      ? `One record could not be read and was set aside: ${records[0]}. Everything else is here.`
      : `${counted(records.length, 'record')} could not be read and were set aside: ${records.slice(0, 3).join('; ')}${
          records.length > 3 ? '; ...' : ''
        }. Everything else is here.`,
  bannerSettings: 'The settings of the room were lost. The usual ones are in their place: look at them under Copies.',
  bannerLink: 'Look at it',
  bannerClose: 'Later',
  findingsSaved: (count: number) =>
    `The copy is saved and opens again. ${countedThat(count, 'thing', 'is', 'are')} not right in the room: look through it below.`,
} as const
