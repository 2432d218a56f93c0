import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { tokensOf, WordForms } from '#core/classing'
import { AskIndex, type AskDocument, Links } from './index'

const blank = { words: '', themes: '', category: '', brand: '', kind: '', searchWords: '', aliases: '', notes: '', place: '' }
const documentOf = (at: number, facts: Partial<AskDocument>): AskDocument => ({
  ...blank,
  name: '',
  number: String(at + 1000),
  id: `s${at}`,
  accession: at + 1000,
  ...facts,
})
const indexOf = (all: readonly AskDocument[], forms: WordForms): AskIndex => {
  const index = new AskIndex(forms)
  index.put(all)
  return index
}
const IRREGULAR = new Map([
  ['mice', 'mouse'],
  ['leaves', 'leaf'],
])
const FORMS = new WordForms(IRREGULAR)
/** As if every word had no other form. */
class NoForms extends WordForms {
  override keysOf(word: string): readonly string[] {
    return [word]
  }
}

/** Ways of writing one word, as people write them; each line is one. */
const SAME: readonly (readonly string[])[] = [
  ['tree', 'trees', 'Trees'],
  ['berry', 'berries'],
  ['leaf', 'leaves'],
  ['fox', 'foxes'],
  ['mouse', 'mice'],
  ['colour', 'color', 'colours', 'colors'],
  ["mother's", 'mothers', 'mother’s'],
  ['&', 'and'],
  ['2', 'two', '02'],
  ['1st', 'first'],
  ['Möwe', 'Moewe', 'möwe'],
  ['Gruß', 'Gruss'],
  ['cœur', 'coeur'],
]
const ODD = ['treehouse', 'Foxglove', 'colouring', '25']
const sameLine = (token: string): number => SAME.findIndex(line => line.some(word => tokensOf(word)[0] === token))

/** The slow, stupid answer, word by word of the lists above. "And" does not count where no set has all words. */
function naive(all: readonly AskDocument[], ask: string): string[] {
  const found = scan(all, tokensOf(ask))
  const counting = tokensOf(ask).filter(word => word !== 'and')
  return found.length > 0 || counting.length === 0 ? found : scan(all, counting)
}
function scan(all: readonly AskDocument[], asked: readonly string[], lineOf = sameLine): string[] {
  return all
    .filter(({ name, notes }) => {
      const tokens = [...tokensOf(name), ...tokensOf(notes)]
      return asked.every(word =>
        tokens.some(
          token => (lineOf(word) >= 0 && lineOf(word) === lineOf(token)) || (word.length > 1 ? token.startsWith(word) : token === word),
        ),
      )
    })
    .map(({ id }) => id)
}

describe('forms of words', () => {
  const word = fc.constantFrom(...SAME.flat(), ...ODD)
  const text = fc.array(word, { maxLength: 4 }).map(words => words.join(' '))
  const rooms = fc
    .array(fc.record({ name: text, notes: text }), { minLength: 1, maxLength: 20 })
    .map(list => list.map((each, at) => documentOf(at, each)))

  test('against a naive scan: what has every word in some form is found, nothing else, and what has it as asked keeps its rank', () => {
    fc.assert(
      fc.property(
        rooms,
        fc.array(word, { minLength: 1, maxLength: 3 }).map(words => words.join(' ')),
        (all, ask) => {
          const [answer, plain] = [indexOf(all, FORMS).ask(`${ask} `), indexOf(all, new NoForms()).ask(`${ask} `)]
          const expected = naive(all, ask)
          expect(answer.mode === 'all' ? answer.hits.map(({ id }) => id).sort() : []).toEqual(expected.sort())
          // Those that have every word as it is asked stand in front, in the order in which they would stand alone.
          const asAsked = new Set(scan(all, tokensOf(ask), () => -1))
          const first = plain.hits.flatMap(({ id }) => (asAsked.has(id) ? [id] : []))
          expect(answer.hits.slice(0, asAsked.size).map(({ id }) => id)).toEqual(first)
        },
      ),
      { numRuns: 400 },
    )
  })

  const sets = [
    'Christmas Trees',
    'Christmas Tree',
    'Tree House',
    'Pop-up Pals',
    'Popup Friends',
    'Thank You Notes',
    'Thankyou',
    'Weihnachtsbaum',
  ].map((name, at) => documentOf(at, { name }))
  const index = indexOf(sets, FORMS)
  const names = (ask: string): string[] => index.ask(ask).hits.map(({ id }) => sets.find(set => set.id === id)?.name ?? '')

  test('an exact hit comes first and hides none of the rest', () => {
    expect(names('trees')).toEqual(['Christmas Trees', 'Christmas Tree', 'Tree House'])
    expect(index.ask('trees').mode).toBe('all')
  })
  test.each([
    ['popup', ['Popup Friends', 'Pop-up Pals']],
    ['pop up', ['Pop-up Pals', 'Popup Friends']],
    ['pop-up', ['Pop-up Pals', 'Popup Friends']],
    ['thankyou', ['Thankyou', 'Thank You Notes']],
    ['thank you', ['Thank You Notes', 'Thankyou']],
  ])('written together or apart: %s', (ask, found) => {
    expect(names(ask)).toEqual(found)
  })
  test('the end of a German compound finds it, once somebody can tell English: no tern is in a lantern', () => {
    const all = indexOf(
      [documentOf(0, { name: 'Weihnachtsbaum' }), documentOf(1, { name: 'Lantern' }), documentOf(2, { name: 'Ehering' })],
      FORMS,
    )
    expect(all.ask('baum').mode).toBe('none')
    all.knowEnglish(word => word === 'lantern')
    expect(all.ask('baum').hits.map(({ id }) => id)).toEqual(['s0'])
    expect(all.ask('tern').mode).toBe('none')
    expect(all.ask('ring').hits.map(({ id }) => id)).toEqual(['s2'])
  })
  test('the parts of a word stand in one and the same field', () => {
    const apart = indexOf([documentOf(0, { name: 'Thank the crew', notes: 'you' }), documentOf(1, { words: 'thank you' })], FORMS)
    expect(apart.ask('thankyou').hits.map(({ id }) => id)).toEqual(['s1'])
  })
  test('equals go by their number, in whatever order they came', () => {
    const all = [3, 1, 2].map(at => documentOf(at, { name: 'Kelp' }))
    expect(
      indexOf(all, FORMS)
        .ask('kelp')
        .hits.map(({ accession }) => accession),
    ).toEqual([1001, 1002, 1003])
  })
  test('small words count where some set has them, and are let go where none has', () => {
    expect(names('the tree house')).toEqual(['Tree House'])
    expect(index.ask('tree with zeppelin')).toMatchObject({ mode: 'some', absent: ['with', 'zeppelin'] })
  })
  test('what is not wanted is not found, in none of its forms', () => {
    expect(index.ask('christmas', ['tree']).hits).toEqual([])
    expect(index.ask('', ['christmas']).hits).toHaveLength(sets.length - 2)
  })
  test('kept and read again it answers as before', () => {
    const again = AskIndex.read(JSON.parse(JSON.stringify(index.write())) as ReturnType<AskIndex['write']>, FORMS)
    for (const ask of ['trees', 'popup', 'pop up', 'thank you', 'tree house']) expect(again.ask(ask)).toEqual(index.ask(ask))
  })
  test.each(['x'.repeat(5000), 'tree '.repeat(1000), '🎂', 'שלום עולם', '\u0000\u202E', '(*[+?\\', "'", '&'])(
    'a strange ask is answered: %#',
    ask => {
      expect(['all', 'none', 'tooShort', 'near', 'some']).toContain(index.ask(ask).mode)
    },
  )
})

describe('linked words', () => {
  const sets = [
    documentOf(0, { name: 'For a dear Mother', themes: "Mother's Day" }),
    documentOf(1, { name: 'Mum in Bloom' }),
    documentOf(2, { name: 'Birthday Cake' }),
    documentOf(3, { name: 'Quay and Rope', themes: 'Harbour' }),
    documentOf(4, { name: 'Rowing out', themes: 'Boats' }),
    documentOf(5, { name: 'Night Sky', searchWords: 'stars' }),
    documentOf(6, { name: 'Vessel', words: 'wish you were here' }),
  ]
  const index = indexOf(sets, FORMS)
  const own = [{ word: 'mum', goesWith: "Mother's Day", isRuledOut: false }]
  const links = new Links(
    own,
    [{ name: 'Harbour', seeAlso: ['Boats'] }],
    word => (word === 'boat' || word === 'boats' ? ['vessel'] : []),
    FORMS,
  )
  const linked = (ask: string, by = links) => {
    const { mode, hits } = index.ask(ask)
    const but = new Set(mode === 'all' ? hits.map(({ id }) => id) : [])
    return index.linked(ask, by, but).map(({ id, word, through, by }) => [id, word, through, by])
  }

  test("the owner's links come first, then the craft's, the themes', search words, and meanings; no set of the answer itself", () => {
    expect(linked('mum')).toEqual([['s0', 'mum', "Mother's Day", 'yours']])
    expect(linked("mother's day")).toEqual([['s1', 'mothers day', 'mum', 'yours']])
    expect(linked('bday')).toEqual([['s2', 'bday', 'birthday', 'craft']])
    expect(linked('harbour')).toEqual([['s4', 'harbour', 'Boats', 'theme']])
    // A link of a word is one of all its forms.
    expect(linked('mums')).toEqual([['s0', 'mums', "Mother's Day", 'yours']])
    expect(linked('harbors')).toEqual([['s4', 'harbors', 'Boats', 'theme']])
    expect(linked('stars')).toEqual([['s5', 'stars', 'stars', 'searchWord']])
    expect(linked('boats')).toEqual([
      ['s3', 'boats', 'Harbour', 'theme'],
      ['s6', 'boats', 'vessel', 'meaning'],
    ])
  })
  test('one word of several stands for another, and all others are still there', () => {
    expect(linked('bday cake')).toEqual([['s2', 'bday', 'birthday', 'craft']])
    expect(linked('bday rope')).toEqual([])
  })
  test('what is ruled out links no more, either way', () => {
    const without = new Links([...own, { word: 'birthday', goesWith: 'BDay', isRuledOut: true }])
    expect(linked('bday', without)).toEqual([])
  })
})
