import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { NaiveBayes } from '#core/classing'

describe('multinomial naive Bayes', () => {
  // Manning, Raghavan and Schuetze 2008, Introduction to Information Retrieval, sec. 13.2, table 13.1 and example 13.1.
  test('the worked example: 0.0003 against 0.0001', () => {
    const bayes = new NaiveBayes()
    bayes.learn('China', ['Chinese', 'Beijing', 'Chinese'])
    bayes.learn('China', ['Chinese', 'Chinese', 'Shanghai'])
    bayes.learn('China', ['Chinese', 'Macao'])
    bayes.learn('other', ['Tokyo', 'Japan', 'Chinese'])
    const [first, second] = bayes.rank(['Chinese', 'Chinese', 'Chinese', 'Tokyo', 'Japan'])
    expect([first?.label, second?.label]).toEqual(['China', 'other'])
    expect(Math.exp(first?.logScore ?? 0)).toBeCloseTo((3 / 4) * (3 / 7) ** 3 * (1 / 14) ** 2, 12)
    expect(Math.exp(second?.logScore ?? 0)).toBeCloseTo((1 / 4) * (2 / 9) ** 5, 12)
    expect(Math.exp(first?.logScore ?? 0).toFixed(4)).toBe('0.0003')
    expect(Math.exp(second?.logScore ?? 0).toFixed(4)).toBe('0.0001')
  })

  const words = fc.array(fc.constantFrom('anchor', 'rope', 'kelp', 'candle', 'cake', 'letter'), { minLength: 1, maxLength: 6 })
  const examples = fc.array(fc.record({ label: fc.constantFrom('Harbour', 'Birthday', 'Post'), words }), { minLength: 1, maxLength: 20 })

  test('against the formula taken straight from the book, counted anew for every word (property)', () => {
    fc.assert(
      fc.property(examples, words, (learnt, asked) => {
        const bayes = new NaiveBayes()
        for (const each of learnt) bayes.learn(each.label, each.words)
        const vocabulary = new Set(learnt.flatMap(each => each.words))
        const known = asked.filter(word => vocabulary.has(word))
        const expected = (label: string): number => {
          const own = learnt.filter(each => each.label === label).flatMap(each => each.words)
          const prior = learnt.filter(each => each.label === label).length / learnt.length
          return known.reduce(
            (product, word) => (product * (own.filter(each => each === word).length + 1)) / (own.length + vocabulary.size),
            prior,
          )
        }
        for (const ranked of bayes.rank(asked)) expect(Math.exp(ranked.logScore)).toBeCloseTo(expected(ranked.label), 10)
      }),
    )
  })

  test('what is unlearnt leaves nothing behind; shares add up to one (properties)', () => {
    fc.assert(
      fc.property(examples, examples, words, (kept, taken, asked) => {
        const [bayes, fresh] = [new NaiveBayes(), new NaiveBayes()]
        for (const each of [...kept, ...taken]) bayes.learn(each.label, each.words)
        for (const each of taken) bayes.unlearn(each.label, each.words)
        for (const each of kept) fresh.learn(each.label, each.words)
        const ranking = bayes.rank(asked)
        expect(ranking.map(each => each.label)).toEqual(fresh.rank(asked).map(each => each.label))
        ranking.forEach((each, at) => expect(each.share).toBeCloseTo(fresh.rank(asked)[at]?.share ?? -1, 9))
        if (ranking.length > 0) expect(ranking.reduce((sum, each) => sum + each.share, 0)).toBeCloseTo(1, 9)
      }),
    )
  })
})
