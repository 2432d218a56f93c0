import { expect, test } from '@jest/globals'
import sharp from 'sharp'
import { headerSize, isTooLarge } from './pictureSize'

const picture = async (format: 'png' | 'jpeg' | 'webp' | 'gif' | 'avif', width: number, height: number): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp({ create: { width, height, channels: 3, background: '#fff' }, limitInputPixels: false })
      .toFormat(format, { effort: 1 } as object)
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
