import type { Container, ContainerType, Fixture } from '#core/catalog'
import type { Size } from '#core/units'
import { CONTAINER_SHAPES } from '#core/room'
import { shelfHeightMm } from '#core/capacity'

/** The front of a container in its fixture, in mm: `xMm` from the left, `bottomMm` above the floor. */
interface Front extends Size {
  readonly id: string
  readonly xMm: number
  readonly bottomMm: number
}
export interface Elevation extends Size {
  /** Heights of the boards above the floor, from the top. */
  readonly boardsMm: readonly number[]
  readonly fronts: readonly Front[]
}

const GAP_MM = 15
/** Free height above the tallest container of a shelf, for a hand. Common practice. */
const HEADROOM_MM = 40
/** Unmeasured furniture is not drawn wider than this; containers beyond it are stacked. */
const WIDEST_MM = 1600
const NARROWEST_MM = 300
const BINDER_HEIGHT_MM = 320
const UNKNOWN: Size = { widthMm: 200, heightMm: 200 }

const usualFront = (type: ContainerType): Size => CONTAINER_SHAPES.find(shape => shape.type === type && shape.inner)?.inner ?? UNKNOWN

/** Width and height of a container from the front: measured inside, or usual. A binder shows its spine. */
export function frontOf({ type, inner, lengthMm }: Pick<Container, 'type' | 'inner' | 'lengthMm'>): Size {
  if (inner) return inner
  return type === 'binder' ? { widthMm: lengthMm, heightMm: BINDER_HEIGHT_MM } : usualFront(type)
}

/** The fronts of a shelf in rows from the board up, no row wider than the furniture. */
function rowsOf(
  containers: readonly Container[],
  widestMm: number,
): readonly (readonly (Size & { readonly id: string; readonly xMm: number })[])[] {
  const rows: (Size & { id: string; xMm: number })[][] = []
  let xMm = Infinity
  for (const container of containers) {
    const front = frontOf(container)
    if (xMm + front.widthMm > widestMm) {
      rows.push([])
      xMm = 0
    }
    rows.at(-1)?.push({ id: container.id, xMm, widthMm: front.widthMm, heightMm: front.heightMm })
    xMm += front.widthMm + GAP_MM
  }
  return rows
}
const heightOf = (row: readonly Size[]): number => Math.max(0, ...row.map(front => front.heightMm))

/**
 * A piece of furniture with its containers from the front, in true proportion. `shelves`: its containers by shelf, from the top. Boards
 * are at their measured heights, else at usual ones, raised where the contents below need it. O(n).
 * @example layElevation(bookcase, [[bin1, bin2], []]).boardsMm //=> [410, 80]
 */
export function layElevation(fixture: Fixture, shelves: readonly (readonly Container[])[]): Elevation {
  const laid = shelves.map(containers => rowsOf(containers, fixture.widthMm ?? WIDEST_MM))
  const needMm = laid.map(rows => rows.reduce((sum, row) => sum + heightOf(row), 0) + HEADROOM_MM)
  const boardsMm: number[] = []
  for (let at = shelves.length - 1; at >= 0; at -= 1) {
    const { mm, isMeasured } = shelfHeightMm(fixture, at + 1)
    const below = boardsMm[at + 1]
    boardsMm[at] = isMeasured || below === undefined ? mm : Math.max(mm, below + (needMm[at + 1] ?? 0))
  }
  const fronts = laid.flatMap((rows, at) => {
    let bottomMm = boardsMm[at] ?? 0
    return rows.flatMap(row => {
      const standing = row.map(front => ({ ...front, bottomMm }))
      bottomMm += heightOf(row)
      return standing
    })
  })
  return {
    boardsMm,
    fronts,
    widthMm: Math.max(fixture.widthMm ?? NARROWEST_MM, ...fronts.map(front => front.xMm + front.widthMm)),
    heightMm: Math.max(...boardsMm.map((board, at) => board + (needMm[at] ?? 0))),
  }
}
