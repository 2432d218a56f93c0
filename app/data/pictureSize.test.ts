import { expect, test } from '@jest/globals'
import sharp from 'sharp'
import { faultOf, headerSize, isTooLarge } from './pictureSize'

const picture = async (format: 'png' | 'jpeg' | 'webp' | 'gif' | 'avif', width: number, height: number): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp({ create: { width, height, channels: 3, background: '#fff' }, limitInputPixels: false })
      .toFormat(format, { effort: format === 'webp' ? 0 : 1, compressionLevel: 1 } as object)
      .toBuffer(),
  )

test.each(['png', 'jpeg', 'webp', 'gif', 'avif'] as const)('the size of a %s is read from its header, as sharp made it', async format => {
  const bytes = await picture(format, 123, 45)
  expect(headerSize(bytes)).toEqual({ widthPx: 123, heightPx: 45 })
  expect(isTooLarge(bytes)).toBe(false)
})
// GIF is left out: its maker takes a minute for so much white. Its header is read above.
test.each(['png', 'jpeg', 'webp'] as const)(
  'a %s of more than seventy megapixels is known for one before it is decoded',
  async format => {
    expect(isTooLarge(await picture(format, 8400, 8400))).toBe(true)
  },
  30_000,
)
test('what is no picture has no size', () => {
  expect(headerSize(new TextEncoder().encode('Dear harbour master'))).toBeNull()
  expect(headerSize(new Uint8Array())).toBeNull()
})

const text = (begins: string): Uint8Array => Uint8Array.from(begins, letter => letter.charCodeAt(0))
const square = () => sharp({ create: { width: 8, height: 8, channels: 3, background: '#fff' } })

test('what a file is that cannot be read as a picture is told by how it begins', async () => {
  expect(faultOf(new Uint8Array(await square().tiff().toBuffer()))).toBe('tiff')
  expect(faultOf(text('MM\0*\0\0\0\b'))).toBe('tiff')
  expect(faultOf(text('\0\0\0\x18ftypheic\0\0\0\0mif1heic'))).toBe('heic')
  expect(faultOf(text('\0\0\0\x24ftypmif1\0\0\0\0mif1heic'))).toBe('heic')
  expect(faultOf(text('%PDF-1.7\n'))).toBe('pdf')
  expect(faultOf(text('<?xml version="1.0"?>\n<svg xmlns="http://www.w3.org/2000/svg"/>'))).toBe('drawing')
  // A picture that is damaged is none of these.
  for (const picture of [await square().png().toBuffer(), await square().avif().toBuffer(), await square().jpeg().toBuffer()])
    expect(faultOf(new Uint8Array(picture))).toBe('notAPicture')
  expect(faultOf(text(''))).toBe('notAPicture')
})
