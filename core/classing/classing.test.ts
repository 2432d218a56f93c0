import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { brandsLike, groupSpellings, likeness, LookAlikes, nameLikeness, SuggestIndex } from './index'
import { jaroWinkler, WordShapes } from './jaroWinkler'

describe('own it already?', () => {
  const owned = [
    { id: 'kelp', name: 'Kelp Study', brandId: 'tidewrack' },
    { id: 'kelp2', name: 'Kelp Study Mini', brandId: 'tidewrack' },
    { id: 'limpets', name: 'Limpet Rounds', brandId: 'copperlatch' },
    { id: 'ferry', name: 'Night Ferry', brandId: null },
    { id: 'tea', name: 'Harbour Tea Party', brandId: 'tidewrack' },
  ]
  const names = new LookAlikes()
  for (const each of owned) names.put(each)

  test.each([
    ['kelp study', 'tidewrack', 'kelp', 'same'],
    ['Study, Kelp', 'tidewrack', 'kelp', 'same'],
    ['Klep Study', null, 'kelp', 'same'],
    ['Limpets Rounds', 'copperlatch', 'limpets', 'same'],
    ['Kelp Study 2', 'tidewrack', 'kelp', 'edition'],
    ['Night Ferry', 'copperlatch', 'ferry', 'same'],
    ['Limpet Rounds', 'tidewrack', 'limpets', 'edition'],
    ['Harbor Tea Party', 'tidewrack', 'tea', 'same'],
  ] as const)('%s by %s is like %s: %s', (name, brand, id, verdict) => {
    expect(names.ask(name, brand)[0]).toMatchObject({ id, verdict })
  })
  test.each(['Winter Lights', 'Ki', '', 'Tidewrack', 'Study of Anchors and Rope'])('%s is like nothing owned', name => {
    expect(names.ask(name, 'tidewrack')).toEqual([])
  })
  test("a set is not its own look-alike, and a removed one is nobody's", () => {
    expect(names.ask('Night Ferry', null, 'ferry')).toEqual([])
    const other = new LookAlikes()
    other.put({ id: 'a', name: 'Night Ferry', brandId: null })
    other.put({ id: 'a', name: 'Rope Ends', brandId: null })
    expect([other.ask('Night Ferry', null), other.ask('Rope Ends', null).length]).toEqual([[], 1])
    other.remove('a')
    expect(other.ask('Rope Ends', null)).toEqual([])
  })

  const word = fc.constantFrom('kelp', 'limpet', 'harbour', 'lantern', 'ferry', 'letter', 'anchor', 'heron', 'teapot', 'winter')
  test('narrowing down loses nothing: the likest of all is found, against asking every name (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(word, word, word), { minLength: 1, maxLength: 60 }), fc.tuple(word, word, word), (all, asked) => {
        const index = new LookAlikes()
        all.forEach((each, at) => index.put({ id: `s${at}`, name: each.join(' '), brandId: null }))
        const best = Math.max(...all.map(each => nameLikeness(asked, each)))
        const [first] = index.ask(asked.join(' '), null)
        if (best >= 0.95) expect(first?.likeness).toBeCloseTo(best, 9)
      }),
      // One word three times: seldom drawn, and once not found.
      { examples: [[[['kelp', 'kelp', 'kelp']], ['kelp', 'kelp', 'kelp']]] },
    )
  })
  test('likeness of names: of itself 1, the same both ways, whatever the order of words (properties)', () => {
    const name = fc.array(word, { minLength: 1, maxLength: 4 })
    fc.assert(
      fc.property(name, name, (a, b) => {
        expect(nameLikeness(a, a)).toBeCloseTo(1, 9)
        expect(nameLikeness(a, b)).toBeCloseTo(nameLikeness(b, a), 9)
        expect(nameLikeness([...a].reverse(), b)).toBeCloseTo(nameLikeness(a, b), 9)
      }),
    )
  })
  test('a brand nearly spelt right is asked about', () => {
    const brands = [
      { id: 'c', name: 'Copperlatch', variants: ['Copper Latch'] },
      { id: 'g', name: 'Greywether', variants: [] },
    ]
    expect(brandsLike('coperlatch', brands).map(each => each.id)).toEqual(['c'])
    expect(brandsLike('Salt Lantern', brands)).toEqual([])
  })
})

describe('suggestions', () => {
  const themes = [
    { id: 'harbour', name: 'Harbour' },
    { id: 'birthday', name: 'Birthday' },
  ]
  const facts = (name: string, words: readonly string[] = [], brandId: string | null = null) => ({ name, words, brandId })
  const classed = (theme: string, category: string | null = null) => ({ kindId: null, categoryId: category, themeIds: [theme] })

  test("in an empty room the meaning of the class's name speaks; it is said that no set does", () => {
    const index = new SuggestIndex()
    index.setClasses('theme', themes, word => (word === 'harbour' ? ['haven', 'port', 'seaport'] : []))
    expect(index.suggest(facts('Old Port'))).toMatchObject([{ field: 'theme', id: 'harbour', because: ['port'], examples: 0 }])
    expect(index.suggest(facts('Teapots'))).toEqual([])
  })
  test('among many classes too: eight categories, and only one that the word means', () => {
    const index = new SuggestIndex()
    const names = ['Sentiments', 'Alphabets', 'Numbers', 'Images', 'Borders', 'Backgrounds', 'Shapes', 'Frames and tags']
    index.setClasses(
      'category',
      names.map(name => ({ id: name, name })),
      word => (word === 'borders' ? ['edge', 'margin'] : []),
    )
    expect(index.suggest(facts('Lace Edge'))).toMatchObject([{ field: 'category', id: 'Borders', because: ['edge'], examples: 0 }])
  })
  test('own sets outweigh it, and say what they rest on', () => {
    const index = new SuggestIndex()
    index.setClasses('theme', themes, word => (word === 'harbour' ? ['port'] : []))
    for (let at = 0; at < 4; at += 1) index.learn(`s${at}`, facts(`Port Candles ${at}`, ['cake']), classed('birthday'))
    expect(index.suggest(facts('Port Cake'))[0]).toMatchObject({ id: 'birthday', examples: 4 })
    expect(index.suggest(facts('Port Cake'))[0]?.because).toContain('cake')
  })
  test('a set that is classed anew is unlearnt first; a forgotten one counts no more', () => {
    const index = new SuggestIndex()
    index.setClasses('theme', themes)
    index.learn('a', facts('Rope Ends'), classed('birthday'))
    index.learn('a', facts('Rope Ends'), classed('harbour'))
    expect(index.suggest(facts('Rope'))).toMatchObject([{ id: 'harbour', examples: 1 }])
    index.forget('a')
    expect(index.suggest(facts('Rope'))).toEqual([])
  })
  test('the brand is a word too', () => {
    const index = new SuggestIndex()
    index.setClasses('theme', themes)
    for (const id of ['a', 'b', 'c']) index.learn(id, facts(`Set ${id}`, [], 'copperlatch'), classed('harbour'))
    expect(index.suggest(facts('Unheard of', [], 'copperlatch'))[0]).toMatchObject({ id: 'harbour', because: ['brand:copperlatch'] })
  })
  test('leave-one-out never peeks: with one set of a kind nothing can be right (and all is learnt again after)', () => {
    const index = new SuggestIndex()
    const sets = [
      { id: 'a', facts: facts('Rope Ends') },
      { id: 'b', facts: facts('Cake Stand') },
    ]
    index.learn('a', facts('Rope Ends'), classed('harbour'))
    index.learn('b', facts('Cake Stand'), classed('birthday'))
    expect(index.leaveOneOut('theme', sets)).toEqual({ right: 0, suggested: 0, all: 2 })
    expect(index.suggest(facts('Rope'))[0]?.id).toBe('harbour')
  })
})

describe('spellings of one maker', () => {
  const letters = fc.constantFrom(...'abcdeä')
  test('words that cannot be so alike are left out, and none that can (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ unit: letters, minLength: 1, maxLength: 14 }), { maxLength: 30 }),
        fc.string({ unit: letters, minLength: 1, maxLength: 14 }),
        fc.constantFrom(0.86, 0.93, 1),
        (words, asked, least) => {
          const shapes = new WordShapes()
          for (const word of words) shapes.add(word)
          const found = shapes.mayReach(asked, least)
          expect(found).toEqual([...found].sort((a, b) => a - b))
          words.forEach((word, at) => {
            if (jaroWinkler(asked, word) >= least) expect(found).toContain(at)
          })
        },
      ),
    )
    const shapes = new WordShapes()
    for (const word of ['lantern', 'fernery', 'quay']) shapes.add(word)
    expect(shapes.mayReach('lanterns', 0.93)).toEqual([0])
  })
  test('each spelling joins a name that it is like, or says which it may be; against comparing every pair (property)', () => {
    const part = fc.constantFrom('kelp', 'kelb', 'finch', 'finchs', 'quay', 'quai', 'co', '&', 'press', 'Möwe', 'moewe', 'k', 'f')
    const name = fc.array(part, { minLength: 1, maxLength: 3 }).map(parts => parts.join(' '))
    fc.assert(
      fc.property(fc.array(fc.tuple(name, fc.integer({ min: 1, max: 20 })), { maxLength: 25 }), entries => {
        const told: number[] = []
        const counts = new Map(entries)
        const groups = groupSpellings(counts, [], done => told.push(done))
        expect(told).toEqual([...counts.keys()].map((_, at) => at))
        expect(groups.flatMap(({ spellings }) => spellings.map(({ text }) => text)).sort()).toEqual([...counts.keys()].sort())
        groups.forEach(({ spellings: [first, ...others], mayBe }, at) => {
          for (const { text, because } of others) expect(likeness(first?.text ?? '', text)).toBe(because)
          const before = groups.slice(0, at).flatMap(each => likeness(each.spellings[0]?.text ?? '', first?.text ?? '') ?? [])
          expect(mayBe !== null).toBe(before.length > 0)
          if (mayBe) expect(before).toContain(mayBe.because)
        })
      }),
      { numRuns: 400 },
    )
  })
})
