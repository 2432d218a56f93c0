import { type CatalogueData, type Container, type Holder, type Series, START_SETTINGS, startSeries } from '#core/catalog'
import { registerId } from '#core/numbering'
import { hasCell } from '#core/room'
import { doubled, type Edit, type Finding, finding, type Given } from './finding'

/** The settings of the room, and what gives the next number. */
export function* settingsAndSeries(data: CatalogueData, given: Given): Generator<Finding> {
  const nowhere = { id: 'room', name: '', about: '' } as const
  if (data.settings.length === 0)
    yield { ...nowhere, code: 'settingsMissing', table: 'settings', mend: [{ table: 'settings', put: { ...START_SETTINGS } }] }
  const runs = (series: Series, isRunning: boolean): Edit => ({ table: 'series', put: { ...series, isRunning } })
  const [first, ...rest] = data.series.filter(series => series.isRunning)
  if (!first) {
    const whole = data.series.find(series => series.partOf === null)
    const mend = whole ? runs(whole, true) : ({ table: 'series', put: startSeries(given.newId()) } as const)
    yield { ...nowhere, code: 'noneRunning', table: 'series', id: whole?.id ?? '', mend: [mend] }
  }
  for (const series of rest) yield finding('manyRunning', 'series', series, [runs(series, false)], first?.name)
  yield* seriesInCircles(data)
}

/** Series that are part of themselves, by way of others. The circle is opened at the first of its records. */
function* seriesInCircles({ series }: CatalogueData): Generator<Finding> {
  const above = new Map(series.map(each => [each.id, each.partOf?.seriesId ?? null]))
  const told = new Set<string>()
  for (const each of series) {
    const way = new Set<string>()
    let at: string | null | undefined = each.id
    while (at && !way.has(at)) {
      way.add(at)
      at = above.get(at)
    }
    if (at !== each.id || told.has(each.id)) continue
    for (const id of way) told.add(id)
    yield finding('seriesCircle', 'series', each, [{ table: 'series', put: { ...each, partOf: null } }])
  }
}

/** Each set's number is its own, in the register too. */
export function* numbers(data: CatalogueData, given: Given): Generator<Finding> {
  for (const [, ...others] of doubled(data.holdings, ({ seriesId, number }) => registerId(seriesId, number)))
    for (const other of others) yield finding('numberTwice', 'holdings', other, null)
  const lines = new Map(data.register.map(line => [line.id, line]))
  for (const line of data.register) {
    const id = registerId(line.seriesId, line.number)
    if (line.id === id) continue
    // Where the number has a line of its own, this one says nothing more.
    const stays: readonly Edit[] = lines.has(id) ? [] : [{ table: 'register', put: { ...line, id } }]
    yield finding('registerLine', 'register', line, [{ table: 'register', remove: line.id }, ...stays])
  }
  const sets = new Map(data.holdings.map(holding => [holding.id, holding]))
  for (const holding of data.holdings) {
    const id = registerId(holding.seriesId, holding.number)
    const line = lines.get(id)
    if (line?.holdingId === holding.id) continue
    const own = { id, seriesId: holding.seriesId, number: holding.number, holdingId: holding.id, givenTo: holding.name, at: given.at }
    if (!line) yield finding('notRegistered', 'holdings', holding, [{ table: 'register', put: { ...own, how: 'adopted' } }])
    else {
      const other = sets.get(line.holdingId)
      const isTwice = other?.number === holding.number && other.seriesId === holding.seriesId
      if (!isTwice)
        yield finding(
          'registeredForOther',
          'holdings',
          holding,
          [{ table: 'register', put: { ...line, holdingId: holding.id } }],
          line.givenTo,
        )
    }
  }
}

/** One re-filing at a time, and its table. */
export function* refilings(data: CatalogueData, given: Given): Generator<Finding> {
  const open = data.refilings.filter(({ state }) => state === 'open').sort((a, b) => (a.startedAt < b.startedAt ? -1 : 1))
  for (const other of open.slice(1))
    yield finding('refilingsOpen', 'refilings', other, [{ table: 'refilings', put: { ...other, state: 'left', endedAt: given.at } }])
  const [first] = open
  const full = new Set(data.holders.map(({ containerId }) => containerId))
  for (const container of data.containers) {
    const isItsTable = container.id === first?.tableContainerId
    if (container.isTable === isItsTable) continue
    // What lies on it keeps a place: it is a container like others.
    const mend: Edit =
      isItsTable || full.has(container.id)
        ? { table: 'containers', put: { ...container, isTable: isItsTable } }
        : { table: 'containers', remove: container.id }
    yield finding(isItsTable ? 'tableNotMarked' : 'tableOfNone', 'containers', container, [mend], first?.name)
  }
}

/** Containers with their codes, and what stands in them where nothing can stand. */
export function* places(data: CatalogueData): Generator<Finding> {
  for (const [first, ...others] of doubled(data.containers, ({ code }) => code.trim().toLowerCase()))
    // A code stands on paper and on the shelf: which of them gets another, nobody else can say.
    for (const other of others) yield finding('codesAlike', 'containers', other, null, first?.name)
  const shelves = new Map(data.fixtures.map(({ id, shelves }) => [id, shelves]))
  for (const container of data.containers) {
    const last = shelves.get(container.fixtureId)
    if (last !== undefined && container.shelf > last)
      yield finding('shelfBeyond', 'containers', container, [{ table: 'containers', put: { ...container, shelf: last } }], String(last))
  }
  const containers = new Map(data.containers.map(container => [container.id, container]))
  for (const section of data.sections) {
    const lanes = containers.get(section.containerId)?.lanes
    if (lanes !== undefined && section.lane > lanes)
      yield finding('laneBeyond', 'sections', section, [{ table: 'sections', put: { ...section, lane: lanes } }], String(lanes))
  }
  yield* cells(data, containers)
}

const keyOf = ({ containerId, cell }: Holder): string | null => cell && `${containerId}/${cell.page}/${cell.cell}/${cell.side}`

function* cells(data: CatalogueData, containers: ReadonlyMap<string, Container>): Generator<Finding> {
  const taken = new Set(doubled(data.holders, keyOf).flatMap(([, ...others]) => others.map(({ id }) => id)))
  for (const holder of data.holders) {
    const container = containers.get(holder.containerId)
    const said = (code: Finding['code'], fields: Partial<Holder>): Finding => ({
      ...finding(code, 'holders', holder, [{ table: 'holders', put: { ...holder, ...fields } }]),
      about: container?.name ?? '',
    })
    // Its page is known at most: somebody has to look.
    const unseen = { cell: null, somewhere: { page: holder.cell?.page ?? null } }
    if (!container) continue
    if (container.cells === null && holder.cell !== null) yield said('cellBeyond', { cell: null })
    else if (holder.cell && holder.somewhere) yield said('cellUnseen', { cell: null })
    else if (container.cells && holder.cell && !hasCell(container.cells, holder.cell))
      yield said('cellBeyond', holder.cell.page > container.cells.pages ? { cell: null, somewhere: { page: null } } : unseen)
    else if (taken.has(holder.id)) yield said('cellTaken', unseen)
    else if (container.cells && !holder.cell && !holder.somewhere) yield said('cellMissing', { somewhere: { page: null } })
    else if (holder.lane > container.lanes) yield said('laneBeyond', { lane: container.lanes })
  }
}
