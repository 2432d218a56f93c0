import { MM_PER_UNIT, type LengthUnit, type Size, STORED_MM } from './length'

/** How lengths are written: inches to the ticks of a trimmer, or decimals. */
export interface LengthStyle {
  readonly unit: LengthUnit
  /** Smallest tick of the trimmer, for inches: 8, 16 or 32. */
  readonly ticks: number
  /** 3/8 (true), or 6/16 for those who count ticks (false). */
  readonly reduced: boolean
}

/** A length split for setting a trimmer: `whole` and, in inches, a fraction of at most one. */
export interface WrittenLength {
  readonly whole: string
  readonly numerator: number
  readonly denominator: number
  readonly unit: LengthUnit
}

/** To the nearest tick; down for what must go in; up for what must hold. */
export type Rounding = 'nearest' | 'down' | 'up'
/** A length this close to a tick is on it: the difference is from keeping it. */
const ON_THE_TICK_MM = STORED_MM

const ROUND: Readonly<Record<Rounding, (value: number, slack: number) => number>> = {
  nearest: (value, slack) => Math.round(value + slack),
  down: (value, slack) => Math.floor(value + slack),
  up: (value, slack) => Math.ceil(value - slack),
}
/** Number of steps of `stepMm` in a length. */
const steps = (mm: number, stepMm: number, rounding: Rounding): number => ROUND[rounding](mm / stepMm, ON_THE_TICK_MM / stepMm)

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b)
}

/**
 * Nearest tick for inches, nearest millimetre for centimetres (one decimal), nearest half millimetre for millimetres.
 * @example takeLengthApart(161.925, { unit: 'in', ticks: 16, reduced: false })
 * //=> { whole: '6', numerator: 6, denominator: 16, unit: 'in' }
 */
export function takeLengthApart(mm: number, style: LengthStyle, rounding: Rounding = 'nearest'): WrittenLength {
  if (style.unit !== 'in') {
    const parts = style.unit === 'cm' ? 10 : 2
    const inParts = steps(mm, MM_PER_UNIT[style.unit] / parts, rounding)
    return { whole: String(inParts / parts), numerator: 0, denominator: 1, unit: style.unit }
  }
  const inTicks = steps(mm, MM_PER_UNIT.in / style.ticks, rounding)
  const numerator = inTicks % style.ticks
  const divisor = style.reduced ? greatestCommonDivisor(numerator, style.ticks) : 1
  const whole = Math.floor(inTicks / style.ticks)
  return {
    whole: whole === 0 && numerator > 0 ? '' : String(whole),
    numerator: numerator / divisor,
    denominator: style.ticks / divisor,
    unit: 'in',
  }
}

function plain(length: WrittenLength): string {
  const fraction = length.numerator > 0 ? `${length.numerator}/${length.denominator}` : ''
  return [length.whole, fraction].filter(Boolean).join(' ')
}

/** @example writeLength(146, { unit: 'cm', ticks: 16, reduced: true }) //=> '14.6 cm' */
export function writeLength(mm: number, style: LengthStyle, rounding: Rounding = 'nearest'): string {
  return `${plain(takeLengthApart(mm, style, rounding))} ${style.unit}`
}

/** @example writeSize({ widthMm: 101.6, heightMm: 152.4 }, { unit: 'in', ticks: 16, reduced: true }) //=> '4 x 6 in' */
export function writeSize(size: Size, style: LengthStyle, rounding: Rounding = 'nearest'): string {
  const side = (mm: number): string => plain(takeLengthApart(mm, style, rounding))
  return `${side(size.widthMm)} x ${side(size.heightMm)} ${style.unit}`
}

/** What is thinner than a tick, or how far a measure may be off: a tenth of a millimetre, or so fine in decimals of an inch. */
const FROM_MM = 2.54
/**
 * @example writeThin(4.06, 'in') //=> '0.16 in'
 * @example writeThin(0.1016, 'in') //=> '0.004 in'
 * @example writeThin(4.06, 'cm') //=> '4.1 mm'
 */
export function writeThin(mm: number, unit: LengthUnit): string {
  return unit === 'in' ? `${(mm / MM_PER_UNIT.in).toFixed(mm < FROM_MM ? 3 : 2)} in` : `${mm.toFixed(1)} mm`
}
