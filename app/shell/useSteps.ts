import { computed } from 'vue'
import type { JournalEntry } from '~/db'
import { redoStep, undoStep } from '~/data/act'
import { WorkStopped } from '~/data/worker'
import { stepWords } from './steps'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** Steps of more parts than this show how far they are. */
const LONG_FROM = 2

/** Undo and redo, many steps, also after a reload: the journal is in the database. */
export function useSteps() {
  const catalogue = useCatalogue()
  const notices = useNotices()
  const done = computed(() => catalogue.steps.filter(step => step.state === 'done').toReversed())
  const undone = computed(() => catalogue.steps.filter(step => step.state === 'undone'))

  /** Long steps say how far they are, and can be stopped: then nothing of them is undone. */
  async function swing(of: typeof undoStep): Promise<JournalEntry | null> {
    let isStopped = false
    const stop = (): void => void (isStopped = true)
    try {
      return await of((at, total) => {
        if (isStopped) throw new WorkStopped('cancelled')
        notices.progress =
          total > LONG_FROM ? { text: of === undoStep ? stepWords.undoing : stepWords.doingAgain, done: at, total, stop } : null
      })
    } catch (reason) {
      if (!isStopped) throw reason
      return null
    } finally {
      notices.progress = null
      if (isStopped) notices.tell(stepWords.stopped)
    }
  }
  async function undo(): Promise<void> {
    const step = await swing(undoStep)
    if (step) notices.tell(stepWords.undone(step))
    else if (done.value.length === 0) notices.tell(stepWords.nothingToUndo)
  }
  async function redo(): Promise<void> {
    const step = await swing(redoStep)
    if (step) notices.tell(stepWords.redone(step))
    else if (undone.value.length === 0) notices.tell(stepWords.nothingToRedo)
  }
  /** Undoes everything back to and with a step. */
  async function undoTo(seq: number): Promise<void> {
    let count = 0
    for (let step = await swing(undoStep); step; step = await swing(undoStep)) {
      count += 1
      if (step.seq <= seq) break
    }
    if (count > 0) notices.tell(stepWords.undoneMany(count))
  }
  return { done, undone, undo, redo, undoTo }
}
