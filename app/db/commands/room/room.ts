import { ulid } from 'ulid'
import { type Container, nextRank, PLAIN_FIXTURE, type Section } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'
import { containerClash } from '#core/room'
import { addressPatterns } from './furniture'

export interface NewContainer {
  readonly name: string
  readonly code: string
  readonly type: Container['type']
  readonly lanes: number
  readonly lengthMm: number
  readonly cells: Container['cells']
  readonly inner: Container['inner']
  readonly fixture: { readonly id: string } | { readonly name: string; readonly shelves: number }
  readonly shelf: number
  readonly zoneId: string
  readonly emptyWeightG: Container['emptyWeightG']
}

export type AddContainerOutcome =
  | { readonly ok: true; readonly id: string }
  /** One of its addresses would be read as one of another container. */
  | { readonly ok: false; readonly code: 'addressTaken'; readonly by: string; readonly address: string }
  /** Its zone or its furniture is no longer there. */
  | { readonly ok: false; readonly code: 'gone' }

/** Adds a container, and its fixture where that is new. Two containers never share a code: an address names one place. */
export async function addContainer(db: YondercrestDb, wanted: NewContainer): Promise<AddContainerOutcome> {
  return transact(db, 'addContainer', { name: wanted.name }, async (desk): Promise<AddContainerOutcome> => {
    const [id, all] = [ulid(), await db.records('containers').toArray()]
    const clash = containerClash({ id, ...wanted }, all, await addressPatterns(db))
    if (clash) return { ok: false, code: 'addressTaken', by: clash.other.name, address: clash.address }
    const isGone =
      !(await db.records('zones').get(wanted.zoneId)) || ('id' in wanted.fixture && !(await db.records('fixtures').get(wanted.fixture.id)))
    if (isGone) return { ok: false, code: 'gone' }
    const fixtureId = 'id' in wanted.fixture ? wanted.fixture.id : ulid()
    if (!('id' in wanted.fixture)) {
      const rank = nextRank(await db.records('fixtures').toArray())
      await desk.put('fixtures', [
        { id: fixtureId, name: wanted.fixture.name, type: 'bookcase', shelves: wanted.fixture.shelves, rank, ...PLAIN_FIXTURE },
      ])
    }
    const { name, code, type, lanes, lengthMm, cells, inner, shelf, zoneId, emptyWeightG } = wanted
    const onShelf = all.filter(container => container.fixtureId === fixtureId && container.shelf === shelf)
    await desk.put('containers', [
      {
        id,
        fixtureId,
        shelf,
        rank: nextRank(onShelf),
        name,
        code,
        type,
        lanes,
        lengthMm,
        inner,
        cells,
        zoneId,
        emptyWeightG,
        isTable: false,
      },
    ])
    return { ok: true, id }
  })
}

/** Puts a divider into a row. */
export async function addSection(db: YondercrestDb, section: Omit<Section, 'id'>): Promise<string> {
  const id = ulid()
  await transact(db, 'addSection', { name: section.title }, async desk => {
    if (await db.records('containers').get(section.containerId)) await desk.put('sections', [{ ...section, id }])
  })
  return id
}

/** Writes another title on a divider, moves it, or (null) takes it out; the holders stay where they are. */
export async function editSection(db: YondercrestDb, section: Section, after: Section | null): Promise<void> {
  await transact(db, 'editSection', { name: section.title }, async desk => {
    if (!(await db.records('sections').get(section.id))) return
    await (after ? desk.put('sections', [after]) : desk.remove('sections', [section.id]))
  })
}
