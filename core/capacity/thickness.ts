import type { Holder, HolderKind, Holding, Kind, MeasuredLength } from '#core/catalog'
import { allIn, type ContainerRow } from '#core/room'
import { inverseSymmetric, nnls, type Rows } from './nnls'

/** Depth of a filled holder of unknown kind; common practice for a pocketed set. */
export const UNKNOWN_THICKNESS_MM = 6
/** Error of a ruler along a lane of soft things. */
const RULER_MM = 3
/** Standard error of a kind's usual thickness, as a share of it; common practice varies by so much. */
const USUAL_OFF = 0.35
/** Learnt once measuring has at least halved the prior uncertainty. */
const LEARNT = 0.5

interface LearntThickness {
  readonly mm: number
  /** 95 % interval. */
  readonly plusMinusMm: number
  /** Measured lengths determine it; else it is the usual thickness. */
  readonly isLearnt: boolean
}
/** By kind and holder: `${kindId}/${holder}`. */
export type ThicknessTable = ReadonlyMap<string, LearntThickness>

export const thicknessKey = (kindId: string | null, holder: HolderKind): string => `${kindId ?? ''}/${holder}`

/** The contents of a lane by kind and holder, kept with a measured length. */
export function countsOf(row: ContainerRow, lane: number, holdingOf: (id: string) => Holding | undefined): MeasuredLength['stood'] {
  const counts = new Map<string, MeasuredLength['stood'][number]>()
  for (const { holder } of allIn(row).filter(placement => placement.lane === lane)) {
    for (const id of holder.holdingIds) {
      const kindId = holdingOf(id)?.kindId ?? null
      const key = thicknessKey(kindId, holder.type)
      counts.set(key, { kindId, holder: holder.type, count: (counts.get(key)?.count ?? 0) + 1 })
    }
  }
  return [...counts.values()]
}

interface Fit {
  readonly keys: readonly string[]
  readonly mm: readonly number[]
  /** Covariance of `mm`. */
  readonly spread: Rows | null
  readonly off: readonly number[]
  /** Error of a measured length as the residuals show it: at least that of a ruler. */
  readonly errorMm: number
}
const countIn = ({ stood }: MeasuredLength, key: string): number =>
  stood.find(each => thicknessKey(each.kindId, each.holder) === key)?.count ?? 0

/**
 * The fit, twice: first as if every length were as sure as a ruler; then with the error that the misfit shows (the Birge
 * ratio, Birge 1932, Phys. Rev. 40, 207: chi squared over the degrees of freedom, where it is more than one).
 */
function fitLengths(measured: readonly MeasuredLength[], kindOf: (id: string) => Kind | undefined): Fit {
  const held = [
    ...new Map(measured.flatMap(each => each.stood).map(each => [thicknessKey(each.kindId, each.holder), each])).entries(),
  ].sort(([a], [b]) => (a < b ? -1 : 1))
  const keys = held.map(([key]) => key)
  const usual = held.map(([, { kindId }]) => usualThickness(kindId ? kindOf(kindId) : undefined))
  const off = usual.map(mm => Math.max(0.5, USUAL_OFF * mm))
  const counts = measured.map(each => keys.map(key => countIn(each, key)))
  const solve = (errorMm: number) => {
    const rows = [
      ...counts.map(row => row.map(count => count / errorMm)),
      ...keys.map((_, at) => keys.map((_, column) => (column === at ? 1 / (off[at] ?? 1) : 0))),
    ]
    const right = [...measured.map(each => each.filledMm / errorMm), ...usual.map((mm, at) => mm / (off[at] ?? 1))]
    const mm = nnls(rows, right)
    const misfit = rows.reduce(
      (sum, row, at) => sum + (row.reduce((each, value, i) => each + value * (mm[i] ?? 0), 0) - (right[at] ?? 0)) ** 2,
      0,
    )
    return { rows, mm, misfit }
  }
  const first = solve(RULER_MM)
  // With as many priors as unknowns, the degrees of freedom are the number of measures.
  const errorMm = RULER_MM * Math.sqrt(Math.max(1, first.misfit / Math.max(1, measured.length)))
  const { rows, mm } = errorMm > RULER_MM ? solve(errorMm) : first
  const normal = keys.map((_, i) => keys.map((_, j) => rows.reduce((sum, row) => sum + (row[i] ?? 0) * (row[j] ?? 0), 0)))
  return { keys, mm, spread: inverseSymmetric(normal), off, errorMm }
}

/**
 * Thickness by kind and holder, learnt from filled lengths: non-negative least squares over the contents of the measured lanes, with the
 * usual thickness of each kind as prior. So a mixture measured once moves each of its parts a little, and an unmeasured kind keeps its
 * usual thickness. The uncertainty is from the inverse of the normal matrix, scaled by the residuals.
 */
export function learnThickness(measured: readonly MeasuredLength[], kindOf: (id: string) => Kind | undefined): ThicknessTable {
  if (measured.length === 0) return new Map()
  const { keys, mm, spread, off } = fitLengths(measured, kindOf)
  return new Map(
    keys.map((key, at) => {
      const sd = Math.sqrt(spread?.[at]?.[at] ?? (off[at] ?? 1) ** 2)
      return [key, { mm: mm[at] ?? 0, plusMinusMm: 1.96 * sd, isLearnt: sd < LEARNT * (off[at] ?? 1) }]
    }),
  )
}

/** A measured length that contradicts the others. */
export interface OddLength {
  readonly id: string
  readonly filledMm: number
  /** The length that the other lanes predict. */
  readonly expectedMm: number
}
/** A deviation of more standard errors is no chance. */
const ODD_FROM = 3
const LEAST_ODD_MM = 10
/** With more lanes, one outlier hardly moves the fit: it is compared with the fit that includes it. */
const LEFT_OUT_ALONE = 60

/** Measured lengths that the others contradict: a slip of the ruler, or other contents. O(lanes x fit). */
export function oddLengths(measured: readonly MeasuredLength[], kindOf: (id: string) => Kind | undefined): readonly OddLength[] {
  const all = measured.length > LEFT_OUT_ALONE ? fitLengths(measured, kindOf) : null
  return measured.flatMap((each): OddLength[] => {
    const { keys, mm, spread, errorMm } =
      all ??
      fitLengths(
        measured.filter(other => other !== each),
        kindOf,
      )
    const counts = keys.map(key => countIn(each, key))
    // Kinds that no other lane holds are not determined, and contradict nothing.
    if (each.stood.some(({ kindId, holder }) => !keys.includes(thicknessKey(kindId, holder)))) return []
    const expectedMm = counts.reduce((sum, count, at) => sum + count * (mm[at] ?? 0), 0)
    const variance = counts.reduce(
      (sum, count, i) => sum + count * counts.reduce((inner, other, j) => inner + other * (spread?.[i]?.[j] ?? 0), 0),
      errorMm ** 2,
    )
    const missMm = Math.abs(each.filledMm - expectedMm)
    return missMm > LEAST_ODD_MM && missMm > ODD_FROM * Math.sqrt(variance) ? [{ id: each.id, filledMm: each.filledMm, expectedMm }] : []
  })
}

export const usualThickness = (kind: Kind | undefined): number => kind?.typicalThicknessMm ?? UNKNOWN_THICKNESS_MM

/** Depth of one set in its holder: measured on it, learnt for its kind and holder, or usual. */
export function thicknessIn(
  holding: Pick<Holding, 'kindId' | 'thicknessMm'>,
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
