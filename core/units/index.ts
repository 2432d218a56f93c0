export { dayOf, isLater } from './day'
export { EPSILON_MM, MAX_LENGTH_MM, MAX_SIDE_MM, MM_PER_INCH, MM_PER_UNIT, roundMm, type LengthUnit, type Size } from './length'
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
