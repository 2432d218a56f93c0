import { type JournalEntry, STEP_WORDS } from '~/db'
import { counted } from '#core/grammar'

/** What each command did, in a few words. */
const what = (step: JournalEntry): string => STEP_WORDS[step.command](step)

export const stepWords = {
  what,
  undone: (step: JournalEntry) => `Undone: ${lower(what(step))}.`,
  redone: (step: JournalEntry) => `Done again: ${lower(what(step))}.`,
  undoneMany: (count: number) => `${counted(count, 'step')} undone.`,
  another: (step: JournalEntry) =>
    `Meanwhile something else was done: ${lower(what(step))}. Nothing was undone or done again; look, and press once more.`,
  gone: (step: JournalEntry) => `That is no longer possible: ${lower(what(step))}. Another tab was quicker, or that step was forgotten.`,
  undoing: 'Undoing a large step',
  doingAgain: 'Doing a large step again',
  stopped: 'Stopped. Everything is as it was.',
  nothingToUndo: 'There is nothing to undo.',
  nothingToRedo: 'There is nothing to do again.',
} as const

function lower(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}
