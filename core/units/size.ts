import { type LengthUnit, MAX_SIDE_MM, MM_PER_INCH, MM_PER_UNIT, roundMm, type Size } from './length'
import { plainText, readNumber } from './number'

/** How the unit of a size became known. Only `assumed` depends on what the caller said. */
type UnitSource = 'written' | 'fraction' | 'name' | 'assumed'

export type SizeReading =
  | { readonly ok: true; readonly size: Size; readonly unit: LengthUnit; readonly unitFrom: UnitSource }
  | { readonly ok: false; readonly code: 'empty' | 'notASize' | 'oneNumber' | 'zero' | 'tooSmall' | 'tooLarge' | 'unitsMixed' }
  | { readonly ok: false; readonly code: 'unitMissing'; readonly numbers: readonly [number, number] }
  /** One size given twice, with a difference that rounding does not explain: the owner chooses. */
  | { readonly ok: false; readonly code: 'twoSizes'; readonly sizes: readonly [Size, Size]; readonly apartMm: number }

/** Sheets and envelopes called by name, in mm: ISO 216 for A and B, ISO 269 for C and DL; ANSI/ASME Y14.1 Letter is 8 1/2 x 11 in. */
export const NAMED_SIZES: ReadonlyMap<string, { readonly size: Size; readonly unit: LengthUnit }> = new Map(
  Object.entries({
    a3: { size: { widthMm: 297, heightMm: 420 }, unit: 'mm' },
    a4: { size: { widthMm: 210, heightMm: 297 }, unit: 'mm' },
    a5: { size: { widthMm: 148, heightMm: 210 }, unit: 'mm' },
    a6: { size: { widthMm: 105, heightMm: 148 }, unit: 'mm' },
    a7: { size: { widthMm: 74, heightMm: 105 }, unit: 'mm' },
    b4: { size: { widthMm: 250, heightMm: 353 }, unit: 'mm' },
    b5: { size: { widthMm: 176, heightMm: 250 }, unit: 'mm' },
    b6: { size: { widthMm: 125, heightMm: 176 }, unit: 'mm' },
    b7: { size: { widthMm: 88, heightMm: 125 }, unit: 'mm' },
    c4: { size: { widthMm: 229, heightMm: 324 }, unit: 'mm' },
    c5: { size: { widthMm: 162, heightMm: 229 }, unit: 'mm' },
    c6: { size: { widthMm: 114, heightMm: 162 }, unit: 'mm' },
    c7: { size: { widthMm: 81, heightMm: 114 }, unit: 'mm' },
    dl: { size: { widthMm: 110, heightMm: 220 }, unit: 'mm' },
    letter: { size: { widthMm: 215.9, heightMm: 279.4 }, unit: 'in' },
    'half letter': { size: { widthMm: 139.7, heightMm: 215.9 }, unit: 'in' },
    'quarter letter': { size: { widthMm: 107.95, heightMm: 139.7 }, unit: 'in' },
  } as const),
)

/** A longer text is never a size. */
const LONGEST_SIZE = 120

/** Words around the name of a sheet: `DIN A5`, `A5 size`. */
const AROUND_NAME = /^(?:din|iso|size|format)\s+|\s+(?:size|format|sheet|envelope)$/g
const SQUARE = /^(.+?)\s*(?:square|sq\.?|quadratisch)$/
/** A letter that names the side: `4"w x 6"h`. */
const SIDE_NAME = /^(.*[\d"]|.*(?:in|cm|mm)\.?)\s*(?:w|h|b|l|wide|high|tall|deep|width|height)\.?$/
/** Nothing for paper is smaller: `1,2 mm` is 1,200 mm with a slip, or something else. It is asked. */
const MIN_SIDE_MM = 1.5

const SEPARATOR = /\s*(?:×|\*|(?<![a-z])by(?![a-z])|x)\s*/

/**
 * Reads a width and a height as people write them: `5 3/4 x 7 1/4`, `5.75x7.25in`, `14,6 x 18,4 cm`, `8 by 4"`, `A5`. A fraction means
 * inches. Without unit and fraction the size is `unitMissing`, unless the caller gives the unit to assume; the answer then says `assumed`,
 * so that the screen can show it.
 * @example readSize('14,6 x 18,4 cm') //=> { ok: true, size: { widthMm: 146, heightMm: 184 }, unit: 'cm', unitFrom: 'written' }
 */
export function readSize(text: string, assume: LengthUnit | null = null): SizeReading {
  const plain = plainText(text)
  if (plain === '') return { ok: false, code: 'empty' }
  if (plain.length > LONGEST_SIZE) return { ok: false, code: 'notASize' }
  return readTwice(plain) ?? readOnce(plain, assume)
}

function readOnce(plain: string, assume: LengthUnit | null): SizeReading {
  const named = NAMED_SIZES.get(plain.replace(AROUND_NAME, ''))
  if (named) return { ok: true, size: named.size, unit: named.unit, unitFrom: 'name' }
  const square = SQUARE.exec(plain)
  const parts = square ? [square[1] ?? '', square[1] ?? ''] : plain.split(SEPARATOR).map(part => part.replace(SIDE_NAME, '$1'))
  const numbers = parts.map(readNumber)
  if (parts.length === 1) return { ok: false, code: numbers[0] ? 'oneNumber' : 'notASize' }
  const [first, second] = numbers
  if (parts.length > 2 || !first || !second) return { ok: false, code: 'notASize' }

  const written = second.unit ?? first.unit
  const implied = first.isFraction || second.isFraction ? 'in' : null
  const units = [first, second].map(each => each.unit ?? (each.isFraction ? 'in' : null)).filter(unit => unit !== null)
  if (new Set(units).size > 1) return { ok: false, code: 'unitsMixed' }
  const unit = written ?? implied ?? assume
  if (!unit) return { ok: false, code: 'unitMissing', numbers: [first.value, second.value] }
  const size = sizeFrom(first.value, second.value, unit)
  if (size.widthMm <= 0 || size.heightMm <= 0) return { ok: false, code: 'zero' }
  if (Math.min(size.widthMm, size.heightMm) < MIN_SIDE_MM) return { ok: false, code: 'tooSmall' }
  if (size.widthMm > MAX_SIDE_MM || size.heightMm > MAX_SIDE_MM) return { ok: false, code: 'tooLarge' }
  const unsaid = implied ? 'fraction' : 'assumed'
  return { ok: true, size, unit, unitFrom: written ? 'written' : unsaid }
}

/** Text between a size and the same size in another unit: `13.5 x 18.5 cm (5 3/4 x 7 1/4 in)`, `4x6 in - 10x15cm`. */
const BETWEEN = /\s*[(=;]\s*|\s+(?:or|\/|-)\s+|,\s+/g
/** Rounding to 1/16 in and to 1 mm is no disagreement. */
const SAME_WITHIN_MM = MM_PER_INCH / 16 + 0.5
/** Trade sizes in whole centimetres, rounded from inches: 10 x 15 cm is sold as 4 x 6 in. */
const SAME_IN_WHOLE_CM = 5
const isWholeCm = ({ size, unit }: { readonly size: Size; readonly unit: LengthUnit }): boolean =>
  unit === 'cm' && size.widthMm % 10 === 0 && size.heightMm % 10 === 0

function readTwice(plain: string): SizeReading | null {
  for (const match of plain.matchAll(BETWEEN)) {
    const [first, second] = [
      readOnce(plain.slice(0, match.index), null),
      readOnce(plain.slice(match.index + match[0].length).replace(/\)$/, ''), null),
    ]
    if (!first.ok || !second.ok || ((first.unit === 'in') === (second.unit === 'in') && first.unitFrom !== 'name')) continue
    const apartMm = roundMm(
      Math.max(Math.abs(first.size.widthMm - second.size.widthMm), Math.abs(first.size.heightMm - second.size.heightMm)),
    )
    const isRounded = isWholeCm(first) || isWholeCm(second)
    if (apartMm <= (isRounded ? SAME_IN_WHOLE_CM : SAME_WITHIN_MM)) return isWholeCm(first) ? second : first
    return { ok: false, code: 'twoSizes', sizes: [first.size, second.size], apartMm }
  }
  return null
}

/** @example sizeFrom(4, 6, 'in') //=> { widthMm: 101.6, heightMm: 152.4 } */
export function sizeFrom(width: number, height: number, unit: LengthUnit): Size {
  return { widthMm: roundMm(width * MM_PER_UNIT[unit]), heightMm: roundMm(height * MM_PER_UNIT[unit]) }
}
