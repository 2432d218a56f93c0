import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { brandIn, plainWords } from './index'

const WORDS = ['salt', 'lantern', 'tide', 'tables', 'bob', 'plumb', 'no', 'kelp'] as const
const words = (least: number, most: number) => fc.array(fc.constantFrom(...WORDS), { minLength: least, maxLength: most })
const brand = fc.record({
  name: words(1, 3).map(each => each.join(' ')),
  variants: fc.array(
    words(1, 2).map(each => each.join('-')),
    { maxLength: 2 },
  ),
  abbreviation: fc.option(fc.constantFrom('PB', 'SL'), { nil: null }),
})

test('the brand of a text is the longest spelling that stands in it, tried at every place', () => {
  fc.assert(
    fc.property(words(0, 6), fc.array(brand, { maxLength: 4 }), (text, made) => {
      const brands = made.map((each, at) => ({ id: `brand ${at}`, ...each }))
      const lengths = brands.flatMap(({ name, variants, abbreviation }) =>
        [name, ...variants, ...(abbreviation ? [abbreviation] : [])].flatMap(spelling => {
          const own = plainWords(spelling).join(' ')
          return ` ${text.join(' ')} `.includes(` ${own} `) ? [own.split(' ').length] : []
        }),
      )
      const found = brandIn(text.join(' '), brands)
      if (lengths.length === 0) return expect(found).toBeNull()
      // What is left is the text without that many words in a row, and the brand has them as a spelling.
      const left = found?.rest.split(' ').filter(Boolean) ?? []
      expect(text.length - left.length).toBe(Math.max(...lengths))
      const from = text.findIndex((_, at) => [...text.slice(0, at), ...text.slice(at + Math.max(...lengths))].join(' ') === left.join(' '))
      expect(from).toBeGreaterThanOrEqual(0)
      expect(brands.map(({ id }) => id)).toContain(found?.brandId)
    }),
  )
})

test('accents, signs and capitals are no difference', () => {
  const brands = [{ id: 'b', name: 'Möwe & Söhne', variants: [], abbreviation: 'MS' }]
  expect(brandIn('Leuchtturm von MOWE AND SOHNE', brands)).toEqual({ brandId: 'b', rest: 'leuchtturm von' })
  expect(brandIn('ms leuchtturm', brands)).toEqual({ brandId: 'b', rest: 'leuchtturm' })
  expect(brandIn('Möwe', brands)).toBeNull()
})
