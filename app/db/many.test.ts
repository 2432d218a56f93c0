import 'fake-indexeddb/auto'
import { afterAll, describe, expect, test } from '@jest/globals'
import { type Holding, LIMITS } from '#core/catalog'
import { all } from '../../tests/support/cases'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { factsOf } from '../../tests/support/facts'
import { undo, type YondercrestDb } from './index'
import * as commands from './commands'

const { room, drop } = emptyRooms()
/** A room of sets that were typed in, each with the questions given. */
async function roomWith(...sets: readonly Partial<Holding>[]): Promise<{ readonly db: YondercrestDb; readonly ids: readonly string[] }> {
  const db = await room()
  const ids: string[] = []
  for (const [at, set] of sets.entries()) {
    const facts = factsOf(`Set ${at + 1}`, { brandName: 'Greywether', themeNames: ['Ropes'], size: null })
    const { id } = await commands.takeIn(db, facts, { place: null, state: 'toClass', draftId: null, written: '' })
    const holding = await db.records('holdings').get(id)
    if (holding) await db.records('holdings').put({ ...holding, ...set })
    ids.push(id)
  }
  return { db, ids }
}
const byName = async (db: YondercrestDb): Promise<readonly Holding[]> =>
  (await all(db, 'holdings')).sort((a, b) => (a.name < b.name ? -1 : 1))

describe('many sets at once', () => {
  afterAll(drop)

  test('one answer for all that are alike: the field is said, that question gone, others stay; one undo brings it back', async () => {
    const big = { code: 'sizeUnread', text: 'big' } as const
    const clash = { code: 'numberClash', text: '7' } as const
    const { db, ids } = await roomWith({ questions: [big, clash] }, { questions: [{ ...big, text: ' Big' }] }, { questions: [clash] })
    const before = await byName(db)
    const size = { widthMm: 150, heightMm: 200 }
    expect(await commands.changeMany(db, [{ ids: ids.slice(0, 2), answers: big, set: { size } }])).toEqual({ changed: 2, left: 0 })
    expect((await byName(db)).map(each => [each.size, each.questions])).toEqual([
      [size, [clash]],
      [size, []],
      [null, [clash]],
    ])
    expect((await db.journal.toArray()).at(-1)).toMatchObject({ command: 'answerQuestions', subject: { count: 2 } })
    await undo(db)
    expect(await byName(db)).toEqual(before)
  })

  test('a set that carries two questions is answered twice in one step: one answer does not undo the other', async () => {
    const questions = [
      { code: 'sizeUnitUnknown', text: '4x6' },
      { code: 'dieUnread', text: 'x' },
    ] as const
    const { db, ids } = await roomWith({ questions: [...questions] })
    await commands.changeMany(db, [
      { ids, answers: questions[0], set: { size: { widthMm: 40, heightMm: 60 } } },
      { ids, answers: questions[1], set: { hasMatchingDie: true } },
    ])
    expect(await byName(db)).toMatchObject([{ size: { widthMm: 40, heightMm: 60 }, hasMatchingDie: true, questions: [] }])
  })

  test('brand, category, themes and a note: added to what there is, made once; what has no room or is gone is left', async () => {
    const full = 'n'.repeat(LIMITS.text)
    const { db, ids } = await roomWith({ notes: 'from the fair' }, { notes: full }, {})
    const change = {
      ids: [...ids, 'gone'],
      brandName: 'Salt Lantern',
      categoryName: 'Borders',
      addThemes: ['Harbour', 'ropes'],
      addNote: 'seen in May',
    }
    expect(await commands.changeMany(db, [change])).toEqual({ changed: 2, left: 2 })
    const brand = (await all(db, 'brands')).find(each => each.name === 'Salt Lantern')
    const theme = await all(db, 'themes')
    const [one, two, three] = await byName(db)
    expect([one?.notes, two?.notes, three?.notes]).toEqual(['from the fair\nseen in May', full, 'seen in May'])
    expect([one?.brandId, two?.brandId === brand?.id, three?.brandId]).toEqual([brand?.id, false, brand?.id])
    expect(theme.map(each => each.name).sort()).toEqual(['Harbour', 'Ropes'])
    expect(one?.themeIds).toHaveLength(2)
    expect(two?.themeIds).toHaveLength(1)
  })

  test('what they sit in: its own pocket follows, a shared one and a cell stay; a place that is taken is not given; one undo', async () => {
    const { db, ids } = await roomWith({}, {}, {}, {})
    const [one = '', two = '', three = '', four = ''] = ids
    const zone = (await all(db, 'zones'))[0]
    const fixture = (await all(db, 'fixtures'))[0]
    const cells = { rows: 2, columns: 2, pages: 1, isTwoSided: false, cellSize: null, reuse: 'first' as const }
    const made = await commands.addContainers(db, {
      ...{ name: 'Pages', code: 'P1', type: 'binder', lanes: 1, lengthMm: 60, cells, inner: null, emptyWeightG: null },
      ...{ fixture: { id: fixture?.id ?? '' }, zoneId: zone?.id ?? '', shelves: [1], countEach: 1 },
    })
    if (!made.ok) throw new Error(made.code)
    const bin = (await all(db, 'containers')).find(({ cells: own }) => !own)?.id ?? ''
    const pages = made.ids[0] ?? ''
    const cell = { page: 1, cell: 1, side: 'front' as const }
    await commands.placeHolding(db, one, { containerId: bin, lane: 1, order: 'a0', cell: null })
    await commands.placeHolding(db, two, { containerId: bin, lane: 1, order: 'a1', cell: null })
    await commands.placeHolding(db, four, { containerId: pages, lane: 1, order: 'a0', cell })
    const shared = (await all(db, 'holders')).find(({ holdingIds }) => holdingIds.includes(two))
    if (shared) await db.records('holders').put({ ...shared, holdingIds: [two, three] })
    const before = [await byName(db), await all(db, 'holders')]
    const box = (await all(db, 'holderTypes')).find(({ type }) => type === 'box')
    const places = [
      { holdingId: one, place: { containerId: pages, lane: 1, order: 'a0', cell } },
      { holdingId: two, place: { containerId: pages, lane: 1, order: 'a0', cell: { ...cell, cell: 2 } } },
    ]
    expect(await commands.changeMany(db, [{ ids, holderTypeId: box?.id ?? '', places }])).toEqual({ changed: 4, left: 0 })
    expect((await byName(db)).map(({ sitsIn, holderTypeId }) => [sitsIn, holderTypeId])).toEqual(Array(4).fill(['box', box?.id]))
    const holderOf = new Map((await all(db, 'holders')).flatMap(holder => holder.holdingIds.map(id => [id, holder] as const)))
    expect(holderOf.get(one)).toMatchObject({ type: 'box', holderTypeId: box?.id, containerId: bin })
    // The two that share a pocket went together; what was in a cell stays in it.
    expect(holderOf.get(two)).toMatchObject({ type: 'pocket', containerId: pages, cell: { cell: 2 }, holdingIds: [two, three] })
    expect(holderOf.get(four)).toMatchObject({ type: 'celledPage', cell })
    await undo(db)
    expect([await byName(db), await all(db, 'holders')]).toEqual(before)
  })

  test('what is put into its place is back: its loan ends, and one undo has it out again', async () => {
    const { db, ids } = await roomWith({ state: 'out' })
    const [container] = await all(db, 'containers')
    const loan = {
      id: ids[0] ?? '',
      holdingId: ids[0] ?? '',
      to: 'table',
      outAt: '2026-01-01T00:00:00.000Z',
      backAt: null,
      isForUse: false,
    }
    await db.records('loans').put(loan)
    await commands.placeHolding(db, ids[0] ?? '', { containerId: container?.id ?? '', lane: 1, order: 'a0', cell: null })
    expect((await byName(db))[0]?.state).toBe('filed')
    expect((await all(db, 'loans')).map(({ backAt }) => backAt === null)).toEqual([false])
    await undo(db)
    expect([(await byName(db))[0]?.state, await all(db, 'loans')]).toEqual(['out', [loan]])
  })

  test('a set that is changed by hand answers its questions too', async () => {
    const { db, ids } = await roomWith({ questions: [{ code: 'sizeUnread', text: 'big' }] })
    const facts = factsOf('Set 1', { brandName: '', themeNames: [], size: { widthMm: 10, heightMm: 10 } })
    expect((await commands.editHolding(db, ids[0] ?? '', facts))?.questions).toEqual([])
  })
})
