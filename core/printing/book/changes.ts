import type { FrontLeaf } from './front'
import { type Leaf, saysTheSame } from './leaves'
import type { PrintedLeaf } from './refill'

/** The leaves of a book to print, with the reasons. */
export interface BookChanges {
  /** Leaves without a print, or with one that is out of date, in their order. */
  readonly toPrint: readonly (Leaf | FrontLeaf)[]
  /** Labels of printed leaves to take out, including those that are replaced. */
  readonly takeOut: readonly string[]
  readonly why: Reasons
}
/** Sets by what happened to them since they were printed; each is counted once. */
export interface Reasons {
  readonly arrived: number
  readonly gone: number
  readonly renamed: number
  readonly moved: number
  readonly otherwise: number
}

/** Indexes of the figure, the name and the address among the texts of an entry. */
const [FIGURE, NAME, ADDRESS] = [0, 2, 4]
const GAP = 'gap'

interface Said {
  readonly names: string
  readonly addresses: string
  readonly all: readonly string[]
}
type Leafed = Pick<PrintedLeaf, 'way' | 'heads' | 'lines'>
function saidOf(leaves: readonly Leafed[]): ReadonlyMap<string, Said> {
  const said = new Map<string, Said>()
  for (const { way, lines } of leaves) {
    if (way === 'front') continue
    for (const { head, key, says } of lines) {
      // The id of a set is the first word of the key of its line.
      const [id = ''] = key.split(' ')
      if (id === GAP) continue
      const before = said.get(id)?.all ?? []
      said.set(id, {
        names: says[NAME] ?? '',
        addresses: `${says[FIGURE]} ${says[ADDRESS]}`,
        all: [...before, [way, head, ...says].join('\n')],
      })
    }
  }
  return said
}

/** Compares leaves with what was printed. A label whose leaf is unchanged needs nothing. O(lines). */
export function changesOf(leaves: readonly (Leaf | FrontLeaf)[], printed: readonly PrintedLeaf[]): BookChanges {
  const byLabel = new Map(printed.map(leaf => [leaf.label, leaf]))
  const toPrint = leaves.filter(leaf => {
    const same = byLabel.get(leaf.label)
    return !same || !saysTheSame(leaf.content, same)
  })
  const printing = new Set(toPrint.map(({ label }) => label))
  const stays = new Set(leaves.map(({ label }) => label).filter(label => !printing.has(label)))
  const takeOut = printed.map(({ label }) => label).filter(label => !stays.has(label))
  return { toPrint, takeOut, why: reasonsOf(saidOf(printed), saidOf(leaves.map(({ way, content }) => ({ way, ...content })))) }
}

function reasonsOf(before: ReadonlyMap<string, Said>, now: ReadonlyMap<string, Said>): Reasons {
  const why = { arrived: 0, gone: 0, renamed: 0, moved: 0, otherwise: 0 }
  for (const [id, said] of now) {
    const was = before.get(id)
    if (!was) why.arrived += 1
    else if (was.names !== said.names) why.renamed += 1
    else if (was.addresses !== said.addresses) why.moved += 1
    else if (was.all.toSorted().join() !== said.all.toSorted().join()) why.otherwise += 1
  }
  for (const id of before.keys()) if (!now.has(id)) why.gone += 1
  return why
}

/** What to strike out on a printed leaf and what to write in, for a person who prints nothing. */
export interface HandChange {
  readonly label: string
  /** There is no such leaf yet: use a sheet of its own. */
  readonly isNew: boolean
  readonly strike: readonly (readonly string[])[]
  readonly write: readonly { readonly heading: string; readonly says: readonly string[] }[]
}

/** The changes of leaves that are laid by hand: new lines go where they sort, however full the leaf is. O(lines). */
export function handChanges(leaves: readonly Leaf[], printed: readonly PrintedLeaf[]): readonly HandChange[] {
  const byLabel = new Map(printed.map(leaf => [leaf.label, leaf]))
  const changes = leaves.map((leaf): HandChange => {
    const was = byLabel.get(leaf.label)
    const [said, says] = [linesOf(was ?? { heads: [], lines: [] }), linesOf(leaf.content)]
    return {
      label: leaf.label,
      isNew: was === undefined,
      strike: [...said].flatMap(([key, each]) => (says.has(key) ? [] : [each.says])),
      write: [...says].flatMap(([key, each]) => (said.has(key) ? [] : [each])),
    }
  })
  const kept = new Set(leaves.map(({ label }) => label))
  const gone = printed
    .filter(({ label }) => !kept.has(label))
    .map((leaf): HandChange => ({ label: leaf.label, isNew: false, strike: leaf.lines.map(({ says }) => says), write: [] }))
  return [...changes, ...gone].filter(({ strike, write }) => strike.length + write.length > 0)
}
function linesOf({
  heads,
  lines,
}: Pick<PrintedLeaf, 'heads' | 'lines'>): ReadonlyMap<string, { heading: string; says: readonly string[] }> {
  const titles = new Map(heads.map(({ key, says }) => [key, says[0] ?? '']))
  return new Map(
    lines.map(({ head, says }) => {
      const heading = titles.get(head) ?? ''
      return [[heading, ...says].join('\n'), { heading, says }]
    }),
  )
}
