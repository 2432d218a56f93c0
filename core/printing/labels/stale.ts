import type { Label } from '#core/catalog'
import { codeText } from '#core/numbering'
import type { LaidLabel } from './compose'
import { TEMPLATES } from './templates'
import type { LabelThing } from './things'

/** Why a label is to be made: there is none that is known of; it says something else by now; it is of another form. */
export type LabelReason = 'none' | 'differs' | 'otherForm'
export interface LabelWish {
  readonly thing: LabelThing
  readonly label: LaidLabel
  /** null: what is on it is true. */
  readonly reason: LabelReason | null
  /** What is on it now. */
  readonly was: readonly string[]
}

/**
 * Every thing with the label that it should carry, and why that is to be made. `written`: the number that stands on a set whose label
 * was written by hand; it is as good as a number ticket. O(things).
 */
export function wishesOf(
  things: readonly LabelThing[],
  laid: ReadonlyMap<string, LaidLabel>,
  known: ReadonlyMap<string, Pick<Label, 'template'> & { readonly says: readonly string[] }>,
  written: (of: string) => string | null,
): readonly LabelWish[] {
  return things.flatMap((thing): LabelWish[] => {
    const label = laid.get(thing.of)
    if (!label) return []
    const text = written(thing.of)
    const before = known.get(thing.of) ?? (text === null ? null : { template: 'ticket', says: [text] })
    if (!before) return [{ thing, label, reason: 'none', was: [] }]
    // Line breaks do not count as a difference.
    const isSame = before.says.join(' ') === label.says.join(' ')
    const differs = isSame ? null : 'differs'
    const reason = before.template === label.template ? differs : 'otherForm'
    return [{ thing, label, reason, was: before.says }]
  })
}

/** The number that stands on the set once it carries this label; empty: its label bears none. */
export const writtenBy = ({ kind, template, sets }: LabelThing): readonly { readonly holdingId: string; readonly text: string }[] =>
  kind === 'set' && TEMPLATES[template].isUnique ? sets.map(set => ({ holdingId: set.id, text: codeText(set) })) : []
