import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { type Cell, NUMBER_SCHOOLS, type NumberSchool, type Series, startSeries } from '#core/catalog'
import { codeText, freePrefix, giveNumbers, mayClash, type NumberFacts, numberSource, writeCode } from './index'

const running = (countsBy: NumberSchool, prefix = ''): Series => ({ ...startSeries('main'), countsBy, prefix })
const brand = (name: string, abbreviation: string | null = null, hasOwnNumbering = false) => ({ name, abbreviation, hasOwnNumbering })
const facts = (more: Partial<NumberFacts>): NumberFacts => ({ brand: null, place: null, written: '', ...more })
const pages = {
  id: 'binder',
  code: 'P1',
  cells: { rows: 4, columns: 3, pages: 40, isTwoSided: true, cellSize: null, reuse: 'last' as const },
}
const inCell = (page: number, cell: number, side: Cell['side'] = 'front') => ({ container: pages, cell: { page, cell, side } })

describe('schools of numbering', () => {
  test.each<[NumberSchool, Partial<NumberFacts>, string, number | null]>([
    ['all', { brand: brand('Quoin & Bodkin'), written: '12' }, '', 12],
    ['brand', { brand: brand('Quoin & Bodkin') }, 'QB-', null],
    ['brand', { brand: brand('Quoin & Bodkin', 'QuoB'), written: 'QuoB-7' }, 'QuoB-', 7],
    ['brand', { brand: null, written: '7' }, '', 7],
    ['container', { place: { container: { id: 'b4', code: 'B4', cells: null }, cell: null } }, 'B4-', null],
    ['cell', { place: inCell(2, 3) }, '12-', 203],
    ['cell', { place: inCell(2, 3, 'back') }, '12-', 215],
    ['cell', { place: { container: { id: 'b4', code: 'B4', cells: null }, cell: null } }, '', null],
    ['maker', { brand: brand('Tidewrack'), written: 'cl1044' }, 'CL', 1044],
    ['maker', { brand: brand('Tidewrack'), written: 'CL0044' }, 'CL00', 44],
    ['all', { brand: brand('Tidewrack', null, true), written: 'B1079' }, 'B', 1079],
    ['all', { brand: brand('Tidewrack', null, true), written: '79' }, '', 79],
    ['all', { brand: brand('Tidewrack', null, true) }, '', null],
    ['all', { brand: brand('Tidewrack'), written: 'B1079' }, '', null],
    ['maker', { brand: brand('Tidewrack'), written: '88' }, 'T-', 88],
    ['maker', { brand: brand('Tidewrack'), written: 'no number' }, '', null],
  ])('by %s: %j is numbered in %s, wanting %s', (school, given, prefix, wanted) => {
    const source = numberSource(running(school), [running(school)], facts(given), ulid)
    expect([source.series.prefix, source.wanted]).toEqual([prefix, wanted])
  })

  test('what a set is numbered in is found again, and written like the series above it', () => {
    const main = { ...running('brand'), padding: 3, suffixBy: 'none' as const }
    const first = numberSource(main, [main], facts({ brand: brand('Tidewrack') }), ulid)
    expect(first.isNew).toBe(true)
    const again = numberSource(main, [main, first.series], facts({ brand: brand('Tidewrack') }), ulid)
    expect(again).toMatchObject({ isNew: false, series: { id: first.series.id } })
    expect(codeText(writeCode(again.series, 7, null))).toBe('T-007')
  })

  test("a maker's code is written as it is printed; where it could meet another, the brand stands in front", () => {
    const main = { ...running('all'), padding: 4 }
    const numbered = facts({ brand: brand('Tidewrack', null, true), written: 'b1079' })
    const wood = { suffix: 'W' }
    const { series, wanted, isWritten } = numberSource(main, [main], numbered, ulid)
    expect([codeText(writeCode(series, wanted ?? 0, wood)), isWritten]).toEqual(['B1079', true])
    const other = { ...series, id: 'other', partOf: null }
    const beside = numberSource(main, [main, other], numbered, ulid)
    expect(codeText(writeCode(beside.series, 1079, null))).toBe('T B1079')
  })

  test('a freed prefix clashes with none of the others (property)', () => {
    const prefix = fc.constantFrom('', 'A', 'A-', 'AB-', 'a-', 'QB-', 'QBB-', 'QBC-', '12-', '1', 'T CL', '-')
    fc.assert(
      fc.property(prefix, fc.uniqueArray(prefix, { maxLength: 6 }), (wanted, others) => {
        const free = freePrefix(
          wanted,
          others.map(each => ({ prefix: each })),
        )
        for (const each of others) expect(mayClash({ prefix: each }, { prefix: free })).toBe(false)
      }),
    )
  })

  test('whatever the schools, in whatever order they are changed, no two sets ever carry one code (property)', () => {
    const some = fc.record({
      school: fc.constantFrom(...NUMBER_SCHOOLS),
      brand: fc.option(fc.constantFrom('Tidewrack', 'Tern & Tansy', 'Quoin & Bodkin', 'Quay Bell', 'T'), { nil: null }),
      page: fc.integer({ min: 1, max: 3 }),
      cell: fc.integer({ min: 1, max: 12 }),
      isBack: fc.boolean(),
      hasPlace: fc.boolean(),
      written: fc.constantFrom('', '5', 'CL5', 'cl5', 'CL05', 'T CL5', 'QB-5', '12-203', 'T-5'),
      hasOwn: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(some, { maxLength: 40 }), sets => {
        let all: Series[] = [startSeries('main')]
        const register = new Map<string, Map<number, { holdingId: string; givenTo: string }>>()
        const codes: string[] = []
        sets.forEach((set, at) => {
          all = all.map(each => (each.id === 'main' ? { ...each, countsBy: set.school } : each))
          const main = all.find(each => each.id === 'main') as Series
          const source = numberSource(
            main,
            all,
            {
              brand: set.brand === null ? null : brand(set.brand, null, set.hasOwn),
              place: set.hasPlace ? inCell(set.page, set.cell, set.isBack ? 'back' : 'front') : null,
              written: set.written,
            },
            ulid,
          )
          const give = (series: Series, wanted: number | null) => {
            const lines = register.get(series.id) ?? new Map<number, { holdingId: string; givenTo: string }>()
            return giveNumbers(
              [{ holdingId: `h${at}`, givenTo: `h${at}`, written: wanted }],
              number => lines.get(number),
              () => true,
              Math.max(0, ...lines.keys()),
            )?.[0]
          }
          let [series, given] = [source.series, give(source.series, source.wanted)]
          if (given?.clash && series.id !== 'main') [series, given] = [main, give(main, null)]
          else if (source.isNew) all = [...all, series]
          const number = given?.number ?? 0
          register.set(series.id, (register.get(series.id) ?? new Map()).set(number, { holdingId: `h${at}`, givenTo: `h${at}` }))
          codes.push(writeCode(series, number, null).figure.toLowerCase())
        })
        expect(new Set(codes).size).toBe(codes.length)
      }),
    )
  })
})
