import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Holding, QUESTION_CODES } from '#core/catalog'
import { groupQuestions, isSameQuestion, readAnswer, stillOpen, whatChanges } from './index'

const holding = (id: string, facts: Partial<Holding> = {}): Holding => ({
  ...blankHolding({ id, number: 1, seriesId: 's', name: 'Kelp Study', createdAt: '' }),
  ...facts,
})
const GROUND = { unit: 'cm', dateOrder: 'dayFirst', currency: 'EUR', thisYear: 2026 } as const

describe('open questions', () => {
  test('every question of every set is in exactly one group, with all that are alike (property, against pairs)', () => {
    const question = fc.record({
      code: fc.constantFrom(...QUESTION_CODES),
      text: fc.constantFrom('big', ' Big ', 'b ig', '6x8', '6  x8', ''),
    })
    fc.assert(
      fc.property(fc.array(fc.array(question, { maxLength: 4 }), { maxLength: 8 }), lists => {
        const holdings = lists.map((questions, at) => holding(`h${at}`, { questions }))
        const groups = groupQuestions(holdings)
        for (const { id, questions } of holdings)
          for (const each of questions) {
            const mine = groups.filter(group => isSameQuestion(group, each) && group.holdingIds.includes(id))
            expect(mine).toHaveLength(1)
            const alike = holdings.filter(other => other.questions.some(one => isSameQuestion(one, each))).map(other => other.id)
            expect([...(mine[0]?.holdingIds ?? [])].sort()).toEqual(alike.sort())
          }
        expect(groups.flatMap(group => group.holdingIds).length).toBeLessThanOrEqual(lists.flat().length)
        expect(groups.map(group => group.holdingIds.length)).toEqual(groups.map(group => group.holdingIds.length).sort((a, b) => b - a))
      }),
    )
  })
  test.each([
    ['sizeUnitUnknown', '6x8', { size: { widthMm: 60, heightMm: 80 } }],
    ['sizeUnread', '4 x 6 in', { size: { widthMm: 101.6, heightMm: 152.4 } }],
    ['sizeUnread', 'big', null],
    ['dateOrderUnknown', '3/4/2019', { acquiredOn: '2019-04-03' }],
    ['priceUnread', '9,5', { price: { minor: 950, currency: 'EUR' } }],
    ['usedUnread', 'yes', null],
  ] as const)('%s answered with %s', (code, text, said) => {
    expect(readAnswer(code, text, GROUND)).toEqual(said)
  })
  test('before many are changed it is told of how many each wish would change something (property, against doing it)', () => {
    const id = fc.constantFrom('a', 'b')
    const facts = fc.record({ brandId: id, kindId: fc.option(id), themeIds: fc.uniqueArray(id) })
    fc.assert(
      fc.property(fc.array(facts, { maxLength: 6 }), id, fc.uniqueArray(id), (list, brandId, themeIds) => {
        const holdings = list.map((each, at) => holding(`h${at}`, each))
        const told = new Map(whatChanges(holdings, { brandId, themeIds, note: 'seen' }).map(({ field, changes }) => [field, changes]))
        expect(told.get('brandId')).toBe(list.filter(each => each.brandId !== brandId).length)
        expect(told.get('themeIds') ?? 0).toBe(
          list.filter(each => new Set([...each.themeIds, ...themeIds]).size > each.themeIds.length).length,
        )
        expect([told.get('note'), told.has('kindId'), told.has('size')]).toEqual([list.length, false, false])
      }),
    )
    const size = { widthMm: 10, heightMm: 20 }
    expect(whatChanges([holding('h', { size }), holding('i')], { size })).toEqual([{ field: 'size', changes: 1 }])
  })
  test('a question goes once the set says what was asked, and no other does', () => {
    const questions = QUESTION_CODES.map(code => ({ code, text: 'x' }))
    const before = holding('h', { questions, size: null })
    const open = (change: Partial<Holding>): string[] => stillOpen(before, { ...before, ...change }).map(each => each.code)
    const without = (...codes: readonly string[]): string[] => QUESTION_CODES.filter(code => !codes.includes(code))
    expect(open({})).toEqual(without())
    expect(open({ size: { widthMm: 1, heightMm: 1 } })).toEqual(without('sizeUnread', 'sizeUnitUnknown'))
    expect(open({ acquiredOn: '2019' })).toEqual(without('dateUnread', 'dateOrderUnknown'))
    expect(open({ name: 'Gull', kindId: 'k' })).toEqual(without('nameMissing', 'kindUnread'))
    expect(open({ brandId: 'b', categoryId: 'c' })).toEqual(without('brandUnread', 'categoryUnread'))
  })
})
