import { computed } from 'vue'
import { AnotherStep, type JournalEntry, ownSteps, type SwingProgress } from '~/db'
import { redoStep, undoStep } from '~/data/act'
import { WorkStopped } from '~/data/worker'
import { stepWords } from './steps'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'

/** Steps that change more records than this show how far they are. */
const LONG_FROM = 2000

/** Steps that are being swung over, each from its one side, of whichever part of the screen. */
const underWay = new Set<string>()
const sideOf = ({ seq, state }: JournalEntry): string => `${seq} ${state}`
let queue: Promise<unknown> = Promise.resolve()

/** Undo and redo, many steps, also after a reload: the journal is in the database. */
export function useSteps() {
  const catalogue = useCatalogue()
  const notices = useNotices()
  // Asked anew by what goes on once the part of the screen that began it is gone.
  const doneNow = (): readonly JournalEntry[] => catalogue.steps.filter(step => step.state === 'done').toReversed()
  const undoneNow = (): readonly JournalEntry[] => catalogue.steps.filter(step => step.state === 'undone')
  const [done, undone] = [computed(doneNow), computed(undoneNow)]

  /**
   * Swings a step over that the screen shows. Long ones say how far they are, and can be stopped: then nothing of them is undone. Where
   * another step was done since, in another tab say, it is left alone, and that is said; one that was done here and is not shown yet is
   * the one that is meant. The answer comes once the screen has followed.
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
      if (step) await catalogue.caughtUp()
      else notices.tell(stepWords.gone(shown), 'care')
      return step
    } catch (reason) {
      if (isStopped) notices.tell(stepWords.stopped)
      else if (reason instanceof AnotherStep && of === undoStep && ownSteps.has(reason.step.seq)) return swing(of, reason.step)
      else if (reason instanceof AnotherStep) notices.tell(stepWords.another(reason.step), 'care')
      else throw reason
      return null
    } finally {
      notices.progress = null
    }
  }
  /** One after the other. A press that comes while the screen still follows the one before means the step behind that one. */
  async function swingNext(of: typeof undoStep, shown: readonly JournalEntry[]): Promise<JournalEntry | null | undefined> {
    const meant = shown.find(step => !underWay.has(sideOf(step)))
    if (!meant) return undefined
    const side = sideOf(meant)
    underWay.add(side)
    const swung = queue.then(() => swing(of, meant))
    queue = swung.then(
      () => void underWay.delete(side),
      () => void underWay.delete(side),
    )
    return swung
  }
  async function undo(): Promise<void> {
    const step = await swingNext(undoStep, doneNow())
    if (step) notices.tell(stepWords.undone(step))
    else if (step === undefined) notices.tell(stepWords.nothingToUndo)
  }
  /** True where the step was done again. */
  async function redo(): Promise<boolean> {
    const step = await swingNext(redoStep, undoneNow())
    if (step) notices.tell(stepWords.redone(step))
    else if (step === undefined) notices.tell(stepWords.nothingToRedo)
    return Boolean(step)
  }
  /** Does all again that was undone. */
  async function redoAll(): Promise<void> {
    while (undoneNow().length > 0 && (await redo())) continue
  }
  /** Undoes everything back to and with a step. What could not be undone has been told, and ends it. */
  async function undoTo(seq: number): Promise<void> {
    const wanted = doneNow().filter(step => step.seq >= seq)
    for (const step of wanted) if (!(await swingNext(undoStep, [step]))) return
    notices.tell(stepWords.undoneMany(wanted.length))
  }
  return { done, undone, undo, redo, redoAll, undoTo }
}
