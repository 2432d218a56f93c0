import encodeQR from 'qr'

/** Quiet zone around a code: four modules on each side. ISO/IEC 18004, 6.3.8. */
export const QUIET_MODULES = 4
/** A phone at reading distance tells modules of about a third of a millimetre: 13 mil, common practice. */
const LEAST_MODULE_MM = 0.33

/** Larger modules take room from the words and are read no better: common practice. */
const MOST_MODULE_MM = 0.6

/** The code of a text as rows of dark and light modules, without its quiet zone. */
export const codeModules = (text: string): readonly (readonly boolean[])[] =>
  encodeQR(text, 'raw', { border: 1, ecc: 'medium' })
    .slice(1, -1)
    .map(line => line.slice(1, -1))

/** The position of a code on a label. */
export interface CodePlace {
  readonly moduleMm: number
  /** Its length along the label, with the quiet zone behind it. */
  readonly widthMm: number
  /** A phone would hardly read it: it is left out. */
  readonly isTooSmall: boolean
}

/**
 * The largest useful code for a label: it may take the whole printable height, and its quiet zone the blank edges.
 * @example placeCode(21, 10, 12).moduleMm.toFixed(3) //=> '0.414'
 * @example placeCode(21, 8.4, 24).moduleMm.toFixed(1) //=> '0.4'
 * @example placeCode(21, 36, 38).widthMm.toFixed(1) //=> '17.4'
 * @example placeCode(21, 7, 9).isTooSmall //=> true
 */
export function placeCode(modules: number, printableMm: number, wholeMm: number): CodePlace {
  const moduleMm = Math.min(printableMm / modules, wholeMm / (modules + 2 * QUIET_MODULES), MOST_MODULE_MM)
  return { moduleMm, widthMm: (modules + 2 * QUIET_MODULES) * moduleMm, isTooSmall: moduleMm < LEAST_MODULE_MM }
}
