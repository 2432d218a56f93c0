import { MAX_LENGTH_MM, MM_PER_UNIT, roundMm, type LengthUnit } from './length'
import { readNumber } from './number'

export type LengthReading =
  | { readonly ok: true; readonly mm: number }
  | { readonly ok: false; readonly code: 'empty' | 'notALength' | 'unitMissing' | 'zero' | 'tooLarge' }

/**
 * Reads one length: `5 mm`, `1/4 in`, `0,5 cm`. A fraction means inches. Without unit or fraction the caller's unit is assumed; without
 * that, the unit is missing.
 * @example readLength('1/4"') //=> { ok: true, mm: 6.35 }
 */
export function readLength(text: string, assume: LengthUnit | null = null): LengthReading {
  if (text.trim() === '') return { ok: false, code: 'empty' }
  const number = readNumber(text)
  if (!number) return { ok: false, code: 'notALength' }
  const unit = number.unit ?? (number.isFraction ? 'in' : assume)
  if (!unit) return { ok: false, code: 'unitMissing' }
  const mm = roundMm(number.value * MM_PER_UNIT[unit])
  if (mm <= 0) return { ok: false, code: 'zero' }
  return mm > MAX_LENGTH_MM ? { ok: false, code: 'tooLarge' } : { ok: true, mm }
}
