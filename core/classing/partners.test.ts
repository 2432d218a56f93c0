import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type PartnerSet, proposePartners, withoutPartner } from './index'

const set = (id: string, name: string, more: Partial<PartnerSet> = {}): PartnerSet => ({
  id,
  name,
  brandId: 'b',
  family: /die|stanze/i.test(name) ? 'die' : 'stamp',
  hasMatchingDie: null,
  ...more,
})
const pairs = (sets: readonly PartnerSet[]) =>
  proposePartners(sets, []).map(({ dieId, stampId, because, doubt }) => [dieId, stampId, because, doubt])

describe('what goes with what', () => {
  test.each([
    [['Harbour Lights', 'Harbour Lights Dies'], [['1', '0', 'sameBrandAndName', null]]],
    [['Harbour Lights Stamp Set', 'Cutting dies for Harbour Lights'], [['1', '0', 'sameBrandAndName', null]]],
    [['Möwe am Kai (Stempel)', 'Stanze zum Möwe am Kai'], [['1', '0', 'sameBrandAndName', null]]],
    [['Harbour Lights at Dusk', 'Harbour Lights Dies'], [['1', '0', 'nameWithin', null]]],
    [['Harbour', 'Harbour Lights Dies'], []],
    [['Harbour Lights', 'Kelp Study Dies'], []],
  ])('%j', (names, expected) => {
    expect(pairs(names.map((name, at) => set(String(at), name)))).toEqual(expected)
  })
  test('two makers are never joined by a name; a brand that nobody said may be any', () => {
    const stamp = set('s', 'Kelp Study')
    expect(pairs([stamp, set('d', 'Kelp Study Die', { brandId: 'other' })])).toEqual([])
    expect(pairs([stamp, set('d', 'Kelp Study Die', { brandId: null })])).toEqual([['d', 's', 'sameName', null]])
  })
  test('where another could be meant, or the list says that there is none, it is asked', () => {
    const [stamp, die] = [set('s', 'Kelp Study'), set('d', 'Kelp Study Die')]
    expect(pairs([stamp, die, set('t', 'Kelp study')]).map(([, , , doubt]) => doubt)).toEqual(['others', 'others'])
    expect(pairs([{ ...stamp, hasMatchingDie: false }, die])).toEqual([['d', 's', 'sameBrandAndName', 'saidNone']])
  })
})

test('pictures that show the same: told beside a name, a pair of their own without one, never across two makers', () => {
  const [stamp, die, other] = [set('s', 'Kelp Study'), set('d', 'Kelp Study Die'), set('t', 'Night Ferry')]
  const told = (sets: readonly PartnerSet[], alike: readonly [string, string][]) =>
    proposePartners(
      sets,
      [],
      alike.map(([dieId, stampId]) => ({ dieId, stampId })),
    ).map(({ dieId, stampId, because, isPictured, doubt }) => [dieId, stampId, because, isPictured, doubt])
  expect(told([stamp, die], [['d', 's']])).toEqual([['d', 's', 'sameBrandAndName', true, null]])
  expect(told([other, die], [['d', 't']])).toEqual([['d', 't', 'samePicture', true, null]])
  // The name says one, the picture another: both are asked.
  expect(
    told(
      [stamp, other, die],
      [
        ['d', 't'],
        ['d', 't'],
      ],
    ),
  ).toEqual([
    ['d', 's', 'sameBrandAndName', false, 'others'],
    ['d', 't', 'samePicture', true, 'others'],
  ])
  expect(told([{ ...other, brandId: 'x' }, die], [['d', 't']])).toEqual([])
  expect(
    told(
      [other, { ...die, brandId: null }],
      [
        ['d', 't'],
        ['t', 'd'],
      ],
    ),
  ).toEqual([['d', 't', 'samePicture', true, null]])
})

const some = fc.array(
  fc.record({
    name: fc.constantFrom('Kelp Study', 'Kelp Study at Dusk', 'Night Ferry', 'Gull', 'Tide Tables'),
    brandId: fc.constantFrom('a', 'b', null),
    family: fc.constantFrom('die' as const, 'stamp' as const, 'stencil' as const, null),
    hasMatchingDie: fc.constantFrom(true, false, null),
  }),
  { maxLength: 14 },
)
test('against every pair there is: none is missed, none comes twice, who is paired is left alone (property)', () => {
  fc.assert(
    fc.property(some, fc.nat(13), (list, at) => {
      const sets = list.map((each, index) => ({ ...each, id: String(index) }))
      const [die, stamp] = [sets.filter(({ family }) => family === 'die')[at % 3], sets.filter(({ family }) => family === 'stamp')[at % 2]]
      const relations = die && stamp ? [{ fromId: die.id, toId: stamp.id, kind: 'dieForStamp' as const }] : []
      const proposed = proposePartners(sets, relations)
      const free = sets.filter(({ id }) => !relations.some(({ fromId, toId }) => fromId === id || toId === id))
      const words = (name: string): readonly string[] => name.toLowerCase().split(' ').sort()
      const all = free
        .flatMap(one => free.map(two => [one, two] as const))
        .filter(([one, two]) => one.family === 'die' && two.family === 'stamp')
      const sameName = all.filter(
        ([one, two]) => one.name === two.name && (one.brandId === two.brandId || one.brandId === null || two.brandId === null),
      )
      const met = new Set(sameName.flatMap(([one, two]) => [one.id, two.id]))
      const within = all.filter(
        ([one, two]) =>
          one.brandId !== null &&
          one.brandId === two.brandId &&
          !met.has(one.id) &&
          !met.has(two.id) &&
          words(one.name).length > 1 &&
          words(two.name).length > 1 &&
          (words(one.name).every(word => words(two.name).includes(word)) || words(two.name).every(word => words(one.name).includes(word))),
      )
      const key = (dieId: string, stampId: string): string => `${dieId} ${stampId}`
      expect(proposed.map(each => key(each.dieId, each.stampId)).sort()).toEqual(
        [...sameName, ...within].map(([one, two]) => key(one.id, two.id)).sort(),
      )
      const lacking = withoutPartner(sets, relations, proposed)
      for (const each of sets.filter(({ family, hasMatchingDie }) => hasMatchingDie === true && family !== 'die')) {
        const isMet = [...relations.map(({ toId }) => toId), ...proposed.map(({ stampId }) => stampId)].includes(each.id)
        expect(lacking.some(({ id }) => id === each.id)).toBe(!isMet)
      }
    }),
  )
})
