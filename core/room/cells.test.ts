import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cellTakes } from './index'

test('a cell takes what lies in it one way or the other; what was never measured is taken to fit (property)', () => {
  const side = fc.integer({ min: 10, max: 99 })
  const size = fc.record({ widthMm: side, heightMm: side })
  fc.assert(
    fc.property(size, size, (cell, set) => {
      const lies = (width: number, height: number): boolean => width <= cell.widthMm && height <= cell.heightMm
      expect(cellTakes({ cellSize: cell }, set)).toBe(lies(set.widthMm, set.heightMm) || lies(set.heightMm, set.widthMm))
      expect([cellTakes({ cellSize: null }, set), cellTakes({ cellSize: cell }, null), cellTakes(null, set)]).toEqual([true, true, true])
    }),
  )
})
