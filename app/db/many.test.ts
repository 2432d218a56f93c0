import 'fake-indexeddb/auto'
import { afterAll, describe, expect, test } from '@jest/globals'
import { type Holding, LIMITS } from '#core/catalog'
import { all } from '../../tests/support/cases'
import { emptyRooms } from '../../tests/support/emptyRooms'
import { factsOf } from '../../tests/support/facts'
import { commands, undo, type YondercrestDb } from './index'

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
    const [brand, theme] = [(await all(db, 'brands')).find(each => each.name === 'Salt Lantern'), await all(db, 'themes')]
    const [one, two, three] = await byName(db)
    expect([one?.notes, two?.notes, three?.notes]).toEqual(['from the fair\nseen in May', full, 'seen in May'])
    expect([one?.brandId, two?.brandId === brand?.id, three?.brandId]).toEqual([brand?.id, false, brand?.id])
    expect(theme.map(each => each.name).sort()).toEqual(['Harbour', 'Ropes'])
    expect(one?.themeIds).toHaveLength(2)
    expect(two?.themeIds).toHaveLength(1)
  })

  test('a set that is changed by hand answers its questions too', async () => {
    const { db, ids } = await roomWith({ questions: [{ code: 'sizeUnread', text: 'big' }] })
    const facts = factsOf('Set 1', { brandName: '', themeNames: [], size: { widthMm: 10, heightMm: 10 } })
    expect((await commands.editHolding(db, ids[0] ?? '', facts))?.questions).toEqual([])
  })
})
