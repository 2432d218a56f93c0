import type { SplitBin, SplitItem } from './splitRun'

/** One cut of a run, with its reason. */
export interface SplitBreak {
  /** The bin that begins at the cut, and its first item. */
  readonly bin: number
  readonly start: number
  readonly why: 'betweenGroups' | 'betweenSubgroups' | 'groupTooLong' | 'insideGroup'
  readonly group: string
  /** Of the bin before the cut: used and left. */
  readonly usedMm: number
  readonly freeMm: number
}

/** Explains every cut between two bins that hold items. O(items). */
export function explainBreaks(items: readonly SplitItem[], bins: readonly SplitBin[], starts: readonly number[]): readonly SplitBreak[] {
  const lengthOf = (from: number, to: number): number => items.slice(from, to).reduce((sum, item) => sum + item.lengthMm, 0)
  const largest = Math.max(0, ...bins.map(bin => bin.capacityMm))
  const used = bins.map((_, at) => at).filter(at => (starts[at + 1] ?? 0) > (starts[at] ?? 0))
  return used.slice(1).map((bin, index): SplitBreak => {
    const inFront = used[index] ?? 0
    const start = starts[bin] ?? 0
    const [front, behind] = [items[start - 1], items[start]]
    const group = behind?.group ?? ''
    const usedMm = lengthOf(starts[inFront] ?? 0, start)
    const whole = items.reduce((sum, item) => (item.group === group ? sum + item.lengthMm : sum), 0)
    const inside = whole > largest ? 'groupTooLong' : 'insideGroup'
    const inGroup = front?.subgroup === behind?.subgroup ? inside : 'betweenSubgroups'
    const why = front?.group === group ? inGroup : 'betweenGroups'
    return { bin, start, why, group, usedMm, freeMm: (bins[inFront]?.capacityMm ?? 0) - usedMm }
  })
}
