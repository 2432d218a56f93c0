import { allIn, entryId, keyBehind, planMove } from '#core/room'
import { familiesOf, planFromList, proposeChoice } from '#core/room/places'
import { fittingsOf, planTidy, shapesFor } from '#core/tidy'
import { all, mapOf, roomOf, type Cases } from '../../../../tests/support/cases'
import * as commands from '~/db/commands'

export const roomCases: Cases = {
  /** Some sets lose their place, a list says where they are, and the room of that list is built: in new containers and in those there. */
  async fromList(db, luck) {
    const zone = luck.pick(await all(db, 'zones'))
    const holdings = await all(db, 'holdings')
    const standing = new Set((await all(db, 'holders')).flatMap(({ holdingIds }) => holdingIds))
    const texts = ['Bin 1', 'Chest 2', 'Chest 2 front', '4-103', '4-209', 'CD 7', 'cd 07', 'table', 'with Anna']
    const families = familiesOf(
      holdings.filter(({ id }) => !standing.has(id) || luck.below(4) === 0).map(({ id }) => ({ id, text: luck.pick(texts) ?? '' })),
    )
    const { rows, facts } = await roomOf(db)
    const choices = new Map(
      families.map(family => [family.key, proposeChoice(family, zone?.id ?? '', () => ({ name: 'Press', type: 'cabinet' }))]),
    )
    const plan = planFromList(
      families,
      choices,
      { rows: [...rows.values()], fixtures: facts.fixtures },
      {
        pages: cells => ({ name: `Pages of ${cells}`, code: `P${cells}` }),
      },
    )
    await commands.buildFromList(db, plan)
  },
  /** The room that what stands nowhere needs. */
  async tidy(db, luck) {
    const { facts } = await roomOf(db)
    const holdings = await all(db, 'holdings')
    const holderTypes = mapOf(await all(db, 'holderTypes'))
    const standing = new Set((await all(db, 'holders')).flatMap(({ holdingIds }) => holdingIds))
    const waiting = holdings.filter(({ id }) => !standing.has(id))
    const settings = await db.records('settings').get('room')
    const fittings = fittingsOf(waiting, [...holderTypes.values()], facts.authority.kinds, facts.zones, {
      fitOrder: settings?.fitOrder ?? [],
      fitNever: [],
    })
    const tidy = { ...facts, learnt: new Map(), holderTypes, patterns: settings?.addressPatterns ?? {} }
    const choices = new Map(
      facts.zones.flatMap(zone => {
        const shape = luck.pick(shapesFor(zone.id, tidy))
        return shape ? [[zone.id, { shapeId: shape.id, lengthMm: 40, fixture: { name: 'Rack', type: 'bookcase' } as const }] as const] : []
      }),
    )
    const plan = planTidy(waiting, fittings, choices, tidy, type => ({ name: `${type} 0`, code: `${type.slice(0, 2).toUpperCase()}0` }))
    await commands.buildTidy(db, { ...plan, sits: plan.zones.flatMap(({ sits }) => sits) })
  },
  /** Along a container: some that are in it, one from elsewhere, a tab, something strange. */
  async stand(db, luck) {
    const { rows } = await roomOf(db)
    const row = luck.pick([...rows.values()].filter(each => allIn(each).length > 0))
    if (!row) return
    const sets = [...allIn(row).flatMap(({ holder }) => holder.holdingIds), luck.pick(await all(db, 'holdings'))?.id ?? '', 'gone']
    await commands.standAsSeen(db, row.container.id, 1 + luck.below(row.container.lanes), [
      ...sets
        .filter(() => luck.below(2) === 0)
        .map((holdingId, at) => ({
          as: 'set' as const,
          holdingId,
          cell: row.container.cells ? { page: 1 + (at >> 2), cell: 1 + (at % 4), side: 'front' as const } : null,
        })),
      { as: 'tab', title: 'Buoys' },
      { as: 'strange', name: 'Odd one', note: 'In a bin.' },
    ])
  },
  async move(db, luck) {
    const holders = await all(db, 'holders')
    const containers = await all(db, 'containers')
    const [holder, container] = [luck.pick(holders), luck.pick(containers)]
    const { rows } = await roomOf(db)
    if (!holder || !container) return
    const behind = luck.pick(rows.get(container.id)?.lanes[0] ?? [])
    const plan = planMove(
      [holder],
      container.cells
        ? {
            type: 'cell',
            containerId: container.id,
            cell: { page: 1 + luck.below(2), cell: 1 + luck.below(4), side: luck.below(2) ? 'front' : 'back' },
          }
        : {
            type: 'row',
            containerId: container.id,
            lane: 1 + luck.below(container.lanes),
            behindId: behind ? entryId(behind) : null,
          },
      rows,
    )
    if (plan.ok) await commands.moveHolders(db, plan.holders, plan.sections, 1)
  },
  async apart(db, luck) {
    const holder = luck.pick(await all(db, 'holders'))
    if (holder) await commands.keepApart(db, holder.id, luck.below(2) ? 'on the desk' : null)
  },
  async zone(db, luck) {
    const zone = luck.pick(await all(db, 'zones'))
    const into = luck.pick(await all(db, 'zones'))
    if (luck.below(2) || !zone || !into) await commands.addZone(db, `Zone ${luck.below(90)}`)
    else await commands.removeZone(db, zone.id, into.id)
  },
  async rule(db, luck) {
    const zone = luck.pick(await all(db, 'zones'))
    const kind = luck.pick(await all(db, 'kinds'))
    if (zone)
      await commands.changeZone(db, zone.id, {
        takesKindIds: kind ? [kind.id] : [],
        filingRule: { keys: [{ by: 'number', order: 'ascending' }] },
        capHoldings: 1 + luck.below(20),
      })
  },
  async fixture(db, luck) {
    const fixture = luck.pick(await all(db, 'fixtures'))
    if (luck.below(3) === 0 && fixture) await commands.removeFixture(db, fixture.id)
    else if (luck.below(2) && fixture) await commands.changeFixture(db, fixture.id, { name: 'Shelf', shelves: 1 + luck.below(3) })
    else await commands.addFixture(db, { name: 'Shelf', type: 'bookcase', shelves: 1 + luck.below(3) })
  },
  async container(db, luck) {
    const fixture = luck.pick(await all(db, 'fixtures'))
    const zone = luck.pick(await all(db, 'zones'))
    const cells =
      luck.below(3) === 0
        ? { rows: 2, columns: 2, pages: 2, isTwoSided: luck.below(2) === 0, cellSize: null, reuse: 'first' as const }
        : null
    if (fixture && zone)
      await commands.addContainers(db, {
        name: 'Box',
        code: `X${luck.below(40)}`,
        type: cells ? 'binder' : 'bin',
        lanes: cells ? 1 : 1 + luck.below(2),
        lengthMm: 200,
        cells,
        inner: null,
        fixture: { id: fixture.id },
        shelves: [1],
        countEach: 1 + luck.below(2),
        zoneId: zone.id,
        emptyWeightG: null,
      })
  },
  async changeContainer(db, luck) {
    const container = luck.pick(await all(db, 'containers'))
    if (container)
      await commands.changeContainer(db, container.id, {
        code: `X${luck.below(40)}`,
        lanes: container.cells ? 1 : 1 + luck.below(2),
        cells: container.cells ? { ...container.cells, pages: 1 + luck.below(3), isTwoSided: luck.below(2) === 0 } : null,
      })
  },
  async copyContainer(db, luck) {
    const container = luck.pick(await all(db, 'containers'))
    if (container) await commands.copyContainer(db, container.id, 1 + luck.below(2))
  },
  async empty(db, luck) {
    const from = luck.pick(await all(db, 'containers'))
    const into = luck.pick(await all(db, 'containers'))
    if (from) await commands.emptyContainer(db, from.id, into && into.id !== from.id ? into.id : null, luck.below(2) === 0)
  },
  async takeOut(db, luck) {
    const container = luck.pick(await all(db, 'containers'))
    if (container) await commands.removeContainer(db, container.id)
  },
  async tab(db, luck) {
    const container = luck.pick((await all(db, 'containers')).filter(each => !each.cells))
    const section = luck.pick(await all(db, 'sections'))
    if (section && luck.below(3) === 0)
      return luck.below(2) ? commands.editSection(db, section.id, { title: 'Another' }) : commands.removeSection(db, section.id)
    const lane = 1 + luck.below(container?.lanes ?? 1)
    const entries = (await roomOf(db)).rows.get(container?.id ?? '')?.lanes[lane - 1] ?? []
    if (container)
      await commands.addSection(db, {
        containerId: container.id,
        lane,
        order: keyBehind(entries, luck.below(entries.length + 1) - 1),
        title: 'Tab',
        colour: luck.below(6),
        standsFor: null,
      })
  },
  async measureLane(db, luck) {
    const container = luck.pick(await all(db, 'containers'))
    if (container)
      await commands.measureLength(db, {
        containerId: container.id,
        lane: 1,
        filledMm: 10 + luck.below(90),
        stood: [{ kindId: null, holder: 'pocket', count: 3 }],
      })
  },
  async forgetLane(db, luck) {
    const measured = luck.pick(await all(db, 'measuredLengths'))
    if (measured) await commands.forgetLength(db, measured.id)
  },
}
