import { ulid } from 'ulid'
import {
  blankBrand,
  blankDraft,
  blankHolding,
  type Holder,
  type Holding,
  KEPT_PACKAGINGS,
  LIMITS,
  newTheme,
  type RecordOf,
  START_HOLDER_TYPES,
  type TableName,
  THEME_SCHOOLS,
} from '#core/catalog'
import { gatherFacts, guessColumns, type ListTable, planRow, recommendedChoices } from '#core/exchange'
import { proposePlace } from '#core/filing'
import { proposeRefiling, type RefilingFacts, remainingRefiling, START_AIMS } from '#core/refiling'
import { arrangeRoom, containersInOrder, keyBehind, planMove } from '#core/room'
import { factsOf } from './facts'
import { commands, redo, undo, type YondercrestDb } from '~/db'

/** Draws below a bound, and picks from a list: seeded by the test, so that what fails can be done again. */
export interface Luck {
  below(bound: number): number
  pick<T>(list: readonly T[]): T | undefined
}
export function luckOf(seed: number): Luck {
  let state = seed
  // Park and Miller's minimal standard generator.
  const below = (bound: number): number => (state = (state * 16807) % 2147483647) % Math.max(1, bound)
  return { below, pick: list => list[below(list.length)] }
}
const all = async <T extends TableName>(db: YondercrestDb, table: T): Promise<RecordOf<T>[]> =>
  (await db.records(table).toArray()) as unknown as RecordOf<T>[]
const mapOf = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> => new Map(list.map(each => [each.id, each]))

/** The room as the database has it. */
export async function roomOf(db: YondercrestDb) {
  const [containers, sections, holders, holdings, fixtures, zones, brands, themes, categories, kinds] = await Promise.all([
    all(db, 'containers'),
    all(db, 'sections'),
    all(db, 'holders'),
    all(db, 'holdings'),
    all(db, 'fixtures'),
    all(db, 'zones'),
    all(db, 'brands'),
    all(db, 'themes'),
    all(db, 'categories'),
    all(db, 'kinds'),
  ])
  const room = arrangeRoom({ containers, sections, holders })
  return {
    ...room,
    facts: {
      fixtures: mapOf(fixtures),
      zones,
      rows: room.rows,
      holdings: mapOf(holdings),
      authority: { brands: mapOf(brands), themes: mapOf(themes), categories: mapOf(categories), kinds: mapOf(kinds) },
    },
  }
}
async function placeFor(db: YondercrestDb, holding: Holding): Promise<Pick<Holder, 'containerId' | 'lane' | 'order' | 'cell'> | null> {
  const found = proposePlace(holding, (await roomOf(db)).facts)
  return found.ok
    ? { containerId: found.point.container.id, lane: found.point.lane, order: found.point.order, cell: found.point.cell }
    : null
}
/** A zone as a re-filing sees it. */
async function refilingFacts(
  db: YondercrestDb,
  zoneId: string,
): Promise<RefilingFacts & { readonly tableOf: (id: string) => ReturnType<ReadonlyMap<string, RefilingFacts['rows'][number]>['get']> }> {
  const { facts, rows } = await roomOf(db)
  return {
    ...facts,
    rows: containersInOrder(facts, zoneId),
    learnt: new Map(),
    holderTypes: mapOf(await all(db, 'holderTypes')),
    tableOf: id => rows.get(id),
  }
}
/** What is left of the re-filing that is under way, as the room stands now. */
async function refilingLeft(db: YondercrestDb) {
  const refiling = (await all(db, 'refilings')).find(each => each.state === 'open')
  if (!refiling) return null
  const facts = await refilingFacts(db, refiling.zoneId)
  return { refiling, ...remainingRefiling(facts, refiling, 'apart', facts.tableOf(refiling.tableContainerId) ?? null) }
}
const NAMES = [
  'L'.repeat(LIMITS.name),
  'Rope Ends',
  'Tide Tables',
  'Harbour Steps',
  'Kelp Study',
  'Lamp Oil',
  'Bell Buoys',
  'Chart Corners',
]
const BRANDS = ['Greywether', 'Copperlatch', 'Tidewrack Press', '']

async function takeIn(db: YondercrestDb, luck: Luck): Promise<void> {
  const kind = luck.pick(await all(db, 'kinds'))
  const draft = luck.below(3) === 0 ? luck.pick(await all(db, 'drafts')) : undefined
  const facts = factsOf(luck.pick(NAMES) ?? 'Set', {
    brandName: luck.pick(BRANDS) ?? '',
    kindId: kind?.id ?? null,
    categoryName: luck.pick(['Images', 'Borders', '']) ?? '',
    themeNames: [luck.pick(['Ropes', 'Weather', 'Kelp']) ?? 'Ropes'],
    size: { widthMm: 50 + luck.below(200), heightMm: 60 },
    words: [],
    searchWords: [],
    acquiredOn: null,
    price: null,
    notes: '',
    packaging: luck.pick([...KEPT_PACKAGINGS]) ?? null,
  })
  const place =
    luck.below(3) === 0
      ? await placeFor(db, {
          ...blankHolding({ id: ulid(), number: 1, seriesId: '', name: facts.name, createdAt: '' }),
          kindId: facts.kindId,
          size: facts.size,
        })
      : null
  await commands.takeIn(db, facts, {
    place,
    state: 'toClass',
    draftId: draft?.id ?? null,
    written: luck.below(4) === 0 ? String(1 + luck.below(30)) : '',
  })
}

/** What a person can do, one command each; what it is done to is drawn from what there is. */
export const ACTIONS: Readonly<Record<string, (db: YondercrestDb, luck: Luck) => Promise<unknown>>> = {
  takeIn,
  takeInAnother: takeIn,
  async edit(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding)
      await commands.editHolding(db, holding.id, {
        ...holding,
        name: luck.pick(NAMES) ?? '',
        brandName: luck.pick(BRANDS) ?? '',
        categoryName: '',
        themeNames: ['Weather'],
      })
  },
  async remove(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding) await commands.removeHolding(db, holding.id)
  },
  async place(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    const place = holding ? await placeFor(db, holding) : null
    if (holding && place) await commands.placeHolding(db, holding.id, place)
  },
  async placeAll(db) {
    const { placements, facts } = await roomOf(db)
    await commands.placeMany(
      db,
      [...facts.holdings.values()].filter(holding => !placements.has(holding.id)),
      facts,
      () => true,
    )
  },
  async move(db, luck) {
    const [holders, containers] = [await all(db, 'holders'), await all(db, 'containers')]
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
            behindId: behind ? (behind.type === 'section' ? behind.section.id : behind.placement.holder.id) : null,
          },
      rows,
    )
    if (plan.ok) await commands.moveHolders(db, plan.holders, plan.sections, 1)
  },
  async share(db, luck) {
    const [holding, holder] = [luck.pick(await all(db, 'holdings')), luck.pick(await all(db, 'holders'))]
    if (holding && holder) await commands.shareHolder(db, holding.id, holder.id)
  },
  async apart(db, luck) {
    const holder = luck.pick(await all(db, 'holders'))
    if (holder) await commands.keepApart(db, holder.id, luck.below(2) ? 'on the desk' : null)
  },
  async cutInTwo(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding)
      await commands.finishStage(
        db,
        holding.id,
        { stage: 'fit', sitsIn: 'pocket', holderTypeId: luck.pick(await all(db, 'holderTypes'))?.id ?? null, isCutInTwo: true },
        ['capture', 'fit', 'file'],
      )
  },
  async relate(db, luck) {
    const [from, to] = [luck.pick(await all(db, 'holdings')), luck.pick(await all(db, 'holdings'))]
    if (from && to)
      await commands.addRelation(db, {
        kind: luck.pick(['dieForStamp', 'layersWith', 'sameCollection'] as const) ?? 'layersWith',
        fromId: from.id,
        toId: to.id,
      })
  },
  async unrelate(db, luck) {
    const relation = luck.pick(await all(db, 'relations'))
    if (relation) await commands.removeRelation(db, relation.id)
  },
  async pieces(db, luck) {
    const [holding, host] = [luck.pick(await all(db, 'holdings')), luck.pick(await all(db, 'holdings'))]
    if (holding)
      await commands.keepPieces(db, holding.id, [
        {
          id: ulid(),
          words: ['ahoy'],
          size: null,
          pictureHash: null,
          isMissing: false,
          livesWithId: host && host.id !== holding.id ? host.id : null,
        },
      ])
  },
  async name(db, luck) {
    const brand = luck.pick(await all(db, 'brands'))
    await (luck.below(2)
      ? commands.putName(db, 'themes', newTheme(ulid(), luck.pick(NAMES) ?? 'Ropes', await all(db, 'themes')))
      : commands.putName(db, 'brands', {
          ...(brand ?? blankBrand(ulid(), 'Slackwater')),
          notes: 'seen at the fair',
          successorId: luck.pick(await all(db, 'brands'))?.id ?? null,
        }))
  },
  async join(db, luck) {
    const list = luck.pick(['brands', 'themes', 'categories', 'kinds'] as const) ?? 'themes'
    const [from, into] = [luck.pick(await all(db, list)), luck.pick(await all(db, list))]
    if (from && into && from.id !== into.id) await commands.joinNames(db, list, from.id, into.id)
  },
  async split(db, luck) {
    const [theme, holdings] = [luck.pick(await all(db, 'themes')), await all(db, 'holdings')]
    if (theme)
      await commands.splitName(
        db,
        'themes',
        theme.id,
        `${theme.name} II`.slice(0, 60),
        holdings.filter(each => each.themeIds.includes(theme.id) && luck.below(2) === 0).map(each => each.id),
      )
  },
  async order(db, luck) {
    const ids = (await all(db, 'themes')).map(each => each.id)
    await commands.orderNames(
      db,
      'themes',
      [...ids.slice(luck.below(ids.length + 1)), ...ids].filter((id, at, list) => list.indexOf(id) === at),
    )
  },
  async zone(db, luck) {
    const [zone, into] = [luck.pick(await all(db, 'zones')), luck.pick(await all(db, 'zones'))]
    if (luck.below(2) || !zone || !into) await commands.addZone(db, `Zone ${luck.below(90)}`)
    else await commands.removeZone(db, zone.id, into.id)
  },
  async rule(db, luck) {
    const [zone, kind] = [luck.pick(await all(db, 'zones')), luck.pick(await all(db, 'kinds'))]
    if (zone)
      await commands.changeZone(db, {
        ...zone,
        takesKindIds: kind ? [kind.id] : [],
        filingRule: { keys: [{ by: 'number', order: 'ascending' }] },
        capHoldings: 1 + luck.below(20),
      })
  },
  async fixture(db, luck) {
    const fixture = luck.pick(await all(db, 'fixtures'))
    if (luck.below(3) === 0 && fixture) await commands.removeFixture(db, fixture.id)
    else await commands.putFixture(db, { ...(luck.below(2) ? fixture : {}), name: 'Shelf', type: 'bookcase', shelves: 1 + luck.below(3) })
  },
  async container(db, luck) {
    const [fixture, zone] = [luck.pick(await all(db, 'fixtures')), luck.pick(await all(db, 'zones'))]
    const cells =
      luck.below(3) === 0
        ? { rows: 2, columns: 2, pages: 2, isTwoSided: luck.below(2) === 0, cellSize: null, reuse: 'first' as const }
        : null
    if (fixture && zone)
      await commands.addContainer(db, {
        name: 'Box',
        code: `X${luck.below(40)}`,
        type: cells ? 'binder' : 'bin',
        lanes: cells ? 1 : 1 + luck.below(2),
        lengthMm: 200,
        cells,
        inner: null,
        fixture: { id: fixture.id },
        shelf: 1,
        zoneId: zone.id,
        emptyWeightG: null,
      })
  },
  async changeContainer(db, luck) {
    const container = luck.pick(await all(db, 'containers'))
    if (container)
      await commands.changeContainer(db, {
        ...container,
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
    const [from, into] = [luck.pick(await all(db, 'containers')), luck.pick(await all(db, 'containers'))]
    if (from) await commands.emptyContainer(db, from.id, into && into.id !== from.id ? into.id : null, luck.below(2) === 0)
  },
  async takeOut(db, luck) {
    const container = luck.pick(await all(db, 'containers'))
    if (container) await commands.removeContainer(db, container.id)
  },
  async tab(db, luck) {
    const [container, section] = [
      luck.pick((await all(db, 'containers')).filter(each => !each.cells)),
      luck.pick(await all(db, 'sections')),
    ]
    if (section && luck.below(3) === 0) return commands.editSection(db, section, luck.below(2) ? { ...section, title: 'Another' } : null)
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
  async holderType(db, luck) {
    const [type, shape] = [luck.pick(await all(db, 'holderTypes')), luck.pick(START_HOLDER_TYPES)]
    if (type && luck.below(2)) await commands.removeHolderType(db, type.id)
    else if (shape)
      await commands.putHolderType(db, {
        ...shape,
        id: ulid(),
        rank: 1,
        name: `${shape.name} ${luck.below(9)}`,
        replacedById: type?.id ?? null,
      })
  },
  async startHolders(db) {
    await commands.addStartHolders(db)
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
  async measureSet(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding) await commands.measureSet(db, holding.id, { size: { widthMm: 10 + luck.below(90), heightMm: 20 } })
  },
  async sticky(db, luck) {
    const holding = luck.pick(await all(db, 'holdings'))
    if (holding) await commands.setSticky(db, holding.id, !holding.isSticky)
  },
  async strips(db, luck) {
    const draft = luck.pick(await all(db, 'drafts'))
    if (draft && luck.below(2)) await commands.dropDrafts(db, [draft.id])
    else await commands.addDrafts(db, [blankDraft({ id: ulid(), rank: luck.below(9), createdAt: '2026-11-01T00:00:00.000Z' })])
  },
  async series(db, luck) {
    const series = luck.pick(await all(db, 'series'))
    if (series) await commands.putSeries(db, { ...series, padding: luck.below(5), prefix: luck.pick(['', 'N', 'LQ ']) ?? '' })
  },
  async writtenCode(db, luck) {
    const holding = luck.pick((await all(db, 'holdings')).filter(each => each.aliases.length > 0))
    if (holding) await commands.readCode(db, holding.id, holding.aliases[0]?.text ?? '', 'serial')
  },
  async pages(db, luck) {
    const binder = luck.pick((await all(db, 'containers')).filter(each => each.cells))
    if (binder) await commands.addPages(db, binder.id, 1 + luck.below(400))
  },
  async forgetLane(db, luck) {
    const measured = luck.pick(await all(db, 'measuredLengths'))
    if (measured) await commands.forgetLength(db, measured.id)
  },
  async startThemes(db, luck) {
    await commands.addStartThemes(db, luck.pick(THEME_SCHOOLS) ?? 'occasion')
  },
  async sharePages(db, luck) {
    await commands.sharePages(
      db,
      (await all(db, 'themes')).filter(() => luck.below(2) === 0).map(each => each.id),
      luck.below(2) === 0,
    )
  },
  async labels(db, luck) {
    await commands.renewLabels(
      db,
      new Map((await all(db, 'holdings')).filter(() => luck.below(2) === 0).map(each => [each.id, `${each.number} W`])),
    )
  },
  async habits(db, luck) {
    await commands.changeSettings(db, {
      forNowContainerId: luck.pick(await all(db, 'containers'))?.id ?? null,
      unit: luck.pick(['in', 'cm'] as const) ?? 'in',
    })
    await commands.setMark(db, luck.pick(['dieForStamp', 'layersWith'] as const) ?? 'layersWith', luck.pick(['&', '+', '']) ?? '')
  },
  async typing(db, luck) {
    const draft = luck.pick(await all(db, 'drafts'))
    if (draft) await commands.keepDraft(db, { ...draft, texts: { ...draft.texts, name: luck.pick(NAMES) ?? '' } })
  },
  async importList(db, luck) {
    const rows = Array.from({ length: 1 + luck.below(4) }, () => [
      luck.pick(NAMES) ?? '',
      luck.pick(BRANDS) ?? '',
      String(1 + luck.below(40)),
      'ropes; kelp',
    ])
    const table: ListTable = { headings: ['Name', 'Brand', 'No.', 'Themes'], rows, delimiter: ',', encoding: 'utf-8' }
    const columns = guessColumns(table).map(guess => guess.field)
    const facts = gatherFacts(
      table,
      columns,
      { brands: await all(db, 'brands'), kinds: [], categories: [], themes: [], highestNumber: 0 },
      2026,
    )
    const choices = recommendedChoices(columns, facts)
    await commands.importList(
      db,
      rows.map((cells, at) => planRow(table, cells, at + 1, choices, 2026, 'EUR')),
      facts.brands,
      [],
      'list.csv',
      () => undefined,
    )
  },
  async restore(db) {
    await commands.replaceCatalogue(db, 'restoreArchive', await commands.readCatalogue(db), [], [])
  },
  async beginRefiling(db, luck) {
    const zone = luck.pick(await all(db, 'zones'))
    if (!zone) return
    const facts = await refilingFacts(db, zone.id)
    const rule = { keys: [{ by: luck.pick(['theme', 'brand', 'name'] as const) ?? 'name', order: 'alphabetical' as const }] }
    const containerIds = facts.rows.filter(row => !row.container.isTable).map(row => row.container.id)
    const proposal = proposeRefiling(
      facts,
      { zone, rule, containerIds, reserve: 0, aims: START_AIMS, isEven: luck.below(2) === 0, tableMm: 300, armfulMm: 40 },
      ({ id }) => id.slice(-4),
    )
    if (proposal.ok)
      await commands.beginRefiling(db, {
        zone,
        rule,
        lanes: proposal.lanes.map(lane => lane.target),
        tableMm: 300,
        armfulMm: 40,
        tableName: 'The table',
        name: zone.name,
      })
  },
  async refileStep(db) {
    const left = await refilingLeft(db)
    if (left?.moves.ok && left.moves.steps[0]) await commands.doRefilingStep(db, left.refiling.id, left.moves.steps[0])
  },
  async refileToTheEnd(db, luck) {
    if (!(await refilingLeft(db))) await ACTIONS.beginRefiling?.(db, luck)
    for (let left = await refilingLeft(db), round = 0; left?.moves.ok && round < 30; left = await refilingLeft(db), round += 1) {
      const [step] = left.moves.steps
      if (!step) return commands.finishRefiling(db, left.refiling.id, left.lanes)
      if (!(await commands.doRefilingStep(db, left.refiling.id, step))) return
    }
  },
  async leaveRefiling(db, luck) {
    const left = await refilingLeft(db)
    if (left) await commands.leaveRefiling(db, left.refiling.id, luck.below(2) === 0)
  },
  undo: db => undo(db),
  undoAgain: db => undo(db),
  redo: db => redo(db),
}
