import { beforeAll, describe, expect, test } from '@jest/globals'
import opencv from '@techstark/opencv-js'
import {
  componentsOf,
  type GreyPicture,
  inkOf,
  mapPoint,
  type Mask,
  otsu,
  perspective,
  type Quad,
  rectify,
  splitPiece,
} from '#core/measuring'
import { chance } from '../../demo/random'

// OpenCV (npm build of 4.x, development only): another implementation of the same published methods, on the same input.
interface Mat {
  readonly data: Uint8Array
  readonly data32S: Int32Array
  readonly data64F: Float64Array
  delete: () => void
}
interface OpenCv {
  readonly Mat: new () => Mat
  readonly matFromArray: (rows: number, columns: number, type: number, data: ArrayLike<number>) => Mat
  readonly getPerspectiveTransform: (from: Mat, to: Mat) => Mat
  readonly warpPerspective: (from: Mat, to: Mat, m: Mat, size: unknown, flags: number, border: number) => void
  readonly threshold: (from: Mat, to: Mat, value: number, most: number, type: number) => number
  readonly blur: (from: Mat, to: Mat, size: unknown, anchor: unknown, border: number) => void
  readonly connectedComponentsWithStats: (from: Mat, labels: Mat, stats: Mat, middles: Mat, ways: number, type: number) => number
  readonly Size: new (width: number, height: number) => unknown
  readonly Point: new (x: number, y: number) => unknown
  readonly [constant: `${string}_${string}`]: number
}
// The module has a `then` of its own that never ends when awaited: it is imported as it is, and its start is waited for.
const cv = opencv as unknown as OpenCv & { onRuntimeInitialized?: () => void }
beforeAll(
  () =>
    new Promise<void>(resolve => {
      if (Object.hasOwn(cv, 'Mat')) resolve()
      else cv.onRuntimeInitialized = resolve
    }),
  60_000,
)

const luck = chance(77)
/** Blobs, lines and grain: something of everything. */
function picture(widthPx: number, heightPx: number): GreyPicture {
  const pixels = new Uint8Array(widthPx * heightPx)
  const blobs = Array.from({ length: 14 }, () => ({ x: luck.between(0, widthPx), y: luck.between(0, heightPx), r: luck.between(4, 22) }))
  pixels.forEach((_, at) => {
    const [x, y] = [at % widthPx, Math.floor(at / widthPx)]
    const isDark = blobs.some(blob => Math.hypot(blob.x - x, blob.y - y) < blob.r)
    pixels[at] = Math.max(0, Math.min(255, Math.round((isDark ? 60 : 205) + 30 * (x / widthPx) + luck.between(-12, 12))))
  })
  return { widthPx, heightPx, pixels }
}
const quad = (): Quad =>
  [
    [10, 12],
    [180, 20],
    [170, 150],
    [18, 140],
  ].map(([x = 0, y = 0]) => ({ x: x + luck.between(-8, 8), y: y + luck.between(-8, 8) })) as unknown as Quad

describe('against OpenCV', () => {
  test('perspective from four corners: the same matrix', () => {
    for (let round = 0; round < 25; round += 1) {
      const [from, to] = [quad(), quad()]
      const flat = (corners: Quad) => corners.flatMap(({ x, y }) => [x, y])
      const [a, b] = [cv.matFromArray(4, 1, cv.CV_32FC2 ?? 0, flat(from)), cv.matFromArray(4, 1, cv.CV_32FC2 ?? 0, flat(to))]
      const theirs = cv.getPerspectiveTransform(a, b)
      const ours = perspective(from, to)
      // Their corners are single precision.
      for (const corner of from) {
        const [m, p] = [[...theirs.data64F], corner]
        const w = (m[6] ?? 0) * p.x + (m[7] ?? 0) * p.y + (m[8] ?? 0)
        const their = {
          x: ((m[0] ?? 0) * p.x + (m[1] ?? 0) * p.y + (m[2] ?? 0)) / w,
          y: ((m[3] ?? 0) * p.x + (m[4] ?? 0) * p.y + (m[5] ?? 0)) / w,
        }
        const our = ours ? mapPoint(ours, p) : { x: 0, y: 0 }
        expect(Math.hypot(our.x - their.x, our.y - their.y)).toBeLessThan(1e-3)
      }
      for (const mat of [a, b, theirs]) mat.delete()
    }
  })

  test('rectified with linear sampling: within a grey level or two of theirs', () => {
    const photo = picture(200, 160)
    const toPhoto = perspective(
      [
        { x: 0, y: 0 },
        { x: 100, y: 0 },
        { x: 100, y: 80 },
        { x: 0, y: 80 },
      ],
      [
        { x: 22, y: 18 },
        { x: 171, y: 30 },
        { x: 164, y: 140 },
        { x: 30, y: 128 },
      ],
    )
    if (!toPhoto) throw new Error('a proper quadrilateral')
    const ours = rectify(photo, toPhoto, { x: 0, y: 0, widthMm: 100, heightMm: 80 }, 1)
    // Ours takes the middles of pixels on both sides; theirs the corners: half a pixel is put into the matrix.
    const half = [1, 0, 0.5, 0, 1, 0.5, 0, 0, 1]
    const back = [1, 0, -0.5, 0, 1, -0.5, 0, 0, 1]
    const times = (a: readonly number[], b: readonly number[]) =>
      Array.from({ length: 9 }, (_, at) =>
        [0, 1, 2].reduce((sum, k) => sum + (a[3 * Math.floor(at / 3) + k] ?? 0) * (b[3 * k + (at % 3)] ?? 0), 0),
      )
    const [source, m, to] = [
      cv.matFromArray(160, 200, cv.CV_8UC1 ?? 0, photo.pixels),
      cv.matFromArray(3, 3, cv.CV_64FC1 ?? 6, times(back, times(toPhoto, half))),
      new cv.Mat(),
    ]
    cv.warpPerspective(source, to, m, new cv.Size(100, 80), (cv.INTER_LINEAR ?? 1) | (cv.WARP_INVERSE_MAP ?? 16), cv.BORDER_REPLICATE ?? 1)
    const apart = [...to.data].map((value, at) => Math.abs(value - (ours.pixels[at] ?? 0)))
    expect(apart.reduce((sum, each) => sum + each, 0) / apart.length).toBeLessThan(1)
    expect(Math.max(...apart)).toBeLessThanOrEqual(8) // they divide a pixel into 32 steps
    for (const mat of [source, m, to]) mat.delete()
  })

  test('Otsu: the same threshold', () => {
    for (let round = 0; round < 6; round += 1) {
      const grey = picture(120, 90)
      const [source, to] = [cv.matFromArray(90, 120, cv.CV_8UC1 ?? 0, grey.pixels), new cv.Mat()]
      expect(otsu(grey)).toBe(cv.threshold(source, to, 0, 255, (cv.THRESH_BINARY ?? 0) | (cv.THRESH_OTSU ?? 8)))
      source.delete()
      to.delete()
    }
  })

  test('ink against the mean around it: the same pixels as by their mean, away from the edge and off the very threshold', () => {
    const [grey, reach] = [picture(140, 110), 9]
    const { ink } = inkOf(grey, reach, 0.12)
    const [source, mean] = [cv.matFromArray(110, 140, cv.CV_8UC1 ?? 0, grey.pixels), new cv.Mat()]
    cv.blur(source, mean, new cv.Size(2 * reach + 1, 2 * reach + 1), new cv.Point(-1, -1), cv.BORDER_DEFAULT ?? 4)
    let compared = 0
    for (let y = reach; y < 110 - reach; y += 1) {
      for (let x = reach; x < 140 - reach; x += 1) {
        const at = y * 140 + x
        const limit = (mean.data[at] ?? 0) * 0.88
        if (Math.abs((grey.pixels[at] ?? 0) - limit) < 1) continue // their mean is rounded to a whole level
        expect(ink[at]).toBe(Number((grey.pixels[at] ?? 0) < limit))
        compared += 1
      }
    }
    expect(compared).toBeGreaterThan(10_000)
    source.delete()
    mean.delete()
  })

  test('connected components: the same boxes and sizes', () => {
    for (let round = 0; round < 8; round += 1) {
      const share = luck.between(0.2, 0.6)
      const mask: Mask = { widthPx: 70, heightPx: 50, ink: Uint8Array.from({ length: 3500 }, () => Number(luck.unit() < share)) }
      const [source, labels, stats, middles] = [
        cv.matFromArray(50, 70, cv.CV_8UC1 ?? 0, mask.ink),
        new cv.Mat(),
        new cv.Mat(),
        new cv.Mat(),
      ]
      const count = cv.connectedComponentsWithStats(source, labels, stats, middles, 8, cv.CV_32S ?? 4)
      const theirs = Array.from({ length: count - 1 }, (_, at) => [...stats.data32S.slice((at + 1) * 5, (at + 2) * 5)].join())
      const ours = componentsOf(mask).components.map(box =>
        [box.left, box.top, box.right - box.left + 1, box.bottom - box.top + 1, box.pixels].join(),
      )
      expect(ours.sort()).toEqual(theirs.sort())
      for (const mat of [source, labels, stats, middles]) mat.delete()
    }
  })
})

test('a piece is parted where there is no ink', () => {
  const ink = new Uint8Array(60 * 30)
  for (let y = 5; y < 25; y += 1) for (let x = 0; x < 60; x += 1) if ((x >= 4 && x < 20) || (x >= 31 && x < 50)) ink[y * 60 + x] = 1
  expect(splitPiece({ widthPx: 60, heightPx: 30, ink }, 2, { xMm: 2, yMm: 2.5, widthMm: 23, heightMm: 10 })).toEqual([
    { xMm: 2, yMm: 2.5, widthMm: 8, heightMm: 10 },
    { xMm: 15.5, yMm: 2.5, widthMm: 9.5, heightMm: 10 },
  ])
})
