import type { HolderType } from '#core/catalog'
import type { Size } from '#core/units'

/** Holders of film: their opening narrows as the contents get thicker. All others are stiff. */
const FLAT_TYPES: readonly HolderType['type'][] = ['pocket', 'sleeve', 'celledPage', 'bag']

type OpenType = Pick<HolderType, 'type' | 'inner' | 'maxThicknessMm' | 'closure'>

/**
 * The opening of a holder for contents of this thickness. A flat holder is two films joined at the edges: around a thing of
 * width w and thickness t each film must span w + t, so that a flat width W takes w up to W - t. In height only the bottom
 * is joined, so half of t is lost; a closed flap takes the other half.
 *
 * ```
 *   flat:  |-------- W --------|       filled:   /------ w ------\
 *                                               |                 | t      w + t <= W
 *                                                \---------------/
 * ```
 * A stiff holder keeps its opening. Without a closure, the limit for closing does not apply.
 * null: it takes nothing that thick, or its size is not known.
 * @example openingFor({ ...pocket, inner: { widthMm: 127, heightMm: 177.8 } }, 4, false) //=> { widthMm: 123, heightMm: 175.8 }
 */
export function openingFor(type: OpenType, thicknessMm: number, isShut: boolean): Size | null {
  if (!type.inner) return null
  const closes = isShut && type.closure !== 'none'
  if (isTooThick(type, thicknessMm) && (closes || !isFlat(type))) return null
  if (!isFlat(type)) return type.inner
  const widthMm = type.inner.widthMm - thicknessMm
  const heightMm = type.inner.heightMm - thicknessMm * (closes && type.type !== 'sleeve' ? 1 : 0.5)
  return widthMm > 0 && heightMm > 0 ? { widthMm, heightMm } : null
}

/** Thicker than the holder can close over, or than a stiff holder is deep. */
export function isTooThick({ maxThicknessMm }: Pick<HolderType, 'maxThicknessMm'>, thicknessMm: number): boolean {
  return maxThicknessMm !== null && thicknessMm > maxThicknessMm
}

/** Thickness of a filled holder in mm: film on both sides, contents, snaps and stiff backs. */
export function filledThicknessMm(type: Pick<HolderType, 'filmMm' | 'emptyThicknessMm' | 'extraBulkMm'>, contentMm: number): number {
  return Math.max(type.emptyThicknessMm ?? 0, 2 * type.filmMm) + contentMm + type.extraBulkMm
}

export function isFlat(type: Pick<HolderType, 'type'>): boolean {
  return FLAT_TYPES.includes(type.type)
}
