import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type Stage, stageOf, stagesLeft, stateAfter, stateOnCapture, STAGES } from './index'

const someStages = fc
  .subarray([...STAGES])
  .map(some => STAGES.filter(stage => stage === 'capture' || stage === 'file' || some.includes(stage)))

describe('from stage to stage', () => {
  test('a set goes through every stage that is worked by, each once and in order, and ends filed (property)', () => {
    fc.assert(
      fc.property(someStages, used => {
        const seen: Stage[] = ['capture']
        for (let at: Stage | null = 'capture'; at;) {
          at = stageOf({ state: stateAfter(at, used) })
          if (at) seen.push(at)
          expect(seen.length).toBeLessThanOrEqual(STAGES.length)
        }
        expect(seen).toEqual(used)
        expect(stateAfter('file', used)).toBe('filed')
        expect(stagesLeft('capture', used)).toEqual(used)
      }),
    )
  })
  test('what is said at capture already need not be classed', () => {
    const known = { kindId: 'k', categoryName: 'Images', themeNames: ['Kelp'] }
    expect(stateOnCapture(known, STAGES)).toBe('toPocket')
    for (const lacking of [
      { ...known, kindId: null },
      { ...known, categoryName: '' },
      { ...known, themeNames: [] },
    ])
      expect(stateOnCapture(lacking, STAGES)).toBe('toClass')
    expect(stateOnCapture(known, ['capture', 'file'])).toBe('toFile')
  })
  test('a set that is filed, out or gone waits at no stage', () => {
    for (const state of ['filed', 'out', 'gone'] as const) expect(stageOf({ state: state as never })).toBeNull()
  })
})
