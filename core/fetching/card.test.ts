import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type Candidate, type CardFacts, chooseForCard } from './index'

const facts: CardFacts = { rankOf: Number, alongMm: id => (Number(id) * 370) % 1000 }

/** Every choice there is, the cheapest kept: fewest containers, then the shortest walk, then what was offered first. */
function byBruteForce(needs: readonly (readonly Candidate[])[]): readonly number[] {
  let best: readonly number[] = [Infinity, Infinity, Infinity]
  const go = (at: number, chosen: readonly Candidate[], ranks: number): void => {
    const need = needs[at]
    if (!need) {
      const opened = [...new Set(chosen.flatMap(each => each.containerIds ?? []))].map(Number).sort((a, b) => a - b)
      const along = opened.map(id => facts.alongMm(String(id)))
      const walk = along.reduce((sum, mm, i) => sum + (i === 0 ? 0 : Math.abs(mm - (along[i - 1] ?? 0))), 0)
      const cost = [opened.length, walk, ranks]
      const at = cost.findIndex((each, i) => Math.abs(each - (best[i] ?? 0)) > 1e-6)
      if (at >= 0 && (cost[at] ?? 0) < (best[at] ?? 0)) best = cost
      return
    }
    const known = need.filter(each => each.containerIds !== null)
    if (need.length === 0) return go(at + 1, chosen, ranks)
    for (const each of known.length > 0 ? known : need) go(at + 1, [...chosen, each], ranks + need.indexOf(each))
  }
  go(0, [], 0)
  return best
}

describe('one candidate for each need of a card', () => {
  const some = fc.uniqueArray(fc.integer({ min: 0, max: 7 }), { maxLength: 3 })
  /** One bin each, of few: then two needs often share one. */
  const one = fc.integer({ min: 0, max: 4 }).map(id => [id])
  const candidates = fc
    .oneof(fc.array(some, { maxLength: 5 }), fc.array(one, { minLength: 1, maxLength: 3 }))
    .map(list => list.map((ids, at): Candidate => ({ id: `c${at}`, containerIds: ids.includes(7) ? null : ids.map(String) })))

  test('the cheapest of all choices (property, against trying every one)', () => {
    fc.assert(
      fc.property(fc.array(candidates, { maxLength: 5 }), needs => {
        const found = chooseForCard(needs, facts)
        const chosen = found.chosen.map((id, at) => needs[at]?.find(each => each.id === id))
        const opened = new Set(chosen.flatMap(each => each?.containerIds ?? []))
        expect(new Set(found.containerIds)).toEqual(opened)
        const [count, walk, ranks] = byBruteForce(needs)
        const own = chosen.reduce((sum, each, at) => sum + (each ? (needs[at]?.indexOf(each) ?? 0) : 0), 0)
        expect([found.containerIds.length, Math.round(found.walkMm), own, found.isBest]).toEqual([
          count,
          Math.round(walk ?? 0),
          ranks,
          true,
        ])
        expect(found.chosen.map(id => id === null)).toEqual(needs.map(need => need.length === 0))
      }),
      { numRuns: 1500 },
    )
  })
  test('one bin that serves two needs counts once, also where a nearer choice is only found later (by hand)', () => {
    const at = (id: string, bin: number): Candidate => ({ id, containerIds: [String(bin)] })
    const found = chooseForCard(
      [
        [at('far', 2), at('near', 1)],
        [at('alone', 3), at('both', 0)],
        [at('alone', 4), at('both', 0)],
      ],
      facts,
    )
    expect([found.chosen, found.containerIds]).toEqual([
      ['near', 'both', 'both'],
      ['0', '1'],
    ])
  })
  test('twelve needs of forty candidates each are settled, and said to be the best (seeded)', () => {
    let state = 7
    const below = (bound: number): number => (state = (state * 16807) % 2147483647) % bound
    const needs = Array.from({ length: 12 }, () =>
      Array.from({ length: 40 }, (_, at): Candidate => ({
        id: `c${at}`,
        containerIds: [String(below(40)), ...(below(3) === 0 ? [String(below(40))] : [])],
      })),
    )
    const found = chooseForCard(needs, facts)
    expect(found.isBest).toBe(true)
    expect(found.chosen.every(id => id !== null)).toBe(true)
  })
  test('ended before its end it says so, and still serves every need; so many ways as these would never be tried out', () => {
    const needs = Array.from({ length: 12 }, (_, need) =>
      Array.from({ length: 40 }, (_each, at): Candidate => ({ id: `c${at}`, containerIds: [String(need * 40 + at)] })),
    )
    const found = chooseForCard(needs, facts, 2000)
    expect(found.isBest).toBe(false)
    expect(found.chosen.every(id => id !== null)).toBe(true)
  })
})
