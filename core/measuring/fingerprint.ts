/** A grey picture, row by row, 0 black to 255 white. */
export interface GreyPicture {
  readonly widthPx: number
  readonly heightPx: number
  readonly pixels: Uint8Array
}

/** A picture's fingerprint: the ink in each of 40 x 40 fields, row by row, 0 none to 255 most. */
export type InkMap = Uint8Array

export const INK_MAP_SIDE = 40
/** A smaller difference to the paper is grain or shadow. */
const INK_FROM = 10

/**
 * Shrinks a picture to its ink: how much darker than the paper each field is, the darkest field 255. The paper is the brightness of the
 * 90th percentile, so that a darker or brighter photo gives the same map. O(pixels).
 */
export function inkMapOf({ widthPx, heightPx, pixels }: GreyPicture): InkMap {
  const paper = paperOf(pixels)
  const side = INK_MAP_SIDE
  const fields = new Float64Array(side * side)
  let most = 1
  for (let row = 0; row < side; row += 1) {
    const y0 = Math.floor((row * heightPx) / side)
    const y1 = Math.max(y0 + 1, Math.floor(((row + 1) * heightPx) / side))
    for (let column = 0; column < side; column += 1) {
      const x0 = Math.floor((column * widthPx) / side)
      const x1 = Math.max(x0 + 1, Math.floor(((column + 1) * widthPx) / side))
      let sum = 0
      for (let y = y0; y < y1; y += 1) {
        for (let x = x0; x < x1; x += 1) sum += Math.max(0, paper - (pixels[y * widthPx + x] ?? 255) - INK_FROM)
      }
      const mean = sum / ((y1 - y0) * (x1 - x0))
      fields[row * side + column] = mean
      most = Math.max(most, mean)
    }
  }
  return Uint8Array.from(fields, mean => Math.round((mean / most) * 255))
}

function paperOf(pixels: Uint8Array): number {
  const counts = new Uint32Array(256)
  for (const pixel of pixels) counts[pixel] = (counts[pixel] ?? 0) + 1
  let seen = 0
  return counts.findIndex(count => {
    seen += count
    return seen >= pixels.length * 0.9
  })
}

/** The map of the same picture turned clockwise by 90 degrees. */
export function turnMap(map: InkMap): InkMap {
  const side = INK_MAP_SIDE
  return Uint8Array.from(map, (_, at) => map[(side - 1 - (at % side)) * side + Math.floor(at / side)] ?? 0)
}
