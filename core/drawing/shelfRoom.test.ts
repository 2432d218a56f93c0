import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { startCatalogue } from '#core/catalog'
import { layElevation, shelfRoom, sideBySide } from './index'

let made = 0
const { fixtures, containers } = startCatalogue(() => `id${(made += 1)}`)
const [fixture] = fixtures
const [bin] = containers
if (!fixture || !bin) throw new Error('a shelf and a bin to begin with')

test('as many fit as stand side by side in the drawing, and no more (property)', () => {
  const someBin = fc.record({ widthMm: fc.integer({ min: 60, max: 400 }), count: fc.integer({ min: 1, max: 8 }) })
  fc.assert(
    fc.property(someBin, fc.array(someBin, { maxLength: 3 }), fc.integer({ min: 300, max: 2000 }), (more, there, widthMm) => {
      const like = (id: string, width: number) => ({ ...bin, id, inner: { widthMm: width, heightMm: 190 } })
      const standing = there.flatMap((each, at) => Array.from({ length: each.count }, (_, copy) => like(`s${at}.${copy}`, each.widthMm)))
      const room = shelfRoom({ ...fixture, widthMm }, 1, standing, like('', more.widthMm), more.count)
      const taken = (count: number): number =>
        [...standing, ...Array.from({ length: count }, (_, at) => like(`n${at}`, more.widthMm))].reduce(
          (sum, each) => sum + each.inner.widthMm + 10,
          0,
        )
      for (let count = 0; count <= more.count; count += 1) expect(taken(count) <= widthMm || count === 0).toBe(count <= (room.fits ?? 0))
      expect(room.needMm).toBe(taken(more.count))
      // The drawing leaves more between them: what it shows side by side does stand there.
      const all = [...standing, ...Array.from({ length: room.fits ?? 0 }, (_, at) => like(`n${at}`, more.widthMm))]
      if (room.needMm <= widthMm)
        expect(
          layElevation({ ...fixture, shelves: 1, widthMm: widthMm + 5 * all.length }, [all]).fronts.every(
            front => front.bottomMm === layElevation({ ...fixture, shelves: 1, widthMm: 99_999 }, [all]).boardsMm[0],
          ),
        ).toBe(true)
    }),
  )
})
test('so many stand side by side on an empty shelf: as shelfRoom lets, and one at the least (property)', () => {
  fc.assert(
    fc.property(fc.integer({ min: 60, max: 900 }), fc.integer({ min: 100, max: 2000 }), (width, widthMm) => {
      const shape = { ...bin, inner: { widthMm: width, heightMm: 190 } }
      const empty = { ...fixture, type: 'bookcase' as const, widthMm }
      expect(sideBySide(empty, shape)).toBe(Math.max(1, shelfRoom(empty, 1, [], shape, 99).fits ?? 0))
    }),
  )
})
test('what nobody measured is not known; under the board above there is so much, and over the top shelf nothing', () => {
  const measured = { ...fixture, widthMm: null, shelfHeightsMm: [1000, 620, 100] }
  const rooms = [1, 2, 3].map(shelf => shelfRoom(measured, shelf, [], bin, 1))
  expect(rooms.map(room => room.clearMm)).toEqual([null, 380, 520])
  expect(rooms.map(room => [room.haveMm, room.fits])).toEqual([
    [null, null],
    [null, null],
    [null, null],
  ])
})
