import { componentsOf } from './components'
import type { GreyPicture } from './fingerprint'
import { shrink } from './grey'

/** Resolution in pixels a mm that shows a shadow. */
const LOOKED_AT = 2
/** Narrower ink is filled in; a shadow is broader. */
const BROAD_MM = 2.5
/** A hard shadow edge is at most this wide; a soft one does no harm. */
const EDGE_MM = 3.5
/** Least and greatest darkening of paper in shadow. A darker field is ink or a table. */
const DARKER_BY = 0.1
const DARKEST = 0.4
/** Least length of a shadow's edge. */
const LEAST_MM = 15

/**
 * Whether a broad dark part with a hard edge extends beyond the picture: a shadow, whose edge would be taken for one of the set. A
 * morphological closing (Serra 1982) fills in ink first and keeps broad dark parts. O(pixels).
 */
export function hasHardShadow(picture: GreyPicture, pxPerMm: number): boolean {
  const factor = Math.max(1, Math.round(pxPerMm / LOOKED_AT))
  const small = shrink(picture, factor)
  const perMm = pxPerMm / factor
  const { widthPx, heightPx } = small
  const bright = brightest(small, Math.round(EDGE_MM * perMm))
  const broad = darkest(brightest(small, Math.round(BROAD_MM * perMm)), Math.round(BROAD_MM * perMm))
  const isShade = broad.pixels.map((pixel, at) => {
    const around = bright.pixels[at] ?? 255
    return Number(pixel < around * (1 - DARKER_BY) && pixel > around * DARKEST)
  })
  // A blurred rim of a solid shape is narrower than this.
  const solid = darkest({ widthPx, heightPx, pixels: isShade }, 1)
  return componentsOf({ widthPx, heightPx, ink: solid.pixels }).components.some(
    ({ left, top, right, bottom }) =>
      Math.max(right - left, bottom - top) >= LEAST_MM * perMm && (left <= 3 || top <= 3 || right >= widthPx - 4 || bottom >= heightPx - 4),
  )
}

/** The brightest of the square around each pixel; beyond the picture there is nothing. */
function brightest({ widthPx, heightPx, pixels }: GreyPicture, reachPx: number): GreyPicture {
  const across = along(pixels, heightPx, widthPx, 1, widthPx, reachPx)
  return { widthPx, heightPx, pixels: along(across, widthPx, heightPx, widthPx, 1, reachPx) }
}
/** The darkest of it. */
function darkest(picture: GreyPicture, reachPx: number): GreyPicture {
  const inverted = { ...picture, pixels: picture.pixels.map(pixel => 255 - pixel) }
  return { ...picture, pixels: brightest(inverted, reachPx).pixels.map(pixel => 255 - pixel) }
}
function along(from: Uint8Array, lines: number, length: number, step: number, nextLine: number, reach: number): Uint8Array {
  const to = new Uint8Array(from.length)
  for (let line = 0; line < lines; line += 1) {
    for (let at = 0; at < length; at += 1) {
      const last = Math.min(length - 1, at + reach)
      let most = 0
      for (let near = Math.max(0, at - reach); near <= last; near += 1) {
        const pixel = from[line * nextLine + near * step] ?? 0
        if (pixel > most) most = pixel
      }
      to[line * nextLine + at * step] = most
    }
  }
  return to
}
