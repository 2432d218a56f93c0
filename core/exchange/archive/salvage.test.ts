import { createHash } from 'node:crypto'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { ulid } from 'ulid'
import { blankHolding, startCatalogue } from '#core/catalog'
import { packArchive, salvage, unpackArchive } from '../index'

const sha256 = async (bytes: Uint8Array): Promise<string> => createHash('sha256').update(bytes).digest('hex')
const AT = '2026-11-23T12:00:00.000Z'

test('what a screen still shows can be read back as a copy, and no number that was given is given again (property)', async () => {
  const numbers = fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { maxLength: 8 })
  await fc.assert(
    fc.asyncProperty(numbers, fc.integer({ min: 0, max: 9 }), async (given, later) => {
      const { register: _register, drafts: _drafts, ...screen } = startCatalogue(ulid)
      const seriesId = screen.series[0]?.id ?? ''
      const holdings = given.map(number => ({
        ...blankHolding({ id: ulid(), number, seriesId, name: `Set ${number}`, createdAt: AT }),
        pictureHash: 'a'.repeat(64),
        packagingPictureHash: 'b'.repeat(64),
      }))
      const next = Math.max(0, ...given) + later + 1
      const data = salvage({ ...screen, holdings }, new Map([[seriesId, next]]), AT, ulid)
      const reading = await unpackArchive(await packArchive(data, [], [], AT, sha256), sha256, { at: AT, newId: ulid })
      if (!reading.ok) throw new Error(`${reading.code} ${reading.where}`)
      expect(reading.archive.data.holdings.map(each => each.number)).toEqual(given)
      expect(Math.max(0, ...reading.archive.data.register.map(each => each.number)) + 1).toBe(next)
    }),
    { numRuns: 30 },
  )
})
