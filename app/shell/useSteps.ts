import { computed } from 'vue'
import { database, redo as redoStep, undo as undoStep } from '~/db'
import { stepWords } from './steps'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from './useNotices'

/** Undo and redo, many steps, also after a reload: the journal is in the database. */
export function useSteps() {
  const catalogue = useCatalogue()
  const notices = useNotices()
  const done = computed(() => catalogue.steps.filter(step => step.state === 'done').toReversed())
  const undone = computed(() => catalogue.steps.filter(step => step.state === 'undone'))

  async function undo(): Promise<void> {
    const step = await undoStep(database())
    notices.tell(step ? stepWords.undone(step) : stepWords.nothingToUndo)
  }
  async function redo(): Promise<void> {
    const step = await redoStep(database())
    notices.tell(step ? stepWords.redone(step) : stepWords.nothingToRedo)
  }
  /** Undoes everything back to and with a step. */
  async function undoTo(seq: number): Promise<void> {
    let count = 0
    for (let step = await undoStep(database()); step; step = await undoStep(database())) {
      count += 1
      if (step.seq <= seq) break
    }
    notices.tell(stepWords.undoneMany(count))
  }
  return { done, undone, undo, redo, undoTo }
}
