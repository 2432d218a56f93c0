import { computed } from 'vue'
import { AnotherStep, type JournalEntry, type SwingProgress } from '~/db'
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

  /**
   * Swings a step over that the screen shows. Long ones say how far they are, and can be stopped: then nothing of them is undone. Where
   * another step was done since, in another tab say, it is left alone, and that is said.
   */
  async function swing(of: typeof undoStep, shown: JournalEntry): Promise<JournalEntry | null> {
    let isStopped = false
    const stop = (): void => void (isStopped = true)
    const onProgress: SwingProgress = (at, total) => {
      if (isStopped) throw new WorkStopped('cancelled')
      notices.progress =
        total > LONG_FROM ? { text: of === undoStep ? stepWords.undoing : stepWords.doingAgain, done: at, total, stop } : null
    }
    try {
      const step = await of(onProgress, shown.seq)
      if (!step) notices.tell(stepWords.gone(shown), 'care')
      return step
    } catch (reason) {
      if (isStopped) notices.tell(stepWords.stopped)
      else if (reason instanceof AnotherStep) notices.tell(stepWords.another(reason.step), 'care')
      else throw reason
      return null
    } finally {
      notices.progress = null
    }
  }
  async function undo(): Promise<void> {
    const [shown] = done.value
    if (!shown) return notices.tell(stepWords.nothingToUndo)
    const step = await swing(undoStep, shown)
    if (step) notices.tell(stepWords.undone(step))
  }
  async function redo(): Promise<void> {
    const [shown] = undone.value
    if (!shown) return notices.tell(stepWords.nothingToRedo)
    const step = await swing(redoStep, shown)
    if (step) notices.tell(stepWords.redone(step))
  }
  /** Undoes everything back to and with a step. What could not be undone has been told, and ends it. */
  async function undoTo(seq: number): Promise<void> {
    const wanted = done.value.filter(step => step.seq >= seq)
    for (const step of wanted) if (!(await swing(undoStep, step))) return
    notices.tell(stepWords.undoneMany(wanted.length))
  }
  return { done, undone, undo, redo, undoTo }
}
