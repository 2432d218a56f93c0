import { type DateOrder, eachDetail } from '#core/catalog'
import type { JoinDoubt, JoinReason } from '#core/classing'
import type { ImportReport, ListField, ListSource, TableReading } from '#core/exchange'
import { counted, countedThat, figure, listOf } from '#core/grammar'
import { detailWords } from '~/subjects/set/detailWords'

const FIELDS: Readonly<Record<ListField, string>> = {
  number: 'Number',
  name: 'Name',
  brand: 'Brand',
  kind: 'Kind',
  category: 'Category',
  themes: 'Themes',
  size: 'Size',
  words: 'Words on it',
  searchWords: 'Search words',
  ...eachDetail(name => detailWords[name].label),
  notes: 'Notes (kept as text)',
  used: 'Used',
  matchingDie: 'Matching die',
  place: 'Where it is',
  code: 'Code on the label',
}
type QuestionCode = ImportReport['questions'][number]['code']
const QUESTIONS: Readonly<Record<QuestionCode, (count: number) => string>> = {
  sizeUnread: count => `${counted(count, 'size')} could not be read`,
  sizeUnitUnknown: count => `${counted(count, 'size')} ${count === 1 ? 'has' : 'have'} no unit`,
  dateUnread: count => `${counted(count, 'date')} could not be read`,
  dateOrderUnknown: count => `${counted(count, 'date')} could be day first or month first`,
  priceUnread: count => `${counted(count, 'price')} could not be read`,
  usedUnread: count => `${counted(count, 'cell')} under Used could not be read`,
  dieUnread: count => `${counted(count, 'cell')} under Matching die ${count === 1 ? 'says' : 'say'} neither yes nor no`,
  kindUnread: count => `${counted(count, 'kind')} kept as text`,
  brandUnread: count => `${counted(count, 'cell')} under Brand ${count === 1 ? 'shows' : 'show'} an error instead of a brand`,
  categoryUnread: count => `${counted(count, 'cell')} under Category ${count === 1 ? 'shows' : 'show'} an error instead of a category`,
  nameMissing: count => `${counted(count, 'row')} ${count === 1 ? 'has' : 'have'} no name`,
  numberClash: count => `${counted(count, 'number')} ${count === 1 ? 'is' : 'are'} taken`,
  numberUnread: count =>
    count === 1
      ? '1 number is not a plain number; kept as an older number'
      : `${counted(count, 'number')} are not plain numbers; kept as older numbers`,
  numberFar: count =>
    count === 1
      ? '1 number is far above the others; kept as an older number'
      : `${counted(count, 'number')} are far above the others; kept as older numbers`,
  tooLong: count => `${counted(count, 'note')} ${count === 1 ? 'is' : 'are'} very long`,
}
const REASONS: Readonly<Record<JoinReason, string>> = {
  sameLetters: 'same letters',
  sameStem: 'same but for a word like Press or Co.',
  initials: 'initials',
  nearSpelling: 'nearly the same spelling',
}
const DOUBTS: Readonly<Record<JoinDoubt, string>> = {
  figures: 'but their figures differ',
  otherWord: 'but each has a word that the other has not',
  manyInitials: 'but more than one brand has these initials',
  bothFrequent: 'but each is written often',
  otherLetter: 'but the letter that differs may be meant',
}
type Problem = Extract<TableReading, { ok: false }>['code']
const PROBLEMS: Readonly<Record<Problem, string>> = {
  empty: 'The file is empty.',
  tooLarge: 'The file is over 64 MB. That is more than a list.',
  notText:
    'This is not a list: the file holds a picture or something else. Bring the spreadsheet itself (.xlsx, .ods) or save the list as CSV.',
  utf16: 'The file is saved as UTF-16. Please save it as CSV in UTF-8.',
  oneColumn: 'This is not a table: it has one column only, or no comma, semicolon or tab divides its lines.',
  tooManyColumns: 'The list has more than 200 columns: more than a set has facts. Nothing was taken. Leave out what is of no set.',
  tooManyJoined:
    'The sheet joins more cells than a list can have. Nothing was taken. Undo the joining in the spreadsheet, and bring it again.',
  notSpreadsheet:
    'This is a package of files, but no spreadsheet. A copy of a room is opened under Copies; a list comes as .xlsx, .ods or CSV.',
  password: 'The spreadsheet is locked with a password. Save it without one, or save the list as CSV, and bring that.',
  brokenWorkbook: 'The spreadsheet cannot be read: the file may have been cut off. Open and save it once more, or save the list as CSV.',
  noRows: 'There are headings but no rows below them.',
  tooManyRows: 'The list has more than 200,000 rows: more than anybody has sets. Nothing was taken. Part it into several lists.',
  cellTooLong: 'One cell is longer than any set could be described: a quotation mark that was never closed, perhaps. Nothing was taken.',
  brokenQuotes: 'A quotation mark is opened and never closed, so the rows cannot be told apart.',
}

const DIVIDERS: Readonly<Record<string, string>> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs' }

export const importWords = {
  title: 'Bring in a list',
  lead: 'Choose the list you keep. Nothing is taken in until you say so, and then it is one step that can be undone.',
  choose: 'Choose your list',
  kinds: 'A spreadsheet (.xlsx, .ods) or a CSV file.',
  pasteTitle: 'Or paste cells',
  pasteHint: 'Copy the cells in your spreadsheet, with the headings, and paste them here.',
  pasted: 'Pasted cells',
  sheet: 'Sheet',
  opening: 'Opening the file',
  drop: 'or drop it here',
  example: 'The first line holds the headings: Name, Brand, Themes, Size, Where, or whatever you call them.',
  comparing: (done: number, total: number) => `Comparing brand ${figure(done)} of ${figure(total)} with the others`,
  reading: (done: number, total: number) => `Reading row ${figure(done)} of ${figure(total)}`,
  writing: (done: number, total: number) => `Taking in ${figure(done)} of ${figure(total)}`,
  fileFacts: (name: string, rows: number, columns: number, source: ListSource) =>
    `${name}: ${counted(rows, 'row')}, ${counted(columns, 'column')}` +
    (source.kind === 'sheet' ? ` on the sheet “${source.name}”.` : `, divided by ${DIVIDERS[source.delimiter] ?? source.delimiter}.`),
  above: (lines: readonly string[]) =>
    `${countedThat(lines.length, 'line', 'stands', 'stand')} above the headings and ${lines.length === 1 ? 'is' : 'are'} left out: ` +
    `${lines.join(' / ')}`,
  withoutValue: (count: number) =>
    `${countedThat(count, 'formula', 'has', 'have')} no value in the file. Formulas are never run: open the list in your spreadsheet, ` +
    'save it once, and bring it again.',
  merged: (count: number) =>
    `${countedThat(count, 'joined cell', 'covers', 'cover')} more than one row. What ${count === 1 ? 'it says' : 'they say'} is taken ` +
    `for each row.`,
  problem: (code: Problem, line?: number) => `${PROBLEMS[code]}${line ? ` It begins near row ${line}.` : ''} Nothing was changed.`,
  stepColumns: 'What each column is',
  stepBrands: 'Brands that look the same',
  stepKinds: 'Words for the kind',
  stepQuestions: 'What could mean two things',
  stepOpen: 'What stays open',
  columnsHint:
    'Guessed from the headings and from what the cells look like. Change any that is wrong; what has no field goes to the notes.',
  field: FIELDS,
  because: {
    heading: 'by its heading',
    content: 'by its cells',
    both: 'by heading and cells',
    taken: 'another column has that field, so it is kept in the notes',
    nothing: 'no guess, so it is kept in the notes',
  },
  previewTitle: 'The first rows, as they are read',
  asWritten: 'As written',
  brandsHint: 'Each line becomes one brand; the other spellings still find it. Take the tick off a spelling that is a brand of its own.',
  brandCalled: (name: string) => `What ${name} is called`,
  mayBeTitle: 'Perhaps the same brand',
  mayBeHint: 'These stay brands of their own. Tick those that are one brand with the other.',
  mayBe: (name: string, other: string) => `${name} is ${other}`,
  joinDoubt: DOUBTS,
  joinReason: REASONS,
  spelling: (text: string, count: number) => `${text} (${figure(count)})`,
  kindsHint: 'What the words in this column mean here.',
  kindAs: { kind: 'Kind', category: 'Category', newKind: 'New kind', keep: 'Keep as text' },
  sizeUnit: (count: number) => `${counted(count, 'size')} without a unit`,
  sizeUnitWhy: (inches: number, centimetres: number) => {
    if (centimetres > 0)
      return `Of those with a unit, ${figure(inches)} are in inches and ${figure(centimetres)} in centimetres: these could be either.`
    return inches === 1 ? 'The only size that has a unit is in inches.' : `All ${figure(inches)} sizes that have a unit are in inches.`
  },
  farNumbers: (count: number) => `${counted(count, 'number')} far above the others`,
  farWhy: 'A code of the maker, perhaps. Taken as numbers they stay on their sets, and the running number goes on from the others.',
  farOlder: 'Keep them as older numbers',
  farNumber: 'They are the numbers of their sets',
  sizeUnitAsk: 'Too few sizes have a unit to tell.',
  inches: 'Inches',
  centimetres: 'Centimetres',
  millimetres: 'Millimetres',
  keep: 'Leave as text, ask me later',
  dateOrder: (count: number) => `${counted(count, 'date')} like 3/4/2019`,
  dateOrderWhy: (monthFirst: number, dayFirst: number, own: DateOrder | null) => {
    if (monthFirst > 0 && dayFirst > 0)
      return `${counted(monthFirst, 'other date')} can only have the month first, and ${figure(dayFirst)} only the day. The list is mixed.`
    if (monthFirst > 0) return `${counted(monthFirst, 'other date')} can only have the month first, none the day.`
    return dayFirst > 0
      ? `${counted(dayFirst, 'other date')} can only have the day first, none the month.`
      : 'No date of the list has a day above 12, so the list does not say.' +
          (own ? ` In your room ${own === 'dayFirst' ? 'the day' : 'the month'} comes first.` : '')
  },
  monthFirst: 'Month first',
  dayFirst: 'Day first',
  shortYears: (count: number) => `${counted(count, 'date')} with a year of two figures`,
  shortYearsWhy: (year: number) => `Read as the latest such year that is not after ${year}.`,
  yes: 'Yes',
  no: 'No',
  readThem: 'Read them so',
  ticks: (count: number, field: 'used' | 'matchingDie') => `${counted(count, 'x', 'x')} under ${FIELDS[field]}`,
  ticksWhy: (isAlone: boolean) =>
    isAlone ? 'Nothing else stands in this column, so an x is most likely a tick.' : 'Does x mean yes or no here?',
  claimed: (field: ListField, columns: number) => `${counted(columns, 'column')} could be: ${FIELDS[field]}`,
  claimedWhy: 'The likeliest by its heading and its cells is taken, and the others are kept in the notes.',
  column: (heading: string, at: number) => heading || `Column ${figure(at + 1)}`,
  themeSigns: (count: number) => `${countedThat(count, 'theme', 'has', 'have')} a stroke, a plus or an & in ${count === 1 ? 'it' : 'them'}`,
  themeSignsWhy: (text: string, parts: readonly string[]) =>
    `Divided where its parts stand alone elsewhere in the list: “${text}” ` +
    `${parts.length > 1 ? `becomes ${listOf(parts.map(part => `“${part}”`))}` : 'stays one theme'}.`,
  signsTell: 'As the list tells',
  signsDivide: 'Divide them all',
  signsWhole: 'Keep them whole',
  questions: QUESTIONS,
  textCount: (text: string, count: number) => (count > 1 ? `${text} × ${count}` : text),
  moreTexts: (count: number) => `and ${figure(count)} more`,
  openHint: 'These texts stay on their sets as questions until you answer them. Nothing is lost.',
  noOpen: 'Everything could be read.',
  places: (count: number) =>
    `${countedThat(count, 'set', 'comes', 'come')} with a place as your list ` +
    'writes it. It is kept with the set until somebody has looked there.',
  repeated: (count: number) =>
    `${countedThat(count, 'name', 'stands', 'stand')} more than once with the same brand. All rows are taken in.`,
  sums: (report: ImportReport) =>
    `${counted(report.rows, 'row')}: ${figure(report.taken)} taken, ${figure(report.withQuestion)} ` +
    `taken with a question, ${figure(report.refused.length)} refused.`,
  refused: (because: 'blankRow' | 'rowTooLong', rows: readonly number[]) =>
    `Refused because ${because === 'blankRow' ? 'blank' : 'longer than any set could be described'}: ` +
    `row ${rows.slice(0, 20).join(', ')}${rows.length > 20 ? ' ...' : ''}.`,
  take: (count: number) => `Take in ${counted(count, 'set')}`,
  done: (count: number) => `${countedThat(count, 'set', 'is', 'are')} in. One undo takes ${count === 1 ? 'it' : 'all of them'} out again.`,
  doneTitle: 'The list is in',
  look: 'Look at them',
  another: 'Bring in another list',
  answerThem: 'Answer the questions',
  placeThem: 'Give them places',
  cancelled: 'Stopped. Nothing was taken in.',
  listNotKept:
    'This browser has no room to keep the list while you look at it: take it in before you leave or reload this page, or choose it ' +
    'again then.',
  full:
    'The storage of this browser is full. Nothing was taken in, and what ' +
    'was there is safe. Make room under Copies, and try it once more.',
  crashed: 'The reading broke off. Nothing was taken in; please try once more.',
} as const
