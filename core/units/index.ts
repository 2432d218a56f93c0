export { dayOf, isLater } from './day'
export {
  CSS_PX_PER_MM,
  EPSILON_MM,
  HALF_INCH_MM,
  MAX_LENGTH_MM,
  MM_PER_INCH,
  MM_PER_UNIT,
  PT_PER_INCH,
  PT_PER_MM,
  roundMm,
  SUM_EPSILON_MM,
  type LengthUnit,
  type Size,
} from './length'
export { readLength } from './lengthText'
export { readNumber } from './number'
export { NAMED_SIZES, readSize, sizeFrom, type SizeReading } from './size'
export { takeLengthApart, writeLength, writeSize, writeThin, type LengthStyle } from './write'
export { readGrams } from './weight'
