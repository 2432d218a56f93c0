import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { Holder } from '#core/catalog'
import { keyBehind, keysBehind, setDownBehind } from './index'

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
  test('set down behind any of a list in which keys tie: it stands there, and no other changes its place (property)', () => {
    const keys = keysBehind([], -1, 3)
    fc.assert(
      fc.property(fc.array(fc.nat(2), { maxLength: 12 }), fc.nat(), fc.integer({ min: 1, max: 3 }), (which, behind, count) => {
        const list = which.sort((a, b) => a - b).map((key, id) => ({ id, order: keys[key] ?? '' }))
        const at = (behind % (list.length + 1)) - 1
        const { keys: fresh, rekeyed } = setDownBehind(list, at, count)
        const after = [
          ...list.map(each => ({ ...each, order: rekeyed.find(({ index }) => list[index]?.id === each.id)?.order ?? each.order })),
          ...fresh.map((order, which) => ({ id: 100 + which, order })),
        ].sort((a, b) => {
          if (a.order !== b.order) return a.order < b.order ? -1 : 1
          return a.id - b.id
        })
        const wanted = [
          ...list.slice(0, at + 1).map(each => each.id),
          ...fresh.map((_, which) => 100 + which),
          ...list.slice(at + 1).map(each => each.id),
        ]
        expect(after.map(each => each.id)).toEqual(wanted)
      }),
    )
  })
  test('keys that are none are refused by the schema', () => {
    for (const key of ['zzzzzz', '~', 'a', 'a00', ' ', 'A']) expect([key, isKey(key)]).toEqual([key, false])
    expect(keysBehind([], -1, 50).every(isKey)).toBe(true)
  })
})
