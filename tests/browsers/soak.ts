import { spawn } from 'node:child_process'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chance, type Chance } from '../../demo/random'
import { Hands } from './hands'
import { answers, freePort, type Life, liveOn } from './tab'

/** One command of a person: what is opened and typed first, and what sets it off. */
interface Command {
  readonly name: string
  /** false: there is nothing for it to do in this room. */
  readonly ready: (hands: Hands, luck: Chance) => Promise<void | boolean>
  readonly go: (hands: Hands) => Promise<void>
  /** It is killed before so many milliseconds: somewhat more than it takes. */
  readonly mostMs: number
  /** What there must be some of. */
  readonly needs?: 'done' | 'undone' | 'toFetch' | 'sets' | 'placeless' | 'placesTold' | 'plans' | 'noPlan'
}
const at = (path: string) => (hands: Hands) => hands.open(path)
const rowOf = (row: number): string => `Row ${row},Brand ${row % 40},Theme ${row % 90},4 x 6 in,${row % 3 ? `Bin ${row % 17}` : ''}`
const listOf = (rows: number): string => ['Name,Brand,Theme,Size,Place', ...Array.from({ length: rows }, (_, row) => rowOf(row))].join('\n')
/** Whether one of two things comes, and not the other. */
async function comes(hands: Hands, css: string, orElse: string): Promise<boolean> {
  await hands.sees(`${css}:not([disabled]), ${orElse}`)
  return hands.tab.run<boolean>('return document.querySelector(given) !== null', `${css}:not([disabled])`)
}
const COMMANDS: readonly Command[] = [
  {
    name: 'a list in',
    mostMs: 3000,
    ready: async (hands, luck) => {
      await hands.open('/take-in/list')
      await hands.chooseFile('input[type=file]', 'quay.csv', 'text/csv', JSON.stringify(listOf(luck.whole(50, 1500))))
      await hands.until(`[...document.querySelectorAll('button')].some(each => each.textContent.trim().startsWith('Take in '))`)
    },
    go: hands => hands.press('Take in '),
  },
  { name: 'undo', mostMs: 2000, needs: 'done', ready: at('/'), go: hands => hands.press('Undo') },
  { name: 'done again', mostMs: 2000, needs: 'undone', ready: at('/'), go: hands => doAgain(hands) },
  { name: 'an empty room', mostMs: 1600, ready: at('/copies'), go: hands => hands.press('Start empty') },
  { name: 'the demo room read', mostMs: 3600, ready: at('/copies'), go: hands => hands.press('Load the demo room') },
  {
    name: 'a set taken in',
    mostMs: 500,
    needs: 'sets',
    ready: async (hands, luck) => {
      await hands.open('/take-in')
      await hands.type('Name', `Quay Study ${luck.whole(1, 999_999)}`)
    },
    go: hands => hands.tab.run(`document.activeElement?.blur(); document.querySelector('#bench form').requestSubmit()`),
  },
  {
    name: 'many sets changed',
    mostMs: 800,
    needs: 'sets',
    ready: async (hands, luck) => {
      await hands.open('/?ask=harbour')
      await hands.pressAt('[data-tool="many"]')
      await hands.type('Add to the notes', `looked at ${luck.whole(1, 999_999)}`)
    },
    go: hands => hands.press('Change '),
  },
  { name: 'taken from its place', mostMs: 300, needs: 'toFetch', ready: at('/find/pull'), go: hands => hands.pressAt('[data-taken]') },
  {
    name: 'the places of a list built',
    mostMs: 1500,
    needs: 'placesTold',
    ready: async hands => {
      await hands.open('/take-in/places')
      return comes(hands, '#sheet button.button-main', '#sheet a[href="/storeroom"]')
    },
    go: hands => hands.pressAt('#sheet button.button-main'),
  },
  {
    name: 'all placed',
    mostMs: 2500,
    needs: 'placeless',
    ready: async hands => {
      await hands.open('/take-in/placeless')
      await hands.pressAt('#sheet button.button-main')
      return comes(hands, '[role=dialog] button.button-main', '[role=dialog] button.button-main[disabled]')
    },
    go: hands => hands.pressAt('[role=dialog] button.button-main'),
  },
  {
    name: 'a plan of moves begun',
    mostMs: 400,
    needs: 'noPlan',
    ready: async (hands, luck) => {
      await hands.open('/storeroom/refile')
      await hands.type('First by', luck.pick(['theme', 'brand', 'category']))
      await hands.press('Work it out')
      return comes(hands, '[data-refiling-answer] button.button-main', '#sheet [role=alert]')
    },
    go: hands => hands.pressAt('[data-refiling-answer] button.button-main'),
  },
  {
    name: 'a step of a plan done',
    mostMs: 400,
    needs: 'plans',
    ready: async hands => {
      await hands.open('/storeroom/refile')
      await hands.sees('[data-refiling][aria-busy=false]')
      return hands.tab.run<boolean>('return document.querySelector("[data-tick]") !== null')
    },
    go: hands => hands.pressAt('[data-tick]'),
  },
  {
    name: 'pages that came out',
    mostMs: 500,
    needs: 'sets',
    ready: async hands => {
      await hands.open('/index')
      // No page is due, or no index was begun.
      const isDue = await hands.until('document.querySelector("[data-make]")', null, 8000).then(
        () => true,
        () => false,
      )
      if (!isDue) return false
      await hands.pressAt('[data-make]')
      await hands.sees('[data-well]')
    },
    go: hands => hands.pressAt('[data-well]'),
  },
]

async function doAgain(hands: Hands): Promise<void> {
  const isOpen = await hands.tab.run<boolean>(`return [...document.querySelectorAll('button')].some(each => each.innerText === 'Do again')`)
  if (!isOpen) await hands.pressAt('button[aria-label="What was done"]')
  await hands.press('Do again')
}

/** What can happen beside the kill. */
const MISHAPS = ['none', 'kept texts spoilt', 'full disk', 'two tabs'] as const
type Mishap = (typeof MISHAPS)[number]
const MOST_SETS = 4000
const SEED = 20_261_202

interface Moment {
  readonly tables: Readonly<Record<string, string>>
  readonly numbers: number
  readonly done: number
  readonly undone: number
  readonly toFetch: number
  readonly sets: number
  readonly placeless: number
  readonly placesTold: number
  readonly plans: number
  readonly noPlan: number
}
/**
 * All that was typed, as a digest of each table, and how many steps there are. Tables that commands do not write to are left out, and
 * the register: a number that was given once is never given again, whatever is undone. It only grows.
 */
const MOMENT = `
  const answered = request => new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result)
    request.onerror = () => reject(request.error)
  })
  const db = await answered(indexedDB.open('yondercrest'))
  const apart = ['device', 'inkMaps', 'shapes', 'thumbs', 'pictures', 'journal', 'journalParts', 'drafts', 'register']
  const names = [...db.objectStoreNames].filter(name => !apart.includes(name)).sort()
  const transaction = db.transaction([...names, 'journal', 'register'])
  const records = await Promise.all(names.map(name => answered(transaction.objectStore(name).getAll())))
  const journal = await answered(transaction.objectStore('journal').getAll())
  const numbers = await answered(transaction.objectStore('register').count())
  db.close()
  const sorted = value => value && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))) : value
  const digestOf = async all => {
    const text = new TextEncoder().encode(JSON.stringify(all, (_, value) => sorted(value)))
    return new Uint8Array(await crypto.subtle.digest('SHA-256', text)).join(' ')
  }
  const tables = {}
  for (const [at, name] of names.entries()) tables[name] = await digestOf(records[at])
  const count = state => journal.filter(each => each.state === state).length
  const of = name => records[names.indexOf(name)]
  const toFetch = of('pullLists').flatMap(({ lines }) => lines.filter(({ takenFromIds }) => takenFromIds.length === 0)).length
  const held = new Set(of('holders').flatMap(({ holdingIds }) => holdingIds))
  const loose = of('holdings').filter(({ id, state }) => !held.has(id) && !['out', 'lent', 'gone'].includes(state))
  const plans = of('refilings').filter(({ state }) => state === 'open').length
  const room = {
    sets: of('holdings').length,
    placeless: Number(loose.length > 1),
    placesTold: loose.filter(({ placeText }) => placeText !== '').length,
    plans,
    noPlan: Number(plans === 0 && of('holders').length > 0),
  }
  return { ...room, tables, numbers, toFetch, done: count('done'), undone: count('undone') }`
const momentOf = (hands: Hands): Promise<Moment> => hands.tab.run<Moment>(MOMENT)

/** Undoes or does again, once, until the journal says so. */
async function swing(hands: Hands, isAgain: boolean): Promise<void> {
  const { done } = await momentOf(hands)
  await (isAgain ? doAgain(hands) : hands.press('Undo'))
  const deadline = performance.now() + 60_000
  while ((await momentOf(hands)).done === done) {
    if (performance.now() > deadline) throw new Error(isAgain ? 'doing again does nothing' : 'undoing does nothing')
    await new Promise(resolve => setTimeout(resolve, 30))
  }
}
async function swings(hands: Hands, count: number): Promise<void> {
  for (let each = 0; each < Math.abs(count); each += 1) await swing(hands, count > 0)
}

function expectSame(is: Moment, was: Moment, otherwise: string): void {
  const others = Object.keys(is.tables).filter(name => is.tables[name] !== was.tables[name])
  if (is.numbers < was.numbers) throw new Error('the register has lost numbers')
  if (others.length > 0) throw new Error(`${otherwise}: ${others.join(', ')}`)
}

type Outcome = 'before' | 'after'

class Soak {
  readonly counts = { before: 0, after: 0 } satisfies Record<Outcome, number>
  readonly mishaps = new Map<Mishap, number>()
  readonly wrong: string[] = []
  private readonly luck = chance(SEED)
  private life: Life | null = null
  private folder = ''

  constructor(
    private readonly base: string,
    private readonly chromium: string,
  ) {}

  private async begin(path: string | null): Promise<Hands> {
    if (this.folder === '') this.folder = await mkdtemp(join(tmpdir(), 'yondercrest-soak-'))
    this.life ??= await liveOn(this.folder, this.chromium)
    const hands = new Hands(await this.life.tab(), this.base)
    if (path !== null) await hands.open(path)
    return hands
  }
  private async kill(): Promise<void> {
    await this.life?.kill()
    this.life = null
  }
  /** A browser that has never been here. */
  async forget(): Promise<void> {
    await this.kill()
    if (this.folder !== '') await rm(this.folder, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 })
    this.folder = ''
  }

  async round(number: number): Promise<void> {
    const { luck } = this
    let mishap = luck.pick(MISHAPS)
    let what = `round ${number}`
    try {
      const hands = await this.begin('/')
      // An empty room has steps too.
      await hands.sees('button[aria-label="What was done"]')
      const start = await momentOf(hands)
      const command = await this.readied(hands, start)
      // A step undone here and one done there would be no step more.
      if (mishap === 'two tabs' && (command.needs === 'done' || command.needs === 'undone')) mishap = 'none'
      const ms = luck.whole(0, command.mostMs)
      what += `: ${command.name}, killed after ${ms} ms, ${mishap}`
      const outcome = await this.tried(hands, command, mishap, ms)
      this.counts[outcome] += 1
      this.mishaps.set(mishap, (this.mishaps.get(mishap) ?? 0) + 1)
      console.log(`  ${what}: ${outcome}`)
    } catch (reason) {
      this.wrong.push(`${what}: ${String(reason)}`)
      console.log(`  ${what}: FAILED: ${String(reason)}`)
      await this.forget()
    }
  }

  /** One of the commands that have something to do in this room, and everything typed for it. */
  private async readied(hands: Hands, start: Moment): Promise<Command> {
    for (;;) {
      const command = this.luck.pick(COMMANDS.filter(({ needs }) => !needs || start[needs] > 0))
      if ((await command.ready(hands, this.luck)) !== false) return command
    }
  }

  private async tried(hands: Hands, command: Command, mishap: Mishap, ms: number): Promise<Outcome> {
    const other = mishap === 'two tabs' ? await this.begin('/copies') : null
    if (other) await other.says('Start empty')
    const before = await momentOf(hands)
    if (mishap === 'full disk') await this.life?.fill(this.base, this.luck.whole(0, 200_000))
    await Promise.all([command.go(hands), other?.press('Start empty')])
    await new Promise(resolve => setTimeout(resolve, ms))
    await this.kill()

    const after = await this.begin(null)
    if (mishap === 'kept texts spoilt') {
      await after.open('/api/start')
      await after.tab.run(
        `const answered = request => new Promise(resolve => (request.onsuccess = () => resolve(request.result)))
         const db = await answered(indexedDB.open('yondercrest'))
         const store = db.transaction('device', 'readwrite').objectStore('device')
         const kept = (await answered(store.getAll())).filter(({ id }) => ['keptRoom', 'keptSteps', 'askIndex'].includes(id))
         for (const fact of kept) await answered(store.put({ ...fact, value: fact.value.slice(0, given) }))
         db.close()`,
        this.luck.whole(0, 400),
      )
    }
    await after.open('/copies/check')
    await after.sees('[data-checked]')
    const findings = await after.tab.run<number>(`return document.querySelectorAll('[data-finding]').length`)
    if (findings > 0) throw new Error(`${findings} findings of the room looked through`)
    const now = await momentOf(after)
    const steps = now.done - before.done
    if (steps === 0) {
      expectSame(now, before, 'half done')
      return 'before'
    }
    await swings(after, -steps)
    expectSame(await momentOf(after), before, 'half done')
    await swings(after, steps)
    expectSame(await momentOf(after), now, 'done again it is not the same')
    if (now.sets > MOST_SETS) await this.forget()
    return 'after'
  }
}

const kills = Number(process.argv[2] ?? 200)
const port = await freePort()
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), NUXT_DEMO: 'true' },
  stdio: 'ignore',
})
const soak = new Soak(`http://127.0.0.1:${port}`, process.env.CHROMIUM_PATH ?? '/usr/bin/chromium')
try {
  await answers(port, '/api/start')
  for (let number = 1; number <= kills; number += 1) await soak.round(number)
} finally {
  await soak.forget()
  server.kill()
}
const { before, after } = soak.counts
console.log(`\n${kills} kills (seed ${SEED}): ${before} before, ${after} after, ${soak.wrong.length} wrong`)
console.log([...soak.mishaps].map(([mishap, count]) => `${mishap}: ${count}`).join(', '))
for (const each of soak.wrong) console.log(`  ${each}`)
process.exit(soak.wrong.length === 0 ? 0 : 1)
