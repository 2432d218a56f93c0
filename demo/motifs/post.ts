import { box, circle, dot, line, oval, path, shape, smooth, turned, type Point } from '../pen'
import type { Chance } from '../random'

/** Post, letters, the writing table, the kitchen and the feast. */
export const POST = {
  envelope: (c: Chance) => {
    const flap = c.between(2, 14)
    return (
      box(-44, -28, 88, 58, 2) +
      line([-44, -28], [0, flap], [44, -28]) +
      line([-44, 30], [-12, 0]) +
      line([44, 30], [12, 0]) +
      (c.unit() > 0.5 ? circle(0, flap, 6) : '')
    )
  },
  parcel: (c: Chance) => {
    const x = c.between(-12, 12)
    return (
      box(-38, -22, 76, 60, 2) +
      line([x, -22], [x, 38]) +
      line([-38, 6], [38, 6]) +
      path(`M${x} -22C${x - 26} -46 ${x - 26} -18 ${x} -22C${x + 26} -46 ${x + 26} -18 ${x} -22Z`) +
      (c.unit() > 0.4 ? box(x + 8, 14, 18, 14) : '')
    )
  },
  postmark: (c: Chance) =>
    circle(-10, 0, 30) +
    circle(-10, 0, 22) +
    line([-28, -5], [8, -5]) +
    line([-28, 6], [8, 6]) +
    Array.from({ length: c.whole(3, 5) }, (_, index) =>
      path(`M20 ${-20 + index * 10}C28 ${-26 + index * 10} 34 ${-14 + index * 10} 46 ${-20 + index * 10}`),
    ).join(''),
  quill: (c: Chance) => {
    const barbs = Array.from({ length: c.whole(5, 9) }, (_, index) =>
      line([-8 + index * 5, 8 - index * 6], [-16 + index * 5, -2 - index * 6]),
    ).join('')
    return path('M-38 44C-20 20 0 -4 42 -44C44 -16 26 8 -12 14Z') + path('M-38 44C-24 24 -8 8 24 -24') + barbs
  },
  inkpot: (c: Chance) =>
    path('M-24 40L-24 8C-24 -2 -12 -4 -12 -12L12 -12C12 -4 24 -2 24 8L24 40Z') +
    box(-15, -22, 30, 10, 2) +
    path(`M-24 ${c.between(14, 24)}C-10 ${c.between(10, 20)} 10 26 24 18`),
  postbox: (c: Chance) =>
    path('M-26 44L-26 -20C-26 -46 26 -46 26 -20L26 44Z') +
    box(-16, -16, 32, 7, 3) +
    line([-26, -2], [26, -2]) +
    box(-12, 8, 24, c.between(12, 20)) +
    line([-32, 44], [32, 44]),
  teacup: (c: Chance) =>
    path('M-32 -8L26 -8C26 22 14 32 -3 32C-20 32 -32 22 -32 -8Z') +
    path('M26 -2C44 -6 44 20 22 16') +
    oval(-3, 38, 38, 5) +
    Array.from({ length: c.whole(1, 3) }, (_, index) =>
      path(`M${-16 + index * 13} -14C${-22 + index * 13} -24 ${-10 + index * 13} -28 ${-16 + index * 13} -40`),
    ).join(''),
  cake: (c: Chance) => {
    const candles = c.whole(1, 5)
    const step = 44 / (candles + 1)
    return (
      box(-34, 4, 68, 34, 3) +
      path('M-34 14C-28 24 -22 24 -17 14C-11 24 -5 24 0 14C5 24 11 24 17 14C22 24 28 24 34 14') +
      box(-24, -14, 48, 18, 3) +
      line([-44, 40], [44, 40]) +
      Array.from({ length: candles }, (_, index) => {
        const x = -22 + step * (index + 1)
        return line([x, -14], [x, -30]) + path(`M${x} -31C${x - 4} -36 ${x} -40 ${x} -43C${x} -40 ${x + 4} -36 ${x} -31Z`)
      }).join('')
    )
  },
  balloon: (c: Chance) =>
    [-1, 0, 1]
      .slice(0, c.whole(2, 3))
      .map(
        side =>
          oval(side * 24, -22 + Math.abs(side) * 10, 14, 18) +
          smooth([
            [side * 24, -4 + Math.abs(side) * 10],
            [side * 14, 16],
            [0, 44],
          ]),
      )
      .join(''),
  bunting: (c: Chance) => {
    const flags = c.whole(4, 7)
    const points: Point[] = Array.from({ length: flags + 1 }, (_, index) => [
      -46 + (92 * index) / flags,
      -20 + Math.sin((Math.PI * index) / flags) * 24,
    ])
    return (
      smooth(points) +
      points
        .slice(1)
        .map(([x, y], index) => {
          const [px, py] = points[index] as Point
          return shape([px + 2, py + 1], [x - 2, y + 1], [(px + x) / 2, (py + y) / 2 + 26])
        })
        .join('')
    )
  },
  gift: (c: Chance) =>
    box(-32, -8, 64, 48, 2) +
    box(-37, -20, 74, 12, 2) +
    line([-6, -20], [-6, 40]) +
    line([6, -20], [6, 40]) +
    path(`M0 -20C${-c.between(26, 36)} -46 -20 -14 0 -20C20 -14 ${c.between(26, 36)} -46 0 -20Z`),
  bottle: (c: Chance) =>
    turned(
      c.between(-35, 35),
      path('M-12 44L-12 -12C-12 -22 -6 -24 -6 -34L6 -34C6 -24 12 -22 12 -12L12 44Z') +
        box(-7, -44, 14, 10, 2) +
        turned(8, box(-6, 0, 12, 34, 2)) +
        line([-4, 8], [4, 9]) +
        line([-5, 16], [3, 17]),
    ),
  heart: (c: Chance) =>
    path('M0 40C-52 4 -38 -40 -12 -36C-4 -34 0 -26 0 -20C0 -26 4 -34 12 -36C38 -40 52 4 0 40Z') +
    (c.unit() > 0.4 ? path('M0 28C-36 2 -28 -26 -12 -25M-20 -8C-22 -16 -16 -20 -12 -19') : dot(0, 4, 2)),
} as const
