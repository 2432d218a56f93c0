import { newId } from '~/db/newId'
import { type Brand, type Kind, nextRank, START_THEMES, type Theme, type ThemeSchool, newTheme, type Way, isBlank } from '#core/catalog'
import {
  joinNames as planJoin,
  legendOf,
  type LegendLine,
  type NameChange,
  type NameGround,
  type NameList,
  type NameRecord,
  refersTo,
  reordered,
  secondMeaning,
  spelledBy,
  splitName as planSplit,
} from '#core/classing'
import type { YondercrestDb } from '../../database'
import { type Desk, expectTaken } from '../../desk'
import { transact } from '../../transact'

export type NameOutcome =
  | { readonly ok: true; readonly sets: number }
  /** Another entry of the list is written, or may be written, like this. */
  | { readonly ok: false; readonly code: 'nameTaken'; readonly by: string }
  /** The mark of a kind means something else already. */
  | { readonly ok: false; readonly code: 'markTaken'; readonly by: LegendLine }
  | { readonly ok: false; readonly code: 'nameMissing' | 'gone' }

/** Fields of an entry of any list. */
export type NameFields = Partial<Omit<Brand, 'id'> | Omit<Theme, 'id'> | Omit<Kind, 'id'>>

async function groundOf(db: YondercrestDb, list: NameList): Promise<NameGround> {
  const [records, holdings, sections, zones] = await Promise.all([
    db.anyRecords(list).toArray(),
    db.records('holdings').toArray(),
    db.records('sections').toArray(),
    db.records('zones').toArray(),
  ])
  return { records: records as unknown as readonly NameRecord[], holdings, sections, zones }
}
async function apply(desk: Desk, list: NameList, change: NameChange): Promise<NameOutcome> {
  await desk.put('holdings', change.holdings)
  await desk.put('sections', change.sections)
  await desk.put('zones', change.zones)
  await desk.put(list, change.records as readonly (Brand & Theme & Kind)[])
  if (change.removedId) await desk.remove(list, [change.removedId])
  return { ok: true, sets: change.holdings.length }
}

/** Puts a new entry into its list. No two entries may be written alike, no mark may mean two things. */
export async function addName(db: YondercrestDb, list: NameList, record: NameRecord): Promise<NameOutcome> {
  return transact(db, 'changeName', { name: record.name }, desk => writeName(desk, list, record))
}

/** Changes an entry. No two entries may be written alike, no mark may mean two things. */
export async function changeName(db: YondercrestDb, list: NameList, id: string, fields: NameFields): Promise<NameOutcome> {
  const { name } = { ...(await db.records(list).get(id)), ...fields }
  return transact(db, 'changeName', { name }, async (desk): Promise<NameOutcome> => {
    const before = await db.records(list).get(id)
    return before ? writeName(desk, list, { ...before, ...fields } as NameRecord) : { ok: false, code: 'gone' }
  })
}

async function writeName(desk: Desk, list: NameList, record: NameRecord): Promise<NameOutcome> {
  const { db } = desk
  if (isBlank(record.name)) return { ok: false, code: 'nameMissing' }
  const { records, holdings } = await groundOf(db, list)
  const by = spelledBy(records, record.id, 'variants' in record ? [record.name, ...record.variants] : [record.name])
  if (by) return { ok: false, code: 'nameTaken', by }
  const meaning = 'suffix' in record && record.suffix ? secondMeaning(record.suffix, record.id, await legend(db)) : null
  if (meaning) return { ok: false, code: 'markTaken', by: meaning }
  const successorId =
    'successorId' in record && record.successorId && (await db.records('brands').get(record.successorId)) ? record.successorId : null
  await desk.put(list, [
    { ...record, ...('successorId' in record ? { successorId } : {}), name: record.name.trim() } as Brand & Theme & Kind,
  ])
  return { ok: true, sets: holdings.filter(holding => refersTo(list, holding).includes(record.id)).length }
}

async function legend(db: YondercrestDb): Promise<readonly LegendLine[]> {
  const settings = await db.records('settings').get('room')
  return settings ? legendOf(settings.marks, await db.records('kinds').toArray()) : []
}

/** Gives a way of going together its mark, a habit like other settings; told what the mark means already when it is taken. */
export async function setMark(db: YondercrestDb, way: Way, mark: string): Promise<LegendLine | null> {
  const { taken } = await import('../../checked')
  return db.transaction('rw', db.records('settings'), db.records('kinds'), async () => {
    const settings = await db.records('settings').get('room')
    const meaning = mark.trim() === '' ? null : secondMeaning(mark, way, await legend(db))
    if (!settings || meaning) return meaning
    const marked = { ...settings, marks: { ...settings.marks, [way]: mark.trim() } }
    await db.records('settings').bulkPut([...expectTaken(taken, 'settings', [marked])])
    return meaning
  })
}

/** Keeps the owner's own order: the ranks follow the ids as given. */
export async function orderNames(db: YondercrestDb, list: Exclude<NameList, 'brands'>, ids: readonly string[]): Promise<void> {
  await transact(db, 'orderNames', { count: ids.length }, async desk => {
    const records = (await db.anyRecords(list).toArray()) as unknown as (Theme & Kind)[]
    await desk.put(list, reordered(records, ids))
  })
}

/** Joins one entry into another. The number of sets it touched is told. */
export async function joinNames(db: YondercrestDb, list: NameList, fromId: string, intoId: string): Promise<NameOutcome> {
  return transact(db, 'joinNames', {}, async (desk): Promise<NameOutcome> => {
    const change = planJoin(list, fromId, intoId, await groundOf(db, list))
    return change ? apply(desk, list, change) : { ok: false, code: 'gone' }
  })
}

/** Splits sets off an entry into a new one of their own. */
export async function splitName(
  db: YondercrestDb,
  list: NameList,
  fromId: string,
  name: string,
  holdingIds: readonly string[],
): Promise<NameOutcome> {
  return transact(db, 'splitName', { name }, async (desk): Promise<NameOutcome> => {
    const ground = await groundOf(db, list)
    const from = ground.records.find(record => record.id === fromId)
    if (!from) return { ok: false, code: 'gone' }
    if (isBlank(name)) return { ok: false, code: 'nameMissing' }
    // A spelling of the brand itself may become the new brand's name; its own name may not.
    const by = spelledBy(
      ground.records.map(record => (record === from ? { ...record, variants: [] } : record)),
      null,
      [name],
    )
    if (by) return { ok: false, code: 'nameTaken', by }
    const change = planSplit(list, fromId, { id: newId(), name }, holdingIds, ground)
    return change ? apply(desk, list, change) : { ok: false, code: 'gone' }
  })
}

/** Lets themes share a page under their first letter, or gives each one of its own. */
export async function sharePages(db: YondercrestDb, ids: readonly string[], sharesPage: boolean): Promise<void> {
  await transact(db, 'sharePages', { count: ids.length }, async desk => {
    const themes = await db.records('themes').bulkGet([...ids])
    await desk.put(
      'themes',
      themes.flatMap(theme => (theme ? [{ ...theme, sharesPage }] : [])),
    )
  })
}

/** Adds the themes of a school that the list does not have yet. Returns how many came. */
export async function addStartThemes(db: YondercrestDb, school: ThemeSchool): Promise<number> {
  return transact(
    db,
    'addStartThemes',
    count => ({ count }),
    async desk => {
      const known = await db.records('themes').toArray()
      const from = nextRank(known)
      const fresh = START_THEMES[school].filter(name => spelledBy(known, null, [name]) === null)
      await desk.put(
        'themes',
        fresh.map((name, at) => ({ ...newTheme(newId(), name, []), rank: from + at })),
      )
      return fresh.length
    },
  )
}
