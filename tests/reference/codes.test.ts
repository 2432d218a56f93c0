import { describe, expect, test } from '@jest/globals'
import jsQR from 'jsqr'
import decodeQR from 'qr/decode.js'
import { labelOf, takePhoto } from '#demo/camera'
import type { GreyPicture } from '#core/measuring'

const rgbaOf = ({ widthPx, heightPx, pixels }: GreyPicture) => {
  const data = new Uint8ClampedArray(widthPx * heightPx * 4).fill(255)
  pixels.forEach((grey, at) => data.fill(grey, at * 4, at * 4 + 3))
  return { width: widthPx, height: heightPx, data }
}
/** As the application reads a photo; null: nothing. */
function read(picture: GreyPicture): string | null {
  try {
    return decodeQR(rgbaOf(picture))
  } catch {
    return null
  }
}
/** As jsQR reads it: another decoder, by other people. */
function readOtherwise(picture: GreyPicture): string | null {
  const { data, width, height } = rgbaOf(picture)
  return jsQR(data, width, height)?.data ?? null
}
const photoOf = (text: string, seed: number): GreyPicture =>
  takePhoto(labelOf(text), { seed, reference: 'card', widthPx: 1600, heightPx: 1200, maxTiltDeg: 25, trouble: 'none' }).picture

describe('codes on labels', () => {
  test.each(['1', '88', '4 D', '142 W', '16-203', 'B4-11', 'Nr. 7/ä', '9999999'])('%s, flat: both decoders read it as written', text => {
    expect([read(labelOf(text).picture), readOtherwise(labelOf(text).picture)]).toEqual([text, text])
  })
  test('photographed with a phone (seeded light, tilt, blur, grain): read as written, never as something else', () => {
    const shots = Array.from({ length: 8 }, (_, seed) => ({
      text: String(100 + seed * 37),
      picture: photoOf(String(100 + seed * 37), seed),
    }))
    const [own, other] = [shots.map(({ picture }) => read(picture)), shots.map(({ picture }) => readOtherwise(picture))]
    shots.forEach(({ text }, at) => {
      expect([text, null]).toContain(own[at])
      if (other[at] !== null && own[at] !== null) expect(own[at]).toBe(other[at])
    })
    expect(own.filter(each => each !== null).length).toBeGreaterThanOrEqual(7)
  })
  test('a photo with no code in it is read as none', () => {
    const blank = { widthPx: 640, heightPx: 480, pixels: new Uint8Array(640 * 480).fill(200) }
    expect(read(blank)).toBeNull()
  })
})
