import 'fake-indexeddb/auto'
import { afterEach, describe, expect, test } from '@jest/globals'
import { ulid } from 'ulid'
import { blankHolding, type Container, type Holder } from '#core/catalog'
import { learnThickness } from '#core/capacity'
import { idsOf } from '#core/refiling'
import { arrangeRoom, keysBehind, shortAddress } from '#core/room'
import { undo, YondercrestDb } from './index'
import * as commands from './commands'
import { factsOf } from '../../tests/support/facts'

import { begin, dropRooms, facts, filledRoom, left, SERIES } from '../../tests/support/filedRooms'

afterEach(dropRooms)

describe('re-filing', () => {
  test('step by step to the end, a set taken in meanwhile: in the order of the rule, tabs and all; each step undone alone', async () => {
    const db = await filledRoom(12)
    const id = await begin(db)
    const before = (await left(db, id)).steps.length
    const first = (await left(db, id)).steps[0]
    if (!first) throw new Error('a step')
    expect(await commands.doRefilingStep(db, id, first)).toBe(true)
    const after = (await facts(db)).names
    await undo(db)
    expect((await facts(db)).names).not.toEqual(after)
    expect((await left(db, id)).steps).toHaveLength(before)
    expect(await commands.doRefilingStep(db, id, first)).toBe(true)
    // The same step a second time: what it lifts is no longer there.
    expect(first.from === first.to || !(await commands.doRefilingStep(db, id, first))).toBe(true)
    const [container] = await db
      .records('containers')
      .filter(each => !each.isTable)
      .toArray()
    await commands.takeIn(db, factsOf('Set 99', { themeNames: ['Harbour'] }), {
      place: { containerId: container?.id ?? '', lane: 1, order: keysBehind([], -1, 40)[39] ?? '', cell: null },
      state: 'toFile',
      draftId: null,
      written: '',
    })
    for (let round = 0; round < 40; round += 1) {
      const [step] = (await left(db, id)).steps
      if (!step) break
      expect(await commands.doRefilingStep(db, id, step)).toBe(true)
      // Every address names one set, at every moment.
      const { names } = await facts(db)
      expect(new Set(names.map(([address]) => address)).size).toBe(13)
    }
    expect(await commands.finishRefiling(db, id, (await left(db, id)).lanes)).toBe(true)
    const { names, found } = await facts(db)
    const themeOf = (name: string | undefined): string =>
      found.authority.themes.get([...found.holdings.values()].find(each => each.name === name)?.themeIds[0] ?? '')?.name ?? ''
    expect(names.map(([, name]) => `${themeOf(name)} ${name}`)).toEqual(names.map(([, name]) => `${themeOf(name)} ${name}`).sort())
    expect(await db.records('refilings').get(id)).toMatchObject({ state: 'done' })
    expect((await db.records('sections').toArray()).map(each => each.title).sort()).toEqual(['Harbour', 'Kelp', 'Ropes'])
    expect(
      await db
        .records('containers')
        .filter(each => each.isTable)
        .count(),
    ).toBe(0)
  })
  test.each([
    [2, 2],
    [180, 5],
  ])('after %i minutes at the shelf %i are counted as work: a longer time was a pause', async (since, counted) => {
    const db = await filledRoom(12)
    const id = await begin(db)
    const [first] = (await left(db, id)).steps
    await db.records('refilings').update(id, { startedAt: new Date(Date.now() - since * 60_000).toISOString() })
    if (first) await commands.doRefilingStep(db, id, first)
    expect((await db.records('refilings').get(id))?.minutesWorked).toBeCloseTo(counted, 0)
  })
  test('four that share one key come to an end as well: who stands behind gets a key of their own', async () => {
    const db = await filledRoom(4)
    const [first] = await db.records('holders').toArray()
    await db.records('holders').toCollection().modify({ order: 'a0' })
    const { zone, rows } = await facts(db)
    const standing = rows.get(first?.containerId ?? '')?.placements.map(each => each.holder.id) ?? []
    const wanted = [1, 0, 2, 3].map(at => standing[at] ?? '')
    const begun = await commands.beginRefiling(db, {
      zone,
      rule: zone.filingRule,
      lanes: [{ containerId: first?.containerId ?? '', lane: 1, holderIds: wanted, tabs: [] }],
      tableMm: 300,
      armfulMm: 12,
      heap: [],
      tableName: 'The table',
      name: 'Everything',
    })
    if (!begun.ok) throw new Error(begun.code)
    let steps = 0
    for (; steps < 10; steps += 1) {
      const [step] = (await left(db, begun.id)).steps
      if (!step) break
      expect(await commands.doRefilingStep(db, begun.id, step)).toBe(true)
    }
    expect(steps).toBe(1)
    expect((await facts(db)).rows.get(first?.containerId ?? '')?.placements.map(each => each.holder.id)).toEqual(wanted)
  })
  test('while one is under way: no second is begun, and neither its zone nor its table goes', async () => {
    const db = await filledRoom(6)
    const { zone, found } = await facts(db)
    await begin(db)
    const before = await commands.readCatalogue(db)
    const table = before.containers.find(each => each.isTable)
    if (!table) throw new Error('a table')
    const into = await commands.addZone(db, 'Another')
    const lanes = [{ containerId: found.rows[0]?.container.id ?? '', lane: 1, holderIds: [], tabs: [] }]
    expect(
      await commands.beginRefiling(db, {
        zone,
        rule: zone.filingRule,
        lanes,
        tableMm: 300,
        armfulMm: 12,
        heap: [],
        tableName: 'Another table',
        name: 'Again',
      }),
    ).toEqual({ ok: false, code: 'underWay' })
    expect(await commands.removeZone(db, zone.id, into)).toEqual({ ok: false, code: 'inUse' })
    expect(await commands.removeContainer(db, table.id)).toEqual({ ok: false, code: 'inUse' })
    expect(await commands.emptyContainer(db, table.id, null, true)).toEqual({ ok: false, code: 'inUse' })
    expect(await commands.emptyContainer(db, found.rows[0]?.container.id ?? '', table.id, false)).toEqual({ ok: false, code: 'inUse' })
    expect(await commands.changeContainer(db, table.id, { lanes: 2 })).toEqual({ ok: false, code: 'inUse' })
    expect(await commands.copyContainer(db, table.id, 2)).toBe(0)
    expect({ ...(await commands.readCatalogue(db)), zones: before.zones }).toEqual(before)
  })
  test('it begins with the zone as it is by then, and not at all where that is gone', async () => {
    const db = await filledRoom(6)
    const { zone, found } = await facts(db)
    const lanes = [{ containerId: found.rows[0]?.container.id ?? '', lane: 1, holderIds: [], tabs: [] }]
    const wish = {
      rule: { keys: [{ by: 'name' as const, order: 'alphabetical' as const }] },
      lanes,
      tableMm: 300,
      armfulMm: 12,
      heap: [],
      tableName: 'The table',
      name: 'By name',
    }
    expect(await commands.beginRefiling(db, { ...wish, zone: { ...zone, id: ulid() } })).toEqual({ ok: false, code: 'gone' })
    expect(
      await commands.beginRefiling(db, { ...wish, zone, lanes: [{ ...lanes[0], containerId: ulid(), lane: 1, holderIds: [], tabs: [] }] }),
    ).toEqual({ ok: false, code: 'gone' })
    // Another tab has set a limit meanwhile: it stays.
    await commands.changeZone(db, zone.id, { capHoldings: 77 })
    expect(await commands.beginRefiling(db, { ...wish, zone })).toMatchObject({ ok: true })
    expect(await db.records('zones').get(zone.id)).toMatchObject({ capHoldings: 77, filingRule: wish.rule })
  })
  test('dividers go in front of their sets also where two tabs set two sets down in one gap', async () => {
    const db = await filledRoom(4)
    const id = await begin(db)
    const holders = (await db.records('holders').toArray()).sort((a, b) => (a.order < b.order ? -1 : 1))
    const [first, second, third] = holders
    if (!first || !second || !third) throw new Error('three holders')
    await db.records('holders').put({ ...second, order: first.order })
    const [, behind] = [first, second].sort((a, b) => (a.id < b.id ? -1 : 1))
    const tab = (title: string, beforeHolderId: string) => ({ title, colour: 0, standsFor: null, beforeHolderId })
    expect(
      await commands.finishRefiling(db, id, [
        {
          containerId: first.containerId,
          lane: 1,
          holderIds: holders.map(each => each.id),
          tabs: [tab('Kelp', behind?.id ?? ''), tab('Ropes', third.id)],
        },
      ]),
    ).toBe(true)
    const { rows } = await facts(db)
    const heads = [...rows.values()].flatMap(row => row.placements.map(each => [each.holder.id, each.section?.title ?? null]))
    expect(heads.at(-1)?.[1]).toBe('Ropes')
    expect(heads.slice(-2).map(([holderId]) => holderId)).toEqual(holders.slice(2).map(each => each.id))
    expect(
      [...rows.values()].flatMap(row =>
        row.lanes.flatMap(lane => lane.flatMap(entry => (entry.type === 'section' ? [entry.section.title] : []))),
      ),
    ).toEqual(['Kelp', 'Ropes'])
  })
  test('a step whose neighbour another tab has carried off no longer holds, and nothing of it is done', async () => {
    const db = await filledRoom(9)
    const id = await begin(db)
    const step = (await left(db, id)).steps.find(each => each.parts.some(part => part.behindId !== null))
    const neighbour = step?.parts.flatMap(part => part.behindId ?? [])[0]
    const [table] = await db
      .records('containers')
      .filter(each => each.isTable)
      .toArray()
    if (!step || !neighbour || !table) throw new Error('a step behind another set')
    await commands.moveHolders(db, [{ ...((await db.records('holders').get(neighbour)) as Holder), containerId: table.id, lane: 1 }])
    const before = await commands.readCatalogue(db)
    expect(await commands.doRefilingStep(db, id, step)).toBe(false)
    expect(await commands.readCatalogue(db)).toEqual(before)
  })
  test('left off half-way, everything stays where it is; the rule goes back if that is wanted', async () => {
    const db = await filledRoom(9)
    const before = (await facts(db)).zone.filingRule
    const id = await begin(db)
    const [step] = (await left(db, id)).steps
    if (step) await commands.doRefilingStep(db, id, step)
    const { names } = await facts(db)
    expect(await commands.leaveRefiling(db, id, false)).toBe(true)
    expect((await facts(db)).names).toEqual(names)
    expect((await facts(db)).zone.filingRule).toEqual(before)
    expect(idsOf(step ?? { from: '', to: '', parts: [], lengthMm: 0 }).length).toBeGreaterThan(0)
  })
})

describe('furniture and containers', () => {
  const only = async (db: YondercrestDb): Promise<Container> => (await db.records('containers').toArray())[0] as Container
  test('copied three times, merged, emptied, and taken out only when empty or with a destination; all undone', async () => {
    const db = await filledRoom(6)
    const bin = await only(db)
    expect(await commands.copyContainer(db, bin.id, 1, { fixtureId: bin.fixtureId, shelf: bin.shelf + 1 })).toBe(1)
    expect((await db.records('containers').toArray()).map(each => each.shelf).sort()).toEqual([bin.shelf, bin.shelf + 1])
    await undo(db)
    // Onto furniture that is gone meanwhile nothing goes: they stand beside it.
    expect(await commands.copyContainer(db, bin.id, 3, { fixtureId: ulid(), shelf: 9 })).toBe(3)
    expect((await db.records('containers').toArray()).every(each => each.shelf === bin.shelf && each.fixtureId === bin.fixtureId)).toBe(
      true,
    )
    const all = await db.records('containers').toArray()
    expect(all.map(each => each.code).sort()).toEqual(['B1', 'B2', 'B3', 'B4'])
    expect(await commands.removeContainer(db, bin.id)).toMatchObject({ ok: false, code: 'notEmpty', count: 6 })
    const other = all.find(each => each.code === 'B3')
    expect(await commands.emptyContainer(db, bin.id, other?.id ?? null, true)).toEqual({ ok: true })
    expect((await facts(db)).names.map(([address]) => address)).toEqual(['B3-1', 'B3-2', 'B3-3', 'B3-4', 'B3-5', 'B3-6'])
    expect(await commands.emptyContainer(db, other?.id ?? '', null, false)).toEqual({ ok: true })
    expect(
      await db
        .records('holdings')
        .filter(each => each.state === 'toFile')
        .count(),
    ).toBe(6)
    for (let step = 0; step < 3; step += 1) await undo(db)
    expect((await facts(db)).names.map(([address]) => address)).toEqual(['B1-1', 'B1-2', 'B1-3', 'B1-4', 'B1-5', 'B1-6'])
  })
  test('a change that would leave a set without its cell is refused; furniture goes only when empty', async () => {
    const db = await filledRoom(1)
    const bin = await only(db)
    expect(
      await commands.changeContainer(db, bin.id, {
        cells: { rows: 2, columns: 2, pages: 1, isTwoSided: false, cellSize: null, reuse: 'last' },
      }),
    ).toMatchObject({ ok: false, code: 'notEmpty' })
    expect(await commands.changeContainer(db, bin.id, { name: 'Deep bin', lengthMm: 400 })).toEqual({ ok: true })
    expect(await commands.removeFixture(db, bin.fixtureId)).toEqual({ ok: false, code: 'notEmpty', count: 1 })
    const id = await commands.addFixture(db, { name: 'Cart', type: 'cart', shelves: 3 })
    expect(await commands.removeFixture(db, id)).toEqual({ ok: true })
  })
  test('a lane measured twice counts once, and teaches', async () => {
    const db = await filledRoom(10)
    const bin = await only(db)
    for (const filledMm of [80, 40])
      await commands.measureLength(db, { containerId: bin.id, lane: 1, filledMm, stood: [{ kindId: null, holder: 'pocket', count: 10 }] })
    const measured = await db.records('measuredLengths').toArray()
    expect(measured).toHaveLength(1)
    expect(learnThickness(measured, () => undefined).get('/pocket')?.mm).toBeCloseTo(4, 1)
  })
  test('what is kept apart keeps its address, and no re-filing lifts it', async () => {
    const db = await filledRoom(9)
    const { rows } = await facts(db)
    const first = [...rows.values()][0]?.placements[0]?.holder
    await commands.keepApart(db, first?.id ?? '', 'kept on the desk, used daily')
    const id = await begin(db)
    expect((await left(db, id)).steps.flatMap(idsOf)).not.toContain(first?.id)
    expect((await left(db, id)).lanes.flatMap(lane => lane.holderIds)).not.toContain(first?.id)
  })
})

test('a set that was cut in two stands in two holders, and both are its places', async () => {
  const db = await filledRoom(2)
  const bin = (await db.records('containers').toArray())[0] as Container
  const holding = {
    ...blankHolding({ id: ulid(), number: 50, seriesId: SERIES, name: 'Tall Mast', createdAt: '2026-01-01T00:00:00.000Z' }),
    isCutInTwo: true,
  }
  await db.records('holdings').put(holding)
  await commands.placeHolding(db, holding.id, { containerId: bin.id, lane: 1, order: keysBehind([], -1, 9)[7] ?? '', cell: null })
  const { halves } = arrangeRoom({ containers: [bin], sections: [], holders: await db.records('holders').toArray() })
  const both = halves.get(holding.id)?.map(place => shortAddress(place))
  expect(both).toHaveLength(2)
  expect(new Set(both).size).toBe(2)
  // Placed anew, it does not multiply.
  await commands.placeHolding(db, holding.id, { containerId: bin.id, lane: 1, order: keysBehind([], -1, 9)[8] ?? '', cell: null })
  expect(await db.records('holders').where('holdingIds').equals(holding.id).count()).toBe(2)
})
