import { group } from 'd3-array'
import type { BookLeaf, BookWay } from '#core/catalog'
import { flow, type LeafLine } from './flow'
import { compareLabels, labelsByHand, labelsFor } from './leafLabels'
import { type BookHeading, letterOf, saysOf, type WantedWay } from './wanted'
import { byHand, fewestPrints, type Filled, type LeafChoices, type PrintedLeaf } from './refill'
import { compareNames } from '#core/grammar'

/** A leaf as it would be printed now. */
export interface Leaf {
  readonly label: string
  readonly way: BookWay
  readonly group: string
  readonly lines: readonly LeafLine[]
  /** Its first heading began on an earlier leaf. */
  readonly isContinued: boolean
  readonly content: LeafContent
}
/** The content of a leaf: leaves with equal content look the same on paper. */
export type LeafContent = Pick<BookLeaf, 'heads' | 'lines'>
type Unlabelled = Omit<Leaf, 'label' | 'isContinued' | 'content'> & { readonly had: string | null }

function contentOf(lines: readonly LeafLine[], isContinued: boolean): LeafContent {
  const headings = [...new Map(lines.map(({ heading }) => [heading.key, heading])).values()]
  return {
    heads: headings.map(({ key, title, seeAlso }, at) => ({
      key,
      says: [title, at === 0 && isContinued ? '+' : '', ...seeAlso.slice(0, 10)],
    })),
    lines: lines.map(({ heading, entry }) => ({ head: heading.key, key: entry.key, says: [...saysOf(entry)] })),
  }
}
export const saysTheSame = (a: LeafContent, b: LeafContent): boolean =>
  JSON.stringify([a.heads.map(({ key, says }) => [key, says]), a.lines.map(({ head, key, says }) => [head, key, says])]) ===
  JSON.stringify([b.heads.map(({ key, says }) => [key, says]), b.lines.map(({ head, key, says }) => [head, key, says])])

interface Group {
  readonly key: string
  /** Its rank among the others. */
  readonly title: string
  readonly lines: readonly LeafLine[]
}

/** Which headings share leaves. A printed heading stays in its group, unless the owner decides otherwise. */
function groupsOf({ way, headings }: WantedWay, printed: readonly PrintedLeaf[], ownLeafFrom: number): readonly Group[] {
  const before = new Map(printed.flatMap(leaf => leaf.heads.map(({ key }) => [key, leaf.group] as const)))
  const [own, letter] = [(heading: BookHeading) => `= ${heading.key}`.slice(0, 400), (heading: BookHeading) => `- ${letterOf(heading)}`]
  const groupOf = (heading: BookHeading): string => {
    if (heading.leaf === 'own') return own(heading)
    if (heading.leaf === 'letter') return letter(heading)
    const had = before.get(heading.key)
    // A renamed heading may now be under another letter.
    if (had === own(heading) || had === letter(heading)) return had
    return heading.entries.length >= ownLeafFrom ? own(heading) : letter(heading)
  }
  const groups = [...group(headings, groupOf)].map(([key, all]) => ({
    key,
    title: key.startsWith('-') ? key.slice(2) : (all[0]?.title ?? ''),
    lines: all.flatMap(heading => heading.entries.map(entry => ({ heading, entry }))),
  }))
  // Numbers and places in their own order; names by letter, the heading of a letter before its names; the unnamed last.
  if (way === 'number' || way === 'place') return groups
  const isNamed = (each: Group): boolean => each.key !== '= none'
  return [...groups.filter(isNamed).sort((a, b) => compareNames(a.title, b.title)), ...groups.filter(each => !isNamed(each))]
}

function refilled(lines: readonly LeafLine[], old: readonly PrintedLeaf[], choices: LeafChoices): readonly Filled[] {
  if (old.length === 0) return fresh(lines, choices).map(each => ({ from: null, lines: each }))
  return choices.isByHand ? byHand(lines, old) : fewestPrints(lines, old, choices)
}

/** Lines on new leaves, each leaf with a share left free. */
function fresh(lines: readonly LeafLine[], { shape, freeShare }: LeafChoices): readonly (readonly LeafLine[])[] {
  const leaves: (readonly LeafLine[])[] = []
  for (let at = 0; at < lines.length;) {
    const count = Math.max(1, flow(lines.slice(at), shape, 1 - freeShare).length)
    leaves.push(lines.slice(at, at + count))
    at += count
  }
  return leaves
}

/**
 * The leaves of a book in their order. Printed lines stay on their leaf, and leaves keep their label, as far as the order of the book
 * allows; with nothing printed it is a fresh layout. O(lines log lines).
 */
export function layLeaves(ways: readonly WantedWay[], printed: readonly PrintedLeaf[], choices: LeafChoices): readonly Leaf[] {
  const all: Unlabelled[] = ways.flatMap(wanted => {
    const had = printed.filter(({ way }) => way === wanted.way)
    const byGroup = group(had, leaf => leaf.group)
    return groupsOf(wanted, had, choices.ownLeafFrom).flatMap(({ key, lines }) => {
      const old = (byGroup.get(key) ?? []).toSorted((a, b) => compareLabels(a.label, b.label))
      return refilled(lines, old, choices).map(({ from, lines: own }) => ({
        had: from?.label ?? null,
        way: wanted.way,
        group: key,
        lines: own,
      }))
    })
  })
  const labels = (choices.isByHand ? labelsByHand : labelsFor)(all.map(({ had }) => had))
  return all.map(({ had: _had, ...leaf }, at) => {
    const before = all[at - 1]
    const isContinued = before?.way === leaf.way && before.lines.at(-1)?.heading.key === leaf.lines[0]?.heading.key
    return { ...leaf, label: labels[at] ?? '', isContinued, content: contentOf(leaf.lines, isContinued) }
  })
}
