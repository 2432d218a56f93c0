import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cellsFrom, offersFor } from './index'

const NAMES = ['Kelp Study', 'Möwe am Kai', 'Night Ferry', 'Two Gulls 12']
const sets = fc.array(fc.record({ number: fc.integer({ min: 1, max: 999 }), name: fc.constantFrom(...NAMES) }), { maxLength: 30 })

test('what is typed of a number finds it, against a plain scan: the very number first, then those that begin so (property)', () => {
  fc.assert(
    fc.property(sets, fc.nat(29), fc.integer({ min: 1, max: 3 }), (list, which, length) => {
      const among = list.map(({ number: own, name }, at) => ({ id: String(at), figure: String(own), name }))
      const typed = String(list[which % Math.max(1, list.length)]?.number ?? 7).slice(0, length)
      const offers = offersFor(typed, among)
      const plain = [
        ...among.filter(({ figure }) => figure === typed),
        ...among.filter(({ figure }) => figure !== typed && figure.startsWith(typed)),
        ...among.filter(({ figure, name }) => !figure.startsWith(typed) && name.split(' ').some(word => word.startsWith(typed))),
      ]
      expect(offers).toEqual(plain)
    }),
  )
})
test('names are found by beginnings of their words, in any order, accents and capitals or not', () => {
  const among = ['Möwe am Kai', 'Night Ferry', 'Kaimauer'].map((name, at) => ({ id: String(at), figure: `${at}W`, name }))
  const found = (text: string): readonly string[] => offersFor(text, among).map(({ name }) => name)
  expect(found('mow')).toEqual(['Möwe am Kai'])
  expect(found('KAI')).toEqual(['Möwe am Kai', 'Kaimauer'])
  expect(found('kai mö')).toEqual(['Möwe am Kai'])
  expect(found('1w')).toEqual(['Night Ferry'])
  expect(found('erry')).toEqual([])
  expect(found('  ')).toHaveLength(3)
})
test('along pages each cell comes once, page by page, the back behind the front; taken ones are stepped over (property)', () => {
  const grid = fc.record({
    rows: fc.integer({ min: 1, max: 4 }),
    columns: fc.integer({ min: 1, max: 3 }),
    pages: fc.integer({ min: 1, max: 5 }),
    isTwoSided: fc.boolean(),
  })
  fc.assert(
    fc.property(grid, fc.integer({ min: 1, max: 5 }), fc.integer({ min: 2, max: 5 }), (cells, from, every) => {
      const walked = [...cellsFrom(cells, from, ({ cell }) => cell % every === 0)]
      const order = ({ page, cell, side }: (typeof walked)[number]): number => page * 1000 + (side === 'back' ? 500 : 0) + cell
      expect(walked.map(order)).toEqual([...new Set(walked.map(order))].sort((a, b) => a - b))
      const perSide = Array.from({ length: cells.rows * cells.columns }, (_, at) => at + 1).filter(at => at % every !== 0).length
      expect(walked).toHaveLength(Math.max(0, cells.pages - from + 1) * perSide * (cells.isTwoSided ? 2 : 1))
    }),
  )
})
