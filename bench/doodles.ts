import { drawMotif, type MotifName, MOTIFS } from '../demo/motifs'
import { around, box, circle, dot, line, moved, onCircle, oval, path, rosette, smooth, turned } from '../demo/pen'
import type { Chance } from '../demo/random'
import { FACE_NAMES, setText } from '../demo/type'

/** One piece of an invented set, drawn in a box from -50 to 50; no two are drawn alike. */
export function doodle(luck: Chance): string {
  return luck.pick([bloom, creature, phrase, scene])(luck)
}

function bloom(luck: Chance): string {
  const [petals, far, near, breadth] = [luck.whole(3, 11), luck.between(22, 40), luck.between(5, 15), luck.between(4, 16)]
  const head = around(petals, degrees => turned(degrees, oval(0, (far + near) / 2, breadth, (far - near) / 2)), luck.between(0, 90))
  const heart = luck.pick([
    circle(0, 0, near),
    rosette(luck.whole(5, 12), near, near * luck.between(0.4, 0.8)),
    circle(0, 0, near) + dot(0, 0, near / 2),
  ])
  const leaves = Array.from({ length: luck.whole(0, 4) }, (_, at) =>
    moved(luck.between(-6, 6), 30 + at * 6, luck.between(0.5, 1), turned(luck.between(0, 360), oval(14, 0, 14, luck.between(3, 8)))),
  ).join('')
  return (
    moved(0, -8, 0.9, head + heart) +
    (luck.unit() < 0.6 ? path(`M0 10C${luck.between(-20, 20)} 25 ${luck.between(-20, 20)} 35 ${luck.between(-10, 10)} 50`) + leaves : '')
  )
}
function creature(luck: Chance): string {
  const corners = luck.whole(6, 12)
  const body = smooth(
    Array.from({ length: corners }, (_, at) => onCircle(luck.between(18, 44), (at * 360) / corners)),
    true,
  )
  const marks = Array.from({ length: luck.whole(1, 6) }, () => {
    const [x, y] = [luck.between(-24, 24), luck.between(-24, 24)]
    return luck.pick([
      circle(x, y, luck.between(2, 9)),
      dot(x, y, luck.between(1.5, 4)),
      smooth([
        [x, y],
        [x + luck.between(-20, 20), y + luck.between(-20, 20)],
        [x + luck.between(-24, 24), y + luck.between(-24, 24)],
      ]),
      line([x, y], [luck.between(-46, 46), luck.between(-46, 46)]),
    ])
  })
  return body + marks.join('')
}
const SYLLABLES = 'ba da fe gro hal in jo kel lo mer no or pel quin ra sto ta um ver wil yon zi'.split(' ')
function phrase(luck: Chance): string {
  const word = (): string => Array.from({ length: luck.whole(1, 3) }, () => luck.pick(SYLLABLES)).join('')
  const face = luck.pick(FACE_NAMES)
  const lines = Array.from({ length: luck.whole(1, 3) }, () => setText(Array.from({ length: luck.whole(1, 3) }, word).join(' '), face, 30))
  const scale = 96 / Math.max(...lines.map(each => each.width))
  return lines
    .map((each, at) => moved((-each.width * scale) / 2, (at - lines.length / 2) * 34 * scale + 20 * scale, scale, each.svg))
    .join('')
}
function scene(luck: Chance): string {
  const names = Object.keys(MOTIFS) as MotifName[]
  const parts = Array.from({ length: luck.whole(1, 3) }, () =>
    moved(
      luck.between(-20, 20),
      luck.between(-20, 20),
      luck.between(0.35, 0.75),
      turned(luck.between(-40, 40), drawMotif(luck.pick(names), luck)),
    ),
  )
  const frame = luck.pick(['', '', circle(0, 0, 49), box(-49, -36, 98, 72, luck.between(0, 20)), oval(0, 0, 49, luck.between(30, 44))])
  return parts.join('') + frame
}
