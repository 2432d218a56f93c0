export { EPSILON_MM, MAX_SIDE_MM, MM_PER_INCH, MM_PER_UNIT, roundMm, type LengthUnit, type Size } from './length'
export { readNumber, type WrittenNumber } from './number'
export { NAMED_SIZES, readSize, sizeFrom, type SizeReading, type UnitSource } from './size'
export { sameLength, takeLengthApart, writeLength, writeSize, type LengthStyle, type WrittenLength } from './write'
