import type { GreyPicture } from './fingerprint'
import { type Matrix3, mapPoint } from './perspective'

/** Brightness by bilinear interpolation; beyond the edge, that of the nearest pixel. */
export function brightnessAt({ widthPx, heightPx, pixels }: GreyPicture, x: number, y: number): number {
  const cx = Math.min(Math.max(x, 0), widthPx - 1)
  const cy = Math.min(Math.max(y, 0), heightPx - 1)
  const left = Math.min(Math.floor(cx), widthPx - 2)
  const top = Math.min(Math.floor(cy), heightPx - 2)
  const u = cx - left
  const v = cy - top
  const at = top * widthPx + left
  return (
    (1 - v) * ((1 - u) * (pixels[at] ?? 0) + u * (pixels[at + 1] ?? 0)) +
    v * ((1 - u) * (pixels[at + widthPx] ?? 0) + u * (pixels[at + widthPx + 1] ?? 0))
  )
}

/** A rectangle of a plane, in mm, as a picture of so many pixels a mm; `toPhoto` maps a point of the plane to the photo. */
export function rectify(
  photo: GreyPicture,
  toPhoto: Matrix3,
  area: { readonly x: number; readonly y: number; readonly widthMm: number; readonly heightMm: number },
  pxPerMm: number,
): GreyPicture {
  const [widthPx, heightPx] = [Math.max(2, Math.round(area.widthMm * pxPerMm)), Math.max(2, Math.round(area.heightMm * pxPerMm))]
  const pixels = new Uint8Array(widthPx * heightPx)
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      const { x, y } = mapPoint(toPhoto, { x: area.x + (column + 0.5) / pxPerMm, y: area.y + (row + 0.5) / pxPerMm })
      pixels[row * widthPx + column] = Math.round(brightnessAt(photo, x - 0.5, y - 0.5))
    }
  }
  return { widthPx, heightPx, pixels }
}

/** Smaller by an integer factor: the mean of each square of pixels. */
export function shrink({ widthPx, heightPx, pixels }: GreyPicture, factor: number): GreyPicture {
  const [width, height] = [Math.floor(widthPx / factor), Math.floor(heightPx / factor)]
  const small = new Uint8Array(width * height)
  for (let row = 0; row < height; row += 1) {
    for (let column = 0; column < width; column += 1) {
      let sum = 0
      for (let y = 0; y < factor; y += 1)
        for (let x = 0; x < factor; x += 1) sum += pixels[(row * factor + y) * widthPx + column * factor + x] ?? 0
      small[row * width + column] = Math.round(sum / (factor * factor))
    }
  }
  return { widthPx: width, heightPx: height, pixels: small }
}
