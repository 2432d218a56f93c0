import { around, circle, dot, line, onCircle, path, rosette, shape, smooth, turned } from '../pen'
import type { Chance } from '../random'

/** Weather and winter lights. */
export const SKY = {
  cloud: (c: Chance) => {
    const drops = c.whole(0, 6)
    const rain = Array.from({ length: drops }, (_, index) => line([-26 + index * 11, 18], [-31 + index * 11, c.between(28, 42)])).join('')
    return path('M-30 10C-46 10 -46 -12 -30 -12C-30 -32 -2 -36 4 -20C18 -30 36 -18 30 -6C46 -4 44 10 32 10Z') + rain
  },
  sun: (c: Chance) => {
    const rays = c.pick([8, 12, 16])
    return (
      circle(0, 0, 18) +
      around(rays, (degrees, index) => line(onCircle(24, degrees), onCircle(index % 2 ? 34 : 45, degrees))) +
      (c.unit() > 0.5 ? circle(0, 0, 13) : '')
    )
  },
  moon: (c: Chance) =>
    path('M14 -40C-22 -36 -30 30 20 38C-8 48 -44 28 -42 -4C-40 -34 -10 -48 14 -40Z') +
    [
      [24, -18],
      [34, 6],
      [18, 14],
    ]
      .slice(0, c.whole(1, 3))
      .map(([x, y]) => `<g transform="translate(${x} ${y}) scale(.14)">${rosette(5, 50, 20)}</g>`)
      .join(''),
  umbrella: (c: Chance) => {
    const ribs = c.whole(3, 5)
    const step = 84 / ribs
    const edge = Array.from({ length: ribs }, (_, index) => `A${step / 2} 8 0 0 0 ${42 - (index + 1) * step} 4`).join('')
    return (
      path(`M-42 4C-40 -36 40 -36 42 4${edge}`) +
      line([0, -28], [0, 34]) +
      path('M0 34C0 46 -14 46 -14 36') +
      line([0, -28], [0, -36]) +
      Array.from({ length: ribs - 1 }, (_, index) =>
        path(`M0 -27C${(42 - (index + 1) * step) * 0.7} -22 ${42 - (index + 1) * step} -10 ${42 - (index + 1) * step} 4`),
      ).join('')
    )
  },
  snowflake: (c: Chance) => {
    const first = c.between(14, 22)
    const second = c.between(28, 36)
    const branch = (at: number, size: number): string => line([at, 0], [at + size, size]) + line([at, 0], [at + size, -size])
    return (
      around(6, degrees => turned(degrees, line([0, 0], [45, 0]) + branch(first, c.between(7, 7.01)) + branch(second, 8)), 30) +
      (c.unit() > 0.5 ? circle(0, 0, 6) : rosette(6, 9, 5))
    )
  },
  lantern: (c: Chance) =>
    path('M-16 -20L16 -20L20 24L-20 24Z') +
    path('M-20 24L20 24L16 34L-16 34Z') +
    path('M-10 -20C-10 -34 10 -34 10 -20') +
    circle(0, -38, 6) +
    path(`M0 14C-9 8 -4 0 0 ${c.between(-12, -6)}C4 0 9 8 0 14Z`) +
    line([-7, -20], [-9, 24]) +
    line([7, -20], [9, 24]),
  candle: (c: Chance) => {
    const tall = c.between(20, 34)
    return (
      path(`M-9 36L-9 ${36 - tall}C-4 ${32 - tall} 4 ${40 - tall} 9 ${36 - tall}L9 36Z`) +
      line([0, 36 - tall], [0, 30 - tall]) +
      path(`M0 ${30 - tall}C-9 ${22 - tall} -4 ${14 - tall} 0 ${4 - tall}C4 ${14 - tall} 9 ${22 - tall} 0 ${30 - tall}Z`) +
      path('M-24 36C-24 46 24 46 24 36Z') +
      circle(28, 38, 5)
    )
  },
  star: (c: Chance) => {
    const points = c.pick([5, 6, 8])
    return rosette(points, 44, c.between(15, 20)) + rosette(points, 26, 10)
  },
  kite: (c: Chance) => {
    const bows = c.whole(2, 4)
    return (
      shape([0, -46], [24, -14], [0, 16], [-24, -14]) +
      line([0, -46], [0, 16]) +
      line([-24, -14], [24, -14]) +
      smooth([
        [0, 16],
        [8, 24],
        [-6, 32],
        [10, 40],
        [2, 48],
      ]) +
      Array.from({ length: bows }, (_, index) =>
        shape([index % 2 ? -8 : 6, 22 + index * 8], [index % 2 ? 0 : 14, 26 + index * 8], [index % 2 ? -8 : 6, 28 + index * 8]),
      ).join('')
    )
  },
  barometer: (c: Chance) =>
    circle(0, 6, 34) +
    circle(0, 6, 28) +
    around(c.pick([12, 16, 20]), degrees => line(onCircle(28, degrees, 0, 6), onCircle(23, degrees, 0, 6))) +
    line([0, 6], onCircle(20, c.between(-140, -40), 0, 6)) +
    dot(0, 6, 3) +
    path('M-10 -28C-10 -44 10 -44 10 -28'),
} as const
