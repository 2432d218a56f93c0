import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { blankHolding, type Holding } from '#core/catalog'
import { absenceOf, answersTo, FACETS, narrowed, type Narrowing, type Part, partings, readAsk } from './index'

const KINDS = [
  { id: 'clear', name: 'Clear', family: 'stamp' },
  { id: 'thin', name: 'Thin die', family: 'die' },
  { id: 'wood', name: 'Wood mounted', family: 'stamp' },
] as const
const told = (part: Part): string =>
  `${part.isNot ? 'not ' : ''}${part.as}${'family' in part ? ` ${part.family}` : ''}${'kindId' in part ? ` ${part.kindId}` : ''}${
    'size' in part ? ` ${part.size.widthMm} x ${part.size.heightMm}${part.isAssumed ? ' assumed' : ''}` : ''
  }${'before' in part ? ` ${part.from} to ${part.before}` : ''}`
const read = (text: string, takenBack: readonly string[] = []) => {
  const { parts, words, without } = readAsk(text, { kinds: KINDS, unit: 'in', takenBack: new Set(takenBack) })
  return [parts.map(told), words, without.map(({ word }) => word)]
}

describe('an ask taken apart', () => {
  test.each<[string, ReturnType<typeof read>]>([
    ['kelp', [[], 'kelp', []]],
    ['kelp ', [[], 'kelp ', []]],
    ['4x6', [['size 101.6 x 152.4 assumed'], '', []]],
    ['3 x 4 in alphabets', [['size 76.2 x 101.6'], 'alphabets', []]],
    ['alphabets 10,5 x 14.8cm', [['size 105 x 148'], 'alphabets ', []]],
    ['4-1/4 x 5 1/2', [['size 107.95 x 139.7'], '', []]],
    ['die', [['family die'], '', []]],
    ['harbour dies', [['family die'], 'harbour ', []]],
    ['thin dies kelp', [['kind thin'], 'kelp', []]],
    ['clear skies', [[], 'clear skies', []]],
    ['not dies', [['not family die'], '', []]],
    ['kelp not 4x6', [['not size 101.6 x 152.4 assumed'], 'kelp ', []]],
    ['kelp not heron', [[], 'kelp ', ['heron']]],
    ['kelp not', [[], 'kelp ', []]],
    ['unused', [['not used'], '', []]],
    ['never used kelp', [['not used'], 'kelp', []]],
    ['used', [['used'], '', []]],
    ['with die', [['withDie'], '', []]],
    ['kelp without a matching die', [['not withDie'], 'kelp ', []]],
    ['no dies', [['not withDie'], '', []]],
    ['came in 2024', [['cameIn 2024 to 2025'], '', []]],
    ['kelp bought 2024-12', [['cameIn 2024-12 to 2025-01'], 'kelp ', []]],
    ['since 2020', [['cameIn 2020 to null'], '', []]],
    ['before 2020-03', [['cameIn null to 2020-03'], '', []]],
    ['diesel before noon', [[], 'diesel before noon', []]],
    ['no 7', [[], 'no 7', []]],
    ['2x4x6', [[], '2x4x6', []]],
  ])('%s', (text, expected) => {
    expect(read(text)).toEqual(expected)
  })
  test('what is taken back is words', () => {
    expect(read('harbour dies 4x6', ['dies'])).toEqual([['size 101.6 x 152.4 assumed'], 'harbour dies ', []])
    expect(read('not dies', ['not dies', 'dies'])).toEqual([[], 'not dies', []])
    expect(read('kelp not heron', ['not heron'])).toEqual([[], 'kelp not heron', []])
    expect(read('with die', ['with die', 'die'])).toEqual([[], 'with die', []])
  })
  test.each(['x'.repeat(5000), '4 '.repeat(4000), 'not '.repeat(2000), '🎂', 'שלום', 'x x x', '1/0 x 0', '\n\t', ','])(
    'nothing strange breaks it: %#',
    text => {
      expect(() => read(text)).not.toThrow()
    },
  )
  test('in any order among any words: every part is found, and the words are left as they were (property)', () => {
    const PARTS = ['4x6', 'unused', 'dies', 'with die', 'since 2020', 'not stencils', 'thin dies'] as const
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...PARTS]),
        fc.array(fc.constantFrom('kelp', 'harbour', 'tree', 'Möwe', "mother's"), { minLength: 1, maxLength: 4 }),
        fc.array(fc.nat(9), { minLength: 8, maxLength: 8 }),
        (parts, words, at) => {
          const all: string[] = [...words]
          parts.forEach((part, index) => all.splice((at[index] ?? 0) % (all.length + 1), 0, part))
          const found = readAsk(all.join(' '), { kinds: KINDS, unit: 'in' })
          expect(found.parts.map(({ text }) => text).sort()).toEqual([...parts].sort())
          expect(found.words.split(/\s+/).filter(Boolean)).toEqual(words)
        },
      ),
    )
  })
})

const holding = (id: string, more: Partial<Holding>): Holding => ({
  ...blankHolding({ id, number: 1, seriesId: 's', name: id, createdAt: '2026-01-01T00:00:00.000Z' }),
  ...more,
})
const pieceOf = (side: number): Holding['pieces'][number] => ({
  id: 'p',
  words: [],
  size: { widthMm: side, heightMm: side },
  at: null,
  pictureHash: null,
  isMissing: false,
  livesWithId: null,
})
const facts = {
  kinds: new Map(KINDS.map(kind => [kind.id as string, kind])),
  hasDie: (set: Holding) => set.hasMatchingDie,
  wasUsed: (id: string) => {
    if (id.startsWith('used')) return true
    return id.startsWith('new') ? false : null
  },
}

describe('does a set answer to a part', () => {
  const answer = (text: string, more: Partial<Holding>): boolean | null => {
    const [part] = readAsk(text, { kinds: KINDS, unit: 'in' }).parts
    return part ? answersTo(part, holding(more.id ?? 'a', more), facts) : null
  }
  test.each<[string, Partial<Holding>, boolean | null]>([
    ['dies', { kindId: 'thin' }, true],
    ['dies', { kindId: 'clear' }, false],
    ['not dies', { kindId: 'clear' }, true],
    // Of what is not said nobody can tell: neither yes nor no.
    ['dies', { kindId: null }, null],
    ['not dies', { kindId: null }, null],
    ['4x6', { size: { widthMm: 101.6, heightMm: 152.4 } }, true],
    ['4x6', { size: { widthMm: 153, heightMm: 100 } }, true],
    ['4x6', { size: { widthMm: 101.6, heightMm: 160 } }, false],
    ['4x6', { size: null }, null],
    ['up to 5 in', { size: { widthMm: 127, heightMm: 20 } }, true],
    ['up to 5 in', { size: { widthMm: 152.4, heightMm: 20 } }, false],
    ['not up to 5 in', { size: { widthMm: 152.4, heightMm: 20 } }, true],
    ['at most 6 cm', { size: { widthMm: 100, heightMm: 100 }, pieces: [pieceOf(40), pieceOf(90)] }, true],
    ['at most 3 cm', { size: { widthMm: 20, heightMm: 20 }, pieces: [pieceOf(40)] }, false],
    ['at most 6 cm', { size: { widthMm: 40, heightMm: 40 }, pieces: [{ ...pieceOf(90), size: null }] }, true],
    ['at most 6 cm', { size: null, pieces: [{ ...pieceOf(90), size: null }] }, null],
    ['at most 6 cm', { size: { widthMm: 63, heightMm: 20 } }, true],
    ['at most 6 cm', { size: { widthMm: 63.5, heightMm: 20 } }, false],
    ['at most 6 cm', { size: { widthMm: 20, heightMm: 63.5 } }, false],
    ['up to 5', { size: null }, null],
    ['unused', { id: 'new' }, true],
    ['unused', { id: 'used' }, false],
    ['used', {}, null],
    ['with die', { hasMatchingDie: true }, true],
    ['without die', { hasMatchingDie: true }, false],
    ['with die', { hasMatchingDie: null }, null],
    ['came in 2024', { acquiredOn: '2024' }, true],
    ['came in 2024', { acquiredOn: '2024-07-01' }, true],
    ['came in 2024', { acquiredOn: '2025' }, false],
    ['since 2024-03', { acquiredOn: '2024' }, null],
    ['since 2024-03', { acquiredOn: '2024-03-09' }, true],
    ['before 2024-03', { acquiredOn: '2024-02-29' }, true],
    ['before 2024-03', { acquiredOn: '2024-03' }, false],
  ])('%s: %j is %p', (text, more, expected) => {
    expect(answer(text, more)).toBe(expected)
  })
})

const ID = fc.constantFrom('a', 'b', 'c')
const sets = fc
  .array(
    fc.record({
      kindId: fc.option(ID),
      brandId: fc.option(ID),
      themeIds: fc.uniqueArray(ID, { maxLength: 3 }),
      size: fc.option(fc.record({ widthMm: fc.constantFrom(50, 100, 150), heightMm: fc.constantFrom(50, 100) })),
      id: fc.constantFrom('used', 'new', 's'),
      hasMatchingDie: fc.option(fc.boolean()),
    }),
    { maxLength: 25 },
  )
  .map(list => list.map((each, at) => holding('', { ...each, id: `${each.id}${at}` })))
const narrowFacts = { containerOf: (id: string) => (id.endsWith('1') ? 'a' : null), hasDie: facts.hasDie, wasUsed: facts.wasUsed }

test('an answer parts so: every count is what choosing that value leaves (property)', () => {
  const choice = fc.dictionary(
    fc.constantFrom('kind', 'brand', 'theme', 'used', 'die', 'place'),
    fc.uniqueArray(fc.constantFrom('a', 'b', 'yes', 'none'), { maxLength: 2 }),
    {
      maxKeys: 3,
    },
  )
  fc.assert(
    fc.property(sets, choice, (all, chosen: Narrowing) => {
      const parts = partings(all, chosen, narrowFacts)
      for (const facet of FACETS) {
        for (const { value, count } of parts[facet])
          expect([facet, value, narrowed(all, { ...chosen, [facet]: [value] }, narrowFacts).length]).toEqual([facet, value, count])
        // No value is forgotten: together they are all that the other ways leave.
        const wanted = parts[facet].map(({ value }) => value)
        const { [facet]: _own, ...others } = chosen
        const left = narrowed(all, others, narrowFacts)
        expect(wanted.length === 0 ? 0 : narrowed(all, { ...others, [facet]: wanted }, narrowFacts).length).toBe(left.length)
      }
    }),
  )
})

test('what is nearest, by giving up one part: against every set looked at one by one (property)', () => {
  const atoms = fc.array(fc.uniqueArray(fc.nat(12).map(String), { maxLength: 12 }), { minLength: 1, maxLength: 4 })
  fc.assert(
    fc.property(atoms, lists => {
      const all = lists.map((ids, at) => ({ text: `part ${at}`, ids: new Set(ids) }))
      const { missing, nearest } = absenceOf(all)
      expect(missing).toEqual(all.filter(({ ids }) => ids.size === 0).map(({ text }) => text))
      const found = new Map(nearest.map(each => [each.without, [...each.ids].sort()]))
      for (const { text } of all) {
        const has = (id: string): boolean => all.filter(atom => atom.text !== text).every(atom => atom.ids.has(id))
        const expected = all.length < 2 ? [] : Array.from({ length: 13 }, (_, at) => String(at)).filter(has)
        expect(found.get(text) ?? []).toEqual(expected.sort())
      }
    }),
  )
})
