import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { blankBrand, blankDraft, type Draft, newTheme } from '#core/catalog'
import { undo, YondercrestDb } from './index'
import * as commands from './commands'
import { factsOf } from '../../tests/support/facts'

let opened: YondercrestDb[] = []
afterEach(async () => {
  await Promise.all(opened.map(db => db.delete()))
  opened = []
})
async function room(): Promise<YondercrestDb> {
  const db = new YondercrestDb(`names-${ulid()}`)
  opened.push(db)
  await commands.startEmpty(db)
  return db
}
const facts = (name: string, brandName: string, themeNames: readonly string[]) =>
  factsOf(name, { brandName, categoryName: 'Images', themeNames })
const take = (db: YondercrestDb, name: string, brandName: string, themeNames: readonly string[]) =>
  commands.takeIn(db, facts(name, brandName, themeNames), { place: null, state: 'toFile', draftId: null, written: '' })
const idOf = async (db: YondercrestDb, list: 'brands' | 'themes' | 'categories', name: string): Promise<string> =>
  (await db.records(list).toArray()).find(each => each.name === name)?.id ?? ''
const state = async (db: YondercrestDb) => ({ ...(await commands.readCatalogue(db)), register: [] })

describe('joining', () => {
  test('brands: sets, spellings and successors go over; the old spelling means the new brand; one undo takes it back', async () => {
    const db = await room()
    await take(db, 'Kelp Study', 'Tidewrack', [])
    await take(db, 'Limpets', 'Tide Wrack', [])
    const kept = await idOf(db, 'brands', 'Tidewrack')
    const gone = await idOf(db, 'brands', 'Tide Wrack')
    await commands.addName(db, 'brands', { ...blankBrand(ulid(), 'Lanternwick'), successorId: gone })
    const before = await state(db)
    expect(await commands.joinNames(db, 'brands', gone, kept)).toEqual({ ok: true, sets: 1 })
    expect((await db.records('brands').get(kept))?.variants).toEqual(['Tide Wrack'])
    expect((await db.records('brands').toArray()).find(brand => brand.name === 'Lanternwick')?.successorId).toBe(kept)
    expect((await take(db, 'Gulls', 'tide wrack', [])).brandId).toBe(kept)
    await undo(db)
    await undo(db)
    expect(await state(db)).toEqual(before)
  })

  test("themes: a set that had both has one, in the first one's place; its tab and its links go over", async () => {
    const db = await room()
    const set = await take(db, 'Kelp Study', '', ['Shore', 'Weather', 'Harbour'])
    const [container] = await db.records('containers').toArray()
    const shore = await idOf(db, 'themes', 'Shore')
    const harbour = await idOf(db, 'themes', 'Harbour')
    const weather = await idOf(db, 'themes', 'Weather')
    await commands.addSection(db, {
      containerId: container?.id ?? '',
      lane: 1,
      order: 'a0',
      title: 'Shore',
      colour: 0,
      standsFor: { by: 'theme', id: shore },
    })
    const link = await db.records('themes').get(weather)
    if (link) await commands.changeName(db, 'themes', link.id, { seeAlsoIds: [shore] })
    await commands.joinNames(db, 'themes', shore, harbour)
    expect((await db.records('holdings').get(set.id))?.themeIds).toEqual([harbour, weather])
    expect((await db.records('sections').toArray())[0]?.standsFor?.id).toBe(harbour)
    expect((await db.records('themes').get(weather))?.seeAlsoIds).toEqual([harbour])
  })

  test('whatever is joined, nothing refers to what is gone, and no set is lost (property)', async () => {
    const names = ['Harbour', 'Weather', 'Post', 'Tools'] as const
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.subarray([...names], { minLength: 1 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.tuple(fc.constantFrom(...names), fc.constantFrom(...names)), { maxLength: 3 }),
        async (sets, joins) => {
          const db = await room()
          for (const [at, themes] of sets.entries()) await take(db, `Set ${at}`, '', themes)
          for (const [from, into] of joins)
            await commands.joinNames(db, 'themes', await idOf(db, 'themes', from), await idOf(db, 'themes', into))
          const living = new Set((await db.records('themes').toArray()).map(theme => theme.id))
          const holdings = await db.records('holdings').toArray()
          expect(holdings).toHaveLength(sets.length)
          for (const holding of holdings) {
            expect(holding.themeIds.length).toBeGreaterThan(0)
            expect(new Set(holding.themeIds).size).toBe(holding.themeIds.length)
            for (const id of holding.themeIds) expect(living.has(id)).toBe(true)
          }
        },
      ),
      { numRuns: 15 },
    )
  })
})

describe('splitting and renaming', () => {
  test('marked sets go to the new brand, with its spelling; the others stay', async () => {
    const db = await room()
    const first = await take(db, 'Kelp Study', 'Tidewrack', [])
    const second = await take(db, 'Limpets', 'Tidewrack', [])
    const id = await idOf(db, 'brands', 'Tidewrack')
    const brand = await db.records('brands').get(id)
    if (brand) await commands.changeName(db, 'brands', brand.id, { variants: ['Tide Wrack'] })
    expect(await commands.splitName(db, 'brands', id, 'Tide Wrack', [second.id])).toEqual({ ok: true, sets: 1 })
    const own = await idOf(db, 'brands', 'Tide Wrack')
    expect([(await db.records('holdings').get(first.id))?.brandId, (await db.records('holdings').get(second.id))?.brandId]).toEqual([
      id,
      own,
    ])
    expect((await db.records('brands').get(id))?.variants).toEqual([])
  })
  test('a theme that is split off takes the place of the old one, first themes included', async () => {
    const db = await room()
    const set = await take(db, 'Kelp Study', '', ['Shore', 'Weather'])
    await commands.splitName(db, 'themes', await idOf(db, 'themes', 'Shore'), 'Tide pools', [set.id])
    expect((await db.records('holdings').get(set.id))?.themeIds[0]).toBe(await idOf(db, 'themes', 'Tide pools'))
  })
  test('no two entries are ever written alike, not by a variant either', async () => {
    const db = await room()
    await commands.addName(db, 'brands', { ...blankBrand(ulid(), 'Copperlatch'), variants: ['Copper Latch'] })
    expect(await commands.addName(db, 'brands', blankBrand(ulid(), 'copper latch'))).toEqual({
      ok: false,
      code: 'nameTaken',
      by: 'Copperlatch',
    })
    expect(await commands.addName(db, 'brands', { ...blankBrand(ulid(), 'Latchworks'), variants: ['COPPERLATCH'] })).toMatchObject({
      ok: false,
      code: 'nameTaken',
    })
    expect(await commands.addName(db, 'themes', newTheme(ulid(), '  ', []))).toEqual({ ok: false, code: 'nameMissing' })
    expect(await commands.joinNames(db, 'themes', ulid(), ulid())).toEqual({ ok: false, code: 'gone' })
    expect(await db.records('brands').count()).toBe(1)
  })
  test("an order of the owner's own is kept, and undone in one step", async () => {
    const db = await room()
    const before = (await db.records('categories').toArray()).sort((a, b) => a.rank - b.rank).map(each => each.id)
    await commands.orderNames(db, 'categories', [...before].reverse())
    const after = (await db.records('categories').toArray()).sort((a, b) => a.rank - b.rank).map(each => each.id)
    expect(after).toEqual([...before].reverse())
    await undo(db)
    expect((await db.records('categories').toArray()).sort((a, b) => a.rank - b.rank).map(each => each.id)).toEqual(before)
  })
})

describe('the pile', () => {
  const strip = (rank: number): Draft => {
    const blank = blankDraft({ id: ulid(), rank, createdAt: '2026-11-23T00:00:00.000Z' })
    return { ...blank, texts: { ...blank.texts, name: `Strip ${rank}` } }
  }
  test('a strip goes with the set it becomes, and comes back as it was typed when that is undone', async () => {
    const db = await room()
    const [draft] = [strip(0)]
    await commands.addDrafts(db, [draft])
    await commands.keepDraft(db, { ...draft, texts: { ...draft.texts, name: 'Kelp St' } })
    await commands.takeIn(db, facts('Kelp Study', '', []), { place: null, state: 'toClass', draftId: draft.id, written: '' })
    expect(await db.records('drafts').count()).toBe(0)
    await undo(db)
    expect((await db.records('drafts').get(draft.id))?.texts.name).toBe('Kelp St')
    expect(await db.records('holdings').count()).toBe(0)
  })
  test('stages settle one after the other; a set filed already is changed where it stands', async () => {
    const db = await room()
    const set = await commands.takeIn(db, facts('Kelp Study', '', []), { place: null, state: 'toClass', draftId: null, written: '' })
    const used = ['capture', 'class', 'label', 'file'] as const
    const classed = await commands.finishStage(db, set.id, { stage: 'class', facts: facts('Kelp Study', 'Tidewrack', ['Shore']) }, used)
    expect(classed).toMatchObject({ state: 'toLabel', themeIds: [await idOf(db, 'themes', 'Shore')] })
    expect(await commands.finishStage(db, set.id, { stage: 'fit', sitsIn: 'sleeve', holderTypeId: null }, used)).toMatchObject({
      state: 'toLabel',
      sitsIn: 'sleeve',
    })
    expect(await commands.finishStage(db, set.id, { stage: 'label', labelText: '1' }, used)).toMatchObject({ state: 'toFile' })
    const [container] = await db.records('containers').toArray()
    await commands.placeHolding(db, set.id, { containerId: container?.id ?? '', lane: 1, order: 'a0', cell: null })
    expect(await db.records('holders').toArray()).toMatchObject([{ type: 'sleeve', holdingIds: [set.id] }])
    expect(await commands.finishStage(db, ulid(), { stage: 'label', labelText: '1' }, used)).toBeNull()
  })
})

describe('a number that stands on the thing already', () => {
  const withNumber = (db: YondercrestDb, name: string, written: string) =>
    commands.takeIn(db, facts(name, '', []), { place: null, state: 'toFile', draftId: null, written })
  test('is taken over where it is free; the next number goes on behind the highest', async () => {
    const db = await room()
    expect(await withNumber(db, 'Kelp Study', '#0352')).toMatchObject({ number: 352, aliases: [] })
    expect([...(await commands.nextNumbers(db)).values()]).toEqual([353])
    expect((await db.records('register').toArray())[0]).toMatchObject({ number: 352, how: 'adopted' })
  })
  test('is kept as another number of it where it is taken, or is no bare number; nobody ever shares one', async () => {
    const db = await room()
    await withNumber(db, 'Kelp Study', '7')
    expect(await withNumber(db, 'Limpets', '7')).toMatchObject({ number: 8, aliases: [{ text: '7', from: 'writtenOnIt' }] })
    expect(await withNumber(db, 'Gulls', '12-203')).toMatchObject({ number: 9, aliases: [{ text: '12-203', from: 'writtenOnIt' }] })
    expect(await withNumber(db, 'Ferry', '')).toMatchObject({ number: 10, aliases: [] })
  })
  test('a number whose giving was undone comes back to the same thing only', async () => {
    const db = await room()
    await withNumber(db, 'Kelp Study', '7')
    await undo(db)
    // What was taken over and undone moved no count; its number still comes back to the same thing only.
    expect(await withNumber(db, 'Limpets', '7')).toMatchObject({ number: 1, aliases: [{ text: '7', from: 'writtenOnIt' }] })
    expect(await withNumber(db, 'Kelp Study', '7')).toMatchObject({ number: 7, aliases: [] })
  })
  test('one far above the run is kept as a code, never taken in silence; meant, it moves no count', async () => {
    const db = await room()
    await withNumber(db, 'Gulls', '')
    expect(await withNumber(db, 'Kelp Study', '5310472')).toMatchObject({ number: 2, aliases: [{ text: '5310472' }] })
    const meant = await commands.takeIn(db, facts('Limpets', '', []), {
      place: null,
      state: 'toFile',
      draftId: null,
      written: '9999999',
      isFarMeant: true,
    })
    expect(meant).toMatchObject({ number: 9_999_999, aliases: [] })
    expect(await withNumber(db, 'Ferry', '')).toMatchObject({ number: 3 })
    await undo(db)
    await undo(db)
    expect(await withNumber(db, 'Buoys', '')).toMatchObject({ number: 4 })
  })
  test('what a brand that numbers its sets itself prints on them is their number; the next plain set goes on with the run', async () => {
    const db = await room()
    await withNumber(db, 'Gulls', '')
    await db.records('brands').put({ ...blankBrand(ulid(), 'Tidewrack'), hasOwnNumbering: true })
    const take = (name: string, written: string) =>
      commands.takeIn(db, facts(name, 'Tidewrack', []), { place: null, state: 'toFile', draftId: null, written })
    const numbered = await take('Kelp Study', 'B1079')
    const series = await db.records('series').get(numbered.seriesId)
    expect([series?.prefix, numbered.number, numbered.aliases]).toEqual(['B', 1079, []])
    expect(await take('Limpets', 'B1079')).toMatchObject({ number: 2, aliases: [{ text: 'B1079' }] })
    expect(await take('Ferry', '')).toMatchObject({ number: 3 })
    expect(await withNumber(db, 'Buoys', '')).toMatchObject({ number: 4 })
  })
  test('a register that ends at the highest number of all stops nobody', async () => {
    const db = await room()
    await withNumber(db, 'Gulls', '')
    const [line] = await db.records('register').toArray()
    if (!line) throw new Error('a line')
    await db.records('register').put({ ...line, id: `${line.seriesId}:9999999`, number: 9_999_999, how: 'adopted' })
    expect([...(await commands.nextNumbers(db)).values()]).toEqual([2])
    expect(await withNumber(db, 'Ferry', '')).toMatchObject({ number: 2 })
  })
  test('a strip that has become a set in another tab becomes no second one', async () => {
    const db = await room()
    const strip = blankDraft({ id: ulid(), rank: 0, createdAt: '2026-11-23T00:00:00.000Z' })
    await commands.addDrafts(db, [strip])
    const captured = { place: null, state: 'toFile' as const, draftId: strip.id, written: '' }
    expect(await commands.takeIn(db, facts('Kelp Study', '', []), captured)).toMatchObject({ number: 1 })
    const steps = await db.journal.count()
    expect(await commands.takeIn(db, facts('Kelp Study', '', []), captured)).toBeNull()
    expect([await db.records('holdings').count(), await db.journal.count()]).toEqual([1, steps])
  })
})

describe('schools of numbering, in the database', () => {
  const code = async (db: YondercrestDb, name: string): Promise<string> => {
    const holding = (await db.records('holdings').toArray()).find(each => each.name === name)
    const series = await db.records('series').get(holding?.seriesId ?? '')
    return `${series?.prefix}${holding?.number}`
  }
  test('each brand counts its own; undone numbers stay given; the series of a brand is made once, also from two tabs', async () => {
    const db = await room()
    const [main] = await db.records('series').toArray()
    if (main) await commands.changeSeries(db, main.id, { countsBy: 'brand', suffixBy: 'none' })
    await Promise.all([
      take(db, 'Kelp', 'Quoin & Bodkin', []),
      take(db, 'Gulls', 'Quoin & Bodkin', []),
      take(db, 'Rope', '', []),
      take(db, 'Ferry', 'Quay Bell', []),
    ])
    expect((await Promise.all(['Kelp', 'Gulls', 'Rope', 'Ferry'].map(name => code(db, name)))).sort()).toEqual([
      '1',
      'QB-1',
      'QB-2',
      'QBB-1',
    ])
    await undo(db)
    await take(db, 'Pier', 'Quay Bell', [])
    expect(await code(db, 'Pier')).toBe('QBB-2')
    expect((await db.records('series').toArray()).filter(each => each.partOf)).toHaveLength(2)
  })
  test('the cell it first stands in is its number, once; a second set there counts with the others', async () => {
    const db = await room()
    const [main] = await db.records('series').toArray()
    const [bin] = await db.records('containers').toArray()
    if (!main || !bin) throw new Error('an empty room has both')
    await commands.changeSeries(db, main.id, { countsBy: 'cell' })
    await db
      .records('containers')
      .put({ ...bin, cells: { rows: 4, columns: 3, pages: 9, isTwoSided: false, cellSize: null, reuse: 'last' } })
    const place = { containerId: bin.id, lane: 1, order: 'a0', cell: { page: 2, cell: 3, side: 'front' as const } }
    const first = await commands.takeIn(db, facts('Kelp', '', []), { place, state: 'filed', draftId: null, written: '' })
    await commands.removeHolding(db, first.id)
    const second = await commands.takeIn(db, facts('Gulls', '', []), { place, state: 'filed', draftId: null, written: 'old 12-203' })
    expect([await code(db, 'Gulls'), second.aliases[0]?.text]).toEqual(['1', 'old 12-203'])
    await undo(db)
    await undo(db)
    expect(await code(db, 'Kelp')).toBe('12-203')
  })
  test('labels written anew, and a code that is read one way, are steps that undo', async () => {
    const db = await room()
    const set = await commands.takeIn(db, facts('Kelp', '', []), { place: null, state: 'toLabel', draftId: null, written: '12-203' })
    await commands.finishStage(db, set.id, { stage: 'label', labelText: 'old' }, ['label', 'file'])
    await commands.renewLabels(db, new Map([[set.id, '1']]))
    await commands.readCode(db, set.id, '12-203', 'cell')
    expect(await db.records('holdings').get(set.id)).toMatchObject({ labelText: '1', aliases: [{ text: '12-203', reading: 'cell' }] })
    await undo(db)
    await undo(db)
    expect(await db.records('holdings').get(set.id)).toMatchObject({ labelText: 'old', aliases: [{ reading: null }] })
  })
})

describe('marks, pages and themes to begin with', () => {
  test('a mark never gets a second meaning, neither as a way nor as a kind', async () => {
    const db = await room()
    const kinds = await db.records('kinds').toArray()
    const [wood, foam] = ['Wood mounted', 'Foam'].map(name => kinds.find(kind => kind.name === name))
    if (!wood || !foam) throw new Error('the usual kinds')
    expect((await commands.setMark(db, 'layersWith', 'w'))?.kind?.id).toBe(wood.id)
    expect(await commands.setMark(db, 'layersWith', 'Lw')).toBeNull()
    expect(await commands.changeName(db, 'kinds', foam.id, { suffix: 'LW' })).toMatchObject({
      ok: false,
      code: 'markTaken',
      by: { way: 'layersWith' },
    })
    expect(await commands.changeName(db, 'kinds', foam.id, { suffix: 'F' })).toMatchObject({ ok: true })
    expect((await db.records('settings').get('room'))?.marks.layersWith).toBe('Lw')
  })
  test('themes of a school come once, at the end of the order; sharing a page is undone', async () => {
    const db = await room()
    await take(db, 'Kelp', '', ['Birthday'])
    expect(await commands.addStartThemes(db, 'occasion')).toBe(13)
    expect(await commands.addStartThemes(db, 'occasion')).toBe(0)
    const themes = await db.records('themes').toArray()
    expect(new Set(themes.map(theme => theme.rank)).size).toBe(themes.length)
    await commands.sharePages(db, [themes[0]?.id ?? ''], true)
    expect((await db.records('themes').get(themes[0]?.id ?? ''))?.sharesPage).toBe(true)
    await undo(db)
    expect((await db.records('themes').get(themes[0]?.id ?? ''))?.sharesPage).toBe(false)
  })
})
