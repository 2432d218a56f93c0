import type { Label } from '#core/catalog'
import { codeText } from '#core/numbering'
import type { LaidLabel } from './compose'
import { TEMPLATES } from './templates'
import type { LabelThing } from './things'

/** Why a label is to be made: none is known; its text has changed; it has another form. */
export type LabelReason = 'none' | 'differs' | 'otherForm'
export interface LabelWish {
  readonly thing: LabelThing
  readonly label: LaidLabel
  /** null: the label is true. */
  readonly reason: LabelReason | null
  /** The text on it now. */
  readonly was: readonly string[]
}

/**
 * Every thing with the label that it should carry, and why to make it. `written`: the number on a set whose label was written by hand,
 * which is as good as a number ticket. O(things).
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

/** The number on the set once it carries this label; empty: the label bears none. */
export const writtenBy = ({ kind, template, sets }: LabelThing): readonly { readonly holdingId: string; readonly text: string }[] =>
  kind === 'set' && TEMPLATES[template].isUnique ? sets.map(set => ({ holdingId: set.id, text: codeText(set) })) : []
