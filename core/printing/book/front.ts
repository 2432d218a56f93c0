import type { BookWay } from '#core/catalog'
import { romanOf } from '#core/grammar'
import type { LeafShape } from './flow'
import type { Leaf, LeafContent } from './leaves'

/** One line of the front leaves. */
export interface FrontLine {
  readonly as: 'title' | 'way' | 'line'
  readonly text: string
  /** At its end the leaf that it leads to; at its beginning a mark or a code. */
  readonly toLabel: string
  readonly mark: string
}
export interface FrontLeaf {
  readonly label: string
  readonly way: 'front'
  readonly group: 'front'
  readonly front: readonly FrontLine[]
  readonly content: LeafContent
}
export interface FrontWords {
  readonly contents: string
  readonly legend: string
  readonly codes: string
  readonly ways: Readonly<Record<BookWay, string>>
}
/** A mark or a code, and its meaning. */
export interface Meaning {
  readonly mark: string
  readonly text: string
}

export const FRONT_HEIGHTS = { title: 30, way: 22, line: 14 } as const

/** The front of a book: where each heading begins, the meaning of the marks, and how to read codes. O(headings). */
export function frontLeaves(
  leaves: readonly Leaf[],
  { legend, codes }: { readonly legend: readonly Meaning[]; readonly codes: readonly Meaning[] },
  shape: LeafShape,
  words: FrontWords,
): readonly FrontLeaf[] {
  const lines: FrontLine[] = [line('title', words.contents)]
  let [way, group]: string[] = []
  for (const leaf of leaves) {
    if (leaf.way !== way) lines.push(line('way', words.ways[leaf.way]))
    if (leaf.way !== way || leaf.group !== group) lines.push({ ...line('line', titleOf(leaf)), toLabel: leaf.label })
    ;[way, group] = [leaf.way, leaf.group]
  }
  for (const [title, meanings] of [
    [words.legend, legend],
    [words.codes, codes],
  ] as const)
    if (meanings.length > 0) lines.push(line('title', title), ...meanings.map(({ mark, text }) => ({ ...line('line', text), mark })))
  return parted(lines, shape).map((front, at) => ({
    label: romanOf(at + 1),
    way: 'front',
    group: 'front',
    front,
    content: {
      heads: [],
      lines: front.map(({ as, text, toLabel, mark }, index) => ({ head: as, key: String(index), says: [mark, text, toLabel] })),
    },
  }))
}
const line = (as: FrontLine['as'], text: string): FrontLine => ({ as, text, toLabel: '', mark: '' })
/** The title of a group of headings: their letter, or the only heading. */
export const titleOf = ({ group, lines }: Pick<Leaf, 'group' | 'lines'>): string =>
  group.startsWith('- ') ? group.slice(2) : (lines[0]?.heading.title ?? '')

/** A title or a way is never the last line of a column. */
function parted(lines: readonly FrontLine[], shape: LeafShape): readonly (readonly FrontLine[])[] {
  const leaves: FrontLine[][] = []
  for (const { line: each, isNewLeaf } of frontSpots(lines, shape)) {
    if (isNewLeaf) leaves.push([])
    leaves.at(-1)?.push(each)
  }
  return leaves
}

/** The position of each line on its leaf. */
export function frontSpots(
  lines: readonly FrontLine[],
  shape: LeafShape,
): readonly { readonly line: FrontLine; readonly column: number; readonly top: number; readonly isNewLeaf: boolean }[] {
  const columns = shape.columns * shape.sides
  let [column, y, isNewLeaf] = [0, 0, true]
  return lines.map((each, at) => {
    let below = 0
    for (let next = at; lines[next] && lines[next]?.as !== 'line'; next += 1) below += FRONT_HEIGHTS[lines[next]?.as ?? 'line']
    const need = each.as === 'line' ? FRONT_HEIGHTS.line : below + FRONT_HEIGHTS.line
    if (y + need > shape.columnHeight) {
      ;[column, y] = [column + 1, 0]
      if (column === columns) [column, isNewLeaf] = [0, true]
    }
    const spot = { line: each, column, top: y, isNewLeaf }
    y += FRONT_HEIGHTS[each.as]
    isNewLeaf = false
    return spot
  })
}
