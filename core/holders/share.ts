import type { HolderType } from '#core/catalog'
import type { Contents } from './contents'
import { openingFor } from './opening'
import { type Laid, packPieces } from './packing'

export interface Sharing {
  /** Indexes of the sets that share, the first always among them. */
  readonly members: readonly number[]
  readonly laid: readonly Laid[]
}

/** More than this in one holder is no longer found at a glance. */
const MOST_SHARING = 6
/** Room between two sets that lie side by side. */
const APART_MM = 1

/**
 * Small sets that share a holder: as many of the others as go in beside the first, in the order given, each with its own
 * number. Their thickness is that of the thickest. null when none goes in beside it.
 */
export function shareHolder(sets: readonly Contents[], type: HolderType): Sharing | null {
  const laidFor = (members: readonly number[]): readonly Laid[] | null => {
    const chosen = members.flatMap(index => sets[index] ?? [])
    const opening = openingFor(type, Math.max(...chosen.map(each => each.thicknessMm)), true)
    const packing =
      opening &&
      packPieces(
        chosen.map(({ widthMm, heightMm }) => ({ widthMm: widthMm + APART_MM, heightMm: heightMm + APART_MM })),
        opening,
      )
    return packing?.ok ? packing.laid : null
  }
  let members: readonly number[] = [0]
  let laid = sets.length > 0 ? laidFor(members) : null
  for (let index = 1; laid && index < sets.length && members.length < MOST_SHARING; index += 1) {
    const more = laidFor([...members, index])
    if (!more) continue
    members = [...members, index]
    laid = more
  }
  return laid && members.length > 1 ? { members, laid } : null
}
