import type { Holder, HolderKind, Holding, Kind, MeasuredLength } from '#core/catalog'
import type { ContainerRow } from '#core/room'
import { inverseSymmetric, nnls } from './nnls'

/** Depth of a filled holder whose kind nobody has named; common practice for a pocketed set. */
export const UNKNOWN_THICKNESS_MM = 6
/** A ruler along a lane of soft things is read to about so much. */
const RULER_MM = 3
/** How far the usual thickness of a kind is off, as a share of it, as likely as not; common practice differs by so much. */
const USUAL_OFF = 0.35
/** Learnt when what was measured has at least halved what was not known before. */
const LEARNT = 0.5

export interface LearntThickness {
  readonly mm: number
  /** In 95 of 100 the thickness is within this. */
  readonly plusMinusMm: number
  /** Lengths were measured that say so; otherwise it is the usual thickness. */
  readonly isLearnt: boolean
}
/** By kind and holder: `${kindId}/${holder}`. */
export type ThicknessTable = ReadonlyMap<string, LearntThickness>

export const thicknessKey = (kindId: string | null, holder: HolderKind): string => `${kindId ?? ''}/${holder}`

/** What stands in a lane, by kind and holder: what is kept beside a measured length. */
export function countsOf(row: ContainerRow, lane: number, holdingOf: (id: string) => Holding | undefined): MeasuredLength['stood'] {
  const counts = new Map<string, MeasuredLength['stood'][number]>()
  for (const { holder } of row.placements.filter(placement => placement.lane === lane)) {
    for (const id of holder.holdingIds) {
      const kindId = holdingOf(id)?.kindId ?? null
      const key = thicknessKey(kindId, holder.type)
      counts.set(key, { kindId, holder: holder.type, count: (counts.get(key)?.count ?? 0) + 1 })
    }
  }
  return [...counts.values()]
}

/**
 * Thickness by kind and holder, learnt from filled lengths: non-negative least squares over what stood in the measured
 * lanes, with the usual thickness of each kind as what is believed before (so that a mixture measured once moves every
 * part of it a little, and what was never measured stays as usual). Uncertainty from the inverse of the normal matrix.
 */
export function learnThickness(measured: readonly MeasuredLength[], kindOf: (id: string) => Kind | undefined): ThicknessTable {
  const keys = [
    ...new Map(measured.flatMap(each => each.stood).map(each => [thicknessKey(each.kindId, each.holder), each])).entries(),
  ].sort(([a], [b]) => (a < b ? -1 : 1))
  if (keys.length === 0) return new Map()
  const usual = keys.map(([, { kindId }]) => usualThickness(kindId ? kindOf(kindId) : undefined))
  const off = usual.map(mm => Math.max(0.5, USUAL_OFF * mm))
  const rows: number[][] = []
  const right: number[] = []
  for (const { stood, filledMm } of measured) {
    rows.push(keys.map(([key]) => (stood.find(each => thicknessKey(each.kindId, each.holder) === key)?.count ?? 0) / RULER_MM))
    right.push(filledMm / RULER_MM)
  }
  keys.forEach((_, at) => {
    rows.push(keys.map((_, column) => (column === at ? 1 / (off[at] ?? 1) : 0)))
    right.push((usual[at] ?? 0) / (off[at] ?? 1))
  })
  const found = nnls(rows, right)
  const normal = keys.map((_, i) => keys.map((_, j) => rows.reduce((sum, row) => sum + (row[i] ?? 0) * (row[j] ?? 0), 0)))
  const spread = inverseSymmetric(normal)
  return new Map(
    keys.map(([key], at) => {
      const sd = Math.sqrt(spread?.[at]?.[at] ?? (off[at] ?? 1) ** 2)
      return [key, { mm: found[at] ?? 0, plusMinusMm: 1.96 * sd, isLearnt: sd < LEARNT * (off[at] ?? 1) }]
    }),
  )
}

export const usualThickness = (kind: Kind | undefined): number => kind?.typicalThicknessMm ?? UNKNOWN_THICKNESS_MM

/** How deep one set is in its holder: as measured on it, as learnt for its kind and holder, or as is usual. */
export function thicknessIn(
  holding: Holding,
  holder: Pick<Holder, 'type'>,
  kindOf: (id: string) => Kind | undefined,
  learnt: ThicknessTable,
): { readonly mm: number; readonly isMeasured: boolean } {
  if (holding.thicknessMm !== null) return { mm: holding.thicknessMm, isMeasured: true }
  const known = learnt.get(thicknessKey(holding.kindId, holder.type))
  return known?.isLearnt
    ? { mm: known.mm, isMeasured: true }
    : { mm: usualThickness(holding.kindId ? kindOf(holding.kindId) : undefined), isMeasured: false }
}
