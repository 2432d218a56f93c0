/** International yard and pound agreement, 1959: one inch is 25.4 mm exactly. */
export const MM_PER_INCH = 25.4
export const HALF_INCH_MM = MM_PER_INCH / 2
/** A point of print is a 72nd of an inch (PDF 1.7, ISO 32000-1, 8.3.2.3). */
export const PT_PER_INCH = 72
export const PT_PER_MM = PT_PER_INCH / MM_PER_INCH
/** A pixel of a page on the screen is a 96th of an inch (CSS Values and Units 3, 6.2). */
export const CSS_PX_PER_MM = 96 / MM_PER_INCH

/** Two lengths closer than this are the same length: a hundredth of a millimetre, far below any trimmer. */
export const EPSILON_MM = 0.01
/** Rounding error of sums of kept lengths added in another order: far below anything measured. */
export const SUM_EPSILON_MM = 1e-6

export type LengthUnit = 'in' | 'cm' | 'mm'

export const MM_PER_UNIT: Readonly<Record<LengthUnit, number>> = { in: MM_PER_INCH, cm: 10, mm: 1 }

/** The largest thing that anybody files: a two-metre roll. A larger length is a slip of the pen. */
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
