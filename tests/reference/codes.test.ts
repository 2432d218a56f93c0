import { describe, expect, test } from '@jest/globals'
import jsQR from 'jsqr'
import decodeQR from 'qr/decode.js'
import { labelOf, takePhoto } from '#demo/camera'
import sharp from 'sharp'
import type { GreyPicture } from '#core/measuring'
import { composeLabels, type LabelThing } from '#core/printing'
import { PT_PER_MM } from '#core/units'

const rgbaOf = ({ widthPx, heightPx, pixels }: GreyPicture) => {
  // Opaque, and red, green and blue alike.
  const whole = new Uint32Array(pixels.length)
  for (let at = 0; at < pixels.length; at += 1) whole[at] = 0xff000000 + (pixels[at] ?? 0) * 0x010101
  return { width: widthPx, height: heightPx, data: new Uint8ClampedArray(whole.buffer) }
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

describe('codes as labels are printed', () => {
  const DOTS_PER_PT = 300 / 72
  /** A label of 12 mm tape as a printer of 300 dots to the inch puts it down, blurred as ink runs and a phone sees. */
  async function printed(text: string, wholeMm: number, blurPx: number): Promise<GreyPicture> {
    const thing: LabelThing = {
      of: 'set:a',
      kind: 'set',
      template: 'ticket',
      sets: [{ id: 'a', figure: text, suffix: '', name: '', brand: null }],
      title: '',
      detail: '',
      rank: 0,
      position: 0,
    }
    const [label] = composeLabels([thing], {
      space: { printableMm: wholeMm - 2, wholeMm, longestMm: 80, isFixed: false },
      hasCode: true,
      words: { sets: String },
      measure: (each, _font, sizePt) => each.length * sizePt * 0.5,
    }).values()
    const [widthPx, heightPx] = [(label?.lengthMm ?? 0) + 4, wholeMm].map(mm => Math.ceil(mm * PT_PER_MM * DOTS_PER_PT)) as [number, number]
    const pixels = new Uint8Array(widthPx * heightPx).fill(255)
    const edge = (at: number, mm: number): number => Math.round((at + mm * PT_PER_MM) * DOTS_PER_PT)
    for (const item of label?.items ?? []) {
      if (item.type !== 'area') continue
      for (let y = edge(item.y, 1); y < edge(item.y + item.heightPt, 1); y += 1)
        pixels.fill(0, y * widthPx + edge(item.x, 2), y * widthPx + edge(item.x + item.widthPt, 2))
    }
    const blurred = await sharp(pixels, { raw: { width: widthPx, height: heightPx, channels: 1 } })
      .blur(blurPx)
      .extractChannel(0)
      .raw()
      .toBuffer()
    return { widthPx, heightPx, pixels: new Uint8Array(blurred) }
  }
  test.each(['1', '214', '352', '16-203', 'B4-11'])('%s on 12, 18 and 24 mm: read by another decoder', async text => {
    for (const wide of [12, 18, 24]) expect([wide, readOtherwise(await printed(text, wide, 1.5))]).toEqual([wide, text])
  })
})
