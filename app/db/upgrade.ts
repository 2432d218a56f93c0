import type { Transaction } from 'dexie'
import type { Old, Version } from '#core/catalog'
import {
  afterChange,
  type AnyRecord,
  beforeChange,
  type Change,
  changeBetween,
  isOfFields,
  type JournalEntry,
  type JournalPart,
} from './journal'
import { newId } from './newId'

/** Records and what undo would bring back, as the new version has them. */
export async function upgradeTo(version: Version, transaction: Transaction): Promise<void> {
  // The journal comes first: fields are brought up as part of their records, and these are read as the version before left them.
  await upgradeJournal(version, transaction)
  for (const [table, { to, make }] of Object.entries(version.gives ?? {})) {
    const records = (await transaction.table(table).toArray()) as Old[]
    await transaction.table(to).bulkPut(records.flatMap(record => make(record) ?? []))
  }
  for (const [table, upgrade] of Object.entries(version.upgrade)) {
    await transaction
      .table(table)
      .toCollection()
      .modify((record: Old, row: { value: Old }) => {
        row.value = upgrade(record)
      })
  }
}

/**
 * Brings up every change. From the room as it stands the steps that are done are taken back in memory, the latest first, and those that
 * are undone are done again, the earliest first: so each record is known as it was on both sides of each step. O(changes).
 */
async function upgradeJournal(version: Version, transaction: Transaction): Promise<void> {
  const touched = new Set([...Object.keys(version.upgrade), ...Object.keys(version.gives ?? {})])
  if (touched.size === 0) return
  const entries = await transaction.table<JournalEntry>('journal').orderBy('seq').toArray()
  const backward = entries.filter(({ state }) => state === 'done').toReversed()
  const forward = entries.filter(({ state }) => state === 'undone')
  for (const steps of [backward, forward]) {
    const standing: Standing = new Map()
    for (const { seq, state } of steps) {
      const parts = await transaction.table<JournalPart>('journalParts').where('seq').equals(seq).toArray()
      for (const part of parts) {
        await readStanding(transaction, part, touched, standing)
        const changes = part.changes.flatMap(change => (touched.has(change.table) ? upgraded(version, change, state, standing) : [change]))
        await transaction.table<JournalPart>('journalParts').put({ ...part, changes })
      }
    }
  }
  const giving = new Map(Object.entries(version.gives ?? {}).map(([table, { to }]) => [table, to]))
  for (const entry of entries) {
    const more = entry.tables.flatMap(table => giving.get(table) ?? [])
    if (more.length > 0) await transaction.table('journal').put({ ...entry, tables: [...new Set([...entry.tables, ...more])] })
  }
}

/** Records as the version before left them, by table and id, as they stand between two steps. */
type Standing = Map<string, AnyRecord | null>
const keyOf = ({ table, id }: Change): string => `${table}/${id}`

/** Reads the records of a part that no step looked at before. */
async function readStanding(
  transaction: Transaction,
  { changes }: JournalPart,
  tables: ReadonlySet<string>,
  standing: Standing,
): Promise<void> {
  for (const table of tables) {
    const unread = changes.filter(change => change.table === table && !standing.has(keyOf(change)))
    if (unread.length === 0) continue
    const found = (await transaction.table(table).bulkGet(unread.map(({ id }) => id))) as (AnyRecord | undefined)[]
    unread.forEach((change, at) => standing.set(keyOf(change), found[at] ?? null))
  }
}

/** One change as the new version has it. Its record stands on the other side of the step from then on. */
function upgraded(version: Version, change: Change, state: JournalEntry['state'], standing: Standing): readonly Change[] {
  const near = standing.get(keyOf(change)) ?? null
  const far = (state === 'done' ? beforeChange : afterChange)(change, near)
  standing.set(keyOf(change), far)
  const raised = (record: AnyRecord | null): AnyRecord | null => {
    const upgrade = version.upgrade[change.table]
    return record && upgrade ? asRecord(upgrade(record as unknown as Old)) : record
  }
  const [before, after] = state === 'done' ? [far, near] : [near, far]
  const now = isOfFields(change) ? changeBetween(change.table, change.id, raised(before), raised(after)) : { ...change, other: raised(far) }
  const gives = version.gives?.[change.table]
  if (!gives) return now ? [now] : []
  // What the record gave goes back and forth with it.
  const given = far && gives.make(far as unknown as Old)
  return [...(now ? [now] : []), { table: gives.to, id: change.id, other: given && asRecord(given) }]
}
const asRecord = (old: Old): AnyRecord => old as unknown as AnyRecord

/** Version 1 kept the one draft beside the catalogue; it is the first strip of the pile now. Literal, like the versions. */
export async function keepTheOneDraft(transaction: Transaction): Promise<void> {
  const device = transaction.table('device')
  const kept = (await device.get('draft')) as { value: string } | undefined
  if (!kept) return
  const { pictureHash = null, ...texts } = JSON.parse(kept.value) as Record<string, unknown>
  await transaction.table('drafts').add({
    id: newId(),
    rank: 0,
    createdAt: new Date().toISOString(),
    pictureHash,
    texts: {
      name: '',
      brand: '',
      kindId: '',
      category: '',
      themes: [],
      theme: '',
      size: '',
      words: '',
      searchWords: [],
      written: '',
      acquiredOn: '',
      price: '',
      notes: '',
      ...texts,
    },
  })
  await device.delete('draft')
}

interface MadeBefore {
  readonly at: string
  readonly made: readonly { readonly of: string; readonly says: readonly string[]; readonly name?: string }[]
  readonly sheetId?: string | null
}
/** Version 10 kept one print of each sort that waits for its answer; each thing has its own now. Literal, like the versions. */
export async function keepWhatWaits(transaction: Transaction): Promise<void> {
  const device = transaction.table('device')
  const moved = async (id: string, move: (value: never) => readonly (readonly [id: string, value: unknown])[]): Promise<void> => {
    const kept = (await device.get(id)) as { value: string } | undefined
    if (!kept) return
    for (const [to, value] of move(JSON.parse(kept.value) as never)) await device.put({ id: to, value: JSON.stringify(value) })
    await device.delete(id)
  }
  await moved('printing', ({ bookId, ...rest }: { bookId: string }) => [[`waiting book ${bookId}`, rest]])
  await moved('labels', ({ at, made, sheetId }: MadeBefore) => [
    [`waiting labels ${sheetId ?? 'tape'}`, { at, labels: made, used: made.length }],
  ])
  await moved('cards', ({ at, made }: MadeBefore) =>
    (['cards', 'dividers'] as const).flatMap(thing => {
      const cards = made
        .filter(({ of }) => of.startsWith('card:') === (thing === 'cards'))
        .map(each => ({ ...each, name: each.name ?? each.says.join(' ') }))
      return cards.length > 0 ? [[`waiting cards ${thing}`, { at, cards }] as const] : []
    }),
  )
}
