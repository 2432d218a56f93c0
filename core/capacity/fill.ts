import type { Holding, Kind } from '#core/catalog'
import { allIn, cellsPerPage, type ContainerRow } from '#core/room'
import { thicknessIn, type ThicknessTable, UNKNOWN_THICKNESS_MM } from './thickness'

export interface Fill {
  readonly usedMm: number
  readonly lengthMm: number
  /** 0 is empty, 1 is full, above 1 does not close. For pages of cells: taken cells over all cells. */
  readonly share: number
  /** Measured for every holder; else the usual thickness of the kind is used. */
  readonly isMeasured: boolean
}
const NOTHING_LEARNT: ThicknessTable = new Map()

/** How full a container is, by measured and learnt thicknesses, else by the usual ones of the kinds. */
export function fillOf(
  row: ContainerRow,
  holdingOf: (id: string) => Holding | undefined,
  kindOf: (id: string) => Kind | undefined,
  learnt: ThicknessTable = NOTHING_LEARNT,
): Fill {
  const { container } = row
  if (container.cells) {
    const all = cellsPerPage(container) * container.cells.pages * (container.cells.isTwoSided ? 2 : 1)
    return { usedMm: 0, lengthMm: container.lengthMm, share: allIn(row).length / all, isMeasured: true }
  }
  let usedMm = 0
  let isMeasured = true
  for (const { holder } of allIn(row)) {
    for (const id of holder.holdingIds) {
      const holding = holdingOf(id)
      if (!holding) continue
      const thickness = thicknessIn(holding, holder, kindOf, learnt)
      isMeasured &&= thickness.isMeasured
      usedMm += thickness.mm
    }
  }
  const lengthMm = container.lengthMm * container.lanes
  return { usedMm, lengthMm, share: usedMm / lengthMm, isMeasured }
}

/** Overflow in mm if one more set is added; 0 or less: it fits. null: a set without a kind, with the usual thickness of an unknown kind. */
export function overBy(
  fill: Fill,
  holding: Holding | null,
  kindOf: (id: string) => Kind | undefined,
  learnt: ThicknessTable = NOTHING_LEARNT,
): number {
  const more = holding ? thicknessIn(holding, { type: holding.sitsIn ?? 'pocket' }, kindOf, learnt).mm : UNKNOWN_THICKNESS_MM
  return fill.usedMm + more - fill.lengthMm
}
