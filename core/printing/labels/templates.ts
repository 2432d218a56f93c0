import type { HolderKind, LabelTemplateId, SetLabel } from '#core/catalog'
import { codeText } from '#core/numbering'
import type { FontName } from '../page'
import type { LabelledSet, LabelThing, LabelWords } from './things'

/** A piece of a line. `keep`: never shortened. */
export interface LabelRun {
  readonly text: string
  readonly font: FontName
  /** As a share of the size of its row. */
  readonly scale: number
  readonly rule: 'keep' | 'brand' | 'name'
  /** The owner's short form. */
  readonly short: string | null
}
export interface LabelRow {
  /** As a share of the height. */
  readonly share: number
  /** Largest size in points. */
  readonly maxPt: number
  readonly runs: readonly LabelRun[]
}
/**
 * The text of a label in one or several layouts: the first that fits unshortened is used, else the last. A template is a value: everything
 * that makes and draws labels reads these.
 */
export interface LabelTemplate {
  /** No two labels can be alike: it bears the number, or is an address. */
  readonly isUnique: boolean
  readonly isCentred: boolean
  readonly ways: (thing: LabelThing, words: LabelWords) => readonly (readonly LabelRow[])[]
}

const run = (text: string, font: FontName, rule: LabelRun['rule'] = 'keep', scale = 1, short: string | null = null): LabelRun => ({
  text,
  font,
  scale,
  rule,
  short,
})
const row = (share: number, maxPt: number, ...runs: readonly LabelRun[]): LabelRow => ({
  share,
  maxPt,
  runs: runs.filter(({ text }) => text !== ''),
})
const brandOf = ({ brand }: LabelledSet, isCapital = false): LabelRun => {
  const cased = (text: string): string => (isCapital ? text.toLocaleUpperCase('en') : text)
  return run(cased(brand?.name ?? ''), 'text', 'brand', 1, brand?.abbreviation ? cased(brand.abbreviation) : null)
}
const numberRuns = ({ figure, suffix }: LabelledSet): LabelRun[] => [run(figure, 'title'), run(suffix, 'bold', 'keep', 0.75)]
/** Rows with text: a set without a brand has no line for it. */
const filled = (...rows: readonly LabelRow[]): readonly (readonly LabelRow[])[] => [rows.filter(({ runs }) => runs.length > 0)]
const ofSet =
  (...ways: readonly ((set: LabelledSet) => readonly LabelRow[])[]): LabelTemplate['ways'] =>
  ({ sets: [set] }) =>
    set ? ways.flatMap(rows => filled(...rows(set))) : []
const ofPlace =
  (rows: (thing: LabelThing) => readonly LabelRow[]): LabelTemplate['ways'] =>
  thing =>
    filled(...rows(thing))

export const TEMPLATES: Readonly<Record<LabelTemplateId, LabelTemplate>> = {
  brandAboveName: {
    isUnique: false,
    isCentred: false,
    ways: ofSet(set => [row(0.42, 9, brandOf(set)), row(0.58, 12, run(set.name, 'bold', 'name'))]),
  },
  nameAboveBrand: {
    isUnique: false,
    isCentred: false,
    ways: ofSet(set => [row(0.58, 12, run(set.name, 'bold', 'name')), row(0.42, 8, brandOf(set, true))]),
  },
  name: { isUnique: false, isCentred: false, ways: ofSet(set => [row(1, 14, run(set.name, 'bold', 'name'))]) },
  numberAndName: {
    isUnique: true,
    isCentred: false,
    ways: ofSet(
      set => [row(1, 14, ...numberRuns(set), run(set.name, 'text', 'name', 0.9))],
      set => [row(0.5, 14, ...numberRuns(set)), row(0.5, 12, run(set.name, 'text', 'name'))],
    ),
  },
  ticket: { isUnique: true, isCentred: true, ways: ofSet(set => [row(1, 30, ...numberRuns(set))]) },
  // Read along the spine of a case: the number first, as one looks for it.
  spine: {
    isUnique: true,
    isCentred: false,
    ways: ofSet(
      set => [row(1, 16, ...numberRuns(set), run(set.name, 'bold', 'name', 0.9), { ...brandOf(set), scale: 0.7 })],
      set => [row(0.58, 16, ...numberRuns(set), run(set.name, 'bold', 'name', 0.9)), row(0.42, 9, brandOf(set))],
    ),
  },
  // A block is low: small letters, and the number where the hand takes it.
  blockSide: {
    isUnique: true,
    isCentred: false,
    ways: ofSet(
      set => [row(1, 9, run(set.name, 'text', 'name'), ...numberRuns(set))],
      set => [row(0.5, 9, run(set.name, 'text', 'name')), row(0.5, 9, ...numberRuns(set))],
    ),
  },
  shared: {
    isUnique: false,
    isCentred: false,
    ways: ({ sets }, words) => {
      const share = 1 / Math.max(1, sets.length)
      const numbers = sets.map(codeText).join(', ')
      return [
        sets.map(set => row(share, 12, run(codeText(set), 'bold'), run(set.name, 'text', 'name'))),
        [row(1, 12, run(sets.map(({ name }) => name).join('; '), 'text', 'name'))],
        [row(0.58, 14, run(numbers, 'title', 'name')), row(0.42, 9, run(words.sets(sets.length), 'text'))],
        [row(1, 12, run(words.sets(sets.length), 'bold', 'name'))],
      ]
    },
  },
  cell: { isUnique: true, isCentred: true, ways: ofPlace(({ title }) => [row(1, 14, run(title, 'title'))]) },
  container: {
    isUnique: true,
    isCentred: true,
    ways: ofPlace(({ title, detail }) => [row(0.62, 26, run(title, 'title')), row(0.38, 10, run(detail, 'text', 'name'))]),
  },
  tab: { isUnique: true, isCentred: true, ways: ofPlace(({ title }) => [row(1, 14, run(title, 'bold', 'name'))]) },
}

/** Why a set has this label: by its corner, by its holder, because it is a block, or by the room. */
export type TemplateReason = 'corner' | 'case' | 'block' | 'room'
/** A mounted stamp stands alone as a block of wood, thicker than any pocket takes. Common practice. */
const BLOCK_FROM_MM = 10

/**
 * The label template of a set, and why. O(1).
 * @example templateFor({ corner: null, sitsIn: 'case', thicknessMm: 4, room: 'name' }) //=> { template: 'spine', because: 'case' }
 */
export function templateFor(set: {
  readonly corner: SetLabel | null
  readonly sitsIn: HolderKind | null
  readonly thicknessMm: number
  readonly room: SetLabel
}): { readonly template: SetLabel; readonly because: TemplateReason } {
  if (set.corner) return { template: set.corner, because: 'corner' }
  if (set.sitsIn === 'case') return { template: 'spine', because: 'case' }
  if (set.thicknessMm >= BLOCK_FROM_MM) return { template: 'blockSide', because: 'block' }
  return { template: set.room, because: 'room' }
}
