import sharp from 'sharp'
import type { FlatSet } from './camera'
import { drawMotif, type MotifName, MOTIFS } from './motifs'
import { moved } from './pen'
import { chance } from './random'

const PX_PER_MM = 6
const INK = '#1B2340'
/** Pieces lie so far apart at least, as on a carrier sheet. */
const BETWEEN_MM = 7
const SIZES = [
  [76.2, 101.6, 2, 2],
  [101.6, 152.4, 2, 3],
  [101.6, 152.4, 3, 3],
  [152.4, 203.2, 3, 4],
  [101.6, 203.2, 2, 4],
  [139.7, 139.7, 3, 3],
] as const

/**
 * Sets for the stand-in camera: pieces in cells of a sheet, each drawn alone first, so that where its ink begins and
 * ends is known from the drawing and from nothing that measures.
 */
export async function drawCameraSets(count: number, seed: number): Promise<readonly FlatSet[]> {
  const names = Object.keys(MOTIFS) as MotifName[]
  const sets: FlatSet[] = []
  for (let index = 0; index < count; index += 1) {
    const luck = chance(seed + index)
    const [widthMm, heightMm, columns, rows] = SIZES[index % SIZES.length] ?? SIZES[0]
    const [cellW, cellH] = [(widthMm - 8) / columns, (heightMm - 8) / rows]
    const [widthPx, heightPx] = [Math.round(widthMm * PX_PER_MM), Math.round(heightMm * PX_PER_MM)]
    const pixels = new Uint8Array(widthPx * heightPx).fill(255)
    const pieces: FlatSet['pieces'][number][] = []
    for (let at = 0; at < columns * rows; at += 1) {
      const side = (Math.min(cellW, cellH) - BETWEEN_MM) * luck.between(0.7, 1)
      const middle = { x: 4 + ((at % columns) + 0.5) * cellW, y: 4 + (Math.floor(at / columns) + 0.5) * cellH }
      const name = names[(index * 5 + at) % names.length] as MotifName
      // Its cell alone, on the pixels of the sheet.
      const [fromX, fromY] = [Math.floor((middle.x - cellW / 2) * PX_PER_MM), Math.floor((middle.y - cellH / 2) * PX_PER_MM)]
      const [acrossPx, downPx] = [Math.ceil(cellW * PX_PER_MM) + 1, Math.ceil(cellH * PX_PER_MM) + 1]
      const svg =
        `<svg xmlns="http://www.w3.org/2000/svg" width="${acrossPx}" height="${downPx}" ` +
        `viewBox="${[fromX, fromY, acrossPx, downPx].map(px => px / PX_PER_MM).join(' ')}">` +
        `<rect x="0" y="0" width="${widthMm}" height="${heightMm}" fill="#fff"/><g fill="none" stroke="${INK}" ` +
        'stroke-linecap="round" stroke-linejoin="round" ' +
        `stroke-width="5">${moved(middle.x, middle.y, side / 106, drawMotif(name, luck))}</g></svg>`
      const { data } = await sharp(Buffer.from(svg)).greyscale().raw().toBuffer({ resolveWithObject: true })
      let [left, top, right, bottom] = [widthPx, heightPx, 0, 0]
      for (let at = 0; at < data.length; at += 1) {
        const value = data[at] ?? 255
        const x = fromX + (at % acrossPx)
        const y = fromY + Math.floor(at / acrossPx)
        const pixel = y * widthPx + x
        if (value < (pixels[pixel] ?? 255)) pixels[pixel] = value
        if (value >= 128) continue
        left = Math.min(left, x)
        right = Math.max(right, x + 1)
        top = Math.min(top, y)
        bottom = Math.max(bottom, y + 1)
      }
      pieces.push({
        xMm: left / PX_PER_MM,
        yMm: top / PX_PER_MM,
        widthMm: (right - left) / PX_PER_MM,
        heightMm: (bottom - top) / PX_PER_MM,
      })
    }
    sets.push({ picture: { widthPx, heightPx, pixels }, pxPerMm: PX_PER_MM, widthMm, heightMm, pieces })
  }
  return sets
}
