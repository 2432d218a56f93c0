import { newId } from '~/db/newId'
import { type Container, type Fixture, nextRank, type Section } from '#core/catalog'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'
import { containerClash, namesAlong } from '#core/room'
import { addressPatterns } from './furniture'

/** Containers of one shape, one after the other: the first has this name, the others count on from it. */
export interface NewContainers extends Pick<
  Container,
  'name' | 'code' | 'type' | 'lanes' | 'lengthMm' | 'cells' | 'inner' | 'zoneId' | 'emptyWeightG'
> {
  readonly fixture: { readonly id: string } | Omit<Fixture, 'id' | 'rank'>
  readonly shelves: readonly number[]
  readonly countEach: number
}

export type AddContainersOutcome =
  | { readonly ok: true; readonly ids: readonly string[] }
  /** One of its addresses would be read as one of another container. */
  | { readonly ok: false; readonly code: 'addressTaken'; readonly by: string; readonly address: string }
  /** Its zone or its furniture is no longer there. */
  | { readonly ok: false; readonly code: 'gone' }

/**
 * Adds containers, and their fixture where that is new: so many on each of the shelves. Two containers never share a code: an
 * address names one place.
 */
export async function addContainers(db: YondercrestDb, wanted: NewContainers): Promise<AddContainersOutcome> {
  const { fixture, shelves, countEach, ...shape } = wanted
  const count = shelves.length * countEach
  return transact(db, 'addContainer', { name: wanted.name, count }, async (desk): Promise<AddContainersOutcome> => {
    const all = await db.records('containers').toArray()
    const patterns = await addressPatterns(db)
    const clash = containerClash({ id: '', shelf: shelves[0] ?? 1, ...shape }, all, patterns)
    if (clash) return { ok: false, code: 'addressTaken', by: clash.other.name, address: clash.address }
    const isGone = !(await db.records('zones').get(shape.zoneId)) || ('id' in fixture && !(await db.records('fixtures').get(fixture.id)))
    if (isGone) return { ok: false, code: 'gone' }
    const fixtureId = 'id' in fixture ? fixture.id : newId()
    if (!('id' in fixture))
      await desk.put('fixtures', [{ ...fixture, id: fixtureId, rank: nextRank(await db.records('fixtures').toArray()) }])
    const names = [shape, ...namesAlong(shape, [...all, { ...shape, id: '', shelf: 1 }], patterns, count - 1)]
    const made = shelves.flatMap((shelf, row) => {
      const rank = nextRank(all.filter(each => each.fixtureId === fixtureId && each.shelf === shelf))
      return names
        .slice(row * countEach, (row + 1) * countEach)
        .map(({ name, code }, at): Container => ({ ...shape, name, code, id: newId(), fixtureId, shelf, rank: rank + at, isTable: false }))
    })
    await desk.put('containers', made)
    return { ok: true, ids: made.map(each => each.id) }
  })
}

/** Puts a divider into a row. */
export async function addSection(db: YondercrestDb, section: Omit<Section, 'id'>): Promise<string> {
  const id = newId()
  await transact(db, 'addSection', { name: section.title }, async desk => {
    if (await db.records('containers').get(section.containerId)) await desk.put('sections', [{ ...section, id }])
  })
  return id
}

/** Writes another title on a divider, or moves it; the holders stay where they are. */
export async function editSection(db: YondercrestDb, id: string, fields: Partial<Omit<Section, 'id'>>): Promise<void> {
  const section = await db.records('sections').get(id)
  await transact(db, 'editSection', { name: section?.title }, desk => desk.change('sections', id, fields))
}

/** Takes a divider out; the holders stay where they are. */
export async function removeSection(db: YondercrestDb, id: string): Promise<void> {
  const section = await db.records('sections').get(id)
  await transact(db, 'editSection', { name: section?.title }, desk => desk.remove('sections', [id]))
}
