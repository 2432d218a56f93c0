import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, FIT_WAYS, START_HABITS, type FitWay, type HolderType, type Holding, startCatalogue } from '#core/catalog'
import { MM_PER_INCH } from '#core/units'
import {
  adviseHolder,
  type Contents,
  contentsOf,
  cutsFor,
  type FitHabits,
  filledThicknessMm,
  fitContainer,
  fitHolder,
  latestHolder,
  nextSizesUp,
  oneSizeForAll,
  openingFor,
  replacementsFor,
  shareHolder,
  standsByItself,
} from './index'
import { shareOfTries } from './fit'

let made = 0
const types = startCatalogue(() => `id${String((made += 1)).padStart(3, '0')}`).holderTypes
const named = (name: string): HolderType => {
  const type = types.find(each => each.name === name)
  if (!type) throw new Error(name)
  return type
}
const habits: FitHabits = { fitOrder: FIT_WAYS, fitNever: [] }
const flat = (width: number, height: number, more: Partial<Contents> = {}): Contents => ({
  widthMm: width * MM_PER_INCH,
  heightMm: height * MM_PER_INCH,
  thicknessMm: 3,
  layers: [{ of: 'set', mm: 3 }],
  pieces: [],
  packaged: null,
  mayRearrange: false,
  mayTrim: true,
  mayCut: true,
  ...more,
})
const ways = (contents: Contents, type: HolderType, more = habits): readonly FitWay[] => {
  const result = fitHolder(contents, type, more)
  return result.fits ? result.answers.map(answer => answer.way) : []
}
const someContents = fc
  .record({
    width: fc.double({ min: 0.5, max: 12, noNaN: true }),
    height: fc.double({ min: 0.5, max: 12, noNaN: true }),
    thick: fc.double({ min: 0.5, max: 12, noNaN: true }),
  })
  .map(({ width, height, thick }) => flat(width, height, { thicknessMm: thick }))
const someType = fc.constantFrom(...types.filter(type => type.inner))

describe('common practice', () => {
  test('a 4 x 6 set goes into the pocket 5 x 7 loosely; a 6 x 8 set does not go in at all', () => {
    expect(ways(flat(4, 6), named('pocket 5 x 7'))[0]).toBe('loose')
    expect(fitHolder(flat(6, 8), named('pocket 5 x 7'), { ...habits, fitNever: ['cutInTwo'] })).toMatchObject({
      fits: false,
      why: { code: 'tooWide' },
    })
  })
  test('a 6 x 8 set is snug in the thin large sleeve (6 x 10) and up to 1/8 in is trimmed off a side', () => {
    const answers = fitHolder(flat(6, 8), named('thin large sleeve'), habits)
    expect(answers.fits && answers.answers.find(answer => answer.way === 'trim')).toMatchObject({ isIrreversible: true, trimHeightMm: 0 })
    const off = answers.fits ? (answers.answers.find(answer => answer.way === 'trim')?.trimWidthMm ?? 0) : 0
    expect(off).toBeGreaterThan(0)
    expect(off).toBeLessThanOrEqual(2 * 3.2)
  })
  test('the large die pocket takes a backing of 5 5/8 x 9 5/8 in', () => {
    expect(ways(flat(5.625, 9.625, { thicknessMm: 1 }), named('large die pocket'))[0]).toMatch(/loose|fits|snug/)
  })
  test('a border die lies on the diagonal of the small square die pocket', () => {
    expect(ways(flat(6, 0.5, { thicknessMm: 1, widthMm: 152.4 }), named('small square die pocket'))).toContain('tilted')
  })
  test('two 4 x 6 sets lie sideways in one large pocket: a 6 x 8 set holds twice a 4 x 6', () => {
    const large = { ...named('pocket 7 x 10'), inner: { widthMm: 6.5 * MM_PER_INCH, heightMm: 8.5 * MM_PER_INCH } }
    expect(shareHolder([flat(4, 6), flat(4, 6)], large)?.laid.map(each => each.isTurned)).toEqual([true, true])
    expect(shareHolder([flat(4, 6), flat(4, 6)], named('pocket 5 x 7'))).toBeNull()
  })
  test('an insert for the opening, a magnet within it, both smaller than what they go into', () => {
    const cuts = cutsFor(named('pocket 5 x 7'), 4, { insert: true, magnet: true, packaging: 'none', dies: 'apart' })
    expect(cuts.map(cut => cut.of)).toEqual(['insert', 'magnet', 'acetate'])
    const opening = openingFor(named('pocket 5 x 7'), 4, true)
    for (const cut of cuts) expect(cut.widthMm).toBeLessThan(opening?.widthMm ?? 0)
    expect(cuts[1]?.widthMm).toBeLessThan(cuts[0]?.widthMm ?? 0)
  })
})

describe('the model of a holder', () => {
  test('two films joined at the edges: width and thickness together stay within the flat width (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 6, noNaN: true }), thicknessMm => {
        expect((openingFor(named('pocket 5 x 7'), thicknessMm, true)?.widthMm ?? 0) + thicknessMm).toBeCloseTo(127, 9)
        expect(openingFor(named('box 6 x 8'), thicknessMm, true)).toEqual(named('box 6 x 8').inner)
      }),
    )
  })
  test('a filled holder is as thick as its films, its contents and its snaps', () => {
    expect(filledThicknessMm({ filmMm: 0.1016, emptyThicknessMm: null, extraBulkMm: 2 }, 3)).toBeCloseTo(5.2032, 9)
    expect(filledThicknessMm({ filmMm: 1, emptyThicknessMm: 14, extraBulkMm: 0 }, 3)).toBe(17)
  })
})

describe('fits, as properties', () => {
  const plain: readonly FitWay[] = ['loose', 'fits', 'snug', 'turned', 'tilted', 'flapOpen', 'foldPackaging', 'trim', 'cutInTwo']
  test('what fits still fits in a larger holder', () => {
    fc.assert(
      fc.property(
        someContents,
        someType,
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (contents, type, wider, taller) => {
          fc.pre(ways(contents, type).some(way => plain.includes(way)))
          const larger = { ...type, inner: { widthMm: (type.inner?.widthMm ?? 0) + wider, heightMm: (type.inner?.heightMm ?? 0) + taller } }
          expect(ways(contents, larger).length).toBeGreaterThan(0)
        },
      ),
    )
  })
  test('turning both by a quarter changes nothing, for what is as stiff one way as the other', () => {
    const box = named('box 6 x 8')
    const swap = ({ widthMm, heightMm, ...rest }: Contents): Contents => ({ ...rest, widthMm: heightMm, heightMm: widthMm })
    fc.assert(
      fc.property(someContents, contents => {
        const other = { ...box, inner: { widthMm: box.inner?.heightMm ?? 0, heightMm: box.inner?.widthMm ?? 0 } }
        expect(ways(swap(contents), other)).toEqual(ways(contents, box))
        expect(ways(swap(swap(contents)), box)).toEqual(ways(contents, box))
      }),
    )
  })
  test('thinner contents never fit worse', () => {
    fc.assert(
      fc.property(someContents, someType, fc.double({ min: 0.1, max: 1, noNaN: true }), (contents, type, share) => {
        if (ways(contents, type).some(way => plain.includes(way)))
          expect(ways({ ...contents, thicknessMm: contents.thicknessMm * share }, type).length).toBeGreaterThan(0)
      }),
    )
  })
  test("what the owner would never do is never proposed, and the order is the owner's", () => {
    fc.assert(
      fc.property(
        someContents,
        someType,
        fc.shuffledSubarray([...FIT_WAYS], { minLength: FIT_WAYS.length }),
        fc.subarray([...FIT_WAYS]),
        (contents, type, fitOrder, fitNever) => {
          const found = ways(contents, type, { fitOrder, fitNever })
          for (const way of found) expect(fitNever).not.toContain(way)
          expect(found).toEqual([...found].sort((a, b) => fitOrder.indexOf(a) - fitOrder.indexOf(b)))
        },
      ),
    )
  })
  test('what is cut or trimmed is said to be irreversible, and nothing else is', () => {
    fc.assert(
      fc.property(someContents, someType, (contents, type) => {
        const result = fitHolder(contents, type, habits)
        for (const answer of result.fits ? result.answers : [])
          expect(answer.isIrreversible).toBe(answer.way === 'trim' || answer.way === 'cutInTwo')
      }),
    )
  })
  test('every answer lies within the opening as it is drawn, unless it says how far it sticks out', () => {
    fc.assert(
      fc.property(someContents, someType, (contents, type) => {
        const result = fitHolder(contents, type, habits)
        for (const answer of result.fits ? result.answers : []) {
          if (answer.way === 'zeroClearance') expect(Math.abs(Math.min(answer.spareWidthMm, answer.spareHeightMm))).toBeLessThanOrEqual(0.5)
          else expect(Math.min(answer.spareWidthMm, answer.spareHeightMm + answer.sticksOutMm)).toBeGreaterThan(-1e-6)
        }
      }),
    )
  })
})

describe('why not', () => {
  const square = named('small square die pocket')
  test('what has no closure does not refuse by a limit of closing', () => {
    expect(square.closure).toBe('none')
    const thick: Contents = { ...flat(1, 1), widthMm: 100, heightMm: 100, thicknessMm: 7 }
    expect(ways(thick, { ...square, maxThicknessMm: 6 })).toContain('loose')
  })
  test('the reason is true: it needs more than there is room for (property)', () => {
    const someHabits = fc.subarray([...FIT_WAYS], { minLength: 4 }).map((fitNever): FitHabits => ({ fitOrder: FIT_WAYS, fitNever }))
    fc.assert(
      fc.property(someContents, someType, someHabits, fc.boolean(), fc.boolean(), (contents, type, someOf, isPackaged, mayTrim) => {
        const packaged = isPackaged ? { widthMm: contents.widthMm + 12.7, heightMm: contents.heightMm + 12.7 } : null
        const result = fitHolder({ ...contents, packaged, mayTrim, mayCut: mayTrim }, type, someOf)
        if (result.fits || !result.isCertain) return
        const { why } = result
        if (why.code === 'onlyNever') {
          // With every way allowed it goes in.
          expect(fitHolder({ ...contents, packaged }, type, habits).fits).toBe(true)
          return
        }
        expect(why.needMm).toBeGreaterThan(why.haveMm)
        if (why.code === 'tooThick') expect(why.needMm).toBe(contents.thicknessMm)
      }),
      { numRuns: 5000 },
    )
  })
  test('packaging that is kept counts where holders are shared and where something sticks out', () => {
    const pocket = named('pocket 6 x 9')
    const small = (isPackaged: boolean): Contents =>
      flat(2.6, 5, { packaged: isPackaged ? { widthMm: 3.1 * MM_PER_INCH, heightMm: 5.5 * MM_PER_INCH } : null })
    expect(shareHolder([small(false), small(false)], pocket)?.members).toEqual([0, 1])
    expect(shareHolder([small(true), small(true)], pocket)?.laid.some(each => each.yMm > 0) ?? false).toBe(
      shareHolder([flat(3.1, 5.5), flat(3.1, 5.5)], pocket)?.laid.some(each => each.yMm > 0) ?? false,
    )
    const high = flat(4, 9.2, { packaged: { widthMm: 6.6 * MM_PER_INCH, heightMm: 9.7 * MM_PER_INCH } })
    const found = fitHolder(high, pocket, { fitOrder: ['sticksOut'], fitNever: [] })
    expect(found.fits).toBe(false)
    expect(ways({ ...high, packaged: null }, pocket)).toContain('sticksOut')
  })
  test('a wood block and a metal die are neither trimmed nor cut in two', () => {
    const whole = flat(6, 8, { mayTrim: false, mayCut: false })
    for (const type of types.filter(each => each.inner)) {
      expect(ways(whole, type)).not.toContain('trim')
      expect(ways(whole, type)).not.toContain('cutInTwo')
    }
    const { kinds } = startCatalogue(() => `id${(made += 1)}`)
    const set = { size: { widthMm: 152.4, heightMm: 203.2 }, thicknessMm: null, pieces: [], hasMatchingDie: null }
    const cuttable = kinds.flatMap(kind => {
      const contents = contentsOf(set, kind, START_HABITS)
      return contents?.mayTrim ? [kind.name] : []
    })
    expect(cuttable).toEqual(['Clear', 'Cling', 'Rubber, unmounted', 'Foam', 'Own-made', 'Stencil'])
    // Whatever its owner ticked, and where nobody said what it is.
    const [die] = kinds.filter(each => each.family === 'die')
    for (const kind of [die ? { ...die, mayTrim: true, mayCut: true } : null, null])
      expect(contentsOf(set, kind, START_HABITS)).toMatchObject({ mayTrim: false, mayCut: false })
  })
  test('a set a little too large, whose pieces nobody measured, says try it; measured pieces, folders and blocks do not guess', () => {
    const pocket = named('pocket 5 x 7')
    const over = (mm: number, more: Partial<Contents>): Contents => {
      const { widthMm, heightMm } = openingFor(pocket, 3, true) ?? { widthMm: 0, heightMm: 0 }
      return flat(1, 1, { widthMm: widthMm + mm, heightMm: heightMm - 20, mayTrim: false, mayCut: false, ...more })
    }
    expect(ways(over(5, { mayRearrange: true }), pocket)).toEqual(['zeroClearance'])
    expect(ways(over(7, { mayRearrange: true }), pocket)).toEqual([])
    expect(ways(over(5, {}), pocket)).toEqual([])
    const { kinds } = startCatalogue(() => `id${(made += 1)}`)
    const set = { size: { widthMm: 152.4, heightMm: 203.2 }, thicknessMm: null, pieces: [], hasMatchingDie: null }
    expect(kinds.filter(kind => contentsOf(set, kind, START_HABITS)?.mayRearrange).map(kind => kind.name)).toEqual([
      'Clear',
      'Cling',
      'Rubber, unmounted',
      'Own-made',
      'Thin die',
    ])
    // One piece cannot lie otherwise, and packaging that is kept does not give way.
    const one = { id: 'p', words: [], size: null, at: null, pictureHash: null, isMissing: false, livesWithId: null }
    expect(contentsOf({ ...set, pieces: [one] }, kinds[0] ?? null, START_HABITS)?.mayRearrange).toBe(false)
    expect(contentsOf({ ...set, pieces: [one, one] }, kinds[0] ?? null, START_HABITS)?.mayRearrange).toBe(true)
    const { widthMm, heightMm } = over(5, {})
    expect(ways(over(0, { mayRearrange: true, packaged: { widthMm, heightMm } }), pocket)).not.toContain('zeroClearance')
    // On the slant by a hair: neither yes nor no.
    const square = named('small square die pocket')
    const border = (lengthMm: number): readonly FitWay[] => ways(flat(1, 1, { widthMm: lengthMm, heightMm: 12.7, thicknessMm: 1 }), square)
    const longest =
      Array.from({ length: 400 }, (_, at) => 150 + at / 4)
        .filter(mm => border(mm).includes('tilted'))
        .at(-1) ?? 0
    expect(border(longest)).not.toContain('zeroClearance')
    expect(border(longest + 0.5)).toContain('zeroClearance')
    expect(border(longest + 3)).not.toContain('zeroClearance')
  })
  test('what fits closely comes before what is far too large, though the order begins with loose', () => {
    const pockets = types.filter(type => type.name.startsWith('pocket') && type.name !== 'pocket 6 x 9')
    const first = (width: number, height: number): string | undefined =>
      adviseHolder(flat(width, height), pockets, habits, null).choices[0]?.type.name
    expect(first(5.45, 8.45)).toBe('pocket 5 1/2 x 8 1/2')
    expect(first(4, 6)).toBe('pocket 5 x 7')
  })
})

describe('laying pieces out anew has one budget', () => {
  // Thirty odd pieces that nearly fill the opening: no search comes to its end.
  const pieces = Array.from({ length: 30 }, (_, at) => ({ widthMm: 27 + ((at * 7) % 5), heightMm: 19 + ((at * 3) % 4) }))
  const contents = flat(6, 8, { pieces, mayTrim: false, mayCut: false })
  const tight = (name: string): HolderType => ({ ...named(name), inner: { widthMm: 145, heightMm: 132 }, closure: 'none' })
  test('what was not tried to the end is never told as what does not fit', () => {
    const result = fitHolder(contents, tight('pocket 6 x 9'), { fitOrder: ['rearranged'], fitNever: [] }, { left: 500 })
    expect(result).toEqual({ fits: false, isCertain: false })
    const advice = adviseHolder(contents, [tight('pocket 6 x 9')], { fitOrder: ['rearranged'], fitNever: [] }, null)
    expect([advice.choices.length, advice.refused.length, advice.unsure.length]).toEqual([0, 0, 1])
    const report = oneSizeForAll(tight('pocket 6 x 9'), [{ id: 'a', contents }], { fitOrder: ['rearranged'], fitNever: [] })
    expect(report.unsure).toEqual(['a'])
  })
  test('all holder types share it: ten take no more tries than one', () => {
    const all = { left: 1000 }
    const spent: number[] = []
    for (let at = 0; at < 10; at += 1) {
      const { tries, done } = shareOfTries(all, 10 - at)
      fitHolder(contents, tight('pocket 6 x 9'), { fitOrder: ['rearranged'], fitNever: [] }, tries)
      done()
      spent.push(all.left)
    }
    expect(spent.at(-1)).toBe(0)
    expect(spent[0]).toBe(900)
  })
})

describe('choosing', () => {
  test('the smallest pocket that takes it plainly, and what its container does not take comes after', () => {
    const pockets = types.filter(type => type.type === 'pocket' && type.name.includes(' x '))
    expect(adviseHolder(flat(4, 6), pockets, habits, null).choices[0]?.type.name).toBe('pocket 5 x 7')
    const low = { type: 'bin' as const, lanes: 2, inner: { widthMm: 400, heightMm: 170 }, cells: null }
    expect(adviseHolder(flat(4, 6), pockets, habits, low).choices[0]?.type.name).toBe('pocket 4 x 6')
  })
  test('a container says what is too wide for its lane, and what is too high', () => {
    const result = fitHolder(flat(6, 9), named('pocket 7 x 10'), habits)
    const answer = result.fits ? result.answers[0] : undefined
    if (!answer) throw new Error('fits')
    const bin = (widthMm: number, heightMm: number, lanes = 1) => ({
      type: 'bin' as const,
      lanes,
      inner: { widthMm, heightMm },
      cells: null,
    })
    expect(fitContainer(named('pocket 7 x 10'), answer, bin(200, 280))).toEqual({ fits: true, isMeasured: true })
    expect(fitContainer(named('pocket 7 x 10'), answer, bin(380, 280, 2))).toMatchObject({ code: 'tooWideForLane', haveMm: 190 })
    expect(fitContainer(named('pocket 7 x 10'), answer, bin(200, 260))).toMatchObject({ code: 'tooHighForContainer', haveMm: 260 })
    expect(fitContainer(named('page of 12 cells'), answer, bin(200, 260))).toEqual({ fits: false, code: 'wrongContainer' })
  })
  test('the next size up takes it with nothing cut', () => {
    expect(nextSizesUp(flat(5.4, 8), named('pocket 5 x 7'), types, habits)[0]?.name).toBe('pocket 5 1/2 x 8 1/2')
  })
  test('one size for all: every set is counted once (property), and a set cut in two takes two', () => {
    fc.assert(
      fc.property(fc.array(fc.option(someContents, { nil: null }), { maxLength: 40 }), someType, (all, type) => {
        const sets = all.map((contents, at) => ({ id: `s${at}`, contents }))
        const report = oneSizeForAll({ ...type, stockOnHand: 3 }, sets, habits)
        expect(report.toGet).toBe(Math.max(0, report.holders - 3))
        const ids = [...[...report.byWay.values()].flat(), ...report.without.map(each => each.id), ...report.unknown]
        expect([...ids].sort()).toEqual(sets.map(set => set.id).sort())
        expect(report.holders).toBe([...report.byWay].reduce((sum, [way, list]) => sum + list.length * (way === 'cutInTwo' ? 2 : 1), 0))
      }),
    )
  })
  test('a pocket no longer sold: the nearest by inner size first, with who would no longer fit', () => {
    const sets = [
      { id: 'small', contents: flat(3, 4) },
      { id: 'usual', contents: flat(4, 6) },
    ]
    const [nearest, ...rest] = replacementsFor(
      named('pocket 5 x 7'),
      types.filter(type => type.name.startsWith('pocket')),
      sets,
      habits,
    )
    expect([nearest?.type.name, nearest?.noLonger]).toEqual(['pocket 4 x 6', []])
    expect(rest.every(each => each.noLonger.length === 0)).toBe(true)
    expect(
      replacementsFor(named('pocket 6 x 9'), types, [{ id: 'large', contents: flat(6, 8.5) }], {
        ...habits,
        fitNever: ['cutInTwo', 'sticksOut', 'trim', 'tilted'],
      }).find(each => each.type.name === 'pocket 5 x 7')?.noLonger,
    ).toEqual(['large'])
  })
})

test('contents are made up of layers that say what they are', () => {
  const set = { size: { widthMm: 101.6, heightMm: 152.4 }, thicknessMm: null, pieces: [], hasMatchingDie: true }
  const clear = { family: 'stamp' as const, typicalThicknessMm: 5, mayTrim: true, mayCut: true }
  const contents = contentsOf(set, clear, { insert: true, magnet: true, packaging: 'keep', dies: 'behind' })
  expect(contents?.layers.map(layer => layer.of)).toEqual(['set', 'insert', 'magnet', 'dies', 'packaging'])
  expect(contents?.thicknessMm).toBeCloseTo(3 + 0.4 + 0.75 + 1 + 0.6, 9)
  expect(contentsOf({ ...set, size: null }, clear, { insert: true, magnet: false, packaging: 'none', dies: 'apart' })).toBeNull()
  expect(
    contentsOf({ ...set, thicknessMm: 25 }, clear, { insert: false, magnet: false, packaging: 'none', dies: 'apart' })?.thicknessMm,
  ).toBe(25)
})

test('what the latest set of a kind sits in is offered first; blocks and rollers stand by themselves', () => {
  const set = (number: number, kindId: string, sitsIn: Holding['sitsIn']): Holding => ({
    ...blankHolding({ id: `h${number}`, number, seriesId: 's', name: `Set ${number}`, createdAt: '2026-01-01T00:00:00.000Z' }),
    kindId,
    sitsIn,
  })
  const all = [set(1, 'clear', 'box'), set(4, 'clear', 'pocket'), set(2, 'clear', 'sleeve'), set(9, 'die', 'ring'), set(7, 'clear', null)]
  expect(latestHolder(set(3, 'clear', null), all)).toBe('pocket')
  expect(latestHolder(all[1] as Holding, all)).toBe('sleeve')
  expect(latestHolder(set(3, 'folder', null), all)).toBeNull()
  const kind = { family: 'stamp', typicalThicknessMm: 25 } as Parameters<typeof standsByItself>[0]
  expect([standsByItself(kind), standsByItself(null)]).toEqual([true, false])
})
