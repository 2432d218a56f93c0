import sharp from 'sharp'
import type { Page } from '@playwright/test'

/** A stage of the pile, with how many wait there. */
export const count = (page: Page, stage: string) => page.locator(`[data-stage="${stage}"]`)
/** A made-up photo: a few dark bars on paper, other ones for every seed, with noise so that it is no drawing. */
export async function photo(seed: number, widthPx = 900, heightPx = 1200): Promise<Buffer> {
  const bars = Array.from(
    { length: 7 },
    (_, at) =>
      `<rect x="${(seed * 83 + at * 97) % 600}" y="${(seed * 59 + at * 151) % 900}" ` +
      `width="${60 + ((seed * 31 + at * 17) % 180)}" height="${40 + ((seed * 13 + at * 41) % 160)}" fill="#222"/>`,
  )
  return sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}"><rect ` +
        `width="100%" height="100%" fill="#f4f2ec"/>${bars.join('')}</svg>`,
    ),
  )
    .jpeg({ quality: 85 })
    .toBuffer()
}
export const file = async (seed: number) => ({ name: `photo-${seed}.jpg`, mimeType: 'image/jpeg', buffer: await photo(seed) })
export const files = (page: Page) => page.locator('input[multiple]')
