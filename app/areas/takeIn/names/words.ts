import type { NameOutcome } from '~/db/commands'
import type { KindFamily, ThemeSchool } from '#core/catalog'
import type { LegendLine } from '#core/classing'
import { counted } from '#core/grammar'
import { slipWords } from '~/subjects/set/words'

export const nameWords = {
  title: 'Names',
  button: 'Names',
  lists: { brands: 'Brands', categories: 'Categories', themes: 'Themes', kinds: 'Kinds', marks: 'Marks' },
  listsLabel: 'Which names',
  orderHint:
    'The order is yours: drag a name, or press m and then the arrows. A corner of the storeroom that follows your own order goes by it.',
  brandHint: 'A variant spelling means the same brand wherever it is typed or read.',
  empty: {
    brands: 'No brand yet. Brands appear here as you take in sets, or make one now.',
    categories: 'No category yet.',
    themes: 'No theme yet. Themes appear here as you take in sets, or make one now.',
    kinds: 'No kind yet.',
  },
  sets: (count: number) => counted(count, 'set'),
  make: { brands: 'New brand', categories: 'New category', themes: 'New theme', kinds: 'New kind' },
  name: 'Preferred name',
  variants: 'Other spellings',
  variantsHint: 'Divided by commas',
  abbreviation: 'On labels',
  abbreviationHint: 'At most 12 letters',
  numbering: 'It numbers its sets itself',
  numberingHint: 'What it prints on a set, such as B1079, is then the number of that set. Sets without one count with the others.',
  retired: 'It has closed, or was taken over',
  successor: 'Now sold as',
  successorHint: 'Its sets may stand with the new brand',
  nobody: 'nobody',
  seeAlso: 'See also',
  seeAlsoHint: 'Names to look under as well, divided by commas; only names of this list count',
  notes: 'Notes',
  keep: 'Keep',
  kept: (name: string) => `${name} is kept.`,
  join: 'Join into another',
  joinLead: (name: string, count: number) => `${counted(count, 'set')} of ${name} will go over. Undo takes it back.`,
  joinInto: 'Into',
  joinNow: 'Join',
  joined: (count: number) => `Joined. ${counted(count, 'set')} went over.`,
  split: 'Split sets off',
  splitLead: 'The sets you mark go to a new name; the others stay.',
  splitName: 'The new name',
  splitNow: (count: number) => `Split ${counted(count, 'set')} off`,
  splitDone: (name: string, count: number) => `${name} has ${counted(count, 'set')} of its own.`,
  variantTooLong: 'A spelling has room for 300 letters. Divide them by commas.',
  problems: { nameMissing: 'A name, please.', gone: 'That name is not there any more. Another tab may have joined it.' },
  taken: (by: string) => `That spelling belongs to ${by}. Join the two if they are the same.`,
  carry: (name: string) => `${name}: arrows move it, Enter sets it down.`,
  // Pages shared under a letter
  toShare: (names: readonly string[]) =>
    `${counted(names.length, 'theme')} with one set only (${few(names)}) could share pages of the index under their first letters.`,
  shareNow: 'Let them share',
  toOwn: (names: readonly string[]) =>
    `${few(names)} ${names.length === 1 ? 'has' : 'have'} grown enough for a page of ${names.length === 1 ? 'its' : 'their'} own.`,
  ownNow: 'A page of its own',
  sharesPage: 'Shares a page of the index under its first letter',
  // Start sets
  startThemes: 'Begin with ready-made themes',
  startThemesLead: 'What is there already stays. Rename, join or drop what does not suit you.',
  schools: { occasion: 'By occasion', subject: 'By what it shows', season: 'By season', phrase: 'By what it says' } satisfies Record<
    ThemeSchool,
    string
  >,
  add: 'Add',
  addSchool: (school: string) => `Add the themes of ${school}`,
  schoolAdded: (count: number) => (count === 0 ? 'All of them are there already.' : `${counted(count, 'theme')} added.`),
  // Kinds
  family: 'What it is',
  families: { stamp: 'a stamp', die: 'a die', stencil: 'a stencil', folder: 'a folder', other: 'something else' } satisfies Record<
    KindFamily,
    string
  >,
  suffix: 'Mark behind the number',
  suffixHint: 'At most 4 letters; it says where to look',
  thickness: 'Thickness in its pocket',
  thicknessHint: 'Of one, in its pocket, until the room has learnt better',
  weight: 'Weight of one filled pocket, in grams',
  light: 'Daylight harms it',
  mayTrim: 'It may be trimmed',
  mayCut: 'It may be cut in two',
  thicknessProblem: 'Write the thickness like 5 mm or 1/4 in.',
  // Marks
  marks: 'Marks',
  marksLead: 'What you print or stick on a set to say what it goes with. Each mark means one thing; leave a line empty to use none.',
  markTaken: (mark: string, meaning: string) => `${mark} means "${meaning}" already. A mark has one meaning.`,
  markKept: (way: string) => `The mark for "${way}" is kept.`,
  kindMark: (kind: string) => `Kind: ${kind}`,
  wouldMove: (count: number) =>
    count === 0 ? 'No set would have to be moved by this order.' : `${counted(count, 'set')} would stand out of order by this.`,
  wouldMoveHint: 'Nothing is moved by taking it: they can be re-filed, or left.',
  orderTitle: 'What this would put out of order',
  takeOrder: 'Take it',
  putBack: 'Leave it as it was',
} as const

function few(names: readonly string[]): string {
  return names.length > 4 ? `${names.slice(0, 4).join(', ')} ...` : names.join(', ')
}
/** What a line of the legend says. */
export function meaningOf(line: LegendLine): string {
  return line.kind ? nameWords.kindMark(line.kind.name) : slipWords.relation[line.way]
}

/** Why a name was refused. `mark`: the mark that was asked for. */
export function nameProblem(outcome: Extract<NameOutcome, { readonly ok: false }>, mark: string): string {
  if (outcome.code === 'nameTaken') return nameWords.taken(outcome.by)
  return outcome.code === 'markTaken' ? nameWords.markTaken(mark, meaningOf(outcome.by)) : nameWords.problems[outcome.code]
}
