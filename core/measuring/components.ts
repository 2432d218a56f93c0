import type { Mask } from './threshold'

/** Ink that hangs together: its box in pixels, edges included, and how many pixels it has. */
export interface Component {
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

/** Connected components, corners count as touching: two passes with union and find. O(pixels). */
export function componentsOf({ widthPx, heightPx, ink }: Mask): Labelled {
  const labels = new Int32Array(widthPx * heightPx)
  const parents: number[] = [0]
  const root = (label: number): number => {
    let at = label
    while (parents[at] !== at) at = parents[at] = parents[parents[at] as number] as number
    return at
  }
  /** The label of both, 0 for none: the lower of the two, which the other is of from then on. */
  const joined = (own: number, near: number): number => {
    if (near === 0) return own
    const found = root(near)
    if (own === 0 || own === found) return found
    const [low, high] = own < found ? [own, found] : [found, own]
    parents[high] = low
    return low
  }
  for (let row = 0; row < heightPx; row += 1) {
    for (let column = 0; column < widthPx; column += 1) {
      const at = row * widthPx + column
      if (ink[at] !== 1) continue
      let own = 0
      // Left, and the three above: what is known already.
      const [hasLeft, hasRight] = [column > 0, column < widthPx - 1]
      if (hasLeft) own = joined(own, labels[at - 1] as number)
      if (row > 0) {
        if (hasLeft) own = joined(own, labels[at - widthPx - 1] as number)
        own = joined(own, labels[at - widthPx] as number)
        if (hasRight) own = joined(own, labels[at - widthPx + 1] as number)
      }
      if (own === 0) parents.push((own = parents.length))
      labels[at] = own
    }
  }
  const numbers = new Int32Array(parents.length)
  const components: { left: number; top: number; right: number; bottom: number; pixels: number }[] = []
  for (let at = 0; at < labels.length; at += 1) {
    const label = labels[at]
    if (!label) continue
    const found = root(label)
    let number = numbers[found] as number
    if (number === 0) {
      number = components.push({ left: widthPx, top: heightPx, right: 0, bottom: 0, pixels: 0 })
      numbers[found] = number
    }
    labels[at] = number
    const box = components[number - 1]
    if (!box) continue
    const [row, column] = [Math.floor(at / widthPx), at % widthPx]
    box.left = Math.min(box.left, column)
    box.right = Math.max(box.right, column)
    box.top = Math.min(box.top, row)
    box.bottom = row
    box.pixels += 1
  }
  return { labels, components }
}

/** Ink grown by so many pixels to all sides, as a square: what lies closer than twice as much grows together. O(pixels). */
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
