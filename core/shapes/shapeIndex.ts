import type { InkShape, ShapeBox } from './inkShapes'
import { type Moments, ORDERS } from './zernike'

/**
 * The shapes of one picture, packed: boxes as left, top, right, bottom in shares of its longer side; for each shape the real parts of its
 * moments, then the imaginary parts, scaled so that the largest is 127. The first moment, which is only the amount of ink, is left out.
 */
export interface PackedShapes {
  readonly boxes: Float32Array
  readonly moments: Int8Array
}
/** A picture with shapes like the asked ones. */
export interface LikePicture {
  readonly id: string
  /** Correlation of the ink, weighted by the share of each asked shape: 1 is the same. */
  readonly nearness: number
  /** The box of its shape that is like the largest asked one. */
  readonly box: ShapeBox
}

const KEPT = ORDERS.slice(1)
const DIMS = KEPT.length
/** In units of the moment: a moment with m > 0 stands for its mirror as well, and of each the function has the length pi / (n + 1). */
const WEIGHTS = Float32Array.from(KEPT, ([n, m]) => Math.sqrt((m === 0 ? 1 : 2) / (n + 1)))
const MOST_M = Math.max(...KEPT.map(([, m]) => m))
const M_OF = Uint8Array.from(KEPT, ([, m]) => m)
const GREATEST = 127
/** Magnitudes up to this order are compared first. */
const ROUGH_ORDER = 12
const ROUGH_DIMS = KEPT.filter(([n]) => n <= ROUGH_ORDER).length
/** The nearest so many are compared with phases as well: fewer for a small part of the ink. */
const LOOKED_INTO = 500
const LOOKED_INTO_SMALL = 200
const SMALL_SHARE = 0.4
/** Number of shapes of a picture that are asked, the largest first. */
const MOST_ASKED = 6
const MOST_LIKE = 10

/** @example packShapes([]).boxes.length //=> 0 */
export function packShapes(shapes: readonly { readonly box: ShapeBox; readonly moments: Moments }[]): PackedShapes {
  const boxes = new Float32Array(4 * shapes.length)
  const moments = new Int8Array(2 * DIMS * shapes.length)
  shapes.forEach(({ box, moments: { re, im } }, at) => {
    boxes.set([box.left, box.top, box.right, box.bottom], 4 * at)
    const weighed = [re, im].map(part => WEIGHTS.map((weight, dim) => weight * (part[dim + 1] ?? 0)))
    const greatest = Math.max(...weighed.flatMap(part => [...part].map(Math.abs))) || 1
    weighed.forEach((part, half) =>
      moments.set(
        part.map(value => Math.round((value / greatest) * GREATEST)),
        (2 * at + half) * DIMS,
      ),
    )
  })
  return { boxes, moments }
}

/** A shape prepared for comparing. `at`: the index of its real parts. */
interface Ready {
  readonly moments: Int8Array
  readonly at: number
  readonly norm: number
}
interface Known {
  readonly packed: PackedShapes
  /** The magnitudes of each shape up to `ROUGH_ORDER`, normalised to length 1. */
  readonly rough: Float32Array
  readonly norms: Float32Array
}

function readied(packed: PackedShapes): Known {
  const count = packed.boxes.length / 4
  const [rough, norms] = [new Float32Array(count * ROUGH_DIMS), new Float32Array(count)]
  for (let shape = 0; shape < count; shape += 1) {
    const at = 2 * shape * DIMS
    let [square, roughSquare] = [0, 0]
    for (let dim = 0; dim < DIMS; dim += 1) {
      const [re, im] = [packed.moments[at + dim] as number, packed.moments[at + DIMS + dim] as number]
      square += re * re + im * im
      if (dim >= ROUGH_DIMS) continue
      rough[shape * ROUGH_DIMS + dim] = Math.hypot(re, im)
      roughSquare += re * re + im * im
    }
    norms[shape] = Math.sqrt(square) || 1
    const length = Math.sqrt(roughSquare) || 1
    for (let dim = shape * ROUGH_DIMS; dim < (shape + 1) * ROUGH_DIMS; dim += 1) rough[dim] = (rough[dim] as number) / length
  }
  return { packed, rough, norms }
}

const ANGLES = 60
const COSINES = Float32Array.from({ length: ANGLES * (MOST_M + 1) }, (_, at) => Math.cos(turnAt(at)))
const SINES = Float32Array.from({ length: ANGLES * (MOST_M + 1) }, (_, at) => Math.sin(turnAt(at)))
function turnAt(at: number): number {
  return ((at % (MOST_M + 1)) * 2 * Math.PI * Math.floor(at / (MOST_M + 1))) / ANGLES
}

/**
 * The correlation of two shapes at the turn where it is largest, as printed or mirrored (the stamp itself). Phases are used, which say
 * more than magnitudes alone (Revaud, Lavoue and Baskurt 2009, IEEE Trans. PAMI 31(4), 627-636). O(moments + angles x orders).
 */
function correlationOf(a: Ready, b: Ready): number {
  let best = 0
  const [re, im] = [new Float32Array(MOST_M + 1), new Float32Array(MOST_M + 1)]
  for (const mirror of [1, -1]) {
    re.fill(0)
    im.fill(0)
    for (let dim = 0; dim < DIMS; dim += 1) {
      const m = M_OF[dim] as number
      const [ar, ai] = [a.moments[a.at + dim] as number, a.moments[a.at + DIMS + dim] as number]
      const [br, bi] = [b.moments[b.at + dim] as number, mirror * (b.moments[b.at + DIMS + dim] as number)]
      re[m] = (re[m] as number) + ar * br + ai * bi
      im[m] = (im[m] as number) + ai * br - ar * bi
    }
    for (let turn = 0; turn < ANGLES; turn += 1) {
      let sum = 0
      for (let m = 0; m <= MOST_M; m += 1)
        sum +=
          (re[m] as number) * (COSINES[turn * (MOST_M + 1) + m] as number) - (im[m] as number) * (SINES[turn * (MOST_M + 1) + m] as number)
      if (sum > best) best = sum
    }
  }
  return best / (a.norm * b.norm)
}

/** Finds the pictures with ink like that of another, at any turn, at the same relative size, mirrored or not. O(shapes) an ask. */
export class ShapeIndex {
  private readonly known = new Map<string, Known>()

  put(id: string, packed: PackedShapes): void {
    this.known.set(id, readied(packed))
  }

  remove(id: string): void {
    this.known.delete(id)
  }

  has(id: string): boolean {
    return this.known.has(id)
  }

  get size(): number {
    return this.known.size
  }

  /**
   * The likest pictures first, at most `MOST_LIKE`. The asked ink is parted at each level, and the level at which a picture matches best
   * counts.
   */
  ask(shapes: readonly InkShape[]): readonly LikePicture[] {
    const asked = shapes.slice(0, MOST_ASKED)
    const best = asked.map(each => this.likest(readied(packShapes([each])), each.share < SMALL_SHARE ? LOOKED_INTO_SMALL : LOOKED_INTO))
    const levels = Math.max(0, ...asked.flatMap(each => each.levels)) + 1
    const found = new Map<string, LikePicture>()
    for (let level = 0; level < levels; level += 1) {
      const parts = asked.flatMap((shape, at) => (shape.levels.includes(level) ? [{ share: shape.share, likest: best[at] as Likest }] : []))
      for (const id of new Set(parts.flatMap(each => [...each.likest.keys()]))) {
        const nearness = parts.reduce((sum, { share, likest }) => sum + share * (likest.get(id)?.correlation ?? 0), 0)
        const box = parts.find(({ likest }) => likest.has(id))?.likest.get(id)?.box
        if (box && nearness > (found.get(id)?.nearness ?? 0)) found.set(id, { id, nearness, box })
      }
    }
    return [...found.values()].sort((a, b) => b.nearness - a.nearness || (a.id < b.id ? -1 : 1)).slice(0, MOST_LIKE)
  }

  /** For each near picture, its nearest shape. */
  private likest(asked: Known, most: number): Likest {
    const rough: { readonly id: string; readonly known: Known; readonly scores: Float32Array }[] = []
    const counts = new Uint32Array(BINS + 1)
    for (const [id, known] of this.known) {
      const scores = new Float32Array(known.norms.length)
      for (let shape = 0; shape < scores.length; shape += 1) {
        let dot = 0
        const at = shape * ROUGH_DIMS
        for (let dim = 0; dim < ROUGH_DIMS; dim += 1) dot += (asked.rough[dim] as number) * (known.rough[at + dim] as number)
        scores[shape] = dot
        const bin = Math.floor(Math.min(1, dot) * BINS)
        counts[bin] = (counts[bin] as number) + 1
      }
      rough.push({ id, known, scores })
    }
    let [bin, seen] = [BINS, counts[BINS] as number]
    while (bin > 0 && seen < most) seen += counts[(bin -= 1)] as number
    const likest = new Map<string, { readonly correlation: number; readonly box: ShapeBox }>()
    const one = { moments: asked.packed.moments, at: 0, norm: asked.norms[0] ?? 1 }
    for (const { id, known, scores } of rough) {
      for (let shape = 0; shape < scores.length; shape += 1) {
        if ((scores[shape] as number) * BINS < bin) continue
        const other = { moments: known.packed.moments, at: 2 * shape * DIMS, norm: known.norms[shape] as number }
        const correlation = correlationOf(one, other)
        if (correlation > (likest.get(id)?.correlation ?? 0)) likest.set(id, { correlation, box: boxAt(known, shape) })
      }
    }
    return likest
  }
}
type Likest = ReadonlyMap<string, { readonly correlation: number; readonly box: ShapeBox }>
/** Bins of the histogram of rough scores (0 to 1); it gives the cut-off for the best few hundred. */
const BINS = 4000

function boxAt({ packed: { boxes } }: Known, shape: number): ShapeBox {
  const [left = 0, top = 0, right = 0, bottom = 0] = boxes.subarray(4 * shape, 4 * shape + 4)
  return { left, top, right, bottom }
}
