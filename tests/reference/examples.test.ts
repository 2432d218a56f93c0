import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, jest, test } from '@jest/globals'
import { blankHolding, FIT_WAYS, PLAIN_FIXTURE, START_HABITS, START_MARKS, startCatalogue, startSeries } from '#core/catalog'
import { contentsOf } from '#core/holders'
import { paceOf, STAGES } from '#core/pile'
import { arrangeContainer } from '#core/room'

/** One example of a docstring: what is asked, and what is said to come of it. */
interface Example {
  readonly where: string
  readonly asked: string
  readonly answer: string
}

/** Examples of a file: from `@example` to `//=>` and the end of that line, over as many lines as it takes. */
function examplesOf(file: string): readonly Example[] {
  const text = readFileSync(file, 'utf8')
  return [...text.matchAll(/@example ([\s\S]*?)\/\/=> (.*?)(?: \*\/)?$/gm)].map(([, asked = '', answer = '']) => ({
    where: `${file}: ${asked.trim().slice(0, 60)}`,
    asked: asked.replace(/^\s*\* ?/gm, '').trim(),
    answer: answer.trim(),
  }))
}

const files = ['core', 'app'].flatMap(folder =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter(file => file.endsWith('.ts') && !/\.(test|worker)\.ts$/.test(file))
    .map(file => join(folder, file)),
)
const all = files.flatMap(examplesOf)

const container = {
  id: 'c',
  fixtureId: 'f',
  shelf: 1,
  rank: 0,
  name: 'Bin 4',
  code: 'B4',
  type: 'bin' as const,
  lanes: 1,
  lengthMm: 300,
  inner: null,
  cells: null,
  zoneId: 'z',
  emptyWeightG: null,
  isTable: false,
}
const set = blankHolding({ id: 's', number: 1, seriesId: 'main', name: 'Kelp Study', createdAt: '2026-01-01T00:00:00.000Z' })
const sized = { ...set, size: { widthMm: 101.6, heightMm: 152.4 } }
const { holderTypes, kinds } = startCatalogue(() => 'id')
const clear = kinds.find(kind => kind.name === 'Clear') ?? null
const pocket = holderTypes.find(type => type.name === 'pocket 5 x 7')
const numbered = [5, 1, 2].map(number => ({ ...set, id: `s${number}`, number }))
/** Things that examples speak of without making them. */
const CAST: Readonly<Record<string, unknown>> = {
  set: sized,
  clear,
  pocket,
  contents: contentsOf(sized, clear, START_HABITS),
  habits: { fitOrder: FIT_WAYS, fitNever: [] },
  marks: START_MARKS,
  text: 'pot|\nteapot|0\nedge,border|\n',
  bookcase: { id: 'f', name: 'Bookcase', type: 'bookcase', shelves: 2, rank: 0, ...PLAIN_FIXTURE },
  bin1: container,
  bin2: { ...container, id: 'd' },
  bin: (code: string) => ({ ...container, id: code, code }),
  wideBin: (code: string) => ({ ...container, id: code, code, lanes: 2 }),
  binderOfTwelve: { cells: { rows: 4, columns: 3 } },
  placement: { container: { ...container, type: 'bin' }, lane: 1, position: 11, cell: null },
  stamp: (name: string) => ({ id: `s ${name}`, name, brandId: 'b', family: 'stamp', hasMatchingDie: null }),
  die: (name: string) => ({ id: `d ${name}`, name, brandId: 'b', family: 'die', hasMatchingDie: null }),
  somewhere: { container: { ...container, type: 'bin' }, lane: 1, position: null, cell: null },
  byTheme: { keys: [{ by: 'theme', order: 'alphabetical' }] },
  byBrand: { ...startSeries('main'), countsBy: 'brand' },
  aLine: { rankOf: Number, alongMm: Number },
  newId: () => 'id',
  rows: [
    arrangeContainer(
      container,
      numbered.map(({ id }, at) => ({
        id: `h${id}`,
        holderTypeId: null,
        type: 'pocket' as const,
        containerId: 'c',
        lane: 1,
        order: `a${at}`,
        cell: null,
        somewhere: null,
        apartBecause: null,
        holdingIds: [id],
      })),
      [],
    ),
  ],
  facts: {
    holdings: new Map(numbered.map(each => [each.id, each])),
    authority: { brands: new Map(), themes: new Map(), categories: new Map(), kinds: new Map() },
    series: new Map(),
  },
  pace: paceOf([]),
  pack: { ids: ['a'], seconds: 60, stages: [{ stage: 'fit', ids: ['a'] }] },
  STAGES,
  monospaced: (text: string) => text.length * 6,
}

/** Runs text with the exports of a module in scope. */
function run(text: string, scope: Readonly<Record<string, unknown>>): unknown {
  return new Function(...Object.keys(scope), `return (${text})`)(...Object.values(scope))
}

test('there are examples to run', () => {
  expect(all.length).toBeGreaterThan(20)
})
test.each(all.map(each => [each.where, each] as const))('%s', (where, { asked, answer }) => {
  const scope = jest.requireActual<Readonly<Record<string, unknown>>>(join(process.cwd(), where.slice(0, where.indexOf(': '))))
  expect(run(asked, { ...CAST, ...scope })).toEqual(run(answer, { ...CAST, ...scope }))
})
