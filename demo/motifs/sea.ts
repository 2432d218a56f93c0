import { around, box, circle, dot, line, onCircle, oval, path, rosette, shape, smooth, turned, type Point } from '../pen'
import type { Chance } from '../random'

/** Harbour and shore. Every motif draws itself anew from chance: counts, proportions and lean differ. */
export const SEA = {
  anchor: (c: Chance) => {
    const arm = c.between(26, 36)
    const bar = c.between(14, 24)
    return (
      circle(0, -38, 7) +
      line([0, -31], [0, 40]) +
      line([-bar, -20], [bar, -20]) +
      path(`M${-arm} 10C${-arm} 34 -14 42 0 42C14 42 ${arm} 34 ${arm} 10`) +
      shape([-arm - 6, 16], [-arm, 2], [-arm + 9, 14]) +
      shape([arm - 9, 14], [arm, 2], [arm + 6, 16]) +
      (c.unit() > 0.5 ? path('M4 -34C26 -30 -20 -6 6 4C24 12 -16 26 8 34') : '')
    )
  },
  gull: (c: Chance) => {
    const lift = c.between(8, 26)
    return (
      path(
        `M-46 ${-lift}C-30 ${-lift - 16} -14 -8 0 4C14 -8 30 ${-lift - 16} 46 ${-lift}C30 ${-lift - 4} ` +
          `18 6 6 14C2 24 -8 26 -14 20C-10 16 -8 12 -6 14C-18 6 -30 ${-lift - 4} -46 ${-lift}Z`,
      ) + dot(3, 10, 1.4)
    )
  },
  wave: (c: Chance) => {
    const rows = c.whole(2, 4)
    return Array.from({ length: rows }, (_, row) => {
      const y = -24 + row * (54 / rows)
      return path(
        `M-46 ${y}C-36 ${y - 18} -22 ${y - 18} -16 ${y}C-20 ${y - 8} -28 ${y - 6} -26 ${y + 2}M-16 ${y}C-6 ` +
          `${y - 18} 8 ${y - 18} 14 ${y}C10 ${y - 8} 2 ${y - 6} 4 ${y + 2}M14 ${y}C24 ${y - 18} 38 ${y - 18} 46 ${y}`,
      )
    }).join('')
  },
  boat: (c: Chance) => {
    const mast = c.between(36, 46)
    return (
      path('M-38 22L38 22C34 36 24 40 16 40L-18 40C-28 40 -36 32 -38 22Z') +
      line([0, 22], [0, -mast]) +
      shape([3, -mast + 6], [3, 16], [32, 16]) +
      shape([-3, -mast + 14], [-3, 16], [c.between(-30, -22), 16]) +
      path(`M0 ${-mast}L${c.between(10, 16)} ${-mast + 4}L0 ${-mast + 8}`) +
      path('M-46 46C-36 40 -28 52 -18 46C-8 40 2 52 12 46C22 40 34 52 46 46')
    )
  },
  lighthouse: (c: Chance) => {
    const bands = c.whole(2, 4)
    const stripes = Array.from({ length: bands }, (_, index) =>
      line([-13 - index * 1.6, -10 + index * 12], [13 + index * 1.6, -4 + index * 12]),
    ).join('')
    return (
      path('M-11 -18L-18 42L18 42L11 -18Z') +
      stripes +
      box(-14, -22, 28, 4) +
      box(-8, -36, 16, 14) +
      path('M-11 -36L0 -47L11 -36Z') +
      line([-16, -30], [-44, -38]) +
      line([-16, -28], [-44, -22]) +
      line([16, -30], [44, -38]) +
      line([16, -28], [44, -22]) +
      path('M-34 46C-20 38 20 38 34 46')
    )
  },
  fish: (c: Chance) => {
    const depth = c.between(14, 24)
    const scales = Array.from({ length: c.whole(3, 5) }, (_, index) =>
      path(`M${-6 + index * 9} ${-depth * 0.5}C${-1 + index * 9} ${-4} ${-1 + index * 9} 4 ${-6 + index * 9} ${depth * 0.5}`),
    ).join('')
    return (
      path(`M-42 0C-26 ${-depth} 12 ${-depth} 30 0C12 ${depth} -26 ${depth} -42 0Z`) +
      shape([28, 0], [46, -16], [42, 0], [46, 16]) +
      scales +
      circle(-28, -3, 2.6) +
      path('M-20 -9C-15 -3 -15 5 -20 10')
    )
  },
  kelp: (c: Chance) => {
    const points: Point[] = Array.from({ length: 7 }, (_, index) => [Math.sin(index * 1.3) * c.between(3, 9), 46 - index * 15])
    const blades = points
      .slice(1)
      .map(([x, y], index) => {
        const side = index % 2 ? 1 : -1
        return path(
          `M${x} ${y}C${x + side * 12} ${y - 12} ${x + side * 26} ${y - 10} ${x + side * 32} ` +
            `${y - 20}C${x + side * 22} ${y + 2} ${x + side * 10} ${y + 4} ${x} ${y}Z`,
        )
      })
      .join('')
    return smooth(points) + blades
  },
  limpet: (c: Chance) => {
    const ribs = c.whole(8, 14)
    return (
      oval(0, 12, 42, 28) +
      oval(0, -4, 9, 6) +
      around(ribs, degrees =>
        line(onCircle(8, degrees, 0, -4), [40 * Math.cos((degrees * Math.PI) / 180), 12 + 26 * Math.sin((degrees * Math.PI) / 180)]),
      ) +
      oval(0, 12, 30, 19)
    )
  },
  starfish: (c: Chance) => {
    const arm = c.between(14, 20)
    return (
      smooth(
        Array.from({ length: 10 }, (_, index) => onCircle(index % 2 ? arm : 45, -90 + index * 36)),
        true,
      ) +
      around(5, degrees => [12, 20, 28, 35].map(radius => dot(...onCircle(radius, degrees), 1.5)).join('')) +
      circle(0, 0, 5)
    )
  },
  scallop: (c: Chance) => {
    const ribs = c.whole(5, 9)
    const edge = Array.from({ length: ribs + 1 }, (_, index) => onCircle(44, 200 + (index * 140) / ribs, 0, 14))
    const scallops = edge
      .slice(1)
      .map(([x, y]) => `A${60 / ribs} ${60 / ribs} 0 0 1 ${x} ${y}`)
      .join('')
    return (
      path(`M-6 40L${edge[0]?.join(' ')}${scallops}L6 40Z`) +
      edge
        .slice(1, -1)
        .map(point => line([0, 38], [point[0] * 0.94, point[1] + 3]))
        .join('') +
      path('M-14 34L-6 46L6 46L14 34')
    )
  },
  crab: (c: Chance) => {
    const wide = c.between(24, 30)
    const legs = [0, 1, 2]
      .map(index =>
        [-1, 1]
          .map(side =>
            line([side * wide * 0.8, 10 + index * 5], [side * (wide + 14), 8 + index * 12], [side * (wide + 18), 18 + index * 12]),
          )
          .join(''),
      )
      .join('')
    const claws = [-1, 1]
      .map(
        side =>
          path(`M${side * 20} -4C${side * 34} -16 ${side * 34} -22 ${side * 30} -30`) +
          path(
            `M${side * 30} -28C${side * 16} -34 ${side * 22} -46 ${side * 30} -44L${side * 29} ` +
              `-37L${side * 38} -44C${side * 44} -36 ${side * 40} -28 ${side * 30} -28Z`,
          ),
      )
      .join('')
    return (
      oval(0, 8, wide, 18) +
      legs +
      claws +
      line([-6, -9], [-8, -16]) +
      line([6, -9], [8, -16]) +
      circle(-8, -18, 2.4) +
      circle(8, -18, 2.4) +
      path('M-9 16C-4 20 4 20 9 16')
    )
  },
  wheel: (c: Chance) => {
    const spokes = c.pick([6, 8, 10])
    return (
      circle(0, 0, 32) +
      circle(0, 0, 25) +
      circle(0, 0, 8) +
      around(spokes, degrees => line(onCircle(8, degrees), onCircle(46, degrees)) + circle(...onCircle(46, degrees), 3))
    )
  },
  compass: (c: Chance) =>
    rosette(4, 44, c.between(7, 11)) +
    turned(45, rosette(4, 30, 8)) +
    circle(0, 0, 36) +
    circle(0, 0, 4) +
    (c.unit() > 0.4 ? around(24, degrees => line(onCircle(36, degrees), onCircle(39, degrees))) : circle(0, 0, 39)),
  buoy: (c: Chance) =>
    path('M-20 26L-12 -12L12 -12L20 26Z') +
    line([-17, 12], [17, 12]) +
    line([-14, 0], [14, 0]) +
    line([0, -12], [0, -30]) +
    circle(0, -35, c.between(4, 7)) +
    path('M-44 32C-34 24 -26 38 -14 30C-4 24 6 38 16 30C26 24 34 38 44 30'),
} as const
