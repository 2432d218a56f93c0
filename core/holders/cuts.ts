import type { HolderType, Zone } from '#core/catalog'
import type { Size } from '#core/units'
import { openingFor } from './opening'

export interface CutSize extends Size {
  readonly of: 'insert' | 'magnet' | 'acetate'
}

/** The insert is smaller than the opening by so much both ways, to slide in and out (common practice: 1/8 in). */
const SLIDES_MM = 3.2
/** The magnet is smaller than its insert by so much all round (1/16 in). */
const WITHIN_MM = 1.6

/**
 * What to cut for one filled holder: the insert card, the magnet sheet on it and an acetate sheet. Exact lengths: round them down when
 * writing them, as they must go in. Empty for a holder that takes any size.
 */
export function cutsFor(type: HolderType, thicknessMm: number, habits: Zone['habits']): readonly CutSize[] {
  const opening = openingFor(type, thicknessMm, true) ?? openingFor(type, thicknessMm, false)
  if (!opening) return []
  const less = (mm: number): Size => ({ widthMm: Math.max(0, opening.widthMm - mm), heightMm: Math.max(0, opening.heightMm - mm) })
  return [
    ...(habits.insert ? [{ of: 'insert' as const, ...less(SLIDES_MM) }] : []),
    ...(habits.magnet ? [{ of: 'magnet' as const, ...less(SLIDES_MM + 2 * WITHIN_MM) }] : []),
    { of: 'acetate' as const, ...less(SLIDES_MM) },
  ].filter(each => each.widthMm > 0 && each.heightMm > 0)
}
