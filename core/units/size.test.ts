import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { MM_PER_INCH, NAMED_SIZES, readLength, readNumber, readSize, roundMm, takeLengthApart, writeLength, writeSize } from './index'

const inches = (width: number, height: number) => ({ widthMm: width * MM_PER_INCH, heightMm: height * MM_PER_INCH })

describe('sizes as people write them', () => {
  test.each([
    ['5 3/4 x 7 1/4', inches(5.75, 7.25), 'fraction'],
    ['5.75x7.25in', inches(5.75, 7.25), 'written'],
    ['14,6 x 18,4 cm', { widthMm: 146, heightMm: 184 }, 'written'],
    ['6" x 6"', inches(6, 6), 'written'],
    ['4X6 inches', inches(4, 6), 'written'],
    ['8 1/4 by 6 1/8', inches(8.25, 6.125), 'fraction'],
    ['5¾ × 7¼', inches(5.75, 7.25), 'fraction'],
    ['5-3/4” x 7-1/4”', inches(5.75, 7.25), 'written'],
    ['148mm * 210mm', { widthMm: 148, heightMm: 210 }, 'written'],
    ['A5', { widthMm: 148, heightMm: 210 }, 'name'],
    ['DIN A5', { widthMm: 148, heightMm: 210 }, 'name'],
    ['A5 size', { widthMm: 148, heightMm: 210 }, 'name'],
    ['A5 (148 x 210 mm)', { widthMm: 148, heightMm: 210 }, 'name'],
    ['4"W x 6"H', inches(4, 6), 'written'],
    ['4 in. wide x 6 in. high', inches(4, 6), 'written'],
    ['6in square', inches(6, 6), 'written'],
    ['4x6 in - 10x15cm', inches(4, 6), 'written'],
    ['10x15 cm (4 x 6 in)', inches(4, 6), 'written'],
    ['4–1/4 x 5‑1/2', inches(4.25, 5.5), 'fraction'],
    ['1,000 mm x 900 mm', { widthMm: 1000, heightMm: 900 }, 'written'],
    ['79.375 x 9.525 mm', { widthMm: 79.375, heightMm: 9.525 }, 'written'],
    ['5 x 7 Zoll', inches(5, 7), 'written'],
  ])('%s', (text, size, unitFrom) => {
    const reading = readSize(text)
    expect(reading).toMatchObject({ ok: true, unitFrom })
    if (!reading.ok) return
    expect(reading.size.widthMm).toBeCloseTo(size.widthMm, 6)
    expect(reading.size.heightMm).toBeCloseTo(size.heightMm, 6)
  })

  test.each([
    ['', 'empty'],
    ['big', 'notASize'],
    ['?', 'notASize'],
    ['4 x 6 x 8 in', 'notASize'],
    ['6 in', 'oneNumber'],
    ['0 x 6 in', 'zero'],
    ['400 x 600 cm', 'tooLarge'],
    ['4 in x 6 cm', 'unitsMixed'],
    ['10 cm x 5 1/2', 'unitsMixed'],
    ['21/2 x 3', 'notASize'],
    ['1,2 x 900 mm', 'tooSmall'],
    ['6x8', 'unitMissing'],
    ['4 x 7/0 in', 'notASize'],
  ])('%s is not a size: %s', (text, code) => {
    expect(readSize(text)).toMatchObject({ ok: false, code })
  })

  test.each(['constructor', 'toString', '__proto__', '4 constructor x 6 constructor', '4 x 6 valueOf'])(
    '%s is no word for a size',
    text => {
      expect(readSize(text, 'in')).toEqual({ ok: false, code: 'notASize' })
    },
  )
  test('a long note is no size, however many commas, brackets and signs it has', () => {
    for (const sign of [', ', '; ', ' = ', ' (', ' or ', ' x '])
      expect(readSize(Array.from({ length: 30 }, () => '4').join(sign))).toEqual({ ok: false, code: 'notASize' })
    expect(readSize(`${'very '.repeat(40)}big`)).toEqual({ ok: false, code: 'notASize' })
  })

  test('a bare pair takes the unit only from the caller, and says so', () => {
    expect(readSize('6x8', 'in')).toMatchObject({ ok: true, unitFrom: 'assumed', size: { widthMm: 152.4, heightMm: 203.2 } })
  })

  test('every fraction to a 64th is read exactly (against exact rationals)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 1, max: 63 }),
        fc.constantFrom(2, 4, 8, 16, 32, 64),
        (whole, top, bottom) => {
          fc.pre(top < bottom)
          expect(readNumber(`${whole} ${top}/${bottom}"`)?.value).toBe((whole * bottom + top) / bottom)
        },
      ),
    )
  })

  test('what is written is read back to within half a tick', () => {
    const style = { unit: 'in', ticks: 16, reduced: false } as const
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 9000 }), fc.integer({ min: 20, max: 9000 }), (width, height) => {
        const size = { widthMm: width / 10, heightMm: height / 10 }
        const back = readSize(writeSize(size, style))
        expect(back.ok && Math.abs(back.size.widthMm - size.widthMm) <= MM_PER_INCH / 32 + 1e-9).toBe(true)
      }),
    )
  })

  test('unreduced ticks for those who count them', () => {
    expect(takeLengthApart(161.925, { unit: 'in', ticks: 16, reduced: false })).toEqual({
      whole: '6',
      numerator: 6,
      denominator: 16,
      unit: 'in',
    })
    expect(writeSize(inches(6.375, 0.5), { unit: 'in', ticks: 16, reduced: true })).toBe('6 3/8 x 1/2 in')
  })
})

describe('published sizes', () => {
  test('ISO 216: A sizes halve the longer side, rounded down to the millimetre; A4 is 210 x 297', () => {
    expect(NAMED_SIZES.get('a4')?.size).toEqual({ widthMm: 210, heightMm: 297 })
    for (const [larger, smaller] of [
      ['a3', 'a4'],
      ['a4', 'a5'],
      ['a5', 'a6'],
      ['a6', 'a7'],
    ] as const) {
      const from = NAMED_SIZES.get(larger)?.size
      expect(NAMED_SIZES.get(smaller)?.size).toEqual({ widthMm: Math.floor((from?.heightMm ?? 0) / 2), heightMm: from?.widthMm })
    }
  })
  test('ANSI/ASME Y14.1: Letter is 8 1/2 x 11 in; half and quarter Letter (common practice)', () => {
    expect(readSize('8 1/2 x 11 in')).toMatchObject({ size: NAMED_SIZES.get('letter')?.size })
    expect(readSize('5 1/2 x 8 1/2')).toMatchObject({ size: NAMED_SIZES.get('half letter')?.size })
    expect(readSize('4 1/4 x 5 1/2')).toMatchObject({ size: NAMED_SIZES.get('quarter letter')?.size })
  })
})

describe('envelopes (ISO 269) and B sheets (ISO 216)', () => {
  const sizeOf = (name: string) => {
    const { widthMm, heightMm } = NAMED_SIZES.get(name)?.size ?? { widthMm: 0, heightMm: 0 }
    return [widthMm, heightMm]
  }
  test('C is the geometric mean of A and B of its number, B of A and the next larger A, to the millimetre', () => {
    for (const at of [4, 5, 6, 7]) {
      const [[aw = 0, ah = 0], [bw = 0, bh = 0], [cw = 0, ch = 0]] = [sizeOf(`a${at}`), sizeOf(`b${at}`), sizeOf(`c${at}`)]
      const [lw = 0, lh = 0] = sizeOf(`a${at - 1}`)
      for (const [mean, side] of [
        [Math.sqrt(aw * bw), cw],
        [Math.sqrt(ah * bh), ch],
        [Math.sqrt(aw * lw), bw],
        [Math.sqrt(ah * lh), bh],
      ] as const)
        expect([at, Math.abs(mean - side) <= 1.1]).toEqual([at, true])
    }
    expect(sizeOf('dl')).toEqual([110, 220])
  })
})

describe('one size given twice', () => {
  test('common practice: 13.5 x 18.5 cm against 5 3/4 x 7 1/4 in is 11 mm apart in width: shown, never chosen', () => {
    const reading = readSize('13.5 x 18.5 cm (5 3/4 x 7 1/4 in)')
    expect(reading).toMatchObject({ ok: false, code: 'twoSizes' })
    if (reading.ok || reading.code !== 'twoSizes') return
    expect(reading.sizes.map(size => size.widthMm)).toEqual([135, 146.05])
    expect(reading.apartMm).toBeCloseTo(11.05, 6)
  })
  test('10.6 x 15.6 cm against 4 x 6 in is 4 mm apart: more than rounding to the millimetre explains', () => {
    expect(readSize('10.6 x 15.6 cm (4 x 6 in)')).toMatchObject({ ok: false, code: 'twoSizes' })
  })
  test.each(['10.2 x 15.2 cm = 4 x 6 in', '4 x 6 in / 10.2 x 15.2 cm', '4 x 6" or 102 x 152 mm', '4 x 6 in, 10,2 x 15,2 cm'])(
    '%s agrees but for rounding: the first is taken',
    text => {
      expect(readSize(text)).toMatchObject({ ok: true })
    },
  )
})

describe('lengths', () => {
  test.each([
    ['5 mm', 5],
    ['1/4"', 6.35],
    ['0,5 cm', 5],
    ['1\' 6"', 457.2],
    ["1'6 1/2", 469.9],
    ['2 ft', 609.6],
    ['1 31/64 in', (1 + 31 / 64) * 25.4],
  ])('%s', (text, mm) => {
    const reading = readLength(text)
    expect(reading.ok && reading.mm).toBeCloseTo(mm, 3)
  })
  test.each([
    ['', 'empty'],
    ['5', 'unitMissing'],
    ['0 mm', 'zero'],
    ['17 ft', 'tooLarge'],
    ['thick', 'notALength'],
    ['1\' x"', 'notALength'],
  ])('%s: %s', (text, code) => {
    expect(readLength(text)).toEqual({ ok: false, code })
  })
  test('down for what goes in, up for what holds, and never by a whole tick (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 400, noNaN: true }),
        fc.constantFrom('in', 'cm', 'mm'),
        fc.constantFrom(8, 16, 32),
        (mm, unit, ticks) => {
          const style = { unit, ticks, reduced: true } as const
          const step = { in: MM_PER_INCH / ticks, cm: 1, mm: 0.5 }[unit]
          const back = (text: string): number => {
            const reading = readLength(text)
            return reading.ok ? reading.mm : 0
          }
          const [down, up] = [back(writeLength(mm, style, 'down')), back(writeLength(mm, style, 'up'))]
          expect(down).toBeLessThanOrEqual(mm + 1e-3)
          expect(up).toBeGreaterThanOrEqual(mm - 1e-3)
          expect(mm - down).toBeLessThan(step + 1e-3)
          expect(up - mm).toBeLessThan(step + 1e-3)
        },
      ),
    )
  })
})

test('ticks of a kept length are those of the fraction it was, in whole numbers: every 64th to 20 in', () => {
  for (let n = 1; n <= 20 * 64; n += 1) {
    const mm = roundMm((n * 25.4) / 64)
    for (const ticks of [8, 16, 32]) {
      const style = { unit: 'in' as const, ticks, reduced: false }
      const inTicks = (rounding: 'up' | 'down' | 'nearest'): number => {
        const { whole, numerator } = takeLengthApart(mm, style, rounding)
        return Number(whole) * ticks + numerator
      }
      // n/64 in is n * ticks / 64 ticks: the quotient and the rest are exact.
      const [down, rest] = [Math.floor((n * ticks) / 64), (n * ticks) % 64]
      expect([n, inTicks('down'), inTicks('up'), inTicks('nearest')]).toEqual([
        n,
        down,
        rest === 0 ? down : down + 1,
        rest >= 32 ? down + 1 : down,
      ])
    }
  }
})
