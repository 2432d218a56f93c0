import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LIMITS } from '#core/catalog'
import { codeText, endOfRun, giveNumbers, type GivenNumber, isFarBeyond, readBareNumber, writeCode } from './index'

interface Line {
  holdingId: string
  givenTo: string
}

/** Plays a history of givings and undoings against the register, as the database does. */
function play(steps: readonly { names: readonly (readonly [string, number | null])[]; undone: boolean }[]) {
  const register = new Map<number, Line>()
  const living = new Set<string>()
  const all: { given: GivenNumber; name: string }[] = []
  steps.forEach(({ names, undone }, step) => {
    const requests = names.map(([name, written], index) => ({ holdingId: `${step}/${index}`, givenTo: name, written }))
    const given = giveNumbers(
      requests,
      number => register.get(number),
      id => living.has(id),
      Math.max(0, ...register.keys()),
    )
    if (!given) throw new Error('no number')
    given.forEach((each, index) => {
      const name = requests[index]?.givenTo ?? ''
      all.push({ given: each, name })
      register.set(each.number, { holdingId: each.holdingId, givenTo: name })
      if (!undone) living.add(each.holdingId)
    })
  })
  return { all, living }
}

const someName = fc.constantFrom('Kelp Study', 'Limpets', 'Night Ferry', 'Parcel Tags')
const steps = fc.array(
  fc.record({
    names: fc.array(fc.tuple(someName, fc.option(fc.integer({ min: 1, max: 30 }), { nil: null })), { maxLength: 8 }),
    undone: fc.boolean(),
  }),
  { maxLength: 8 },
)

describe('numbers', () => {
  test('no two living sets ever share a number, whatever was undone in between', () => {
    fc.assert(
      fc.property(steps, history => {
        const { all, living } = play(history)
        const numbers = all.filter(each => living.has(each.given.holdingId)).map(each => each.given.number)
        expect(new Set(numbers).size).toBe(numbers.length)
      }),
    )
  })

  test('a number comes back only to the same thing', () => {
    fc.assert(
      fc.property(steps, history => {
        const owner = new Map<number, string>()
        for (const { given, name } of play(history).all) {
          expect(owner.get(given.number) ?? name).toBe(name)
          owner.set(given.number, name)
        }
      }),
    )
  })

  test('a clash is told, with who holds the number', () => {
    const given = giveNumbers(
      [
        { holdingId: 'a', givenTo: 'Kelp Study', written: 7 },
        { holdingId: 'b', givenTo: 'Limpets', written: 7 },
        { holdingId: 'c', givenTo: 'Ferry', written: null },
      ],
      () => undefined,
      () => false,
      0,
    )
    expect(given?.map(each => each.number)).toEqual([7, 8, 9])
    expect(given?.[1]?.clash).toEqual({ written: 7, heldBy: 'Kelp Study' })
  })

  test('if 352 is next, 351 were issued; a block is 352 W (common practice)', () => {
    const given = giveNumbers(
      [{ holdingId: 'x', givenTo: 'Block', written: null }],
      () => undefined,
      () => false,
      351,
    )
    expect(given?.[0]?.number).toBe(352)
    expect(codeText(writeCode({ prefix: '', padding: 0, suffixBy: 'kind' }, 352, { suffix: 'W' }))).toBe('352 W')
  })

  test('bare numbers only: an address is not a number', () => {
    expect([readBareNumber('#0352'), readBareNumber('no. 7'), readBareNumber('12-308'), readBareNumber('0')]).toEqual([352, 7, null, null])
  })
  test('a number far above the run is adopted and moves nothing; none is given that the schema refuses', () => {
    const give = (endsAt: number, ...written: readonly (number | null)[]) =>
      giveNumbers(
        written.map((each, at) => ({ holdingId: `h${at}`, givenTo: `h${at}`, written: each })),
        () => undefined,
        () => false,
        endsAt,
      )?.map(each => each.number) ?? null
    expect(give(352, LIMITS.number, null, 5_310_472, null)).toEqual([LIMITS.number, 353, 5_310_472, 354])
    expect(give(352, 360, null)).toEqual([360, 361])
    expect(give(LIMITS.number, null)).toBeNull()
    expect(give(LIMITS.number - 1, null)).toEqual([LIMITS.number])
  })
  test('the run ends where most of the numbers do, wherever they begin (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 50_000 }),
        fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 3, maxLength: 40 }),
        fc.array(fc.integer({ min: 2_000_000, max: LIMITS.number }), { maxLength: 1 }),
        (start, steps, codes) => {
          let number = start
          const run = steps.map(step => (number += step))
          expect(endOfRun([...codes, ...run])).toBe(number)
          for (const code of codes) expect(isFarBeyond(code, endOfRun([...codes, ...run]))).toBe(true)
        },
      ),
    )
    expect(endOfRun([])).toBe(0)
  })
})
