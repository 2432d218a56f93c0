import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  afterCapture,
  type DoneStep,
  type Pace,
  paceOf,
  pickPack,
  secondsLeft,
  type Stage,
  stageOf,
  STAGES,
  stageOfPack,
  stagesLeft,
  stateAfter,
  withoutSet,
} from './index'

const after = (seconds: number): string => new Date(Date.UTC(2026, 10, 1, 12) + seconds * 1000).toISOString()
const steps = (stage: Stage | null, ...seconds: number[]): DoneStep[] => seconds.map(each => ({ at: after(each), stage, sets: 1 }))
const someStage = fc.constantFrom(...STAGES)
const someUsed = fc.subarray([...STAGES])

describe('stages', () => {
  test('a set that goes through all its stages is filed, whatever stages the owner works by (property)', () => {
    fc.assert(
      fc.property(someStage, someUsed, (from, used) => {
        let stage: Stage | null = from
        const passed: Stage[] = []
        while (stage && passed.length < 9) {
          passed.push(stage)
          stage = stageOf({ state: stateAfter(stage, used) })
        }
        expect(passed.at(-1)).toBe('file')
        expect(passed.slice(0, -1)).toEqual(stagesLeft(from, used).filter(each => each !== 'file'))
      }),
    )
  })
  test('what is filed, out, lent or gone waits at no stage', () => {
    for (const state of ['filed', 'out', 'lent', 'gone'] as const) expect(stageOf({ state })).toBeNull()
    expect(stageOf({ state: 'toClass' })).toBe('class')
  })
})

describe('pace', () => {
  test('with no history the usual pace is assumed, and said to be', () => {
    expect(paceOf([]).capture).toEqual({ secondsASet: 45, measuredOn: 0 })
    expect(paceOf(steps('capture', 0, 10, 20, 30)).capture.measuredOn).toBe(0)
  })
  test('the median of the times between steps; a break does not count', () => {
    expect(paceOf(steps('class', 0, 10, 22, 36, 2000, 2012)).class).toEqual({ secondsASet: 12, measuredOn: 4 })
  })
  test("other work in between is not the set's time; a step for many sets says nothing", () => {
    const mixed = [
      ...steps(null, 0),
      ...steps('label', 8),
      ...steps(null, 100),
      ...steps('label', 110, 118, 126),
      { at: after(130), stage: 'label' as const, sets: 60 },
    ]
    expect(paceOf(mixed).label).toEqual({ secondsASet: 8, measuredOn: 4 })
  })
  test('the latest count: somebody who got faster is fast', () => {
    const slowThenFast = Array.from({ length: 120 }, (_, index) => (index < 60 ? index * 60 : 3600 + (index - 60) * 6))
    expect(paceOf(steps('fit', ...slowThenFast)).fit.secondsASet).toBe(6)
  })
  test('never zero, never longer than a break (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ gap: fc.integer({ min: 0, max: 900 }), stage: someStage, sets: fc.integer({ min: 1, max: 3 }) }), {
          maxLength: 60,
        }),
        list => {
          let at = 0
          const pace = paceOf(list.map(({ gap, stage, sets }) => ({ at: after((at += gap)), stage, sets })))
          for (const stage of STAGES) {
            expect(pace[stage].secondsASet).toBeGreaterThan(0)
            expect(pace[stage].secondsASet).toBeLessThanOrEqual(300)
          }
        },
      ),
    )
  })
})

describe('ten minutes', () => {
  const pace: Pace = {
    capture: { secondsASet: 60, measuredOn: 0 },
    class: { secondsASet: 30, measuredOn: 0 },
    fit: { secondsASet: 20, measuredOn: 0 },
    label: { secondsASet: 30, measuredOn: 0 },
    file: { secondsASet: 20, measuredOn: 9 },
  }
  const piles = fc.array(someStage, { maxLength: 10 }).map(list => list.map((stage, index) => ({ id: `s${index}`, stage })))

  test('against every possible choice: no other pack places more sets in the time (property)', () => {
    fc.assert(
      fc.property(piles, someUsed, fc.integer({ min: 0, max: 15 }), (pile, used, minutes) => {
        const times = pile.map(set => secondsLeft(set, pace, used))
        let most = 0
        for (let choice = 0; choice < 2 ** pile.length; choice += 1) {
          const chosen = times.filter((_, index) => choice & (1 << index))
          if (chosen.reduce((sum, each) => sum + each, 0) <= minutes * 60) most = Math.max(most, chosen.length)
        }
        expect(pickPack(minutes, pile, pace, used).ids).toHaveLength(most)
      }),
      { numRuns: 60 },
    )
  })
  test('fits the time, and ends with every set of it placed (property)', () => {
    fc.assert(
      fc.property(piles, someUsed, fc.integer({ min: 0, max: 60 }), (pile, used, minutes) => {
        const pack = pickPack(minutes, pile, pace, [...used, 'file'])
        expect(pack.seconds).toBeLessThanOrEqual(minutes * 60)
        expect(pack.ids.length === 0 ? [] : pack.stages.at(-1)).toEqual(pack.ids.length === 0 ? [] : { stage: 'file', ids: pack.ids })
        const worked = pack.stages.reduce((sum, { stage, ids }) => sum + ids.length * pace[stage].secondsASet, 0)
        expect(worked).toBeCloseTo(pack.seconds, 9)
      }),
    )
  })
  test("a strip of the pack that became a set stays in it under the set's id, at every stage it still has before it", () => {
    const pack = pickPack(
      60,
      [
        { id: 'strip', stage: 'capture' },
        { id: 'other', stage: 'file' },
      ],
      pace,
      STAGES,
    )
    const after = afterCapture(pack, 'strip', 'set')
    expect([...after.ids].sort()).toEqual(['other', 'set'])
    expect(after.stages.flatMap(({ ids }) => ids)).not.toContain('strip')
    expect(after.stages.find(({ stage }) => stage === 'class')?.ids).toEqual(['set'])
  })
  test('a pack is worked stage by stage to its end, whatever the order in which sets are settled (property)', () => {
    fc.assert(
      fc.property(piles, fc.array(fc.nat(), { minLength: 60, maxLength: 60 }), (pile, choices) => {
        const pack = pickPack(600, pile, pace, STAGES)
        const waits = new Map<string, Stage | null>(pile.map(({ id, stage }) => [id, stage]))
        const worked: Stage[] = []
        for (const choice of choices) {
          const stage = stageOfPack(pack, id => waits.get(id) ?? null)
          if (stage === 'done' || stage === 'unheard') break
          const here = pack.ids.filter(id => waits.get(id) === stage)
          const settled = here[choice % here.length] ?? ''
          waits.set(settled, stagesLeft(stage, STAGES)[1] ?? null)
          worked.push(stage)
        }
        expect(stageOfPack(pack, id => waits.get(id) ?? null)).toBe('done')
        expect(worked.map(stage => STAGES.indexOf(stage))).toEqual(worked.map(stage => STAGES.indexOf(stage)).sort((a, b) => a - b))
      }),
    )
  })
  test('a set not heard of yet is waited for; one that was dropped is not', () => {
    const pack = pickPack(
      60,
      [
        { id: 'a', stage: 'file' },
        { id: 'b', stage: 'capture' },
      ],
      pace,
      STAGES,
    )
    expect(stageOfPack(pack, id => (id === 'a' ? null : 'unheard'))).toBe('unheard')
    expect(stageOfPack(withoutSet(pack, 'b'), id => (id === 'a' ? null : 'unheard'))).toBe('done')
  })
  test('ten minutes of filing at twenty seconds a set is thirty sets', () => {
    const pile = Array.from({ length: 50 }, (_, index) => ({ id: `s${index}`, stage: 'file' as const }))
    expect(pickPack(10, pile, pace, STAGES).ids).toHaveLength(30)
  })
})
