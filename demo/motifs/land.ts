import { around, box, circle, dot, line, moved, onCircle, oval, path, shape, smooth, turned, type Point } from '../pen'
import type { Chance } from '../random'

const leaf = (length: number, width: number): string =>
  path(`M0 0C${length * 0.3} ${-width} ${length * 0.8} ${-width} ${length} 0C${length * 0.8} ${width} ${length * 0.3} ${width} 0 0Z`) +
  line([0, 0], [length * 0.8, 0])

/** Botanicals, tools and rope, home. */
export const LAND = {
  fern: (c: Chance) => {
    const count = c.whole(7, 10)
    const lean = c.between(-14, 14)
    return (
      smooth([
        [0, 46],
        [lean * 0.3, 10],
        [lean, -46],
      ]) +
      Array.from({ length: count }, (_, index) => {
        const y = 36 - (index * 78) / count
        const size = 26 * (1 - index / (count + 1)) + 5
        const x = lean * (1 - (y + 46) / 92)
        return moved(x, y, 1, turned(-28, leaf(size, size * 0.2)) + turned(208, leaf(size, size * 0.2)))
      }).join('')
    )
  },
  sprig: (c: Chance) => {
    const count = c.whole(4, 6)
    return (
      smooth([
        [-20, 46],
        [-4, 10],
        [12, -44],
      ]) +
      Array.from({ length: count }, (_, index) => {
        const t = index / count
        return moved(-18 + 28 * t, 38 - 76 * t, 1, turned(index % 2 ? -10 : -150, leaf(c.between(22, 28), 8)))
      }).join('') +
      (c.unit() > 0.5 ? circle(12, -44, 4) + circle(4, -36, 3) : '')
    )
  },
  flower: (c: Chance) => {
    const petals = c.whole(5, 9)
    const size = c.between(20, 26)
    return (
      moved(
        0,
        -14,
        1,
        around(petals, degrees =>
          turned(
            degrees,
            path(
              `M8 0C${size * 0.6} -${70 / petals} ${size * 1.3} -${60 / petals} ${size * 1.4} ` +
                `0C${size * 1.3} ${60 / petals} ${size * 0.6} ${70 / petals} 8 0Z`,
            ),
          ),
        ) +
          circle(0, 0, 8) +
          dot(-2, -2) +
          dot(3, 1) +
          dot(-1, 3),
      ) +
      smooth([
        [0, 22],
        [3, 34],
        [0, 48],
      ]) +
      moved(1, 40, 1, turned(-30, leaf(22, 6)))
    )
  },
  tulip: (c: Chance) =>
    path('M-18 -38L-8 -22L0 -42L8 -22L18 -38C24 -10 12 2 0 2C-12 2 -24 -10 -18 -38Z') +
    line([0, 2], [0, 46]) +
    path(`M0 44C-22 34 -24 12 -${c.between(18, 28)} 2C-8 14 0 26 0 44Z`) +
    path(`M0 44C18 36 20 20 ${c.between(18, 28)} 10C8 18 0 30 0 44Z`),
  acorn: (c: Chance) =>
    path('M-22 -6C-22 22 -8 36 0 44C8 36 22 22 22 -6Z') +
    path('M-26 -6C-28 -28 28 -28 26 -6Z') +
    path(`M0 -22C0 -32 4 -38 ${c.between(8, 16)} -42`) +
    [-14, -2, 10].map(x => line([x, -20], [x + 6, -8])).join(''),
  mushroom: (c: Chance) =>
    path('M-40 0C-38 -46 38 -46 40 0C20 8 -20 8 -40 0Z') +
    path('M-12 4C-8 20 -14 34 -16 44L16 44C14 34 8 20 12 4') +
    Array.from({ length: c.whole(3, 5) }, (_, index) => circle(-24 + index * 13, -14 - (index % 2) * 10, 4)).join(''),
  tree: (c: Chance) => {
    const tiers = c.whole(3, 4)
    return (
      Array.from({ length: tiers }, (_, index) => {
        const y = -44 + index * (66 / tiers)
        const wide = 14 + index * 8
        return path(`M0 ${y}L${wide} ${y + 28}C${wide * 0.4} ${y + 22} ${-wide * 0.4} ${y + 22} ${-wide} ${y + 28}Z`)
      }).join('') + box(-5, 30, 10, 14)
    )
  },
  wreath: (c: Chance) => {
    const count = c.whole(12, 18)
    return (
      circle(0, 0, 30) +
      around(count, (degrees, index) => {
        const [x, y] = onCircle(30, degrees)
        return moved(x, y, 1, turned(degrees + (index % 2 ? 130 : 50), leaf(15, 4.5)))
      })
    )
  },
  knot: (c: Chance) =>
    smooth([
      [-46, c.between(14, 26)],
      [-10, 20],
      [18, -6],
      [4, -28],
      [-16, -16],
      [-4, 12],
      [24, 24],
      [46, -c.between(10, 26)],
    ]) +
    smooth([
      [-46, 28],
      [-8, 30],
      [28, -4],
      [6, -40],
      [-28, -18],
      [-12, 20],
      [24, 34],
      [46, -6],
    ]),
  coil: (c: Chance) => {
    const turns = c.whole(3, 4)
    return (
      smooth(Array.from({ length: turns * 12 }, (_, index): Point => onCircle(8 + index * (34 / (turns * 12)), index * 30))) +
      path('M42 0C50 10 44 26 34 32')
    )
  },
  hammer: (c: Chance) => turned(c.between(-40, 40), box(-5, -22, 10, 66, 3) + path('M-22 -38L16 -38C26 -38 32 -30 34 -22L10 -24L-22 -22Z')),
  spanner: (c: Chance) =>
    turned(
      c.between(20, 60),
      path('M-7 -14L-7 24C-16 30 -16 44 0 46C16 44 16 30 7 24L7 -14C20 -22 18 -40 8 -46L8 -30L-8 -30L-8 -46C-18 -40 -20 -22 -7 -14Z') +
        circle(0, 34, 5),
    ),
  key: (c: Chance) =>
    turned(
      c.between(-45, 45),
      circle(0, -28, 15) +
        circle(0, -28, 8) +
        line([-3, -13], [-3, 42], [3, 42], [3, -13]) +
        box(3, 22, c.between(10, 16), 6) +
        box(3, 33, 10, 6),
    ),
  house: (c: Chance) =>
    box(-30, -6, 60, 48) +
    shape([-38, -6], [0, -40], [38, -6]) +
    box(-8, 16, 16, 26) +
    [-22, 12]
      .slice(0, c.whole(1, 2))
      .map(x => box(x, 2, 11, 11) + line([x + 5.5, 2], [x + 5.5, 13]))
      .join('') +
    box(14, -38, 9, 20) +
    (c.unit() > 0.4 ? path('M18 -40C12 -46 24 -46 18 -50') : ''),
  mitten: (c: Chance) =>
    path('M-18 28L-18 -20C-18 -46 18 -46 18 -20L18 -6C26 -20 38 -16 34 -4C30 8 22 12 18 16L18 28Z') +
    box(-21, 28, 42, 14, 4) +
    (c.unit() > 0.5
      ? path('M-18 0L-9 -8L0 0L9 -8L18 0M-18 12L-9 4L0 12L9 4L18 12')
      : moved(
          0,
          -8,
          0.3,
          around(6, degrees => line([0, 0], onCircle(40, degrees))),
        )),
  bell: (c: Chance) =>
    path('M-28 24C-18 14 -20 -6 -16 -18C-12 -32 12 -32 16 -18C20 -6 18 14 28 24Z') +
    oval(0, 24, 28, 5) +
    circle(0, 33, 5) +
    circle(0, -34, c.between(4, 6)),
  bird: (c: Chance) =>
    path('M-34 4C-30 -18 -8 -22 4 -8C14 -2 30 -6 46 -20C42 6 24 26 -4 26C-22 26 -34 16 -34 4Z') +
    shape([-34, 0], [-46, 4], [-33, 8]) +
    dot(-22, -3, 2) +
    path('M-6 2C6 -2 18 2 26 -6C22 12 6 18 -6 12') +
    line([-4, 26], [-6, 42]) +
    line([4, 25], [4, c.between(38, 44)]),
} as const
