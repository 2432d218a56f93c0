import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { FILING_KEYS, type FilingKey, FilingRule } from '#core/catalog'
import { KEYS, readRule, sameRule, writeRule } from './index'

const someKey = fc.constantFrom(...FILING_KEYS).chain(by => fc.constantFrom(...KEYS[by].orders).map((order): FilingKey => ({ by, order })))
const someRule = fc.uniqueArray(someKey, { minLength: 1, maxLength: 3, selector: key => key.by }).map((keys): FilingRule => ({ keys }))

describe('rules as a line', () => {
  test('written and read again it is the same rule, the order of every key too (property)', () => {
    fc.assert(fc.property(someRule, rule => expect(readRule(writeRule(rule))).toEqual(rule)))
  })
  test('two rules are the same when their keys and the order of each are, and not otherwise (property)', () => {
    fc.assert(
      fc.property(someRule, someRule, (a, b) => {
        expect(sameRule(a, b)).toBe(JSON.stringify(a) === JSON.stringify(b))
        expect(sameRule(a, { keys: [...a.keys] })).toBe(true)
      }),
    )
  })
  test('by theme in the own order is not by theme in alphabetical order', () => {
    const by = (order: FilingKey['order']): FilingRule => ({ keys: [{ by: 'theme', order }] })
    expect(sameRule(by('own'), by('alphabetical'))).toBe(false)
    expect(writeRule(by('own'))).toBe('theme.own')
  })
  test('whatever an address says, it is a rule or nothing (property)', () => {
    const words = fc.constantFrom('theme', 'brand', 'own', 'hats', '.', ',', 'theme.hats', 'constructor', '__proto__', 'name.own')
    fc.assert(
      fc.property(fc.array(words, { maxLength: 8 }), parts => {
        const rule = readRule(parts.join(','))
        if (rule) expect(FilingRule.safeParse(rule)).toMatchObject({ success: true })
      }),
    )
    expect(readRule('')).toBeNull()
    expect(readRule('constructor')).toBeNull()
  })
})
