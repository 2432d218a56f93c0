import type { LabelHabits, LabelSheet } from '#core/catalog'
import { usedUp, writtenBy } from '#core/printing'
import type { Stage } from '#core/pile'
import { loadCommands, tryKept, type YondercrestDb } from '~/db'
import type { LabelsMade } from '~/db/commands'
import { type Waiting, waitingFor } from '~/subjects/press/waiting'
import type { LaidThing } from './labelPages'
import { type MachineState, newReel } from './machine'
import { AS_LIST, ON_TAPE } from './things'

/** One label as it was made, with what the command needs once it came out well. */
type MadeLabel = LabelsMade['labels'][number] & Pick<LabelsMade, 'written' | 'labelled'>
/** What was made on one label sheet, on tape, or as a list. */
interface MadeLabels {
  readonly labels: readonly MadeLabel[]
  /** Labels of the begun sheet that are used up; a label made twice counts twice. */
  readonly used: number
}

/** What was made and is not answered for yet, and the machine as it was left. Both outlive a reload; used by the labels' worker. */
export function labelsMadeIn(db: YondercrestDb) {
  const made = waitingFor<MadeLabels>(db, 'labels')

  /** The sheet with its first free label, counting labels that were made but not answered for. */
  const begunSheet = async (sheet: LabelSheet): Promise<LabelSheet> => usedUp(sheet, (await made.get(sheet.id))?.used ?? 0)

  /**
   * Asks about these labels until somebody answers, together with what was made on the same thing before. Returns what takes that back of
   * some that were not made after all: what was made of them before is asked about again.
   */
  async function rememberMade(laid: readonly LaidThing[], madeOn: string): Promise<(ofs: readonly string[]) => Promise<void>> {
    if (laid.length === 0) return () => Promise.resolve()
    const earlier = new Map((await made.get(madeOn))?.labels.map(label => [label.of, label]))
    const labels = laid.map(({ thing, label }): MadeLabel => ({
      of: thing.of,
      template: thing.template,
      says: label.says,
      written: writtenBy(thing),
      labelled: thing.sets.map(({ id }) => id),
    }))
    const isNew = new Set(labels.map(({ of }) => of))
    await made.keep(madeOn, before => ({
      labels: [...(before?.labels ?? []).filter(({ of }) => !isNew.has(of)), ...labels],
      used: (before?.used ?? 0) + labels.length,
    }))
    return async ofs => {
      if (ofs.length === 0) return
      const unmade = new Set(ofs)
      await made.keep(madeOn, before => {
        const stay = (before?.labels ?? []).filter(({ of }) => !unmade.has(of))
        const again = [...stay, ...ofs.flatMap(of => earlier.get(of) ?? [])]
        return again.length > 0 ? { labels: again, used: Math.max(0, (before?.used ?? 0) - ofs.length) } : null
      })
    }
  }

  /** What was made and is not answered for yet: of each sheet, of tape, of a list. */
  async function waitingLabels(): Promise<readonly Waiting[]> {
    return [...(await made.all())].map(([thing, { at, labels, used }]) => ({
      ...{ thing, at, used },
      pieces: labels.map(({ of, says }) => ({ id: of, text: says.join(' \u00b7 ') })),
    }))
  }
  /**
   * Counts these labels as being on their things, and the labels of the sheet as used. Returns how many; 0: somebody answered
   * already, or more was made meanwhile.
   */
  async function confirmMade(asked: Waiting, well: readonly string[], stages: readonly Stage[]): Promise<number> {
    const { confirmLabels } = await loadCommands()
    const good = new Set(well)
    const count = await made.answer(asked, kept => {
      const labels = kept.labels.filter(({ of }) => good.has(of))
      const written = labels.flatMap(each => each.written)
      const labelled = labels.flatMap(each => each.labelled)
      const sheet = asked.thing === ON_TAPE || asked.thing === AS_LIST ? null : { id: asked.thing, used: kept.used }
      return confirmLabels(db, { labels, written, labelled, sheet }, stages)
    })
    return count ?? 0
  }
  const forgetMade = ({ thing }: Waiting): Promise<void> => made.drop(thing)

  /** The machine as it was left. */
  async function readMachine({ tapeWidthMm }: LabelHabits): Promise<MachineState> {
    const kept = await tryKept(db, ['labelMachine'], async () => {
      const fact = await db.device.get('labelMachine')
      return fact ? (JSON.parse(fact.value) as MachineState) : null
    })
    return kept ?? newReel(tapeWidthMm)
  }
  async function keepMachine(machine: MachineState): Promise<void> {
    await db.device.put({ id: 'labelMachine', value: JSON.stringify(machine) })
  }
  /** Puts in a new reel of the chosen tape. Labels that were still inside are thrown away: they were never made. */
  async function changeReel(habits: LabelHabits): Promise<MachineState> {
    const machine = newReel(habits.tapeWidthMm)
    const lost = new Set((await readMachine(habits)).held.map(({ of }) => of))
    await keepMachine(machine)
    await made.keep(ON_TAPE, before => {
      const labels = before?.labels.filter(({ of }) => !lost.has(of)) ?? []
      return before && labels.length > 0 ? { ...before, labels } : null
    })
    return machine
  }

  return { begunSheet, rememberMade, waitingLabels, confirmMade, forgetMade, readMachine, keepMachine, changeReel }
}
