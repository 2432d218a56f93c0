import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { tokensOf } from '#core/classing'
import { layMat } from '#core/drawing'
import { AskIndex, type AskDocument } from './index'

const WORDS = ['harbour', 'heron', 'herring', 'kelp', 'lantern', 'letter', 'Ærø', 'crème', 'two-lane', '35', '352', 'W'] as const
const text = fc.array(fc.constantFrom(...WORDS), { maxLength: 4 }).map(words => words.join(' '))
const blank = { words: '', themes: '', category: '', brand: '', kind: '', searchWords: '', aliases: '', notes: '', place: '' }
const documents = fc
  .array(fc.record({ name: text, notes: text, themes: text }), { maxLength: 25 })
  .map(list =>
    list.map((each, index): AskDocument => ({ ...blank, ...each, id: `id${index}`, accession: index + 1, number: String(index + 1) })),
  )

/** The slow, stupid answer: look into every field of every record for every word. */
function naive(all: readonly AskDocument[], ask: string): string[] {
  const wanted = tokensOf(ask)
  return all
    .filter(document => {
      const { id: _id, accession: _accession, ...fields } = document
      const tokens = Object.values(fields).flatMap(field => tokensOf(String(field)))
      return wanted.every(word => tokens.some(token => (word.length === 1 ? token === word : token.startsWith(word))))
    })
    .map(document => document.id)
}

describe('ask', () => {
  test('against a naive scan of every record: the same sets, none missed', () => {
    fc.assert(
      fc.property(
        documents,
        fc.array(fc.constantFrom(...WORDS, 'h', 'le', 'her', '3', 'nothing'), { minLength: 1, maxLength: 3 }).map(words => words.join(' ')),
        (all, ask) => {
          const index = new AskIndex()
          index.put(all)
          // A space behind the last word: it is finished, also when it is a single letter.
          const answer = index.ask(`${ask} `)
          const expected = naive(all, ask)
          if (answer.mode === 'all' || expected.length > 0) expect(answer.hits.map(hit => hit.id).sort()).toEqual(expected.sort())
          else expect(expected).toEqual([])
        },
      ),
    )
  })

  test('changed, taken out and put in again in any order, it answers as one made anew (property)', () => {
    const steps = fc.array(fc.record({ at: fc.nat(11), name: text, notes: text, goes: fc.boolean() }), { minLength: 1, maxLength: 30 })
    fc.assert(
      fc.property(
        documents,
        steps,
        fc.array(fc.constantFrom(...WORDS, 'her', 'le', 'harbuor'), { minLength: 1, maxLength: 2 }).map(words => words.join(' ')),
        (start, changes, ask) => {
          const [followed, now] = [new AskIndex(), new Map(start.map(each => [each.id, each]))]
          followed.put(start)
          for (const { at, name, notes, goes } of changes) {
            const id = `id${at}`
            if (goes) {
              now.delete(id)
              followed.remove([id])
            } else {
              const changed: AskDocument = {
                ...blank,
                themes: '',
                ...now.get(id),
                id,
                accession: at + 1,
                number: String(at + 1),
                name,
                notes,
              }
              now.set(id, changed)
              followed.put([changed])
            }
          }
          const fresh = new AskIndex()
          fresh.put([...now.values()])
          const [a, b] = [followed.ask(`${ask} `), fresh.ask(`${ask} `)]
          expect(followed.size).toBe(fresh.size)
          expect([a.mode, a.absent, a.hits.map(hit => hit.id).sort()]).toEqual([b.mode, b.absent, b.hits.map(hit => hit.id).sort()])
          const becauseOf = (answer: typeof a) =>
            new Map(answer.hits.map(hit => [hit.id, [...hit.because].map(each => `${each.field} ${each.word}`).sort()]))
          expect(becauseOf(a)).toEqual(becauseOf(b))
        },
      ),
    )
  })

  const sets = ['Kelp Study', 'Kelp and Limpets', 'Heron Trio'].map((name, index): AskDocument => ({
    ...blank,
    id: `s${index}`,
    accession: index + 350,
    number: `${index + 350} ${index + 350} W ${index + 350}W`,
    name,
    words: index === 2 ? 'wish you were here' : '',
  }))
  const index = new AskIndex()
  index.put(sets)

  test('a whole number comes before numbers that begin with it, and a code is found written together or apart', () => {
    expect(index.ask('352').hits[0]?.id).toBe('s2')
    expect(index.ask('351W').hits.map(hit => hit.id)).toEqual(['s1'])
    expect(index.ask('351 w').hits.map(hit => hit.id)).toEqual(['s1'])
  })
  test('a letter just begun does not count yet, and alone is no ask', () => {
    expect(index.ask('kelp s').hits.map(hit => hit.id)).toEqual(index.ask('kelp').hits.map(hit => hit.id))
    expect(index.ask('k')).toMatchObject({ mode: 'tooShort', hits: [] })
    expect(index.ask('w').hits).toHaveLength(3)
  })
  test('says why, says what is absent, and helps with spelling', () => {
    expect(index.ask('wish').hits[0]?.because).toEqual([{ field: 'words', word: 'wish' }])
    expect(index.ask('kelp zeppelin')).toMatchObject({ mode: 'some', absent: ['zeppelin'] })
    expect(index.ask('limpest')).toMatchObject({ mode: 'near' })
    expect(index.ask('zeppelin')).toMatchObject({ mode: 'none', hits: [], absent: ['zeppelin'] })
  })
  test('a changed set is found as it is now, a removed one not at all', () => {
    const changing = new AskIndex()
    changing.put(sets)
    changing.put([{ ...sets[0], name: 'Tram Study' } as AskDocument])
    changing.remove(['s1'])
    expect(changing.ask('kelp').hits).toEqual([])
    expect(changing.ask('tram').hits.map(hit => hit.id)).toEqual(['s0'])
  })
})

test('the mat: one common scale, no two spots overlapping, nothing outside (property)', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ widthMm: fc.integer({ min: 20, max: 200 }), heightMm: fc.integer({ min: 20, max: 220 }) }), { maxLength: 40 }),
      fc.integer({ min: 300, max: 1400 }),
      (sizes, width) => {
        const how = { pxPerMm: 1.5, width, gap: 20, caption: 60, leastWidth: 110 }
        const { spots, height } = layMat(
          sizes.map((size, index) => ({ id: `${index}`, size })),
          how,
        )
        spots.forEach((spot, index) => {
          expect(spot.pictureHeight).toBeCloseTo((sizes[index]?.heightMm ?? 0) * how.pxPerMm)
          expect(spot.top + spot.height).toBeLessThanOrEqual(height + 0.001)
          for (const other of spots.slice(index + 1)) {
            const isApart =
              spot.left + spot.width <= other.left ||
              other.left + other.width <= spot.left ||
              spot.top + spot.height <= other.top ||
              other.top + other.height <= spot.top
            expect(isApart).toBe(true)
          }
        })
      },
    ),
  )
})
