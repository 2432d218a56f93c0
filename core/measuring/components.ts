import type { Mask } from './threshold'

/** Connected ink: its box in pixels, edges included, and its number of pixels. */
interface Component {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
  readonly pixels: number
}
export interface Labelled {
  /** For each pixel the number of its component, from 1; 0 where there is no ink. */
  readonly labels: Int32Array
  readonly components: readonly Component[]
}

/**
 * Connected components with 8-connectivity: two passes with union-find, where only those known neighbours are examined that may not touch
 * each other (Wu, Otoo and Suzuki 2009, Pattern Anal. Appl. 12, 117-135). O(pixels).
 */
export function componentsOf({ widthPx, heightPx, ink }: Mask): Labelled {
  const labels = new Int32Array(widthPx * heightPx)
  const parents: number[] = [0]
  const root = (label: number): number => {
    let at = label
    while (parents[at] !== at) at = parents[at] = parents[parents[at] as number] as number
    return at
  }
  /** Merges two components: the lower number stands for both. */
  const joined = (one: number, other: number): number => {
    const [a, b] = [root(one), root(other)]
    const low = Math.min(a, b)
    parents[Math.max(a, b)] = low
    return low
  }
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      const at = row * widthPx + column
      if (ink[at] !== 1) continue
      // Every other neighbour of this pixel touches the one above.
      const above = row > 0 ? (labels[at - widthPx] as number) : 0
      if (above !== 0) {
        labels[at] = above
        continue
      }
      const left = column > 0 ? (labels[at - 1] as number) || (row > 0 ? (labels[at - widthPx - 1] as number) : 0) : 0
      const right = row > 0 && column < widthPx - 1 ? (labels[at - widthPx + 1] as number) : 0
      if (left !== 0 && right !== 0) labels[at] = joined(left, right)
      else labels[at] = left || right || parents.push(parents.length) - 1
    }
  }
  const numbers = new Int32Array(parents.length)
  const components: { left: number; top: number; right: number; bottom: number; pixels: number }[] = []
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      const at = row * widthPx + column
      if (labels[at] === 0) continue
      const found = root(labels[at] as number)
      let number = numbers[found] as number
      if (number === 0) {
        number = components.push({ left: column, top: row, right: column, bottom: row, pixels: 0 })
        numbers[found] = number
      }
      labels[at] = number
      const box = components[number - 1] as (typeof components)[number]
      if (column < box.left) box.left = column
      if (column > box.right) box.right = column
      box.bottom = row
      box.pixels += 1
    }
  }
  return { labels, components }
}

/** Ink dilated by a square of that radius in pixels; parts closer than twice the radius merge. O(pixels). */
export function grown({ widthPx, heightPx, ink }: Mask, byPx: number): Mask {
  const across = new Uint8Array(ink.length)
  const both = new Uint8Array(ink.length)
  spread(ink, across, heightPx, widthPx, 1, widthPx, byPx)
  spread(across, both, widthPx, heightPx, widthPx, 1, byPx)
  return { widthPx, heightPx, ink: both }
}
function spread(from: Uint8Array, to: Uint8Array, lines: number, length: number, step: number, nextLine: number, by: number): void {
  for (let line = 0; line < lines; line += 1) {
    let until = -1
    for (let at = -by; at < length; at += 1) {
      if (at + by < length && from[line * nextLine + (at + by) * step] === 1) until = at + 2 * by
      if (at >= 0 && at <= until) to[line * nextLine + at * step] = 1
    }
  }
}
