/** How a machine feeds its tape, in millimetres. */
export interface TapeFeed {
  /** Blank before and behind each label. */
  readonly beforeMm: number
  readonly afterMm: number
  /** Blank behind a label that is printed alone. */
  readonly singlyAfterMm: number
  /** Distance from print head to cutter. */
  readonly toCutterMm: number
}
export interface TapeLengths {
  /** Length of the labels themselves. */
  readonly printedMm: number
  readonly singlyMm: number
  readonly chainedMm: number
}

/**
 * Length of tape for labels printed one by one, or as one chain. One by one, the tape between print head and cutter is lost with every
 * label; in a chain, once, when the last label is fed out. O(labels).
 * @example tapeLengths([30, 20], { beforeMm: 2, afterMm: 2, singlyAfterMm: 24, toCutterMm: 24 }).singlyMm //=> 150
 * @example tapeLengths([30, 20], { beforeMm: 2, afterMm: 2, singlyAfterMm: 24, toCutterMm: 24 }).chainedMm //=> 82
 */
export function tapeLengths(lengthsMm: readonly number[], { beforeMm, afterMm, singlyAfterMm, toCutterMm }: TapeFeed): TapeLengths {
  const printedMm = lengthsMm.reduce((sum, each) => sum + each, 0)
  return {
    printedMm,
    singlyMm: printedMm + lengthsMm.length * (toCutterMm + beforeMm + singlyAfterMm),
    chainedMm: printedMm + lengthsMm.length * (beforeMm + afterMm) + (lengthsMm.length > 0 ? toCutterMm : 0),
  }
}
