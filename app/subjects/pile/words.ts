import type { Stage } from '#core/pile'
import type { LookAlikeVerdict } from '#core/classing'
import type { HolderKind, OpenQuestion } from '#core/catalog'
import { counted, figure } from '#core/grammar'

const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  capture: 'Note down',
  class: 'Describe',
  fit: 'Pocket',
  label: 'Label',
  file: 'Put away',
}
const HOLDER_NAMES: Readonly<Record<HolderKind, string>> = {
  pocket: 'a pocket',
  sleeve: 'a sleeve',
  case: 'a case',
  celledPage: 'a cell of a page',
  bag: 'a bag',
  ring: 'a ring',
  trayCell: 'a cell of a tray',
  box: 'a box',
  none: 'nothing, it stands as it is',
}
const seconds = (count: number): string =>
  count < 90 ? `${Math.round(count)} s` : `${Math.floor(count / 60)} min ${Math.round(count % 60)} s`

const VERDICTS: Readonly<Record<LookAlikeVerdict, string>> = {
  same: 'Looks the same',
  edition: 'Another edition of it, perhaps',
  similar: 'Only similar',
}
const firstFew = (names: readonly string[]): string => `${names.slice(0, 3).join(', ')}${names.length > 3 ? ' ...' : ''}`

const DATE_PROBLEM = 'Write the date like 2026-11-23 or 23 Nov 2026.'
const DETAIL_PROBLEMS: Readonly<Partial<Record<OpenQuestion['code'], string>>> = {
  dateUnread: DATE_PROBLEM,
  dateOrderUnknown: DATE_PROBLEM,
  priceUnread: 'Write the price like 12.50 or 12,50 EUR.',
}

export const pileWords = {
  stages: STAGE_NAMES,
  stagesLabel: 'Stages of the pile',
  stageHint: {
    capture: 'photo, name, brand',
    class: 'kind, category, themes',
    fit: 'what it sits in',
    label: 'number on the thing',
    file: 'into its place',
  } satisfies Record<Stage, string>,
  // Photos
  photos: 'Choose photos',
  photosHint: 'or drop or paste any number of them: each becomes a set on the pile',
  photosBusy: 'Reading photos',
  photosIn: (taken: number, refused: readonly string[]) =>
    `${counted(taken, 'photo')} on the pile.${refused.length > 0 ? ` Not a picture, or too large: ${firstFew(refused)}.` : ''}`,
  // Strips
  pileTitle: (count: number) => `${counted(count, 'set')} on the pile`,
  pileLead: 'They have no number yet. Open one to name it.',
  moreStrips: (count: number) => `and ${figure(count)} more behind them`,
  unnamed: 'No name yet',
  staysOnPile: (name: string) =>
    `The storage of this browser is full: ${name} was not taken in, and waits on the pile. Make room under Copies, and open it again.`,
  stripGone: 'This one was taken in in another tab. Nothing was taken in a second time.',
  openElsewhere: 'Another tab has this one open. Go on there, or close that tab first.',
  takenElsewhere: 'Another tab opened the same one first. What you typed here is a set of its own now.',
  makeRoom: 'Make room',
  notKept: {
    full: 'The storage of this browser is full: what you type stays in this tab only. Make room, and it is kept.',
    refused: 'This browser keeps nothing for this page: what you type is gone once you leave it.',
    other: 'What you type could not be kept. Stay on this page, and try it once more.',
  },
  drop: (name: string) => `Take ${name || 'this one'} off the pile`,
  dropped: 'It is off the pile. Undo brings it back.',
  next: 'Next one',
  nextHint: 'Enter',
  captured: (code: string, name: string, stage: string) => `${code} ${name} is in. It waits at ${stage}.`,
  wordsTooMany: 'There is room for 400 words or phrases, each of 300 letters. The rest can go to the notes.',
  themesFull: 'A set has room for 40 themes. Take one off first.',
  nameTooLong: 'A name has room for 300 letters. The rest can go to the notes.',
  far: (written: string) =>
    `${written} is far above your numbers. It is kept as a code that stands on it; tick here if it is the number of the set.`,
  written: 'Number written on it',
  writtenHint: 'Taken over if it is free; otherwise kept as another number of it',
  dateFuture: 'That day is still to come.',
  /** What is wrong with a detail that could not be read, by the question that it leaves open. */
  detailProblem: (ask: OpenQuestion['code'] | null): string => (ask && DETAIL_PROBLEMS[ask]) || 'This could not be read.',
  more: 'More',
  moreWays: 'More: a few minutes, my way of working, names, numbers',
  // Brands
  sameBrand: (name: string) => `The same as ${name}?`,
  sameBrandYes: (name: string) => `Yes, ${name}`,
  // Look-alikes
  ownIt: 'Own it already?',
  lookAlike: (verdict: LookAlikeVerdict, isByPicture: boolean, isOnPile: boolean) =>
    `${VERDICTS[verdict]}, ${isByPicture ? 'by its picture' : 'by its name'}${isOnPile ? ', on this pile' : ''}`,
  // Suggestions
  suggested: (name: string, because: readonly string[], examples: number) =>
    `${name}, for ${because.join(', ')} ` +
    `(${examples === 0 ? 'by the meaning of the word' : `learnt from ${counted(examples, 'set')} of yours`})`,
  brandWord: (name: string) => `brand ${name}`,
  accept: (name: string) => `Take ${name}`,
  acceptHint: 'Arrow right in the empty field takes the suggestion',
  // Search words
  searchWords: 'Search words',
  searchWordsHint: 'Not on the set, but you might look for it by them',
  suggestWords: 'Suggest search words',
  noSearchWords: 'The lexicon knows none of these words.',
  lexicon: 'Meanings from WordNet 3.1, Princeton University.',
  wider: 'is a kind of',
  narrower: 'kinds of it',
  synonyms: 'also called',
  removeWord: (word: string) => `Take the search word ${word} off`,
  workTitle: 'Work through the pile',
  left: (at: number, of: number) => `${at} of ${of}`,
  none: (stage: Stage) => `Nothing waits at ${STAGE_NAMES[stage]}.`,
  noneLead: 'Sets come here from Note down. Choose another stage above, or note some down.',
  toCapture: 'Note sets down',
  done: { class: 'That describes it', fit: 'This is its pocket', label: 'It is labelled', file: 'It stands there' } satisfies Record<
    Exclude<Stage, 'capture'>,
    string
  >,
  skip: 'Not now',
  allTheWay: 'One set all the way',
  allTheWayHint: 'After this stage, the same set goes on to its next one',
  fitAsk: 'What does it sit in?',
  fitHolder: HOLDER_NAMES,
  fitUsual: (kind: string) => `You chose this for the last ${kind}`,
  labelAsk: 'Write or stick this on it',
  printLabels: 'Print the labels of all that wait',
  labelHint: "The number is the set's for ever. Whatever stands on it already can stay: it is kept as another number of it.",
  adhesiveCaution: "Keep adhesive labels off the stamps themselves: some degrade in contact. Follow the maker's instructions.",
  fileCaution: 'Do not climb with a full bin, and keep heavy ones low.',
  blockCaution: 'Wooden blocks fall hard: stack them low and flat.',
  bladeCaution: 'Steel dies have sharp edges: hold them by the foam or the rim.',
  forNow: (place: string) => `For now: ${place}`,
  forNowNone: 'No place chosen',
  forNowDone: (name: string, place: string) => `${name} stands in ${place} for now.`,
  inPack: (count: number) => `You are working through a pack: ${counted(count, 'set')}. Others wait until it is done.`,
  leavePack: 'Leave the pack',
  packDone: 'The pack is done: every set of it is in its place.',
  // Ten minutes
  tenMinutes: 'I have a few minutes',
  minutes: 'How many minutes do you have?',
  minutesLead: 'You get as many sets as you can bring all the way to their place in that time.',
  packNone: 'Not one set can be finished in that time. Give it a little longer.',
  packEmpty: 'Nothing waits. Note some sets down first.',
  pack: (sets: number, time: number) => `${counted(sets, 'set')}, about ${seconds(time)}, every one ends at its place.`,
  packStage: (stage: Stage, count: number) => `${STAGE_NAMES[stage]} ${counted(count, 'set')}`,
  paceMeasured: (time: number, on: number) => `${seconds(time)} a set, your own pace over ${counted(on, 'step')}`,
  paceAssumed: (time: number) => `${seconds(time)} a set, assumed: you have not done enough of it yet`,
  start: 'Start',
  // How I work
  how: 'My way of working',
  howLead: 'It can be changed at any time; nothing that is put away moves.',
  collection: 'How many sets do you have, or will you?',
  collections: { few: 'Few, up to fifty', some: 'Some hundreds', many: 'A thousand and more' },
  collectionSays: {
    few: 'No catalogue pages: sets stand with their theme, and only Describe and Put away are left to do.',
    some: 'The full method: a number, a pocket and a label each. A growing collection pays later for starting small.',
    many: 'The full method, in batches: one stage through the whole pile at a time.',
  },
  stagesUsed: 'Stages between Note down and Put away',
  originals: 'Keep photos byte for byte as they came',
  originalsHint: 'Otherwise they are turned upright and scaled to 2400 pixels',
  forNowPlace: 'Place for now',
  forNowLead: 'Where sets stand until there is time to put them away',
} as const
