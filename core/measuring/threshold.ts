import type { GreyPicture } from './fingerprint'

/** 1 where there is ink, 0 where there is none, row by row. */
export interface Mask {
  readonly widthPx: number
  readonly heightPx: number
  readonly ink: Uint8Array
}

/**
 * The threshold that divides a picture into dark and bright with the greatest variance between the two: Otsu 1979, IEEE
 * Trans. SMC 9, 62-66. Pixels up to and including the threshold are the dark ones. O(pixels).
 */
export function otsu({ pixels }: GreyPicture): number {
  const counts = new Float64Array(256)
  for (const pixel of pixels) counts[pixel] = (counts[pixel] ?? 0) + 1
  let all = 0
  counts.forEach((count, value) => {
    all += count * value
  })
  let [dark, darkSum, most, best] = [0, 0, -1, 0]
  for (let value = 0; value < 256; value += 1) {
    dark += counts[value] ?? 0
    darkSum += value * (counts[value] ?? 0)
    const bright = pixels.length - dark
    if (dark === 0 || bright === 0) continue
    const variance = dark * bright * (darkSum / dark - (all - darkSum) / bright) ** 2
    if (variance > most) [most, best] = [variance, value]
  }
  return best
}

/**
 * Marks as ink what is darker than the local mean by a share: Bradley and Roth 2007, J. Graphics Tools 12(2), 13-21, with an integral
 * image, so that uneven light does not matter. `reachPx` is half the side of the square around each pixel. O(pixels), whatever the reach.
 */
export function inkOf({ widthPx, heightPx, pixels }: GreyPicture, reachPx: number, darkerBy: number): Mask {
  const sums = new Float64Array((widthPx + 1) * (heightPx + 1))
  for (let row = 0; row < heightPx; row += 1) {
    let line = 0
    for (let column = 0; column < widthPx; column += 1) {
      line += pixels[row * widthPx + column] ?? 0
      sums[(row + 1) * (widthPx + 1) + column + 1] = (sums[row * (widthPx + 1) + column + 1] ?? 0) + line
    }
  }
  const ink = new Uint8Array(widthPx * heightPx)
  for (let row = 0; row < heightPx; row += 1) {
    const [top, bottom] = [Math.max(0, row - reachPx), Math.min(heightPx, row + reachPx + 1)]
    for (let column = 0; column < widthPx; column += 1) {
      const left = Math.max(0, column - reachPx)
      const right = Math.min(widthPx, column + reachPx + 1)
      const sum =
        (sums[bottom * (widthPx + 1) + right] ?? 0) -
        (sums[top * (widthPx + 1) + right] ?? 0) -
        (sums[bottom * (widthPx + 1) + left] ?? 0) +
        (sums[top * (widthPx + 1) + left] ?? 0)
      if ((pixels[row * widthPx + column] ?? 0) * (right - left) * (bottom - top) < sum * (1 - darkerBy)) ink[row * widthPx + column] = 1
    }
  }
  return { widthPx, heightPx, ink }
}
