import { ulid } from 'ulid'
import { type Container, nextRank, type Section, type Zone } from '#core/catalog'
import type { YondercrestDb } from '../database'
import { transact } from '../transact'

export interface NewContainer {
  readonly name: string
  readonly code: string
  readonly type: Container['type']
  readonly lanes: number
  readonly lengthMm: number
  readonly cells: Container['cells']
  readonly fixture: { readonly id: string } | { readonly name: string, readonly shelves: number }
  readonly shelf: number
  readonly zoneId: string
}

export type AddContainerOutcome =
  | { readonly ok: true, readonly id: string }
  | { readonly ok: false, readonly code: 'codeTaken', readonly by: string }

/** Adds a container, and its fixture where that is new. Two containers never share a code: an address names one place. */
export async function addContainer(db: YondercrestDb, wanted: NewContainer): Promise<AddContainerOutcome> {
  return transact(db, 'addContainer', { name: wanted.name }, async (desk): Promise<AddContainerOutcome> => {
    const all = await db.records('containers').toArray()
    const taken = all.find(container => container.code.toLowerCase() === wanted.code.toLowerCase())
    if (taken) return { ok: false, code: 'codeTaken', by: taken.name }
    const fixtureId = 'id' in wanted.fixture ? wanted.fixture.id : ulid()
    if (!('id' in wanted.fixture)) {
      const rank = nextRank(await db.records('fixtures').toArray())
      await desk.put('fixtures', [{ id: fixtureId, name: wanted.fixture.name, type: 'bookcase', shelves: wanted.fixture.shelves, rank }])
    }
    const { name, code, type, lanes, lengthMm, cells, shelf, zoneId } = wanted
    const onShelf = all.filter(container => container.fixtureId === fixtureId && container.shelf === shelf)
    const id = ulid()
    await desk.put('containers', [{ id, fixtureId, shelf, rank: nextRank(onShelf), name, code, type, lanes, lengthMm, inner: null, cells, zoneId }])
    return { ok: true, id }
  })
}

/** Puts a divider into a row. */
export async function addSection(db: YondercrestDb, section: Omit<Section, 'id'>): Promise<string> {
  const id = ulid()
  await transact(db, 'addSection', { name: section.title }, desk => desk.put('sections', [{ ...section, id }]))
  return id
}

/** Writes another title on a divider, moves it, or (null) takes it out; the holders stay where they are. */
export async function editSection(db: YondercrestDb, section: Section, after: Section | null): Promise<void> {
  await transact(db, 'editSection', { name: section.title }, desk => after ? desk.put('sections', [after]) : desk.remove('sections', [section.id]))
}

/** Changes how a zone files. Nothing is moved by it: new sets go by the new rule, views show what stands otherwise. */
export async function changeZone(db: YondercrestDb, zone: Zone): Promise<void> {
  await transact(db, 'changeZone', { name: zone.name }, desk => desk.put('zones', [zone]))
}
