/** International yard and pound agreement, 1959: one inch is 25.4 mm exactly. */
export const MM_PER_INCH = 25.4

/** Two lengths closer than this are the same length: a hundredth of a millimetre, far below any trimmer. */
export const EPSILON_MM = 0.01

export type LengthUnit = 'in' | 'cm' | 'mm'

export const MM_PER_UNIT: Readonly<Record<LengthUnit, number>> = { in: MM_PER_INCH, cm: 10, mm: 1 }

/** The largest thing anybody files: a two-metre roll. Anything above is a slip of the pen. */
export const MAX_SIDE_MM = 2000
/** The longest lane or board that anybody measures along. */
export const MAX_LENGTH_MM = 5000

/** A two-sided size as the catalogue keeps it. */
export interface Size {
  readonly widthMm: number
  readonly heightMm: number
}

/** Lengths are kept to a tenth of a micrometre. */
export const STORED_MM = 1e-4
/** Millimetres as they are kept, so that sums of decimals compare equal. */
export function roundMm(mm: number): number {
  return Math.round(mm * 1e4) / 1e4
}
