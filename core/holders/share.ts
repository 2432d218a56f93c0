import type { HolderType } from '#core/catalog'
import { shareOfTries } from './fit'
import type { Contents } from './contents'
import { openingFor } from './opening'
import { type Laid, packPieces, type Tries, TRIES_A_QUESTION } from './packing'
import { whole } from './ways'

export interface Sharing {
  /** Indexes of the sets that share, the first set among them. */
  readonly members: readonly number[]
  readonly laid: readonly Laid[]
}

/** With more sets in one holder, none is found at a glance. */
const MOST_SHARING = 6
/** Distance between two sets side by side. */
const APART_MM = 1

/**
 * Small sets that share a holder: in the order given, as many as fit beside the first, each in its packaging if that is kept. The
 * thickness is that of the thickest. null: none fits beside the first.
 */
export function shareHolder(sets: readonly Contents[], type: HolderType, tries: Tries = { left: TRIES_A_QUESTION }): Sharing | null {
  const laidFor = (members: readonly number[]): readonly Laid[] | null => {
    const chosen = members.flatMap(index => sets[index] ?? [])
    const opening = openingFor(type, Math.max(...chosen.map(each => each.thicknessMm)), true)
    const packing =
      opening &&
      packPieces(
        chosen.map(whole).map(({ widthMm, heightMm }) => ({ widthMm: widthMm + APART_MM, heightMm: heightMm + APART_MM })),
        opening,
        tries,
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

/** A holder that has a place, with everything in it. */
export interface FilledHolder {
  readonly id: string
  readonly type: HolderType
  readonly inside: readonly Contents[]
}

/** The first `most` holders with room for one more set. One budget of tries for all of them. */
export function holdersWithRoom(own: Contents, holders: readonly FilledHolder[], most: number): readonly string[] {
  const all = { left: TRIES_A_QUESTION }
  const found: string[] = []
  holders.forEach(({ id, type, inside }, at) => {
    if (found.length >= most) return
    const { tries, done } = shareOfTries(all, holders.length - at)
    if (shareHolder([...inside, own], type, tries)?.members.length === inside.length + 1) found.push(id)
    done()
  })
  return found
}
