import type { Container, Fixture } from '#core/catalog'
import { frontOf } from './elevation'

/** The room that more containers need on a shelf, beside those that are there. In mm; null: not measured. */
export interface ShelfRoom {
  readonly needMm: number
  readonly haveMm: number | null
  /** How many new containers fit beside the present ones; null: the width is unknown. */
  readonly fits: number | null
  readonly highMm: number
  readonly clearMm: number | null
}

/** Walls and a finger's width between two containers, added to the inner width. Common practice. */
const BESIDE_MM = 10

/** Inner width of unmeasured furniture, by type. Common practice: a board of 80 cm, one drawer across a cabinet. */
const USUAL_WIDTH_MM: Readonly<Record<Fixture['type'], number>> = { bookcase: 800, cabinet: 400, cart: 400, table: 1200, wall: 1000 }
const outerMm = (each: Pick<Container, 'type' | 'inner' | 'lengthMm'>): number => frontOf(each).widthMm + BESIDE_MM

/**
 * Number of containers of one shape side by side on an empty shelf, at least 1; unmeasured furniture counts as usual.
 * @example sideBySide({ type: 'bookcase', widthMm: null }, { type: 'bin', inner: null, lengthMm: 300 }) //=> 4
 */
export function sideBySide(
  { type, widthMm }: Pick<Fixture, 'type' | 'widthMm'>,
  shape: Pick<Container, 'type' | 'inner' | 'lengthMm'>,
): number {
  return Math.max(1, Math.floor((widthMm ?? USUAL_WIDTH_MM[type]) / outerMm(shape)))
}

/**
 * Whether so many more containers of one shape fit on a shelf, beside those that are there and under the board above. The top shelf has no
 * board above. O(containers of the shelf).
 * @example shelfRoom({ widthMm: 800, shelfHeightsMm: null }, 2, [], { type: 'bin', inner: null, lengthMm: 300 }, 5).fits //=> 4
 */
export function shelfRoom(
  fixture: Pick<Fixture, 'widthMm' | 'shelfHeightsMm'>,
  shelf: number,
  standing: readonly Container[],
  more: Pick<Container, 'type' | 'inner' | 'lengthMm'>,
  count: number,
): ShelfRoom {
  const usedMm = standing.reduce((sum, each) => sum + outerMm(each), 0)
  const { widthMm } = fixture
  const [own, above] = [fixture.shelfHeightsMm?.[shelf - 1], fixture.shelfHeightsMm?.[shelf - 2]]
  return {
    needMm: usedMm + count * outerMm(more),
    haveMm: widthMm,
    fits: widthMm === null ? null : Math.max(0, Math.min(count, Math.floor((widthMm - usedMm) / outerMm(more)))),
    highMm: frontOf(more).heightMm,
    clearMm: own !== undefined && above !== undefined ? above - own : null,
  }
}
