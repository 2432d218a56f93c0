import { readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'

// WCAG 2.2, relative luminance and contrast ratio (https://www.w3.org/TR/WCAG22/#dfn-relative-luminance), from memory;
// its own fixed points (black on white 21, #777777 on white 4.48) are checked below.
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map(at => Number.parseInt(hex.slice(at, at + 2), 16) / 255)
    .map(part => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
function contrast(a: string, b: string): number {
  const [dark = 0, light = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y)
  return (light + 0.05) / (dark + 0.05)
}
/** The colours of the look, block by block: the first for the day, the second for the night bench, the third for both. */
const [day, night, both] = [...readFileSync('app/assets/css/tokens.css', 'utf8').matchAll(/\{([^}]*)\}/g)].map(
  block => new Map([...(block[1] ?? '').matchAll(/--([\w-]+): (#[0-9A-F]{6})/gi)].map(([, name = '', value = '']) => [name, value])),
)

/** Ember is a mark and a ground of figures, never the colour of text. */
const TEXT = ['night', 'quiet', 'moss', 'ochre', 'berry'] as const
const GROUNDS = ['sheet', 'mist', 'wash'] as const
const MARKS = ['edge', 'ridge-4', 'ridge-5', 'strong', 'ember', 'berry'] as const

test('the formula has the fixed points of the standard', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5)
  expect(contrast('#777777', '#FFFFFF')).toBeCloseTo(4.48, 2)
  expect(contrast('#FF0000', '#FFFFFF')).toBeCloseTo(4, 1)
})
describe.each([
  ['by day', day],
  ['on the night bench', night],
] as const)('%s', (_name, colours) => {
  const of = (name: string): string => colours?.get(name) ?? both?.get(name) ?? '#'
  test.each(GROUNDS.flatMap(ground => TEXT.map(text => [text, ground] as const)))('text in %s on %s has 4.5:1', (text, ground) => {
    expect(contrast(of(text), of(ground))).toBeGreaterThanOrEqual(4.5)
  })
  test.each([
    ['on-strong', 'strong'],
    ['on-strong', 'ember'],
    ['night', 'ticket'],
    ['quiet', 'ticket'],
    ['night', 'mat'],
    ['quiet', 'mat'],
    ['ink', 'paper'],
    ['ink-quiet', 'paper'],
    ['ink-ridge', 'paper'],
    ['night', 'ridge-1'],
  ])('text in %s on %s has 4.5:1', (text, ground) => {
    expect(contrast(of(text), of(ground))).toBeGreaterThanOrEqual(4.5)
  })
  test.each(GROUNDS.flatMap(ground => MARKS.map(mark => [mark, ground] as const)))('marks in %s on %s have 3:1', (mark, ground) => {
    expect(contrast(of(mark), of(ground))).toBeGreaterThanOrEqual(3)
  })
  test.each([0, 1, 2, 3, 4, 5])('the title of divider colour %i has 4.5:1', tab => {
    expect(contrast(of(`tab-${tab}`), of('on-tab'))).toBeGreaterThanOrEqual(4.5)
  })
})
