import type { LocaleSettings } from '#core/catalog'
import { AREAS } from '~/areas'
import type { RoomTrouble } from '~/data/abilities'
import { counted, countedThat, figure, moment } from '#core/grammar'

export const shellWords = {
  areasLabel: 'Areas',
  ask: 'Look for a set',
  askLabel: 'Ask',
  askClear: 'Clear the ask',
  unitShort: { in: 'inches', cm: 'cm' },
  unitSwitch: (unit: 'in' | 'cm') => `Sizes in ${unit === 'in' ? 'inches' : 'centimetres'}. Change`,
  lampDay: 'Day bench',
  lampNight: 'Night bench',
  undo: 'Undo',
  redo: 'Do again',
  steps: 'What was done',
  stepsHint: 'The latest first. Undoing one undoes those after it.',
  noSteps: 'Nothing has been done yet that could be undone.',
  copies: 'Copies',
  copyAt: (at: string) => `Copy saved ${moment(at)}`,
  copyNever: 'No copy saved yet',
  copyStale: (count: number) => `${counted(count, 'step')} since`,
  shortcuts: 'Keys',
  more: 'More: day or night, keys',
  slow:
    'This takes longer than it should. A page that was left before may still hold the storage, so the room is read another way ' +
    'meanwhile. If it does not open, close every window of the browser and open it again. Nothing is lost by that.',
  troubles: {
    blocked: {
      what: 'Another tab holds the room',
      then:
        'This is a newer version, and it has to bring the room up to date. ' +
        'Close the other tabs of this page: it goes on here by itself.',
    },
    newer: {
      what: 'A newer version is at work',
      then: 'Another tab has brought the room up to date. Nothing is written from this tab any more. Reload this page to go on.',
    },
    cleared: {
      what: 'What this browser kept was cleared',
      then:
        'The room was taken out of the storage of the browser while this page was open. What is on the screen is still here: save it as ' +
        'a copy now, then reload this page and open the copy. Pictures were in the storage, and are not in it.',
    },
    insecure: {
      what: 'This address is not safe enough',
      then:
        'The address begins with http, and the page comes from another machine. To such a page the browser gives no camera, no work ' +
        'without a network, and nothing that keeps two tabs from writing over each other. Open it at an address that begins with ' +
        'https, or on the machine it runs on. Nothing was changed.',
    },
    old: {
      what: 'This browser is too old',
      then:
        'It lacks what measuring, pictures and two tabs at once need. Bring it up to date, or use another. ' +
        'What it keeps of a room is safe, and can be saved to be opened there.',
    },
    refused: {
      what: 'This browser keeps nothing for this page',
      then:
        'The room lives in the storage of the browser, and the browser allows this page none. Allow it to store data, leave ' +
        'private browsing, or use another browser. Nothing was changed.',
    },
    spoilt: {
      what: 'The room cannot be read',
      then:
        'It is there, and something in it is damaged. Reload this page: often that is enough. If it is not, save a rescue copy of all ' +
        'that can be read, and open that copy in another browser, or here after clearing the data of this page. Nothing was changed.',
    },
    full: {
      what: 'The disk is full',
      then:
        'This browser has no space left to open the room. Make some on this machine, and reload this page. What was kept before is safe. ' +
        'A rescue copy can be saved to another disk.',
    },
  } satisfies Record<RoomTrouble, { readonly what: string; readonly then: string }>,
  saveScreen: 'Save what is on the screen',
  keysOn: 'Single keys do something',
  keysOnHint: 'Off, no letter or figure does anything by itself: for those who speak to the machine, or touch keys by chance.',
  notFound: 'There is no such page',
  notFoundThen: 'The address leads nowhere: perhaps a letter is missing. Nothing of yours is lost.',
  ridge: 'The ridge: every container of the room',
  ridgeRaise: 'Raise the ridge: every container of the room',
  ridgeLower: 'Lower the ridge',
  ridgeEmpty: 'Your containers will stand here, each as wide as its filing length and as high as it is full.',
  ridgeBlock: (name: string, fixture: string, sets: number, percent: number, hits: number, stop: number) =>
    `${name}, ${fixture}: ${counted(sets, 'set')}, ${percent} % full` +
    `${hits > 0 ? `, ${counted(hits, 'answer')}` : ''}${stop > 0 ? `, stop ${figure(stop)} of the walk` : ''}`,
  toFetch: (count: number) => `Pull list: ${figure(count)} to fetch`,
  out: (count: number) => `${countedThat(count, 'set', 'is', 'are')} out`,
  placeless: (count: number) => `${figure(count)} without a place`,
  asked: (count: number) => `${countedThat(count, 'set', 'carries', 'carry')} a question`,
  noNetwork: 'No network: all of it works as it is',
  newer: 'A newer version is here. Take it when it suits you: in the head, or with the next start.',
  takeNewer: 'Take the newer version now',
  newerLeft: 'The newer version did not open, so the one before it is open again. Your sets are as they were.',
  takingNewer: 'The newer version comes as soon as no other tab is loading.',
  install: 'Install on this device',
  skip: 'Skip to the bench',
} as const

export const shortcutWords: readonly (readonly [keys: string, what: string])[] = [
  ['/', 'Ask'],
  ['n', 'Take in a new set'],
  ['p', 'Put the marked or opened set on the pull list; else open the list'],
  ['b', 'What is out: put it back'],
  ['u', 'Undo the last step'],
  ['shift u', 'Do it again'],
  [`1 to ${AREAS.length}`, AREAS.map(area => area.word).join(', ')],
  ['?', 'These keys'],
  ['arrows', 'Walk along the mat, the ridge or a row'],
  ['Enter', 'Open what is marked'],
  ['m, arrows, Enter', 'In a bin, drawer or binder: pick a pocket up, carry it, set it down'],
  ['Esc', 'Put down or close'],
]

export const welcomeWords = {
  title: 'A place for every set',
  lead: 'Yondercrest gives each stamp and die set a number and a place, and finds it again.',
  bringList: 'Bring in the list you keep',
  bringListHint: 'Your spreadsheet (.xlsx, .ods), a CSV file, or cells you paste. You see how it is read before anything is taken.',
  startEmpty: 'Start empty',
  startEmptyHint: 'With the usual kinds and categories, one shelf and one bin.',
  roomName: 'Name of your room, if you like',
  roomExample: 'My craft room',
  /** What an empty room begins with, in words. */
  begins: ({ unit, paper, currency, dateOrder }: LocaleSettings) =>
    `A room of your own begins with ${unit === 'in' ? 'inches' : 'centimetres'}, ${paper} paper, prices in ${currency}` +
    `${dateOrder ? `, ${dateOrder === 'dayFirst' ? 'day' : 'month'} first in dates` : ''}: as the language of your browser has it. ` +
    'All of it can be changed later, under Copies and Index.',
  demo: 'Look around the demo room',
  demoHint: 'The letter room at Lantern Quay: 360 sets in five fixtures.',
  restore: 'Open a saved copy',
  restoreHint: 'An archive that you saved here or on another machine.',
  loadingDemo: 'Setting up the demo room',
  undone: (count: number, last: string) =>
    `What was here was undone (${counted(count, 'step')}, the first: ${last}). It can still come back; beginning anew removes it for good.`,
  bringBack: 'Bring it back',
  beginTitle: 'What was undone goes for good',
  begin: 'Begin without it',
} as const
