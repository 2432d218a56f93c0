import { newId } from '~/db/newId'
import { LIMITS, type PullList } from '#core/catalog'
import { withoutSets, withSets } from '#core/fetching'
import type { YondercrestDb } from '../../database'
import { transact } from '../../transact'

export type PullOutcome =
  | { readonly ok: true; readonly listId: string; readonly added: number }
  /** A list holds so many sets and no more. */
  | { readonly ok: false; readonly code: 'listFull' }
  /** None of the sets is there any more, or all are on the list. */
  | { readonly ok: false; readonly code: 'nothingNew' }

/**
 * Puts sets on a pull list, with what goes along with each; on a new one where `listId` is none. Nothing of it is done where it
 * would be more than a list holds.
 */
export async function pullSets(db: YondercrestDb, listId: string | null, holdingIds: readonly string[]): Promise<PullOutcome> {
  return transact(
    db,
    'pullSets',
    outcome => (outcome.ok ? { count: outcome.added } : {}),
    async (desk): Promise<PullOutcome> => {
      const known = await db.records('pullLists').get(listId ?? '')
      const list = known ?? blankList()
      const asked = new Set(holdingIds)
      const relations = await db.records('relations').toArray()
      const sets = await db.records('holdings').bulkGet([...asked])
      // Of the others only those that go along are asked for.
      const near = relations.flatMap(({ fromId, toId }) => {
        if (asked.has(fromId)) return [toId]
        return asked.has(toId) ? [fromId] : []
      })
      const hosts = sets.flatMap(set => set?.pieces.flatMap(({ livesWithId }) => livesWithId ?? []) ?? [])
      const others = await db.records('holdings').bulkGet([...near, ...hosts])
      const holdings = new Map([...sets, ...others].flatMap(set => (set ? [[set.id, set] as const] : [])))
      const lines = withSets(list.lines, holdingIds, { holdings, relations })
      if (lines.length > LIMITS.pullLines) return { ok: false, code: 'listFull' }
      const added = lines.length - list.lines.length
      const isSame = added === 0 && lines.every((line, at) => line.alongWithId === list.lines[at]?.alongWithId)
      // With no sets a list is only begun.
      if (isSame && (known || holdingIds.length > 0)) return { ok: false, code: 'nothingNew' }
      await desk.put('pullLists', [{ ...list, lines: [...lines] }])
      return { ok: true, listId: list.id, added }
    },
  )
}
const blankList = (): PullList => ({ id: newId(), name: '', createdAt: new Date().toISOString(), lines: [] })

/** Takes sets off a pull list, and what came along with them alone. */
export async function leaveOut(db: YondercrestDb, listId: string, holdingIds: readonly string[]): Promise<void> {
  await changeList(db, 'leaveOut', listId, list => ({ ...list, lines: [...withoutSets(list.lines, holdingIds)] }))
}

export async function namePullList(db: YondercrestDb, listId: string, name: string): Promise<void> {
  await changeList(db, 'namePullList', listId, list => ({ ...list, name: name.trim().slice(0, LIMITS.name) }))
}

/** All of a list is to be fetched once more. */
export async function fetchAgain(db: YondercrestDb, listId: string): Promise<void> {
  await changeList(db, 'fetchAgain', listId, list => ({ ...list, lines: list.lines.map(line => ({ ...line, takenFromIds: [] })) }))
}

/** Lets go of a list. What was fetched by it stays out until it is brought back. */
export async function dropPullList(db: YondercrestDb, listId: string): Promise<void> {
  const list = await db.records('pullLists').get(listId)
  if (list) await transact(db, 'dropPullList', { name: list.name, count: list.lines.length }, desk => desk.remove('pullLists', [listId]))
}

async function changeList(
  db: YondercrestDb,
  command: 'leaveOut' | 'namePullList' | 'fetchAgain',
  listId: string,
  change: (list: PullList) => PullList,
): Promise<void> {
  await transact(
    db,
    command,
    (list: PullList | undefined) => ({ name: list?.name }),
    async desk => {
      const list = await db.records('pullLists').get(listId)
      if (list) await desk.put('pullLists', [change(list)])
      return list
    },
  )
}
