import type { LengthUnit } from './length'

/** One number as people write it, with its unit if there is one. */
export interface WrittenNumber {
  readonly value: number
  readonly unit: LengthUnit | null
  readonly isFraction: boolean
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
}
const UNIT_WORDS: ReadonlyMap<string, LengthUnit> = new Map(
  Object.entries({
    '"': 'in',
    in: 'in',
    'in.': 'in',
    inch: 'in',
    inches: 'in',
    ins: 'in',
    cm: 'cm',
    cms: 'cm',
    centimetres: 'cm',
    centimeters: 'cm',
    zoll: 'in',
    tum: 'in',
    tommer: 'in',
    pouces: 'in',
    pulgadas: 'in',
    pollici: 'in',
    mm: 'mm',
    millimetres: 'mm',
    millimeters: 'mm',
  } as const),
)
// whole and fraction ("5 3/4", "5-3/4") | bare fraction | decimal with point or comma; then an optional unit
const NUMBER = /^(?:(\d{1,4})[\s-]+(\d{1,2})\/(\d{1,2})|(\d{1,3})\/(\d{1,2})|(\d{1,5}(?:[.,]\d{1,4})?|[.,]\d{1,4}))\s*([a-z]+\.?|")?$/

const THOUSANDS = /^[1-9]\d{0,2}[.,]000$/

// Feet and inches: 1' 6 1/2", 1'6, 2 ft
const FEET = /^(\d{1,2})\s*(?:'|ft\.?|feet|foot)\s*(.*)$/
const INCHES_A_FOOT = 12

/** Writes every spelling of quotes, fractions and spaces in one way, so that one grammar reads them all. */
export function plainText(text: string): string {
  return text
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, c => ` ${VULGAR[c]} `)
    .replace(/[”“″]|''|’’|′′/g, '"')
    .replace(/[’‘′]/g, "'")
    .replace(/[\u2044\u2215]/g, '/')
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/\s+/g, ' ')
    .replace(/ +"/g, '"')
    .trim()
    .toLowerCase()
}

/**
 * Reads one written length. Denominators run to 64, the finest tick on any rule.
 * @example readNumber('5 3/4"') //=> { value: 5.75, unit: 'in', isFraction: true }
 */
export function readNumber(text: string): WrittenNumber | null {
  const feet = FEET.exec(plainText(text))
  if (feet) {
    const rest = feet[2] ? readNumber(feet[2].endsWith('"') ? feet[2] : `${feet[2]}"`) : null
    return feet[2] && !rest
      ? null
      : { value: Number(feet[1]) * INCHES_A_FOOT + (rest?.value ?? 0), unit: 'in', isFraction: rest?.isFraction ?? false }
  }
  const match = NUMBER.exec(plainText(text))
  if (!match) return null
  const [, whole, top, bottom, bareTop, bareBottom, decimal, unitWord] = match
  const unit = unitWord ? UNIT_WORDS.get(unitWord) : null
  if (unit === undefined) return null
  if (decimal !== undefined) {
    // 1,000 mm is a metre: nobody writes three zeros behind a decimal sign.
    const plain = unit === 'mm' && THOUSANDS.test(decimal) ? decimal.replace(/[.,]/, '') : decimal.replace(',', '.')
    return { value: Number(plain), unit, isFraction: false }
  }
  const numerator = Number(top ?? bareTop)
  const denominator = Number(bottom ?? bareBottom)
  // A fraction above one lacks a space: 21/2 means 2 1/2 to its writer. It is asked, never read as 10 1/2.
  if (denominator === 0 || denominator > 64 || numerator >= denominator) return null
  return { value: Number(whole ?? 0) + numerator / denominator, unit, isFraction: true }
}
