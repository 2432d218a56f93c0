export { dayOf, isLater } from './day'
export {
  CSS_PX_PER_MM,
  EPSILON_MM,
  HALF_INCH_MM,
  MAX_LENGTH_MM,
  MAX_SIDE_MM,
  MM_PER_INCH,
  MM_PER_UNIT,
  PT_PER_INCH,
  PT_PER_MM,
  roundMm,
  SUM_EPSILON_MM,
  type LengthUnit,
  type Size,
} from './length'
export { type LengthReading, readLength } from './lengthText'
export { readNumber, type WrittenNumber } from './number'
export { NAMED_SIZES, readSize, sizeFrom, type SizeReading, type UnitSource } from './size'
export {
  sameLength,
  takeLengthApart,
  writeLength,
  writeSize,
  writeThin,
  type LengthStyle,
  type Rounding,
  type WrittenLength,
} from './write'
export { MAX_WEIGHT_G, readGrams } from './weight'
