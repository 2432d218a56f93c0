import { expect, test } from '@jest/globals'
import { fcnnlsVector } from 'ml-fcnnls'
import { nnls } from '#core/capacity'
import { chance } from '../../demo/random'

// Lawson and Hanson 1974, ch. 23, against another solver: the fast combinatorial one of Van Benthem and Keenan 2004 (npm ml-fcnnls).
test('non-negative least squares: the same answer as another solver (200 systems, seed 41)', () => {
  const luck = chance(41)
  for (let round = 0; round < 200; round += 1) {
    const [columns, rows] = [luck.whole(1, 8), luck.whole(9, 20)]
    const a = Array.from({ length: rows }, () => Array.from({ length: columns }, () => luck.between(-1, 4)))
    const b = a.map(row => row.reduce((sum, value) => sum + value * luck.between(-0.4, 1), 0) + luck.between(-1, 1))
    const theirs = fcnnlsVector(a, b).K.to1DArray()
    nnls(a, b).forEach((value, at) => expect(value).toBeCloseTo(theirs[at] ?? NaN, 6))
  }
})
