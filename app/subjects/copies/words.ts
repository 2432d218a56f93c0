import type { DateOrder, ShelvesFrom } from '#core/catalog'
import { counted, countedThat } from '#core/grammar'
import type { Progress } from '~/data/worker'

/** What each stage of long work is called. */
const STAGES: Readonly<Record<string, string>> = {
  checking: 'Checking',
  mending: 'Mending',
  packing: 'Packing',
  pictures: 'Making small pictures',
  writing: 'Writing',
}

export const copyWords = {
  title: 'Copies',
  lead: 'All you typed lives in this browser only. A copy is yours to keep wherever you like.',
  saveTitle: 'Save a copy',
  saveHint: 'One file with everything: sets, places, photos, settings. It can be opened here or on any other machine.',
  save: 'Save a copy now',
  saved: (size: string, missing: number) =>
    missing === 0
      ? `The copy is saved (${size}). It holds the whole catalogue.`
      : `The copy is saved (${size}). It holds all but ${counted(missing, 'photo')} that this browser no longer has.`,
  rescueTitle: 'A rescue copy',
  rescueHint:
    'Everything as it lies in the storage, unchecked: for when the room does not open, or a copy cannot be saved. Opened here, as much ' +
    'of it is read as goes, and you are told what was left out.',
  rescue: 'Save a rescue copy',
  rescueName: (day: string) => `Rescue ${day}.yondercrest.zip`,
  rescued: (records: number, unread: number) =>
    unread === 0
      ? `The rescue copy is saved, with ${counted(records, 'record')}.`
      : `The rescue copy is saved, with ${counted(records, 'record')}. ${countedThat(unread, 'record', 'was', 'were')} beyond reading.`,
  nothingToRescue: 'This browser holds no room, so there is nothing to save.',
  notRescued: 'The browser does not let its storage be read, so nothing could be saved. Reload this page, and try it once more.',
  fileName: (room: string, day: string) => `${room} ${day}.yondercrest.zip`,
  listTitle: 'The list as a table',
  listHint: 'A CSV file that any spreadsheet opens: one line a set.',
  list: 'Save the list',
  listName: (room: string, day: string) => `${room} ${day}.csv`,
  restoreTitle: 'Open a saved copy',
  restoreHint: 'It takes the place of what is here. Undo brings that back.',
  restore: 'Choose a copy',
  howFar: ({ stage, done, total }: Progress) => `${STAGES[stage] ?? ''} ${done} of ${total}`.trimStart(),
  restored: (count: number, missing: number) =>
    missing === 0
      ? `${countedThat(count, 'set', 'is', 'are')} back, photos and all.`
      : `${countedThat(count, 'set', 'is', 'are')} back. ${countedThat(missing, 'photo', 'is', 'are')} not in the copy.`,
  refusal: {
    notAZip: 'This file is not a copy made here: it is not an archive at all.',
    foreign: 'This is an archive, but not one of a catalogue made here.',
    tooLarge: 'This archive would unpack to more than any catalogue holds.',
    damaged: 'This copy is damaged',
    newer: 'This copy was made by a newer version than this one. Please update first.',
    badRecord: 'This copy holds something that no catalogue has',
    fileMissing: 'A part of this copy is missing',
    fileUnlisted: 'This copy holds a file that it does not list',
  },
  readAnyway: 'Read as much as goes',
  readAnywayHint: 'What cannot be read is set aside or left out, and you are told what. What is here now comes back with Undo.',
  notWhole: (mended: number, left: number, aside: number, leftOut: readonly string[]) =>
    [
      mended > 0 ? `${countedThat(mended, 'thing', 'was', 'were')} not right and ${mended === 1 ? 'was' : 'were'} mended.` : '',
      left > 0 ? `${countedThat(left, 'thing', 'is', 'are')} not right, and only you can say what would be.` : '',
      aside > 0 ? `${countedThat(aside, 'record', 'is', 'are')} set aside.` : '',
      leftOut.length > 0 ? `Left out: ${leftOut.slice(0, 5).join(', ')}${leftOut.length > 5 ? ' ...' : ''}.` : '',
    ]
      .filter(Boolean)
      .join(' '),
  refused: (sentence: string, where: string) =>
    `${sentence}${where ? ` (${where})` : ''}. It was refused whole; nothing was changed.`.replace('..', '.'),
  dateOrder: 'Dates such as 3/4/2019',
  dateOrderAsked: 'ask each time',
  dateOrders: { monthFirst: 'the month comes first', dayFirst: 'the day comes first' } satisfies Record<DateOrder, string>,
  shelvesFrom: 'Shelves are counted',
  shelvesFroms: { top: 'from the top', floor: 'from the floor' } satisfies Record<ShelvesFrom, string>,
  startTitle: 'Begin again',
  startEmpty: 'Start empty',
  startEmptyHint: 'The usual kinds and categories, one shelf, one bin.',
  demo: 'Load the demo room',
  demoHint: 'The letter room at Lantern Quay, to try things out.',
  guardTitle: 'Your own catalogue comes first',
  guard: (count: number) =>
    `You have ${counted(count, 'set')} of your own here, and no copy holds them as they are now. Save a copy, and then go on.`,
  guardButton: 'Save a copy, then go on',
  started: 'The room is empty. Undo brings back what was here.',
  demoLoaded: 'The demo room is set up. Undo brings back what was here.',
  crashed: 'That broke off. Your catalogue is as it was; please try once more.',
  cancelled: 'Stopped. Nothing was changed.',
  storageTitle: 'Room in this browser',
  storageLead: 'Your records are small; pictures and the steps that can be undone take the room.',
  storageUsed: (used: string, of: string) => `${used} used of about ${of} that the browser allows.`,
  persisted: 'The browser has promised to keep this room, also when the disk gets full.',
  notPersisted: 'The browser may clear this room by itself when the disk gets full: keep a copy elsewhere.',
  askToKeep: 'Ask the browser to keep it',
  picturesTake: (size: string) => `Pictures take ${size}.`,
  unnamedTake: (count: number, size: string) =>
    count === 0 ? 'Every picture belongs to something.' : `${counted(count, 'picture')} that nothing names any more: ${size}`,
  sweep: 'Clear them',
  swept: (count: number) => `${counted(count, 'picture')} cleared. No set has lost one.`,
  stepsTake: (count: number, size: string) => (count === 0 ? 'There are no steps to undo.' : `${counted(count, 'step')} to undo: ${size}`),
  forget: 'Forget the steps',
  forgotten: (count: number) => `${counted(count, 'step')} forgotten. All is as it was, and nothing before can be undone.`,
  settingsTitle: 'How this room reads',
  roomName: 'Name of the room',
  units: 'Sizes in',
  unit: { in: 'inches', cm: 'centimetres' },
  demoFull: 'There is no room for the demo room: the storage of this browser is full. Nothing was changed.',
  demoMissing: 'The demo room could not be fetched. Is the application still running? Nothing was changed.',
  ticks: 'Ticks of your trimmer',
  tick: (ticks: number) => `1/${ticks} in`,
  reduced: 'Fractions',
  reducedYes: '3/8',
  reducedNo: 'as ticks: 6/16',
  currency: 'Money',
  lifting: 'The browser may clear its storage when the disk is full. Keep a copy elsewhere.',
  megabytes: (bytes: number) => {
    if (bytes > 1e9) return `${(bytes / 1e9).toFixed(1)} GB`
    return bytes > 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1e3))} kB`
  },
} as const
