import type { Cell, Holder, Section } from '#core/catalog'
import type { ContainerRow, RowEntry } from './arrange'
import { setDownBehind } from './order'

/** Where holders go: directly behind an entry of a lane (null: to the front), or into a cell. */
export type MoveTarget =
  | { readonly type: 'row'; readonly containerId: string; readonly lane: number; readonly behindId: string | null }
  | { readonly type: 'cell'; readonly containerId: string; readonly cell: Cell }

export type MovePlan =
  | { readonly ok: true; readonly holders: readonly Holder[]; readonly sections: readonly Section[] }
  | { readonly ok: false; readonly code: 'noSuchContainer' | 'needsCell' | 'noCellsHere' | 'cellTaken' | 'onlyOneToACell' | 'notOnPage' }

/**
 * The records after a move, the moved holders first. A moved run keeps its order. Only moved records change: positions and addresses of
 * everything behind follow from the order. Holders that shared the order key in front of the gap get keys of their own, and keep their
 * place.
 */
export function planMove(holders: readonly Holder[], target: MoveTarget, rows: ReadonlyMap<string, ContainerRow>): MovePlan {
  const row = rows.get(target.containerId)
  if (!row) return { ok: false, code: 'noSuchContainer' }
  if (target.type === 'cell') return intoCell(holders, target.cell, row)
  if (row.container.cells) return { ok: false, code: 'needsCell' }

  const moved = new Set(holders.map(holder => holder.id))
  const entries = (row.lanes[target.lane - 1] ?? []).filter(entry => !moved.has(entryId(entry)))
  const at = indexBehind(row.lanes[target.lane - 1] ?? [], entries, target.behindId, moved)
  const { keys, rekeyed } = setDownBehind(entries, at, holders.length)
  const stayed = rekeyed.flatMap(({ index, order }) => {
    const entry = entries[index]
    return entry ? [{ entry, order }] : []
  })
  return {
    ok: true,
    holders: [
      ...holders.map((holder, index) => ({
        ...holder,
        containerId: target.containerId,
        lane: target.lane,
        cell: null,
        somewhere: null,
        order: keys[index] ?? holder.order,
      })),
      ...stayed.flatMap(({ entry, order }) => (entry.type === 'holder' ? [{ ...entry.placement.holder, order }] : [])),
    ],
    sections: stayed.flatMap(({ entry, order }) => (entry.type === 'section' ? [{ ...entry.section, order }] : [])),
  }
}

/** The id of the tab or the holder of an entry. */
export function entryId(entry: RowEntry): string {
  return entry.type === 'section' ? entry.section.id : entry.placement.holder.id
}

/** A target may itself be moved: then its nearest unmoved predecessor counts. */
function indexBehind(all: readonly RowEntry[], kept: readonly RowEntry[], behindId: string | null, moved: ReadonlySet<string>): number {
  if (behindId === null) return -1
  const at = all.findIndex(entry => entryId(entry) === behindId)
  const anchor = all.slice(0, at + 1).findLast(entry => !moved.has(entryId(entry)))
  return anchor ? kept.indexOf(anchor) : -1
}

function intoCell(holders: readonly Holder[], cell: Cell, row: ContainerRow): MovePlan {
  const grid = row.container.cells
  if (!grid) return { ok: false, code: 'noCellsHere' }
  const holder = holders[0]
  if (!holder || holders.length > 1) return { ok: false, code: 'onlyOneToACell' }
  const isOnPage = cell.page <= grid.pages && cell.cell <= grid.rows * grid.columns && (grid.isTwoSided || cell.side === 'front')
  if (!isOnPage) return { ok: false, code: 'notOnPage' }
  const taken = row.placements.some(
    other =>
      other.holder.id !== holder.id && other.cell?.page === cell.page && other.cell.cell === cell.cell && other.cell.side === cell.side,
  )
  if (taken) return { ok: false, code: 'cellTaken' }
  return { ok: true, holders: [{ ...holder, containerId: row.container.id, lane: 1, cell, somewhere: null }], sections: [] }
}
