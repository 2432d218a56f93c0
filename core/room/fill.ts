import type { Holding, Kind } from '#core/catalog'
import type { ContainerRow } from './arrange'
import { cellsPerPage } from './address'

/** Depth of a filled holder whose kind nobody has named; common practice for a pocketed set. */
export const UNKNOWN_THICKNESS_MM = 6

export interface Fill {
  readonly usedMm: number
  readonly lengthMm: number
  /** 0 is empty, 1 is full, above 1 will not close. For pages of cells: taken cells over all cells. */
  readonly share: number
  /** A measured thickness stands behind every holder; otherwise the kind's usual thickness was taken. */
  readonly isMeasured: boolean
}

/** How full a container is, from measured thicknesses where there are any and the kinds' usual ones elsewhere. */
export function fillOf(
  row: ContainerRow, holdingOf: (id: string) => Holding | undefined, kindOf: (id: string) => Kind | undefined,
): Fill {
  const { container } = row
  if (container.cells) {
    const all = cellsPerPage(container) * container.cells.pages * (container.cells.isTwoSided ? 2 : 1)
    return { usedMm: 0, lengthMm: container.lengthMm, share: row.placements.length / all, isMeasured: true }
  }
  let usedMm = 0
  let isMeasured = true
  for (const { holder } of row.placements) {
    for (const id of holder.holdingIds) {
      const holding = holdingOf(id)
      if (!holding) continue
      isMeasured &&= holding.thicknessMm !== null
      usedMm += thicknessOf(holding, kindOf)
    }
  }
  const lengthMm = container.lengthMm * container.lanes
  return { usedMm, lengthMm, share: usedMm / lengthMm, isMeasured }
}

export function thicknessOf(holding: Holding, kindOf: (id: string) => Kind | undefined): number {
  const kind = holding.kindId ? kindOf(holding.kindId) : undefined
  return holding.thicknessMm ?? kind?.typicalThicknessMm ?? UNKNOWN_THICKNESS_MM
}
