import type { Holding } from '#core/catalog'
import { EPSILON_MM, type Size } from '#core/units'

/** A piece that fits a space, straight or turned by 90 degrees. `pieceId` null: the whole set; none of its pieces is measured. */
export interface SpaceFit {
  readonly holdingId: string
  readonly pieceId: string | null
  readonly size: Size
  /** It fits only when turned by 90 degrees. */
  readonly isTurned: boolean
  /** Share of the space that it fills, 0 to 1. */
  readonly fill: number
}
export interface SpaceAnswer {
  /** Best filling first. */
  readonly fits: readonly SpaceFit[]
  /** Sets without measured pieces that do not fit whole: one of their pieces may fit. */
  readonly unmeasuredIds: readonly string[]
}

const within = (size: Size, space: Size): boolean =>
  size.widthMm <= space.widthMm + EPSILON_MM && size.heightMm <= space.heightMm + EPSILON_MM
const turned = ({ widthMm, heightMm }: Size): Size => ({ widthMm: heightMm, heightMm: widthMm })

/**
 * Pieces that fit a space on a card, by their measured sizes; missing pieces are left out. O(pieces).
 * @example fitsSpace([], { widthMm: 50, heightMm: 50 }).fits //=> []
 */
export function fitsSpace(holdings: Iterable<Pick<Holding, 'id' | 'size' | 'pieces'>>, space: Size): SpaceAnswer {
  const fits: SpaceFit[] = []
  const unmeasuredIds: string[] = []
  const area = space.widthMm * space.heightMm
  const fitOf = (holdingId: string, pieceId: string | null, size: Size): SpaceFit | null => {
    const isStraight = within(size, space)
    return isStraight || within(turned(size), space)
      ? { holdingId, pieceId, size, isTurned: !isStraight, fill: Math.min(1, (size.widthMm * size.heightMm) / area) }
      : null
  }
  for (const { id, size, pieces } of holdings) {
    const measured = pieces.flatMap(piece => (piece.size ? [{ ...piece, size: piece.size }] : []))
    if (measured.length > 0) {
      fits.push(...measured.filter(piece => !piece.isMissing).flatMap(piece => fitOf(id, piece.id, piece.size) ?? []))
      continue
    }
    const whole = size && fitOf(id, null, size)
    if (whole) fits.push(whole)
    else unmeasuredIds.push(id)
  }
  return { fits: fits.sort((a, b) => b.fill - a.fill || (a.holdingId < b.holdingId ? -1 : 1)), unmeasuredIds }
}
