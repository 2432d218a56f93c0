import { INK_MAP_SIDE, type InkMap, turnMap } from './fingerprint'

export interface PictureLookAlike {
  readonly id: string
  /** Correlation of the ink, 1 for the same picture; unrelated pictures lie below `PICTURES_ALIKE`. */
  readonly likeness: number
}

/** From here on two pictures most likely show one thing. Measured on the demo drawings: see docs/checks.md. */
export const PICTURES_ALIKE = 0.72
/** From here on they are taken to be of one thing, and below to be only alike. */
export const SAME_PICTURE = 0.95

const FINE = 20
const COARSE = 8
/** What a photo may show of each side: all of it, or a part that was cut up to 8 % closer, as [from, to]. */
const PARTS = [
  [0, 1],
  [0, 0.92],
  [0.04, 0.96],
  [0.08, 1],
] as const
/** How many candidates pass from whole pictures to closer views, and from there to the fine comparison. */
const LOOKED_INTO = 1500
const LOOKED_AT = 40
const MOST_SHOWN = 5

/** One vector a view, of mean 0 and length 1: their product is their correlation. The first is the whole picture. */
type Views = readonly Float32Array[]

/**
 * Finds pictures of the same thing: turned by quarters, cropped by up to 8 % at any side, brighter or darker. Every picture is kept as a
 * whole and fifteen closer views of 8 x 8 fields; near ones are compared again with 20 x 20. O(n) for n pictures.
 */
export class PictureLikeness {
  private readonly known = new Map<string, { readonly map: InkMap; readonly rough: Views }>()

  put(id: string, map: InkMap): void {
    this.known.set(id, { map, rough: viewsOf(map, COARSE) })
  }

  remove(id: string): void {
    this.known.delete(id)
  }

  has(id: string): boolean {
    return this.known.has(id)
  }

  mapOf(id: string): InkMap | null {
    return this.known.get(id)?.map ?? null
  }

  get size(): number {
    return this.known.size
  }

  /** The likest first, at most five, none below `PICTURES_ALIKE`. */
  ask(map: InkMap, exceptId: string | null = null): readonly PictureLookAlike[] {
    const turned = [map]
    for (let quarter = 1; quarter < 4; quarter += 1) turned.push(turnMap(turned[quarter - 1] as InkMap))
    const [rough, fine] = [turned.map(each => viewsOf(each, COARSE)), turned.map(each => viewsOf(each, FINE))]
    const likest = (asked: readonly Views[], known: Views): number => Math.max(...asked.map(each => best(each, known)))
    const wholes = (known: Views): number => Math.max(...rough.map(each => correlation(each[0] as Float32Array, known[0] as Float32Array)))
    const likestFirst = (a: PictureLookAlike, b: PictureLookAlike): number => b.likeness - a.likeness || (a.id < b.id ? -1 : 1)
    return [...this.known]
      .filter(([id]) => id !== exceptId)
      .map(([id, known]) => ({ id, known, likeness: wholes(known.rough) }))
      .sort(likestFirst)
      .slice(0, LOOKED_INTO)
      .map(({ id, known }) => ({ id, known, likeness: likest(rough, known.rough) }))
      .sort(likestFirst)
      .slice(0, LOOKED_AT)
      .map(({ id, known }) => ({ id, likeness: likest(fine, viewsOf(known.map, FINE)) }))
      .sort(likestFirst)
      .slice(0, MOST_SHOWN)
      .filter(each => each.likeness >= PICTURES_ALIKE)
  }
}

/** Whole against closer views, both ways: either photo may be the one that was cut. */
function best(a: Views, b: Views): number {
  const [wholeA, wholeB] = [a[0], b[0]]
  if (!wholeA || !wholeB) return 0
  let most = correlation(wholeA, wholeB)
  for (let view = 1; view < a.length; view += 1) {
    most = Math.max(most, correlation(a[view] as Float32Array, wholeB), correlation(wholeA, b[view] as Float32Array))
  }
  return most
}

function correlation(a: Float32Array, b: Float32Array): number {
  let sum = 0
  for (let at = 0; at < a.length; at += 1) sum += (a[at] as number) * (b[at] as number)
  return sum
}

/** Of each field of a side: the first line of the map that it covers, and how much of this and of the next ones. */
interface Cover {
  readonly first: number
  readonly parts: Float64Array
}
const COVERS: Readonly<Record<number, readonly (readonly Cover[])[]>> = {
  [COARSE]: PARTS.map(part => coversOf(part, COARSE)),
  [FINE]: PARTS.map(part => coversOf(part, FINE)),
}

function coversOf([from, to]: readonly [number, number], side: number): readonly Cover[] {
  const step = ((to - from) * INK_MAP_SIDE) / side
  return Array.from({ length: side }, (_, field) => {
    const [start, end] = [from * INK_MAP_SIDE + field * step, Math.min(INK_MAP_SIDE, from * INK_MAP_SIDE + (field + 1) * step)]
    const first = Math.floor(start)
    const parts = Float64Array.from({ length: Math.ceil(end) - first }, (_part, at) => {
      const line = first + at
      return Math.min(end, line + 1) - Math.max(start, line)
    })
    return { first, parts }
  })
}

/** Mean ink of side x side fields of every view, by area: first across, then down. Plain loops: an ask takes some fifty of these. */
function viewsOf(map: InkMap, side: number): Views {
  const covers = COVERS[side] ?? []
  const across = covers.map(cover => {
    const rows = new Float32Array(INK_MAP_SIDE * side)
    for (let field = 0; field < side; field += 1) {
      const { first, parts } = cover[field] as Cover
      for (let row = 0; row < INK_MAP_SIDE; row += 1) {
        const from = row * INK_MAP_SIDE + first
        let sum = 0
        for (let at = 0; at < parts.length; at += 1) sum += (map[from + at] as number) * (parts[at] as number)
        rows[row * side + field] = sum
      }
    }
    return rows
  })
  return covers.flatMap(down =>
    across.map(rows => {
      const fields = new Float32Array(side * side)
      for (let field = 0; field < side; field += 1) {
        const { first, parts } = down[field] as Cover
        for (let at = 0; at < parts.length; at += 1) {
          const [part, from, to] = [parts[at] as number, (first + at) * side, field * side]
          for (let column = 0; column < side; column += 1)
            fields[to + column] = (fields[to + column] as number) + (rows[from + column] as number) * part
        }
      }
      return standardised(fields)
    }),
  )
}

/** In its place. */
function standardised(fields: Float32Array): Float32Array {
  let sum = 0
  for (let at = 0; at < fields.length; at += 1) sum += fields[at] as number
  const mean = sum / fields.length
  let squares = 0
  for (let at = 0; at < fields.length; at += 1) squares += ((fields[at] as number) - mean) ** 2
  const length = Math.sqrt(squares)
  for (let at = 0; at < fields.length; at += 1) fields[at] = length === 0 ? 0 : ((fields[at] as number) - mean) / length
  return fields
}
