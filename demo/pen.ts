/** A point of a drawing. Motifs are drawn in a box from -50 to 50 in both directions. */
export type Point = readonly [x: number, y: number]

const n = (value: number): string => String(Math.round(value * 100) / 100)
export const at = ([x, y]: Point): string => `${n(x)} ${n(y)}`

export const path = (d: string): string => `<path d="${d}"/>`
export const circle = (x: number, y: number, r: number): string => `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}"/>`
export const oval = (x: number, y: number, rx: number, ry: number): string =>
  `<ellipse cx="${n(x)}" cy="${n(y)}" rx="${n(rx)}" ry="${n(ry)}"/>`
export const box = (x: number, y: number, width: number, height: number, round = 0): string =>
  `<rect x="${n(x)}" y="${n(y)}" width="${n(width)}" height="${n(height)}" rx="${n(round)}"/>`
export const dot = (x: number, y: number, r = 1.6): string => `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="#1B2340" stroke="none"/>`
export const line = (...points: readonly Point[]): string => path(`M${points.map(at).join('L')}`)
export const shape = (...points: readonly Point[]): string => path(`M${points.map(at).join('L')}Z`)
export const turned = (degrees: number, content: string, x = 0, y = 0): string =>
  `<g transform="rotate(${n(degrees)} ${n(x)} ${n(y)})">${content}</g>`
export const moved = (x: number, y: number, scale: number, content: string): string =>
  `<g transform="translate(${n(x)} ${n(y)}) scale(${n(scale)})">${content}</g>`

export const onCircle = (radius: number, degrees: number, x = 0, y = 0): Point => {
  const radians = (degrees * Math.PI) / 180
  return [x + radius * Math.cos(radians), y + radius * Math.sin(radians)]
}
export const around = (count: number, draw: (degrees: number, index: number) => string, from = -90): string =>
  Array.from({ length: count }, (_, index) => draw(from + (index * 360) / count, index)).join('')

/** A smooth line through points (Catmull-Rom as cubic Bezier). */
export function smooth(points: readonly Point[], closed = false): string {
  const count = points.length
  const point = (index: number): Point =>
    (closed ? points[(index + count) % count] : points[Math.min(Math.max(index, 0), count - 1)]) as Point
  let d = `M${at(point(0))}`
  for (let index = 0; index < (closed ? count : count - 1); index += 1) {
    const [p0, p1, p2, p3] = [point(index - 1), point(index), point(index + 1), point(index + 2)]
    const first: Point = [p1[0] + (p2[0] - p0[0]) / 6, p1[1] + (p2[1] - p0[1]) / 6]
    const second: Point = [p2[0] - (p3[0] - p1[0]) / 6, p2[1] - (p3[1] - p1[1]) / 6]
    d += `C${at(first)} ${at(second)} ${at(p2)}`
  }
  return path(closed ? `${d}Z` : d)
}
/** A star or rosette outline: radii alternate. */
export function rosette(points: number, outer: number, inner: number): string {
  return shape(...Array.from({ length: points * 2 }, (_, index) => onCircle(index % 2 ? inner : outer, -90 + (index * 180) / points)))
}
