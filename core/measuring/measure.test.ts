import { beforeAll, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { CAMERA_REFERENCES, type CameraReference, type CameraTrouble, type FlatSet, takePhoto } from '../../demo/camera'
import { drawCameraSets } from '../../demo/cameraSets'
import {
  cornersFault,
  hullOf,
  inverse,
  joinPieces,
  mapPoint,
  type Measured,
  measureSet,
  perspective,
  type Point,
  proposeCorners,
  type Quad,
  smallestBox,
} from './index'

const coordinate = fc.double({ min: -200, max: 200, noNaN: true })
const points = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 30 })
/** A square with its corners pushed about: never crossed, never flat. */
const quads = fc
  .array(fc.record({ x: fc.double({ min: -25, max: 25, noNaN: true }), y: fc.double({ min: -25, max: 25, noNaN: true }) }), {
    minLength: 4,
    maxLength: 4,
  })
  .map(
    pushed =>
      [
        [0, 0],
        [200, 0],
        [200, 200],
        [0, 200],
      ].map(([x = 0, y = 0], at) => ({ x: x + (pushed[at]?.x ?? 0), y: y + (pushed[at]?.y ?? 0) })) as unknown as Quad,
  )

describe('perspective', () => {
  test('takes each corner to its corner, and back (property)', () => {
    fc.assert(
      fc.property(quads, quads, (from, to) => {
        const m = perspective(from, to)
        if (!m) throw new Error('four proper corners')
        from.forEach((corner, at) => {
          const there = mapPoint(m, corner)
          expect(Math.hypot(there.x - (to[at]?.x ?? 0), there.y - (to[at]?.y ?? 0))).toBeLessThan(1e-6)
          const again = mapPoint(inverse(m), there)
          expect(Math.hypot(again.x - corner.x, again.y - corner.y)).toBeLessThan(1e-6)
        })
      }),
    )
  })
  test('straight lines stay straight (property)', () => {
    fc.assert(
      fc.property(quads, quads, fc.double({ min: 0, max: 1, noNaN: true }), (from, to, share) => {
        const m = perspective(from, to)
        if (!m) return
        const [a, c] = [mapPoint(m, { x: 60, y: 60 }), mapPoint(m, { x: 140, y: 110 })]
        const b = mapPoint(m, { x: 60 + 80 * share, y: 60 + 50 * share })
        expect(
          Math.abs((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / Math.max(1, Math.hypot(c.x - a.x, c.y - a.y)),
        ).toBeLessThan(1e-6)
      }),
    )
  })
  test('three corners on one line determine nothing', () => {
    expect(
      perspective(
        [
          { x: 0, y: 0 },
          { x: 10, y: 0 },
          { x: 20, y: 0 },
          { x: 0, y: 9 },
        ],
        [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 1, y: 1 },
          { x: 0, y: 1 },
        ],
      ),
    ).toBeNull()
  })
  test.each<[string, readonly (readonly [number, number])[], string | null]>([
    [
      'proper',
      [
        [10, 10],
        [300, 20],
        [290, 200],
        [15, 210],
      ],
      null,
    ],
    [
      'crossed',
      [
        [10, 10],
        [290, 200],
        [300, 20],
        [15, 210],
      ],
      'crossed',
    ],
    [
      'on one line',
      [
        [10, 10],
        [150, 10],
        [300, 10],
        [150, 200],
      ],
      'onOneLine',
    ],
    [
      'outside',
      [
        [-9, 10],
        [300, 20],
        [290, 200],
        [15, 210],
      ],
      'outside',
    ],
    [
      'too small',
      [
        [10, 10],
        [20, 10],
        [20, 20],
        [10, 20],
      ],
      'tooSmall',
    ],
  ])('corners that are %s', (_title, corners, fault) => {
    expect(cornersFault(corners.map(([x, y]) => ({ x, y })) as unknown as Quad, 400, 300)).toBe(fault)
  })
})

describe('outlines', () => {
  const inside = (hull: readonly Point[], point: Point): boolean =>
    hull.every((a, at) => {
      const b = hull[(at + 1) % hull.length] as Point
      return (b.x - a.x) * (point.y - a.y) - (b.y - a.y) * (point.x - a.x) >= -1e-6
    })
  test('the hull holds every point, and is made of points (property)', () => {
    fc.assert(
      fc.property(points, list => {
        const hull = hullOf(list)
        for (const point of list) expect(hull.length < 3 || inside(hull, point)).toBe(true)
        for (const corner of hull) expect(list).toContainEqual(corner)
      }),
    )
  })
  test('no angle gives a smaller box (against a sweep), and the box holds every point (property)', () => {
    fc.assert(
      fc.property(points, list => {
        const box = smallestBox(list)
        if (!box) return
        const extent = (angle: number): number => {
          const along = list.map(({ x, y }) => x * Math.cos(angle) + y * Math.sin(angle))
          const across = list.map(({ x, y }) => -x * Math.sin(angle) + y * Math.cos(angle))
          return (Math.max(...along) - Math.min(...along)) * (Math.max(...across) - Math.min(...across))
        }
        const least = Math.min(...Array.from({ length: 900 }, (_, at) => extent((at / 900) * (Math.PI / 2))))
        expect(box.width * box.height).toBeLessThanOrEqual(least + 1e-6)
        expect(Math.abs(box.angleDeg)).toBeLessThanOrEqual(45 + 1e-9)
        for (const point of list) expect(inside(box.corners, point)).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
  test('pieces joined are the box round both', () => {
    expect(
      joinPieces([
        { xMm: 1, yMm: 2, widthMm: 3, heightMm: 4 },
        { xMm: 10, yMm: 0, widthMm: 2, heightMm: 3 },
      ]),
    ).toEqual({ xMm: 1, yMm: 0, widthMm: 11, heightMm: 6 })
    expect(joinPieces([])).toBeNull()
  })
})

describe('made photos with known truth (the stand-in camera)', () => {
  let sets: readonly FlatSet[] = []
  beforeAll(async () => {
    sets = await drawCameraSets(6, 500)
  }, 60_000)
  const shoot = (seed: number, reference: CameraReference, trouble: CameraTrouble = 'none') =>
    takePhoto(sets[seed % sets.length] as FlatSet, { seed, reference, widthPx: 2000, heightPx: 1500, maxTiltDeg: 35, trouble })
  const measured = (seed: number, reference: CameraReference, trouble: CameraTrouble = 'none') => {
    const { picture } = shoot(seed, reference, trouble)
    const { quads, isCutOff } = proposeCorners(picture, CAMERA_REFERENCES[reference])
    return quads[0]
      ? measureSet(picture, quads[0], CAMERA_REFERENCES[reference])
      : { ok: false as const, code: isCutOff ? ('cutOff' as const) : ('nothing' as const) }
  }
  const [MOST_OFF_MM, MOST_SAID_MM] = [0.6, 3]
  const expectRight = (result: Measured, seed: number): void => {
    const { widthMm = 0, heightMm = 0 } = sets[seed % sets.length] ?? {}
    const [short, long] = [Math.min(widthMm, heightMm), Math.max(widthMm, heightMm)]
    const slackMm = Math.max(result.plusMinusMm, MOST_OFF_MM)
    expect(result.plusMinusMm).toBeLessThan(MOST_SAID_MM)
    expect(Math.abs(Math.min(result.widthMm, result.heightMm) - short)).toBeLessThanOrEqual(slackMm)
    expect(Math.abs(Math.max(result.widthMm, result.heightMm) - long)).toBeLessThanOrEqual(slackMm)
  }
  // The table of a hundred is printed by the bench; here a few stand for it.
  test.each<[number, CameraReference]>([
    [2, 'A4'],
    [3, 'card'],
    [10, 'A4'],
    [11, 'card'],
  ])('photo %i by %s: size within 0.6 mm or 1 %%, the pieces of the set', (seed, reference) => {
    const result = measured(seed, reference)
    if (!result.ok) throw new Error(result.code)
    expectRight(result, seed)
    expect(result.pieces).toHaveLength(sets[seed % sets.length]?.pieces.length ?? 0)
    expect(result.impression.widthPx / result.pxPerMm).toBeCloseTo(result.widthMm, 0)
  })
  test('the corners found are those of the reference, whose place the measuring never saw', () => {
    const { picture, corners } = shoot(4, 'A4')
    const [found] = proposeCorners(picture, CAMERA_REFERENCES.A4).quads
    for (const corner of corners)
      expect(Math.min(...(found ?? []).map(each => Math.hypot(each.x - corner.x, each.y - corner.y)))).toBeLessThan(2)
  })
  test.each<[CameraTrouble, readonly string[]]>([
    ['cutOff', ['cutOff', 'noEdge', 'nothing', 'noSet']],
    ['blurred', ['blurred', 'noEdge']],
    ['bent', ['notFlat']],
  ])('a reference that is %s is said to be no use, and nothing is measured', (trouble, codes) => {
    const result = measured(2, 'A4', trouble)
    expect(result.ok ? 'measured' : result.code).toMatch(new RegExp(`^(${codes.join('|')})$`))
  })
  test.each<[CameraTrouble, CameraReference, readonly string[]]>([
    ['hardShadow', 'A4', ['hardShadow']],
    ['hardShadow', 'card', ['hardShadow', 'noSetEdge']],
    ['twoSets', 'A4', ['twoSets']],
    ['twoSets', 'card', ['twoSets']],
    ['atEdge', 'A4', ['atEdge', 'notFlat']],
    ['atEdge', 'card', ['noSet', 'atEdge', 'noSetEdge']],
  ])('a photo with %s, by %s, is said to be no use: the set is never measured as another', (trouble, reference, codes) => {
    for (const seed of [0, 6]) {
      const result = measured(seed, reference, trouble)
      // A set at the edge of the photo that is in it all the same is measured right.
      if (result.ok && trouble === 'atEdge') expectRight(result, seed)
      else expect(result.ok ? 'measured' : result.code).toMatch(new RegExp(`^(${codes.join('|')})$`))
    }
  })
  test.each<[CameraReference, readonly string[]]>([
    ['A4', ['measured', 'noSetEdge']],
    ['card', ['measured', 'measured']],
  ])('seen from 50 degrees and more aside, by %s: as large as it is, or said that its edge is not seen', (reference, told) => {
    const results = [2, 3].map(seed => {
      const [widthPx, heightPx] = [1600, 1200]
      const shot = { seed, reference, widthPx, heightPx, maxTiltDeg: 60, leastTiltDeg: 50, trouble: 'none' } as const
      const { picture } = takePhoto(sets[seed] as FlatSet, shot)
      const [corners] = proposeCorners(picture, CAMERA_REFERENCES[reference]).quads
      const result = measureSet(picture, corners as Quad, CAMERA_REFERENCES[reference])
      if (result.ok) expectRight(result, seed)
      return result.ok ? 'measured' : result.code
    })
    expect(results).toEqual(told)
  })
  test('a photo turned by a quarter is measured the same: the longer side of the sheet is told whichever way it lies', () => {
    const { picture } = shoot(2, 'A4')
    const { widthPx, heightPx, pixels } = picture
    const turned = {
      widthPx: heightPx,
      heightPx: widthPx,
      pixels: pixels.map((_, at) => pixels[(at % heightPx) * widthPx + (widthPx - 1 - Math.floor(at / heightPx))] ?? 0),
    }
    const [upright, lying] = [picture, turned].map(each =>
      measureSet(each, proposeCorners(each, CAMERA_REFERENCES.A4).quads[0] as Quad, CAMERA_REFERENCES.A4),
    )
    if (!upright?.ok || !lying?.ok) throw new Error('measured both ways')
    expectRight(lying, 2)
    expect(Math.max(lying.widthMm, lying.heightMm)).toBeCloseTo(Math.max(upright.widthMm, upright.heightMm), 0)
  })
  test('corners that go round an A4 sheet are those of no bank card, Letter sheet or square', () => {
    const { picture } = shoot(3, 'A4')
    const [sheet] = proposeCorners(picture, CAMERA_REFERENCES.A4).quads
    expect(sheet && measureSet(picture, sheet, CAMERA_REFERENCES.A4)).toMatchObject({ ok: true })
    for (const other of [
      CAMERA_REFERENCES.card,
      { widthMm: 215.9, heightMm: 279.4, isSheet: true },
      { widthMm: 100, heightMm: 100, isSheet: true },
    ])
      expect(sheet && measureSet(picture, sheet, other)).toEqual({ ok: false, code: 'otherShape' })
  })
  test('a sheet with no set on it', () => {
    const empty: FlatSet = {
      picture: { widthPx: 12, heightPx: 12, pixels: new Uint8Array(144).fill(255) },
      pxPerMm: 6,
      widthMm: 2,
      heightMm: 2,
      pieces: [],
    }
    const { picture, corners } = takePhoto(empty, {
      seed: 5,
      reference: 'A4',
      widthPx: 1600,
      heightPx: 1200,
      maxTiltDeg: 10,
      trouble: 'none',
    })
    expect(measureSet(picture, corners, CAMERA_REFERENCES.A4)).toEqual({ ok: false, code: 'noSet' })
  })
  test('the same shot gives the same photo, and the same measure', () => {
    const [first, second] = [5, 5].map(seed =>
      takePhoto(sets[5] as FlatSet, { seed, reference: 'A4', widthPx: 1200, heightPx: 900, maxTiltDeg: 20, trouble: 'none' }),
    )
    if (!first || !second) throw new Error('two photos')
    expect(Buffer.compare(first.picture.pixels, second.picture.pixels)).toBe(0)
    const [one, other] = [
      measureSet(first.picture, first.corners, CAMERA_REFERENCES.A4),
      measureSet(second.picture, second.corners, CAMERA_REFERENCES.A4),
    ]
    if (!one.ok || !other.ok) throw new Error('measured before')
    expect({ ...one, impression: null }).toEqual({ ...other, impression: null })
    expect(Buffer.compare(one.impression.ink, other.impression.ink)).toBe(0)
  })
  test('a background stamp without a backing, that is all one piece, is a set of one piece', () => {
    const picture = {
      widthPx: 600,
      heightPx: 600,
      pixels: Uint8Array.from({ length: 360_000 }, (_, at) => ((at % 600) % 60 < 12 || Math.floor(at / 600) % 60 < 12 ? 0 : 255)),
    }
    const { picture: photo, corners } = takePhoto(
      { picture, pxPerMm: 6, widthMm: 100, heightMm: 100, pieces: [], isLoose: true },
      { seed: 9, reference: 'A4', widthPx: 1600, heightPx: 1200, maxTiltDeg: 15, trouble: 'none' },
    )
    const result = measureSet(photo, corners, CAMERA_REFERENCES.A4)
    expect(result.ok && result.pieces.length).toBe(1)
    expect(result.ok && Math.abs(result.widthMm - 100)).toBeLessThanOrEqual(1)
  })
})
