import { describe, expect, test } from '@jest/globals'
import { type Lift, liftLimit } from '#core/capacity'

// NIOSH, Applications Manual for the Revised Lifting Equation, DHHS (NIOSH) Publication 94-110: multiplier tables and worked
// examples, from memory. The manual works its examples in inches and pounds and rounds each multiplier to two places.
const CM_PER_INCH = 2.54
const KG_PER_POUND = 0.45359237
const usual: Lift = { horizontalCm: 25, verticalCm: 75, travelCm: 25, twistDeg: 0, perMinute: 0.2, hours: 1, grip: 'good' }

describe('the revised lifting equation', () => {
  test('at its best the limit is the load constant, 23 kg (51 lb)', () => {
    expect(liftLimit(usual).limitKg).toBeCloseTo(23, 9)
    expect(23 / KG_PER_POUND).toBeCloseTo(51, 0)
  })
  test.each([
    [25, 1],
    [28, 0.89],
    [30, 0.83],
    [41, 0.61],
    [50, 0.5],
    [63, 0.4],
    [64, 0],
  ])('table 1: hands at %i cm, HM %f', (horizontalCm, expected) => {
    expect(liftLimit({ ...usual, horizontalCm }).multipliers.horizontal).toBeCloseTo(expected, 2)
  })
  test.each([
    [0, 0.78],
    [30, 0.87],
    [50, 0.93],
    [75, 1],
    [100, 0.93],
    [150, 0.78],
    [175, 0.7],
    [176, 0],
  ])('table 2: hands %i cm up, VM %f', (verticalCm, expected) => {
    expect(Math.abs(liftLimit({ ...usual, verticalCm }).multipliers.vertical - expected)).toBeLessThan(0.0051)
  })
  test.each([
    [25, 1],
    [40, 0.93],
    [55, 0.9],
    [100, 0.87],
    [145, 0.85],
    [175, 0.85],
  ])('table 3: lifted over %i cm, DM %f', (travelCm, expected) => {
    expect(Math.abs(liftLimit({ ...usual, travelCm }).multipliers.distance - expected)).toBeLessThan(0.0051)
  })
  test.each([
    [0, 1],
    [15, 0.95],
    [45, 0.86],
    [90, 0.71],
    [135, 0.57],
    [136, 0],
  ])('table 4: turned by %i degrees, AM %f', (twistDeg, expected) => {
    expect(liftLimit({ ...usual, twistDeg }).multipliers.asymmetry).toBeCloseTo(expected, 2)
  })
  test.each<[number, 1 | 2 | 8, number, number]>([
    [0.2, 1, 0, 1],
    [1, 2, 0, 0.88],
    [4, 8, 80, 0.45],
    [9, 8, 0, 0],
    [9, 8, 80, 0.15],
    [15, 1, 80, 0.28],
    [16, 1, 80, 0],
  ])('table 5: %f lifts a minute for %i hours, hands at %i cm: FM %f', (perMinute, hours, verticalCm, expected) => {
    expect(liftLimit({ ...usual, perMinute, hours, verticalCm }).multipliers.frequency).toBe(expected)
  })
  test.each<[Lift['grip'], number, number]>([
    ['good', 50, 1],
    ['fair', 50, 0.95],
    ['fair', 75, 1],
    ['poor', 50, 0.9],
    ['poor', 100, 0.9],
  ])('table 7: %s grip at %i cm, CM %f', (grip, verticalCm, expected) => {
    expect(liftLimit({ ...usual, grip, verticalCm }).multipliers.coupling).toBe(expected)
  })
  // Example 1, loading punch press stock: H 23 in, from 15 in to 64 in, fair grip, less than one lift in five minutes.
  test.each([
    [15, 16.3],
    [64, 14.5],
  ])('worked example, punch press stock, hands %i in up: %f lb', (verticalIn, pounds) => {
    const { limitKg } = liftLimit({
      horizontalCm: 23 * CM_PER_INCH,
      verticalCm: verticalIn * CM_PER_INCH,
      travelCm: 49 * CM_PER_INCH,
      twistDeg: 0,
      perMinute: 0.2,
      hours: 1,
      grip: 'fair',
    })
    // The manual's form in inches has constants of its own (10 in against 25 cm, 51 lb against 23 kg), and its examples round
    // every multiplier to two places: by both together the forms are up to 6 % apart.
    expect(Math.abs(limitKg / KG_PER_POUND / pounds - 1)).toBeLessThan(0.06)
  })
})
