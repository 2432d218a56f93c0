import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import { blankDraft } from '#core/catalog'
import { findingsIn } from '#core/soundness'
import { factsOf } from '../../tests/support/facts'
import { troubleOf, wasCleared } from '~/data/storageTrouble'
import { undo, redo, YondercrestDb } from './index'
import * as commands from './commands'

let opened: YondercrestDb[] = []
afterEach(async () => {
  await Promise.all(opened.map(db => db.delete()))
  opened = []
})
async function room(): Promise<YondercrestDb> {
  const db = new YondercrestDb(`storage-${ulid()}`)
  opened.push(db)
  await commands.startEmpty(db)
  return db
}
const hashOf = (letter: string): string => letter.repeat(64)
async function picture(db: YondercrestDb, letter: string): Promise<void> {
  const hash = hashOf(letter)
  const bytes = Uint8Array.from([1, 2, 3]).buffer
  await commands.addPicture(db, { hash, type: 'image/png', bytes, widthPx: 1, heightPx: 1 }, { hash, bytes }, { hash, map: bytes })
}
const unplaced = { place: null, state: 'toFile' as const, draftId: null, written: '' }

describe('room in the browser', () => {
  test('pictures that nothing names go; those of sets, of packaging, and of what undo would bring back stay', async () => {
    const db = await room()
    for (const letter of 'abcde') await picture(db, letter)
    await commands.takeIn(
      db,
      factsOf('Kelp Study', { pictureHash: hashOf('a'), packaging: 'whole', packagingPictureHash: hashOf('b') }),
      unplaced,
    )
    const gone = await commands.takeIn(db, factsOf('Limpets', { pictureHash: hashOf('c') }), unplaced)
    await commands.removeHolding(db, gone.id)
    expect((await commands.storageUse(db)).unnamedPictures).toEqual({ count: 2, bytes: 6 })
    expect(await commands.sweepPictures(db)).toBe(2)
    expect((await db.pictures.toCollection().primaryKeys()).sort()).toEqual(['a', 'b', 'c'].map(hashOf))
    expect([await db.thumbs.count(), await db.inkMaps.count()]).toEqual([3, 3])
    await undo(db)
    expect((await db.records('holdings').toArray()).map(set => set.pictureHash).sort()).toEqual([hashOf('a'), hashOf('c')])
  })
  test('a photo that was cleared while it stood in an open form is kept by no command, and the copy opens again', async () => {
    const db = await room()
    const set = await commands.takeIn(db, factsOf('Kelp Study'), unplaced)
    for (const letter of 'ab') await picture(db, letter)
    await commands.editHolding(db, set.id, { pictureHash: hashOf('b') })
    // Another tab makes room meanwhile.
    expect(await commands.sweepPictures(db)).toBe(1)
    const after = await commands.editHolding(db, set.id, { packagingPictureHash: hashOf('a'), notes: 'washed' })
    expect(after).toMatchObject({ pictureHash: hashOf('b'), packagingPictureHash: null, notes: 'washed' })
    await commands.keepPieces(db, set.id, [
      { id: ulid(), words: [], size: null, at: null, pictureHash: hashOf('a'), isMissing: false, livesWithId: null },
    ])
    await commands.addDrafts(db, [
      { ...blankDraft({ id: ulid(), rank: 0, createdAt: '2026-12-01T00:00:00.000Z' }), pictureHash: hashOf('a') },
    ])
    const strip = { ...blankDraft({ id: ulid(), rank: 1, createdAt: '2026-12-01T00:00:00.000Z' }), packagingPictureHash: hashOf('a') }
    await commands.keepDraft(db, strip)
    const { data, step } = await commands.readWithStep(db)
    expect(findingsIn(data, { pictures: new Set([hashOf('b')]), at: data.holdings[0]?.createdAt ?? '', newId: ulid })).toEqual([])
    expect(step).toEqual({ seq: (await db.journal.toCollection().last())?.seq, swings: 0 })
  })
  test('what nothing names goes by itself after a week; what is named again, or could be undone, stays', async () => {
    const db = await room()
    for (const letter of 'abc') await picture(db, letter)
    const set = await commands.takeIn(db, factsOf('Kelp Study', { pictureHash: hashOf('a') }), unplaced)
    const onDay = (day: number): Date => new Date(Date.UTC(2026, 11, 1 + day, 12))
    const left = async (): Promise<string[]> => (await db.pictures.toCollection().primaryKeys()).map(hash => hash.charAt(0)).sort()
    expect(await commands.sweepForgotten(db, onDay(0))).toBe(0)
    // Named on the third day, so that its week begins anew when it is let go.
    await commands.editHolding(db, set.id, { packagingPictureHash: hashOf('b') })
    expect(await commands.sweepForgotten(db, onDay(3))).toBe(0)
    expect(await commands.sweepForgotten(db, onDay(6.9))).toBe(0)
    expect(await left()).toEqual(['a', 'b', 'c'])
    expect(await commands.sweepForgotten(db, onDay(8))).toBe(1)
    expect(await left()).toEqual(['a', 'b'])
    expect([await db.thumbs.count(), await db.inkMaps.count()]).toEqual([2, 2])
    await commands.removeHolding(db, set.id)
    await commands.sweepForgotten(db, onDay(10))
    await commands.sweepForgotten(db, onDay(20))
    expect(await left()).toEqual(['a', 'b'])
    await commands.forgetSteps(db)
    await commands.sweepForgotten(db, onDay(30))
    // Looked at once a day, and no more.
    expect(await commands.sweepForgotten(db, onDay(30.5))).toBe(0)
    expect(await commands.sweepForgotten(db, onDay(40))).toBe(2)
  })
  test('what a record names that is set aside stays; a picture that is brought in again has a week from then', async () => {
    const db = await room()
    for (const letter of 'ab') await picture(db, letter)
    const text = JSON.stringify({ id: ulid(), name: 7, pictureHash: hashOf('a') })
    await db.records('setAside').add({ id: ulid(), from: 'holdings', text, fault: 'holdings: name', at: '2026-12-01T00:00:00.000Z' })
    const onDay = (day: number): Date => new Date(Date.UTC(2026, 11, 1 + day, 12))
    await commands.sweepForgotten(db, onDay(0))
    await picture(db, 'b')
    expect([await commands.sweepForgotten(db, onDay(8)), await db.pictures.count()]).toEqual([0, 2])
    expect(await commands.sweepForgotten(db, onDay(16))).toBe(1)
    expect(await db.pictures.toCollection().primaryKeys()).toEqual([hashOf('a')])
  })
  test('adding up what pictures take reads none of them; one whose size nobody noted is read once', async () => {
    const db = await room()
    for (const letter of 'abc') await picture(db, letter)
    let reads = 0
    db.pictures.hook('reading', record => {
      reads += 1
      return record
    })
    expect([(await commands.storageUse(db)).pictures, reads]).toEqual([9, 0])
    await db.device.delete(`size ${hashOf('b')}`)
    await db.device.put({ id: `size ${hashOf('c')}`, value: 'spoilt' })
    expect([(await commands.storageUse(db)).pictures, reads]).toEqual([9, 2])
    expect([(await commands.storageUse(db)).pictures, reads]).toEqual([9, 2])
    await commands.sweepPictures(db)
    expect((await db.device.toArray()).filter(({ id }) => id.startsWith('size '))).toEqual([])
  })
  test('steps forgotten: everything is as it was, nothing can be undone, and the next number is the next', async () => {
    const db = await room()
    await commands.takeIn(db, factsOf('Kelp Study'), unplaced)
    await commands.takeIn(db, factsOf('Limpets'), unplaced)
    await undo(db)
    const before = await commands.readCatalogue(db)
    expect(await commands.forgetSteps(db)).toBe(3)
    expect(await commands.readCatalogue(db)).toEqual(before)
    expect([await undo(db), await redo(db)]).toEqual([null, null])
    expect([...(await commands.nextNumbers(db)).values()]).toEqual([3])
    expect((await commands.storageUse(db)).steps).toEqual({ count: 0, bytes: 0 })
  })
})

test('a full disk is told from other trouble, however deep the reason lies, and after it has crossed a worker', () => {
  const quota = new DOMException('no room', 'QuotaExceededError')
  expect(troubleOf(quota)).toBe('full')
  expect(troubleOf({ name: 'AbortError', inner: { name: 'AbortError', inner: quota } })).toBe('full')
  expect(troubleOf(new Error('Uncaught QuotaExceededError: no room'))).toBe('full')
  expect([wasCleared({ name: 'AbortError' }), wasCleared({ name: 'AbortError', inner: quota }), wasCleared(new Error('broken'))]).toEqual([
    true,
    false,
    false,
  ])
  expect([troubleOf(new Error('refused: brands')), troubleOf(null), troubleOf('text')]).toEqual(['other', 'other', 'other'])
})
