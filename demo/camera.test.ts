import { beforeAll, describe, expect, test } from '@jest/globals'
import { brightnessAt, mapPoint, perspective, type Quad } from '#core/measuring'
import { CAMERA_REFERENCES, type CameraReference, type FlatSet, takePhoto } from './camera'
import { drawCameraSets } from './cameraSets'

let sets: readonly FlatSet[] = []
beforeAll(async () => {
  sets = await drawCameraSets(2, 40)
}, 60_000)
const shot = (seed: number, reference: CameraReference, maxTiltDeg = 20) =>
  takePhoto(sets[seed % 2] as FlatSet, { seed, reference, widthPx: 640, heightPx: 480, maxTiltDeg, trouble: 'none' })

describe('the stand-in camera', () => {
  test('the truth of a set is where its ink is: every piece lies on it, apart from the others', () => {
    for (const { pieces, widthMm, heightMm, picture, pxPerMm } of sets) {
      for (const [at, piece] of pieces.entries()) {
        expect(Math.min(piece.xMm, piece.yMm)).toBeGreaterThan(0)
        expect(piece.xMm + piece.widthMm).toBeLessThan(widthMm)
        expect(piece.yMm + piece.heightMm).toBeLessThan(heightMm)
        for (const other of pieces.slice(at + 1)) {
          const across = Math.max(other.xMm - piece.xMm - piece.widthMm, piece.xMm - other.xMm - other.widthMm)
          const down = Math.max(other.yMm - piece.yMm - piece.heightMm, piece.yMm - other.yMm - other.heightMm)
          expect(Math.max(across, down)).toBeGreaterThan(4.5)
        }
        // Each side of its box is touched by ink, and just outside of it there is none.
        const dark = (fromX: number, toX: number, fromY: number, toY: number): boolean => {
          for (let y = fromY; y < toY; y += 1)
            for (let x = fromX; x < toX; x += 1) if ((picture.pixels[y * picture.widthPx + x] ?? 255) < 128) return true
          return false
        }
        const [left, top, right, bottom] = [piece.xMm, piece.yMm, piece.xMm + piece.widthMm, piece.yMm + piece.heightMm].map(mm =>
          Math.round(mm * pxPerMm),
        ) as [number, number, number, number]
        expect([
          dark(left, left + 1, top, bottom),
          dark(right - 1, right, top, bottom),
          dark(left, right, top, top + 1),
          dark(left, right, bottom - 1, bottom),
        ]).toEqual([true, true, true, true])
        expect(dark(left - 6, left, top, bottom)).toBe(false)
        expect(dark(left, right, bottom, bottom + 6)).toBe(false)
      }
    }
  })
  test.each([1, 2, 3, 4, 5, 6])('shot %i: the reference is wholly in the photo, brighter inside than the mat outside of it', seed => {
    for (const reference of ['card', 'A4'] as const) {
      const { picture, corners } = shot(seed, reference, 35)
      for (const { x, y } of corners) {
        expect(x).toBeGreaterThan(0)
        expect(y).toBeGreaterThan(0)
        expect(x).toBeLessThan(640)
        expect(y).toBeLessThan(480)
      }
      const { widthMm, heightMm } = CAMERA_REFERENCES[reference]
      const toPhoto = perspective(
        [
          { x: 0, y: 0 },
          { x: widthMm, y: 0 },
          { x: widthMm, y: heightMm },
          { x: 0, y: heightMm },
        ] as Quad,
        corners,
      )
      if (!toPhoto) throw new Error('four corners')
      const bright = (x: number, y: number): number => {
        const point = mapPoint(toPhoto, { x, y })
        return brightnessAt(picture, point.x, point.y)
      }
      // A few millimetres inside an edge, and as far outside of it.
      expect(bright(4, heightMm / 2)).toBeGreaterThan(bright(-4, heightMm / 2) + 25)
      expect(bright(widthMm / 2, heightMm - 3)).toBeGreaterThan(bright(widthMm / 2, heightMm + 4) + 25)
    }
  })
  test('the same shot is the same photo, another seed another; cut off, a corner lies outside', () => {
    expect(Buffer.compare(shot(3, 'A4').picture.pixels, shot(3, 'A4').picture.pixels)).toBe(0)
    expect(Buffer.compare(shot(3, 'A4').picture.pixels, shot(5, 'A4').picture.pixels)).not.toBe(0)
    const { corners } = takePhoto(sets[0] as FlatSet, {
      seed: 4,
      reference: 'A4',
      widthPx: 640,
      heightPx: 480,
      maxTiltDeg: 10,
      trouble: 'cutOff',
    })
    expect(corners.some(({ x, y }) => x < 0 || y < 0 || x > 640 || y > 480)).toBe(true)
  })
})
