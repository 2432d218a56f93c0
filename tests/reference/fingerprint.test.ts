import { describe, expect, test } from '@jest/globals'
import sharp, { type Sharp } from 'sharp'
import { type GreyPicture, inkMapOf, PictureLikeness, PICTURES_ALIKE, SAME_PICTURE } from '#core/measuring'
import { makeLetterRoom } from '#demo/letterRoom'

// The demo's own drawings, made into other photos of the same set by sharp (libvips), an independent image library.
const PICTURES = 72
const ASKED_EVERY = 6
const drawings = [...makeLetterRoom().drawings].slice(0, PICTURES)

async function grey(image: Sharp): Promise<GreyPicture> {
  const { data, info } = await image.resize(180, 180, { fit: 'inside' }).greyscale().raw().toBuffer({ resolveWithObject: true })
  return { widthPx: info.width, heightPx: info.height, pixels: new Uint8Array(data) }
}
const sheet = (svg: string): Promise<Buffer> => sharp(Buffer.from(svg), { density: 50 }).flatten({ background: '#fff' }).png().toBuffer()

async function cut(png: Buffer, left: number, top: number, width: number, height: number): Promise<Sharp> {
  const { width: w = 1, height: h = 1 } = await sharp(png).metadata()
  return sharp(
    await sharp(png)
      .extract({ left: Math.round(w * left), top: Math.round(h * top), width: Math.round(w * width), height: Math.round(h * height) })
      .png()
      .toBuffer(),
  )
}
const PHOTOS: readonly (readonly [title: string, take: (png: Buffer) => Promise<Sharp>])[] = [
  ['as it is', png => Promise.resolve(sharp(png))],
  ['turned to the right', png => Promise.resolve(sharp(png).rotate(90))],
  ['upside down', png => Promise.resolve(sharp(png).rotate(180))],
  ['turned to the left', png => Promise.resolve(sharp(png).rotate(270))],
  ['a dim room', png => Promise.resolve(sharp(png).linear(0.65, 12))],
  ['cut 8 % at the left', png => cut(png, 0.08, 0, 0.92, 1)],
  ['cut 4 % all round', png => cut(png, 0.04, 0.04, 0.92, 0.92)],
  ['cut 8 % at a corner', png => cut(png, 0, 0.08, 0.92, 0.92)],
]

describe('fingerprints of the demo drawings', () => {
  const likeness = new PictureLikeness()
  const pngs = new Map<string, Buffer>()
  const prepare = async (): Promise<void> => {
    if (pngs.size > 0) return
    for (const [id, svg] of drawings) {
      pngs.set(id, await sheet(svg))
      likeness.put(id, inkMapOf(await grey(sharp(pngs.get(id)))))
    }
  }

  test.each(PHOTOS)(
    '%s: its own set is among the look-alikes in at least 95 of 100, and first in 90',
    async (_title, take) => {
      await prepare()
      const asked = [...pngs].filter((_, at) => at % ASKED_EVERY === 0)
      let [found, first] = [0, 0]
      for (const [id, png] of asked) {
        const answer = likeness.ask(inkMapOf(await grey(await take(png))))
        if (answer.some(each => each.id === id)) found += 1
        if (answer[0]?.id === id) first += 1
      }
      expect(found / asked.length).toBeGreaterThanOrEqual(0.95)
      expect(first / asked.length).toBeGreaterThanOrEqual(0.9)
    },
    60_000,
  )

  test('false alarms: of the pairs of different sets, at most 3 in 100 look alike, and fewer than 1 in 100 the same', async () => {
    await prepare()
    let [alike, same, pairs] = [0, 0, 0]
    for (const [id, png] of [...pngs].filter((_, at) => at % ASKED_EVERY === 0)) {
      const answer = likeness.ask(inkMapOf(await grey(sharp(png))), id)
      pairs += PICTURES - 1
      alike += answer.filter(each => each.likeness >= PICTURES_ALIKE).length
      same += answer.filter(each => each.likeness >= SAME_PICTURE).length
    }
    expect(alike / pairs).toBeLessThanOrEqual(0.03)
    expect(same / pairs).toBeLessThan(0.01)
  }, 60_000)
})
