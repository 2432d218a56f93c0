import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import fc from 'fast-check'
import { BLANK_DETAILS, blankBrand, PLAIN_FIXTURE, startCatalogue } from '#core/catalog'
import { groupSpellings } from '#core/classing'
import type { PlannedRow } from '#core/exchange'
import { followJournal, readSnapshot, redo, undo, YondercrestDb } from './index'
import * as commands from './commands'
import type { HoldingFacts } from './commands'
import { factsOf } from '../../tests/support/facts'

let opened: YondercrestDb[] = []
function open(): YondercrestDb {
  const db = new YondercrestDb(`test-${ulid()}`)
  opened.push(db)
  return db
}
async function room(): Promise<YondercrestDb> {
  const db = open()
  await commands.startEmpty(db)
  return db
}
afterEach(async () => {
  await Promise.all(opened.map(db => db.delete()))
  opened = []
})

const facts = (name: string, more: Partial<HoldingFacts> = {}): HoldingFacts =>
  factsOf(name, { brandName: 'Tidewrack Press', categoryName: 'Images', themeNames: ['Tide pools'], ...more })
const at = (place: Parameters<typeof commands.takeIn>[2]['place']) => ({
  place,
  state: 'toFile' as const,
  draftId: null,
  written: '',
})
const draft = (name: string, numberWritten: number | null): PlannedRow => ({
  row: 1,
  outcome: 'taken',
  questions: [],
  draft: {
    name,
    brandText: 'Marow & Finch',
    kind: null,
    categoryText: '',
    themeNames: ['Harbour'],
    size: null,
    words: [],
    searchWords: [],
    ...BLANK_DETAILS,
    isUsed: null,
    useCount: null,
    hasMatchingDie: null,
    placeText: 'Bin 4',
    numberWritten,
    numberText: numberWritten === null ? '' : String(numberWritten),
    codeText: '',
  },
})
/** The catalogue without the register, which undo leaves alone on purpose. */
async function state(db: YondercrestDb) {
  const { register: _register, ...rest } = await commands.readCatalogue(db)
  return rest
}

describe('commands', () => {
  test('take in gives the next number, makes new names once, and one undo takes it all back', async () => {
    const db = await room()
    const before = await state(db)
    const first = await commands.takeIn(db, facts('Kelp Study'), at(null))
    const second = await commands.takeIn(db, facts('Limpets', { brandName: 'tidewrack press' }), at(null))
    expect([first.number, second.number]).toEqual([1, 2])
    expect(await db.records('brands').count()).toBe(1)
    await undo(db)
    await undo(db)
    expect(await state(db)).toEqual(before)
  })

  test('a number is not given again after an undo', async () => {
    const db = await room()
    await commands.takeIn(db, facts('Kelp Study'), at(null))
    await undo(db)
    expect((await commands.takeIn(db, facts('Limpets'), at(null))).number).toBe(2)
  })

  test('two tabs taking in at once never give one number twice', async () => {
    const db = await room()
    const other = new YondercrestDb(db.name)
    const taken = await Promise.all(
      Array.from({ length: 20 }, (_, index) => commands.takeIn(index % 2 ? db : other, facts(`Set ${index}`), at(null))),
    )
    expect(new Set(taken.map(holding => holding.number)).size).toBe(20)
    other.close()
  })

  test('an import that is undone and done again gets its written numbers back; another thing does not', async () => {
    const db = await room()
    const rows = [draft('Kelp Study', 7), draft('Limpets', 7), draft('Ferry', null)]
    const joins = groupSpellings(new Map([['Marow & Finch', 3]]))
    await commands.importList(db, rows, joins, [], 'list.csv', () => undefined)
    const numbers = (await db.records('holdings').toArray()).map(holding => [holding.name, holding.number]).sort()
    expect(numbers).toEqual([
      ['Ferry', 9],
      ['Kelp Study', 7],
      ['Limpets', 8],
    ])
    await undo(db)
    await commands.importList(db, [draft('Kelp Study', 7), draft('Gulls', 8)], joins, [], 'list.csv', () => undefined)
    const again = await db.records('holdings').toArray()
    expect(again.find(holding => holding.name === 'Kelp Study')?.number).toBe(7)
    expect(again.find(holding => holding.name === 'Gulls')).toMatchObject({
      number: 10,
      aliases: [{ text: '8', from: 'list' }],
      questions: [{ code: 'numberClash', text: '8' }],
    })
  })

  test('a kind of the list that is a category is one, unless the list names a category besides', async () => {
    const db = await room()
    const [alphabets, named] = [draft('Letters', null), draft('Numerals', null)]
    const kind = { as: 'category' as const, name: 'Alphabets' }
    const rows = [
      alphabets.outcome === 'taken' ? { ...alphabets, draft: { ...alphabets.draft, kind } } : alphabets,
      named.outcome === 'taken' ? { ...named, draft: { ...named.draft, kind, categoryText: 'Figures' } } : named,
    ]
    await commands.importList(db, rows, [], [], 'list.csv', () => undefined)
    const names = new Map((await db.records('categories').toArray()).map(({ id, name }) => [id, name]))
    const found = (await db.records('holdings').toArray()).map(({ name, categoryId }) => [name, names.get(categoryId ?? '')])
    expect(found.sort()).toEqual([
      ['Letters', 'Alphabets'],
      ['Numerals', 'Figures'],
    ])
  })

  test('a command that fails leaves nothing behind', async () => {
    const db = await room()
    const before = await state(db)
    const bad = { ...draft('Kelp Study', 1) } as PlannedRow
    await expect(
      commands.importList(db, [bad], [], [], 'x.csv', () => {
        throw new Error('tab closed')
      }),
    ).rejects.toThrow('tab closed')
    expect(await state(db)).toEqual(before)
    expect(await db.journal.count()).toBe(1)
  })

  test('a container code is taken once', async () => {
    const db = await room()
    const [zone] = await db.records('zones').toArray()
    const wanted = {
      name: 'Bin 2',
      code: 'b1',
      type: 'bin' as const,
      lanes: 1,
      lengthMm: 300,
      cells: null,
      inner: null,
      emptyWeightG: null,
      fixture: { ...PLAIN_FIXTURE, name: 'Cart', type: 'cart' as const, shelves: 2 },
      shelves: [1, 2],
      countEach: 2,
      zoneId: zone?.id ?? '',
    }
    expect(await commands.addContainers(db, wanted)).toEqual({ ok: false, code: 'addressTaken', by: 'Bin 1', address: 'b1-1' })
    expect(await db.records('fixtures').count()).toBe(1)
  })
})

describe('journal', () => {
  test('any run of steps, undone to the start and done again, ends where it ended (property)', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom('take', 'edit', 'place', 'remove', 'tab', 'zone'), { minLength: 1, maxLength: 8 }),
        async steps => {
          const db = await room()
          const start = await state(db)
          const [container] = await db.records('containers').toArray()
          const [zone] = await db.records('zones').toArray()
          if (!container || !zone) throw new Error('no start room')
          for (const [index, step] of steps.entries()) {
            const [holding] = await db.records('holdings').toArray()
            const place = { containerId: container.id, lane: 1, order: `a${index}`, cell: null }
            if (step === 'take') await commands.takeIn(db, facts(`Set ${index}`), at(index % 2 ? place : null))
            else if (step === 'edit' && holding)
              await commands.editHolding(db, holding.id, facts('Renamed', { themeNames: ['Harbour', 'Weather'] }))
            else if (step === 'place' && holding) await commands.placeHolding(db, holding.id, place)
            else if (step === 'remove' && holding) await commands.removeHolding(db, holding.id)
            else if (step === 'tab')
              await commands.addSection(db, {
                containerId: container.id,
                lane: 1,
                order: `b0${index}`,
                title: 'Harbour',
                colour: 0,
                standsFor: null,
              })
            else await commands.changeZone(db, zone.id, { growthReserve: index / 10 })
          }
          const end = await state(db)
          let undone = 0
          while ((await undo(db))?.seq !== 2 && undone < steps.length) undone += 1
          expect(await state(db)).toEqual(start)
          while (await redo(db)) undone -= 1
          expect(await state(db)).toEqual(end)
        },
      ),
      { numRuns: 12, seed: 20261123 },
    )
  })

  test('a watcher is told of changes by id, and of a replaced catalogue as a whole', async () => {
    const db = await room()
    const told: string[] = []
    const stop = followJournal(
      db,
      (await readSnapshot(db)).journal,
      async touched => void told.push(touched === 'all' ? 'all' : [...touched.keys()].sort().join(' ')),
    )
    const heard = async (count: number): Promise<void> => {
      while (told.length < count) await new Promise(resolve => setTimeout(resolve, 5))
    }
    await commands.takeIn(db, facts('Kelp Study'), at(null))
    await heard(1)
    await commands.takeIn(db, facts('Limpets'), at(null))
    await heard(2)
    expect(told).toEqual(['brands holdings themes', 'holdings'])
    await commands.replaceCatalogue(db, 'restoreArchive', startCatalogue(ulid), [], [])
    await heard(3)
    stop()
  })

  test('a watcher that fails once follows the next step all the same, and hears of both', async () => {
    const db = await room()
    const { journal } = await readSnapshot(db)
    let calls = 0
    const heard = new Promise<ReadonlySet<string>>(resolve => {
      const stop = followJournal(db, journal, async touched => {
        calls += 1
        if (calls === 1) throw new Error('the disk was busy')
        if (touched === 'all' || (touched.get('holdings')?.size ?? 0) < 2) return
        stop()
        resolve(touched.get('holdings') ?? new Set())
      })
    })
    const first = await commands.takeIn(db, facts('Kelp Study'), at(null))
    while (calls === 0) await new Promise(resolve => setTimeout(resolve, 5))
    const second = await commands.takeIn(db, facts('Limpets'), at(null))
    expect([...(await heard)].sort()).toEqual([first.id, second.id].sort())
  })

  test('a watcher that fails is told again, although nothing more is done', async () => {
    const db = await room()
    const { journal } = await readSnapshot(db)
    let calls = 0
    const heard = new Promise<void>(resolve => {
      const stop = followJournal(db, journal, async () => {
        calls += 1
        if (calls === 1) throw new Error('the disk was busy')
        stop()
        resolve()
      })
    })
    await commands.takeIn(db, facts('Kelp Study'), at(null))
    await heard
    expect(calls).toBe(2)
  })

  test('replacing a catalogue keeps what was there within one undo', async () => {
    const db = await room()
    await commands.takeIn(db, facts('Kelp Study'), at(null))
    const before = await commands.readCatalogue(db)
    await commands.replaceCatalogue(db, 'restoreArchive', startCatalogue(ulid), [], [])
    expect(await db.records('holdings').count()).toBe(0)
    await undo(db)
    expect(await commands.readCatalogue(db)).toEqual(before)
  })

  test('a list without a row that can be taken in is no step, and what can be done again stays so', async () => {
    const db = await room()
    await commands.takeIn(db, facts('Kelp Study'), at(null))
    await undo(db)
    expect(await commands.importList(db, [], [], [], 'empty.csv', () => undefined)).toBe(0)
    expect(await redo(db)).toMatchObject({ command: 'takeIn' })
  })

  test('a large step tells how far it is, and stopped half-way it is not undone at all', async () => {
    const db = await room()
    const brand = blankBrand(ulid(), 'Copperlatch')
    const data = startCatalogue(ulid)
    const brands = Array.from({ length: 3500 }, (_, index) => ({ ...brand, id: ulid(), name: `Brand ${index}` })) as typeof data.brands
    // One is there before and after, and stays whatever is done.
    await commands.replaceCatalogue(db, 'restoreArchive', { ...data, brands: [brand] }, [], [])
    await commands.replaceCatalogue(db, 'restoreArchive', { ...data, brands: [brand, ...brands] }, [], [])
    const before = await commands.readCatalogue(db)
    const told: number[] = []
    let all = 0
    const stopped = undo(db, (done, total) => {
      told.push(done)
      all = total
      if (done === 3000) throw new Error('stopped')
    })
    await expect(stopped).rejects.toThrow('stopped')
    expect(all).toBe(3500)
    expect(told).toEqual([...told].sort((a, b) => a - b))
    expect(told).toEqual([0, 0, 1000, 2000, 3000])
    expect(await commands.readCatalogue(db)).toEqual(before)
    expect(await undo(db)).toMatchObject({ command: 'restoreArchive' })
    expect(await db.records('brands').toArray()).toEqual([brand])
    // Done again, many records come back, part by part.
    const again: number[] = []
    await redo(db, done => void again.push(done))
    expect(again).toEqual([0, 0, 1000, 2000, 3000])
    expect(await commands.readCatalogue(db)).toEqual(before)
    // Taken away by a step of its own, and brought back: the one that stayed among them.
    await commands.replaceCatalogue(db, 'restoreArchive', { ...data, brands: [brand] }, [], [])
    await undo(db)
    expect(await commands.readCatalogue(db)).toEqual(before)
  })

  test('undone is the step that was meant: another that came since is handed back, and one that is gone is left', async () => {
    const db = await room()
    await commands.takeIn(db, facts('Kelp Study'), at(null))
    const shown = (await db.journal.toArray()).at(-1)?.seq ?? 0
    await commands.takeIn(db, facts('Limpets'), at(null))
    const quiet = (): void => undefined
    const names = async (): Promise<string[]> => (await db.records('holdings').toArray()).map(({ name }) => name).sort()
    await expect(undo(db, quiet, shown)).rejects.toMatchObject({ step: { command: 'takeIn', seq: shown + 1 } })
    expect(await names()).toEqual(['Kelp Study', 'Limpets'])
    expect(await undo(db, quiet, shown + 1)).toMatchObject({ seq: shown + 1 })
    expect(await undo(db, quiet, shown + 1)).toBeNull()
    expect(await redo(db, quiet, shown)).toBeNull()
    expect(await names()).toEqual(['Kelp Study'])
    expect(await undo(db, quiet, shown)).toMatchObject({ seq: shown })
    await expect(redo(db, quiet, shown + 1)).rejects.toMatchObject({ step: { seq: shown } })
    expect(await names()).toEqual([])
  })

  test('a watcher that hears of two steps at once reads what both have touched', async () => {
    const db = await room()
    const { journal } = await readSnapshot(db)
    const first = await commands.takeIn(db, facts('Kelp Study'), at(null))
    const second = await commands.takeIn(db, facts('Limpets', { brandName: 'Copperlatch' }), at(null))
    const touched = await new Promise<ReadonlyMap<string, ReadonlySet<string>>>(resolve => {
      const stop = followJournal(db, journal, told => {
        if (told !== 'all') resolve(told)
        setTimeout(() => stop())
        return Promise.resolve()
      })
    })
    expect([...(touched.get('holdings') ?? [])].sort()).toEqual([first.id, second.id].sort())
    expect(touched.get('brands')?.size).toBe(2)
  })
})
