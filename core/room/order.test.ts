import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { Holder } from '#core/catalog'
import { keyBehind, keysBehind } from './index'

const isKey = (order: string): boolean => Holder.shape.order.safeParse(order).success

describe('order keys', () => {
  test('whatever is set down behind whatever, alone or in runs: as in a plain list (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ behind: fc.nat(), count: fc.integer({ min: 1, max: 5 }) }), { maxLength: 60 }), steps => {
        const list: { readonly id: number; readonly order: string }[] = []
        let made = 0
        for (const { behind, count } of steps) {
          const at = (behind % (list.length + 1)) - 1
          const keys = count === 1 ? [keyBehind(list, at)] : keysBehind(list, at, count)
          list.splice(at + 1, 0, ...keys.map(order => ({ id: made++, order })))
        }
        expect(list.map(each => each.order)).toEqual(list.map(each => each.order).sort((a, b) => (a < b ? -1 : 1)))
        expect(new Set(list.map(each => each.order)).size).toBe(list.length)
        expect(list.every(each => isKey(each.order))).toBe(true)
      }),
    )
  })
  test('the newest always directly behind one and the same tab, for three thousand sets: still keys that a copy takes', () => {
    const tab = { order: keyBehind([], -1) }
    let last = { order: keyBehind([tab], 0) }
    for (let set = 0; set < 3000; set += 1) {
      const order = keyBehind([tab, last], 0)
      expect(order > tab.order && order < last.order).toBe(true)
      last = { order }
    }
    expect(isKey(last.order)).toBe(true)
  })
  test('two that share a key stay together: what goes behind the first goes behind both', () => {
    const [a, b] = keysBehind([], -1, 2)
    const twins = [{ order: a ?? '' }, { order: a ?? '' }, { order: b ?? '' }]
    for (const at of [0, 1]) {
      const order = keyBehind(twins, at)
      expect(order > (a ?? '') && order < (b ?? '')).toBe(true)
    }
  })
})
