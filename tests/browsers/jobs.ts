import { chance } from '../../demo/random'
import type { Hands } from './hands'

/** One job of a browser. It throws where something is not as it should be. */
type Job = readonly [name: string, work: (hands: Hands) => Promise<void>]

const LIST = 'Name,Brand,Size\nKelp by Night,Greywether,4 x 6 in\nLast Ferry Out,Tidewrack,A6\n'
const OPEN = 'document.querySelector("[data-headline]")?.textContent.startsWith("All 36")'
const ZIP = 'application/zip'
/** What the page hands out as a file is caught on its way. */
const CATCH_FILES = `const make = URL.createObjectURL; window.caught = [];
  URL.createObjectURL = file => { window.caught.push(file); return make.call(URL, file) }`

/** The main job, from an empty browser to a room brought back, one after the other. */
export const MAIN_JOB: readonly Job[] = [
  [
    'open',
    async hands => {
      await hands.open('/')
      await hands.until(OPEN)
    },
  ],
  [
    'a list in',
    async hands => {
      await hands.open('/take-in/list')
      await hands.chooseFile('input[type=file]', 'quay.csv', 'text/csv', JSON.stringify(LIST))
      await hands.press('Take in 2 sets')
      await hands.sees('[data-taken]')
    },
  ],
  [
    'undo',
    async hands => {
      await hands.press('Undo')
      await hands.says('Undone')
      const names = await hands.table('holdings')
      if (names.includes('Kelp by Night')) throw new Error('the list is still in')
    },
  ],
  [
    'the room',
    async hands => {
      await hands.open('/storeroom')
      await hands.sees('[data-block]')
      await hands.open('/storeroom/fill')
      await hands.says('%')
    },
  ],
  [
    'ask',
    async hands => {
      await hands.open('/?ask=flower')
      await hands.sees('[data-ask="flower"]')
      await hands.sees('[data-mat-item] img')
      await hands.says('in other words')
    },
  ],
  [
    'fetch',
    async hands => {
      await hands.open('/find/pull')
      await hands.pressAt('[data-taken]')
      await hands.says('1 of ')
    },
  ],
  [
    'print',
    async hands => {
      await hands.open('/index')
      await hands.pressAt('[data-make]')
      await hands.sees('[data-ready]')
    },
  ],
  [
    'measure',
    async hands => {
      await hands.open('/take-in/measure')
      await hands.select('#sheet select', 'A4')
      const photo = `fetch('/api/camera?seed=4&reference=A4&megapixels=1.5').then(answer => answer.blob())`
      await hands.chooseFile('#sheet input[type=file]', 'photo.jpg', 'image/jpeg', photo)
      await hands.press('Measure')
      await hands.sees('[data-measured]')
    },
  ],
  [
    'a copy, and back',
    async hands => {
      await hands.open('/copies')
      await hands.says('Save a copy now')
      await hands.tab.run(CATCH_FILES)
      const before = await hands.table('holdings')
      await hands.press('Save a copy now')
      await hands.says('The copy is saved')
      await hands.press('Start empty')
      await hands.says('The room is empty.')
      await hands.chooseFile('input[accept^=".zip"]', 'copy.zip', ZIP, 'window.caught[0]')
      await hands.says('360 sets are back')
      if ((await hands.table('holdings')) !== before) throw new Error('the sets are not as they were')
    },
  ],
  [
    'a label without a camera',
    async hands => {
      await hands.open('/find/pull')
      await hands.pressAt('[data-scan]')
      // Where the browser lends no camera no button says so; where it does, and there is none, that is told.
      const lends = await hands.tab.run<boolean>('return Boolean(navigator.mediaDevices?.getUserMedia)')
      await hands.says(lends ? 'into the camera' : 'This browser lets pages use no camera')
      if (lends) {
        await hands.pressAt('[data-scan-camera]')
        await hands.says('The camera cannot be used')
      } else await hands.until('!document.querySelector("[data-scan-camera]")')
    },
  ],
  [
    'a reload in the middle',
    async hands => {
      await hands.open('/copies')
      await hands.press('Save a copy now')
      await hands.tab.reload()
      await hands.open('/')
      await hands.until(OPEN)
      await expectFree(hands)
    },
  ],
]

async function expectFree(hands: Hands): Promise<void> {
  const held = await hands.heldTables()
  if (held.length > 0) throw new Error(`held by a page that was left: ${held.join(', ')}`)
}

/** Work of each worker, begun and not waited for. */
const BEGUN: readonly Job[] = [
  ['the index of asks', hands => hands.open('/?ask=flower')],
  ['advice', hands => hands.open('/take-in')],
  [
    'a photo compared',
    async hands => {
      await hands.open('/find/picture')
      await hands.pressAt('[data-stand-in]')
    },
  ],
  [
    'a copy',
    async hands => {
      await hands.open('/copies')
      await hands.press('Save a copy now')
    },
  ],
  ['the whole room looked through', hands => hands.open('/copies/check')],
  ['pages laid out', hands => hands.open('/index')],
  ['cards laid out', hands => hands.open('/index/cards')],
  ['how sets fit', hands => hands.open('/take-in/tidy')],
]
const MOST_WAIT_MS = 1500

/** Each work is left at a seeded moment, by a reload or by another address; after each nothing may be held. How many were left. */
export async function leaveInTheMiddle(hands: Hands, rounds: number, seed: number): Promise<number> {
  const luck = chance(seed)
  await hands.open('/')
  await hands.until(OPEN)
  for (let round = 0; round < rounds; round += 1) {
    const [name, begin] = luck.pick(BEGUN)
    const ms = luck.whole(0, MOST_WAIT_MS)
    const isReload = luck.unit() < 0.5
    try {
      await begin(hands)
      await new Promise(resolve => setTimeout(resolve, ms))
      if (isReload) await hands.tab.reload()
      await hands.open('/storeroom/fill')
      await hands.says('%')
      await expectFree(hands)
    } catch (reason) {
      throw new Error(`round ${round + 1}, ${name}, left after ${ms} ms by ${isReload ? 'a reload' : 'its address'}`, { cause: reason })
    }
  }
  return rounds
}
