import { describe, expect, test } from '@jest/globals'
import { brandStem, groupSpellings, jaroWinkler, likeness } from '#core/classing'

describe('Jaro-Winkler', () => {
  // Winkler 1990, the pairs usually quoted from it; values to three decimals, from memory.
  test.each([
    ['martha', 'marhta', 0.961],
    ['dixon', 'dicksonx', 0.813],
    ['dwayne', 'duane', 0.84],
  ])('%s and %s', (a, b, expected) => {
    expect(jaroWinkler(a, b)).toBeCloseTo(expected, 3)
    expect(jaroWinkler(b, a)).toBeCloseTo(expected, 3)
  })
  test('the ends of the scale', () => {
    expect([jaroWinkler('', ''), jaroWinkler('kelp', 'kelp'), jaroWinkler('abc', 'xyz')]).toEqual([1, 1, 0])
  })
})

describe('spellings of one maker', () => {
  test.each([
    ['Grey Wether', 'Greywether ', 'sameLetters'],
    ['Tidewrack', 'TIDEWRACK  PRESS', 'sameStem'],
    ['Q&B', 'Quoin + Bodkin', 'initials'],
    ['Marow & Finch', 'Marrow and Finch', 'nearSpelling'],
    ['9fold Dies', 'Ninefold', 'sameStem'],
  ] as const)('%s is %s: %s', (a, b, because) => {
    expect(likeness(a, b)).toBe(because)
    expect(likeness(b, a)).toBe(because)
  })
  test.each([
    ['Salt Lantern', 'Copperlatch'],
    ['Q&B', 'Salt Lantern'],
    ['Press', 'Studio'],
    ['?', '-'],
    ['&', '...'],
  ])('%s is not %s', (a, b) => {
    expect(likeness(a, b)).toBeNull()
  })
  test('a whole note taken for a brand joins only what has the same letters', () => {
    const note = 'bought at the fair beside the lighthouse, '.repeat(40)
    const groups = groupSpellings(
      new Map([
        [`${note}in May`, 2],
        [`${note}in June`, 1],
        [`${note}in MAY!`, 1],
      ]),
    )
    expect(groups.map(group => group.spellings.map(({ text, because }) => [text.slice(note.length), because]))).toEqual([
      [
        ['in May', 'sameLetters'],
        ['in MAY!', 'sameLetters'],
      ],
      [['in June', 'sameLetters']],
    ])
  })
  test.each([
    // Too much alike to pass over, and too little to join unasked.
    ['Lane 12', 20, 'Lane 13', 1, 'figures'],
    ['Harbour Dies', 20, 'Harbour Press', 1, 'otherWord'],
    ['Marrow & Finch', 20, 'Marow & Finch', 18, 'bothFrequent'],
    ['Copper Kettle', 20, 'Copper Nettle', 1, 'otherLetter'],
    ['Heron Lane', 20, 'Heron Line', 1, 'otherLetter'],
    ['Salt Lantern', 20, 'Salt Bantern', 1, 'otherLetter'],
  ] as const)('%s (%d) and %s (%d) stay apart, and are proposed: %s', (one, first, two, second, doubt) => {
    const groups = groupSpellings(
      new Map([
        [one, first],
        [two, second],
      ]),
    )
    expect(groups).toMatchObject([
      { preferred: one, mayBe: null },
      { preferred: two, mayBe: { name: one, doubt } },
    ])
  })
  test('initials join the one name that has them; where two have, nobody is joined', () => {
    const counts = (...names: readonly string[]) => new Map(names.map(name => [name, 5]))
    expect(groupSpellings(counts('Quoin & Bodkin', 'Q&B'))).toHaveLength(1)
    const many = groupSpellings(counts('Quoin & Bodkin', 'Quill & Barge', 'Q&B'))
    expect(many).toHaveLength(3)
    expect(many.find(({ preferred }) => preferred === 'Q&B')?.mayBe?.doubt).toBe('manyInitials')
  })
  test('the best-written spelling names them, not the most frequent', () => {
    const groups = groupSpellings(
      new Map([
        ['plover & reed', 30],
        ['PLOVER & REED', 9],
        ['Plover&Reed', 8],
        ['Plover & Reed', 2],
      ]),
    )
    expect(groups.map(({ preferred }) => preferred)).toEqual(['Plover & Reed'])
  })
  test('groups never chain, and a known brand leads', () => {
    const groups = groupSpellings(
      new Map([
        ['Grey Wether', 9],
        ['greywether', 2],
      ]),
      [{ name: 'Greywether', variants: [] }],
    )
    expect(groups).toMatchObject([{ preferred: 'Greywether', spellings: [{ text: 'Grey Wether' }, { text: 'greywether' }] }])
    expect(brandStem('Salt Lantern Studio')).toBe('saltlantern')
  })
})
