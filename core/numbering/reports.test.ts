import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Holding } from '#core/catalog'
import { doublesIn, gapsIn, hasTwoReadings, labelsThatDisagree, mayClash, staleLabels, writeCode } from './index'

const series = { id: 's', prefix: '', padding: 0, suffixBy: 'kind' as const }
const kindOf = (id: string) => (id === 'wood' ? { suffix: 'W' } : undefined)
const set = (number: number, more: Partial<Holding> = {}): Holding => ({
  ...blankHolding({ id: `h${number}`, number, seriesId: 's', name: `Set ${number}`, createdAt: '2026-01-01T00:00:00.000Z' }),
  state: 'filed',
  ...more,
})

describe('two series', () => {
  const prefix = fc.constantFrom('', 'A', 'A1', 'A-', 'B', 'a', '0', '10', 'A10')
  test('said to be apart, they never print one code: against every pair of their first numbers (property)', () => {
    fc.assert(
      fc.property(prefix, prefix, fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 }), (one, two, padOne, padTwo) => {
        if (mayClash({ prefix: one }, { prefix: two })) return
        const codes = (own: string, padding: number): string[] =>
          Array.from({ length: 220 }, (_, at) => writeCode({ prefix: own, padding, suffixBy: 'none' }, at + 1, null).figure.toLowerCase())
        const first = new Set(codes(one, padOne))
        expect(codes(two, padTwo).filter(code => first.has(code))).toEqual([])
      }),
    )
  })
  test.each([
    ['', '', true],
    ['A', 'A1', true],
    ['A', 'B', false],
    ['A', 'A-', false],
    ['', '7', true],
    ['', 'D', false],
  ])('%s and %s: %s', (a, b, clash) => {
    expect([mayClash({ prefix: a }, { prefix: b }), mayClash({ prefix: b }, { prefix: a })]).toEqual([clash, clash])
  })
})

describe('reports', () => {
  test('gaps and numbers together are every number up to the highest, each once (property)', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 60 })), fc.integer({ min: 0, max: 70 }), (numbers, highest) => {
        const top = Math.max(highest, ...numbers, 0)
        const inGaps = gapsIn(numbers, top).flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, at) => from + at))
        expect([...numbers, ...inGaps].sort((a, b) => a - b)).toEqual(Array.from({ length: top }, (_, at) => at + 1))
      }),
    )
  })
  test('one code on two things is told: a number against a number written on another', () => {
    const holdings = [
      set(7),
      set(8, { aliases: [{ text: '7', from: 'writtenOnIt', reading: null }] }),
      set(352, { kindId: 'wood' }),
      set(9, { aliases: [{ text: '352 w', from: 'list', reading: null }] }),
    ]
    expect(doublesIn(holdings, () => series, kindOf)).toEqual([
      { text: '352 W', holdingIds: ['h352', 'h9'] },
      { text: '7', holdingIds: ['h7', 'h8'] },
    ])
    expect(doublesIn([set(1), set(2)], () => series, kindOf)).toEqual([])
  })
  test.each([
    ['12-203', true],
    ['6-203', true],
    ['16-1', false],
    ['352', false],
    ['12-213', false],
    ['4-101', true],
  ])('%s has two readings: %s (common practice)', (text, expected) => {
    expect(hasTwoReadings(text)).toBe(expected)
  })
  test('another writing makes labels stale, never another set: only labelled ones, and only where it differs (property)', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 2000 }), { maxLength: 20 }),
        fc.integer({ min: 0, max: 6 }),
        (numbers, padding) => {
          const holdings = numbers.map(number => set(number, number % 3 === 0 ? { state: 'toLabel' } : {}))
          const stale = staleLabels(holdings, series, { ...series, padding }, kindOf)
          const expected = holdings.filter(each => each.state === 'filed' && String(each.number).length < padding)
          expect(stale.map(each => each.id)).toEqual(expected.map(each => each.id))
          for (const each of stale) expect(Number(each.becomes)).toBe(Number(each.was))
        },
      ),
    )
  })
  test('a label disagrees where it stands on the holder and is written otherwise, and nowhere else (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.constantFrom('1', '2', '3', '02'), { nil: null }), { maxLength: 5 }), texts => {
        const holdings = texts.map((labelText, at) => set(at + 1, { labelText }))
        expect(labelsThatDisagree(holdings, () => series, kindOf)).toEqual(
          texts.flatMap((was, at) => (was === null || was === String(at + 1) ? [] : [{ id: `h${at + 1}`, was, becomes: String(at + 1) }])),
        )
      }),
    )
  })
})
