import { figure } from '#core/grammar'

/** What a message needs to say which step it was: a name, a number, a count. */
export interface Subject {
  readonly name?: string
  readonly number?: number
  readonly count?: number
}
/** What a command did, in a few words, by its name. */
export type StepWords = Readonly<Record<string, (step: { readonly subject: Subject }) => string>>

/** The set that a step was done to. @example named({ subject: { number: 12, name: 'Kelp Study' } }) //=> '12 Kelp Study' */
export const named = ({ subject }: { readonly subject: Subject }): string =>
  [subject.number && figure(subject.number), subject.name].filter(Boolean).join(' ')
