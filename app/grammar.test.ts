import { expect, jest, test } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

type Say = (...given: readonly unknown[]) => unknown
interface Sentence {
  readonly name: string
  readonly say: Say
}

/** Every function of every list of words, however deep it lies. */
function sentencesOf(value: unknown, name: string): readonly Sentence[] {
  if (typeof value === 'function') return [{ name, say: value as Say }]
  return typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, inner]) => sentencesOf(inner, `${name}.${key}`))
    : []
}
/** Every list of words of the house: whoever adds one has it looked at. */
const app = __dirname
const lists = readdirSync(app, { recursive: true, encoding: 'utf8' })
  .filter(file => /(^|[/\\])(words|\w+Words|steps)\.ts$/.test(file))
  .sort()
const exported = lists.flatMap(file =>
  Object.entries(jest.requireActual<Readonly<Record<string, unknown>>>(join(app, file))).map(([name, value]) => ({ file, name, value })),
)
const all = exported.flatMap(({ file, name, value }) => sentencesOf(value, `${file}: ${name}`))
/** What a sentence says; null where it is not one that takes a number and names. */
function said({ say }: Sentence, given: readonly unknown[]): string | null {
  try {
    const text = say(...given)
    return typeof text === 'string' ? text : null
  } catch {
    return null
  }
}
const NAMES = ['Kelp Study', 'Bin 4', 'Ropes'] as const
/** A number in front or behind names: the ways in which sentences with a count are asked for. */
const givenFor = (count: number): readonly (readonly unknown[])[] => [
  [count],
  [count, NAMES[0], NAMES[1]],
  [NAMES[0], count, NAMES[1]],
  [count, count, count, count],
  [NAMES[0], NAMES[1], count],
]
const spoken = (count: number): readonly { readonly name: string; readonly text: string }[] =>
  all.flatMap(sentence =>
    givenFor(count).flatMap(given => {
      const text = said(sentence, given)
      return text === null ? [] : [{ name: sentence.name, text }]
    }),
  )

/** Said of one thing in the plural. "would", "will" and "does not" are the same for both. */
const MANY = 'are|come|stand|say|have|were|go|do|need|wait|lie|hold|move'
const THINGS = 'set|holder|step|brand|theme|photo|label|container|number|name|row|size|date|note'
const ONE = 'is|comes|stands|says|has|was|goes|does|needs|waits|lies|holds|moves'

test('there are sentences to look at', () => {
  expect(all.length).toBeGreaterThan(150)
  expect(spoken(1).length).toBeGreaterThan(150)
})
test('of one it is said in the singular', () => {
  const wrong = spoken(1).filter(({ text }) =>
    new RegExp(String.raw`\b1 (?!does|would|will)[a-z]+ (?:now )?(?:${MANY})\b(?! not go)|\b1 (?:${THINGS})s\b`).test(text),
  )
  expect(wrong).toEqual([])
})
test('of more it is said in the plural', () => {
  const wrong = spoken(2).filter(({ text }) => new RegExp(String.raw`\b2 [a-z]+s (?:${ONE})\b|\b2 (?:${THINGS})\b(?! of)`).test(text))
  expect(wrong).toEqual([])
})
test('large counts are grouped, and no brackets come out', () => {
  const wrong = spoken(12_345).filter(({ text }) =>
    /\b12345 (?:sets|holders|steps|photos|labels|rows|themes|containers)\b|\$\{|\[object/.test(text),
  )
  expect(wrong).toEqual([])
})

/** Entries of a list that no file names. A list that is handed on whole, or read by a name that is worked out, counts as used. */
function unused(name: string, list: object, code: string): readonly string[] {
  const isReadWhole = new RegExp(String.raw`\b${name}\b(?!\s*\.|[^{}]*\} from| = |\b\s*:)`).test(code)
  return isReadWhole ? [] : Object.keys(list).filter(key => !new RegExp(String.raw`\b${name}\s*\.${key}\b`).test(code))
}
test('every word is said somewhere', () => {
  const code = readdirSync(app, { recursive: true, encoding: 'utf8' })
    .filter(file => /\.(ts|vue)$/.test(file) && !file.endsWith('.test.ts'))
    .map(file => readFileSync(join(app, file), 'utf8'))
    .join('\n')
  const planted = { said: 'Said', forgotten: 'Never said' }
  expect(unused('plantedWords', planted, `export const plantedWords = {\nplantedWords.said`)).toEqual(['forgotten'])
  const lost = exported.flatMap(({ name, value }) =>
    name.endsWith('Words') && typeof value === 'object' && value !== null ? unused(name, value, code).map(key => `${name}.${key}`) : [],
  )
  expect(lost).toEqual([])
})
