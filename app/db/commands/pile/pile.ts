import type { Draft, Holding } from '#core/catalog'
import { type Stage, stageOf, stateAfter } from '#core/pile'
import type { YondercrestDb } from '../../database'
import type { CommandName } from '../steps'
import { type Desk, expectTaken, withKeptPictures } from '../../desk'
import { transact } from '../../transact'
import { forgetLabels } from '../paper/labels'
import { type HoldingFacts, holdersFollow, resolveNames } from '../holding/takeIn'

/** Puts strips on the pile. */
export async function addDrafts(db: YondercrestDb, drafts: readonly Draft[]): Promise<void> {
  await transact(db, 'addDrafts', { count: drafts.length }, desk => desk.put('drafts', drafts))
}

/** Takes strips off the pile. Undo brings them back as they were. */
export async function dropDrafts(db: YondercrestDb, ids: readonly string[]): Promise<void> {
  await transact(db, 'dropDrafts', { count: ids.length }, desk => desk.remove('drafts', ids))
}

/** Keeps a strip as it is typed, keystroke by keystroke. Typing is no step of its own: undo is for what it leads to. */
export async function keepDraft(db: YondercrestDb, draft: Draft): Promise<void> {
  const { taken } = await import('../../checked')
  const written = expectTaken(taken, 'drafts', [draft])
  await db.transaction('rw', db.pictures, db.records('drafts'), async () => {
    await db.records('drafts').bulkPut([...(await withKeptPictures(db, written))])
  })
}

/** What a stage settles about a set. */
export type StageChange =
  | { readonly stage: 'class'; readonly facts: HoldingFacts }
  | {
      readonly stage: 'fit'
      readonly sitsIn: Holding['sitsIn']
      readonly holderTypeId: string | null
      /** Measured for it just now. */ readonly size?: Holding['size']
      /** It was cut in two for it, for good. */ readonly isCutInTwo?: boolean
    }
  | { readonly stage: 'label'; readonly labelText: string }
  /** It stands where it stands already: beside the set whose holder it shares. */
  | { readonly stage: 'file' }

const COMMAND: Readonly<Record<StageChange['stage'], CommandName>> = {
  class: 'classSet',
  fit: 'fitSet',
  label: 'labelSet',
  file: 'placeHolding',
}

/**
 * Settles a stage of a set and sends it on to the next one. A set that waits elsewhere, or is filed already, is changed
 * all the same and stays where it is. Returns the set as it is now, or null when it is gone.
 */
export async function finishStage(db: YondercrestDb, id: string, change: StageChange, used: readonly Stage[]): Promise<Holding | null> {
  return transact(
    db,
    COMMAND[change.stage],
    holding => ({ name: holding?.name, number: holding?.number }),
    async desk => {
      const before = await db.records('holdings').get(id)
      if (!before) return null
      const settled = await settledBy(desk, change)
      const after: Holding = {
        ...before,
        ...settled,
        state: stageOf(before) === change.stage ? stateAfter(change.stage, used) : before.state,
      }
      await desk.put('holdings', [after])
      if (change.stage === 'label') await forgetLabels(desk, [`set:${id}`])
      if (change.stage === 'fit') await holdersFollow(desk, [after])
      return after
    },
  )
}

async function settledBy(desk: Desk, change: StageChange): Promise<Partial<Holding>> {
  if (change.stage === 'class') return resolveNames(desk, change.facts)
  if (change.stage === 'fit')
    return {
      sitsIn: change.sitsIn,
      holderTypeId: change.holderTypeId && (await desk.db.records('holderTypes').get(change.holderTypeId)) ? change.holderTypeId : null,
      ...(change.size ? { size: change.size } : {}),
      ...(change.isCutInTwo ? { isCutInTwo: true } : {}),
    }
  return change.stage === 'label' ? { labelText: change.labelText } : {}
}
