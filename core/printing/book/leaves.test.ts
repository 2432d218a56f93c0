import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { changesOf, compareLabels, handChanges, layLeaves, type Leaf, type PrintedLeaf, type WantedWay } from './index'
import { flow, type LeafShape } from './flow'
import type { BookEntry, BookHeading } from './wanted'

/** A leaf of one column that holds a heading and about five entries. */
const shape: LeafShape = { columnWidth: 200, columnHeight: 80, columns: 1, sides: 1, entryHeight: () => 11 }
const plain = { shape, freeShare: 0.25, ownLeafFrom: 3, isByHand: false }

const entryOf = (id: number, name: string): BookEntry => ({
  key: `set${id}`,
  holdingId: `set${id}`,
  figure: String(id),
  suffix: '',
  name,
  detail: '',
  address: '',
  picture: null,
  phrase: null,
})
interface Set {
  readonly id: number
  name: string
  theme: string
}
const THEMES = ['Anchors', 'Angels', 'Buoys', 'Ferns', 'Foxes', 'Kelp', 'Quay']
/** By theme in the order of names, and by number. */
function waysOf(sets: readonly Set[]): readonly WantedWay[] {
  const under = (theme: string): BookHeading => ({
    key: theme,
    title: theme,
    seeAlso: [],
    leaf: 'byCount',
    entries: sets
      .filter(set => set.theme === theme)
      .sort((a, b) => {
        if (a.name < b.name) return -1
        return a.name > b.name ? 1 : a.id - b.id
      })
      .map(({ id, name }) => entryOf(id, name)),
  })
  const numbers: BookHeading = {
    key: 'all',
    title: 'All',
    seeAlso: [],
    leaf: 'own',
    entries: [...sets].sort((a, b) => a.id - b.id).map(({ id, name }) => entryOf(id, name)),
  }
  return [
    { way: 'theme', headings: THEMES.map(under).filter(({ entries }) => entries.length > 0) },
    { way: 'number', headings: [numbers].filter(({ entries }) => entries.length > 0) },
  ]
}
const print = (leaves: readonly Leaf[]): PrintedLeaf[] =>
  leaves.map(({ label, way, group, content }) => ({ id: `leaf ${label}`, label, way, group, ...content }))

const name = fc.stringMatching(/^[a-z]{1,3}$/)
const theme = fc.constantFrom(...THEMES)
type Change = { readonly as: 'add' | 'drop' | 'rename' | 'move'; readonly which: number; readonly name: string; readonly theme: string }
const change: fc.Arbitrary<Change> = fc.record({
  as: fc.constantFrom('add' as const, 'add' as const, 'drop' as const, 'rename' as const, 'move' as const),
  which: fc.nat(),
  name,
  theme,
})
const history = fc.record({
  begin: fc.array(fc.record({ name, theme }), { maxLength: 60 }),
  rounds: fc.array(fc.array(change, { maxLength: 8 }), { minLength: 1, maxLength: 5 }),
})
function apply(sets: Set[], { as, which, ...said }: Change, nextId: number): Set[] {
  const at = which % Math.max(1, sets.length)
  if (as === 'add') return [...sets, { id: nextId, ...said }]
  if (as === 'drop') return sets.filter((_, index) => index !== at)
  return sets.map((set, index) => {
    if (index !== at) return set
    return as === 'rename' ? { ...set, name: said.name } : { ...set, theme: said.theme }
  })
}

/** Every line of a book as it stands, in order. */
const linesOf = (leaves: readonly { way: string; lines: Leaf['lines'] }[]): readonly string[] =>
  leaves.flatMap(({ way, lines }) => lines.map(({ heading, entry }) => `${way} ${heading.title} ${entry.figure} ${entry.name}`))
const wantedLines = (ways: readonly WantedWay[]): readonly string[] =>
  ways.flatMap(({ way, headings }) =>
    headings.flatMap(({ title, entries }) => entries.map(each => `${way} ${title} ${each.figure} ${each.name}`)),
  )

describe('the leaves of a book', () => {
  test('whatever is changed: leaves replaced as told make the book, all in order, and no other leaf is touched (property)', () => {
    fc.assert(
      fc.property(history, fc.constantFrom(1, 2), fc.constantFrom(1 as const, 2 as const), ({ begin, rounds }, columns, sides) => {
        const choices = { ...plain, shape: { ...shape, columns, sides } }
        let sets = begin.map((each, at): Set => ({ id: at + 1, ...each }))
        let nextId = sets.length + 1
        let binder = new Map(print(layLeaves(waysOf(sets), [], choices)).map(leaf => [leaf.label, leaf]))
        for (const round of rounds) {
          for (const each of round) sets = apply(sets, each, nextId++)
          const ways = waysOf(sets)
          const leaves = layLeaves(ways, [...binder.values()], choices)
          expect([...linesOf(leaves)].sort()).toEqual([...wantedLines(ways)].sort())
          const labels = leaves.map(({ label }) => label)
          expect(labels.toSorted(compareLabels)).toEqual(labels)
          expect(new Set(labels).size).toBe(labels.length)
          for (const { lines } of leaves) {
            const spots = flow(lines, choices.shape)
            expect(spots).toHaveLength(lines.length)
            for (const { top, headHeight } of spots) expect(top + headHeight + 11).toBeLessThanOrEqual(shape.columnHeight)
          }
          const told = changesOf(leaves, [...binder.values()])
          // What a person does: take out what is to be taken out, put in what was printed.
          for (const label of told.takeOut) expect(binder.delete(label)).toBe(true)
          for (const leaf of print(told.toPrint as Leaf[])) {
            expect(binder.has(leaf.label)).toBe(false)
            binder.set(leaf.label, leaf)
          }
          expect(
            [...binder.values()]
              .map(({ label, heads, lines }) => ({ label, heads, lines }))
              .sort((a, b) => compareLabels(a.label, b.label)),
          ).toEqual(print(leaves).map(({ label, heads, lines }) => ({ label, heads, lines })))
          // Told again there is nothing left to do.
          const again = layLeaves(ways, [...binder.values()], choices)
          expect(changesOf(again, [...binder.values()])).toMatchObject({ toPrint: [], takeOut: [] })
          binder = new Map(print(again).map(leaf => [leaf.label, leaf]))
        }
      }),
      { numRuns: 150 },
    )
  })

  test('no layout prints fewer leaves: against every way to part the lines (property)', () => {
    const one = fc.record({
      begin: fc.array(name, { minLength: 1, maxLength: 6 }),
      changes: fc.array(change, { minLength: 1, maxLength: 7 }),
    })
    fc.assert(
      fc.property(one, ({ begin, changes }) => {
        let sets = begin.map((each, at): Set => ({ id: (at + 1) * 10, name: each, theme: 'Kelp' }))
        const numbers = (): readonly WantedWay[] => waysOf(sets).slice(1)
        const binder = print(layLeaves(numbers(), [], plain))
        // New ones come between the others too.
        changes.forEach((each, at) => (sets = apply(sets, each, 5 + ((each.which * 7) % 100) + at * 0.1)))
        const lines = numbers().flatMap(({ headings }) => headings.flatMap(heading => heading.entries.map(entry => ({ heading, entry }))))
        const printed = new Set(binder.map(leaf => leaf.lines.map(({ says }) => says.join('|')).join('\n')))
        const says = lines.map(({ entry }) => [entry.figure, '', entry.name, '', '', ''].join('|'))
        const isNew = lines.map(({ entry }) => !binder.some(leaf => leaf.lines.some(({ key }) => key === entry.key)))
        let least = Infinity
        // Bit by bit: does a leaf end behind this line?
        for (let ends = 0; ends < 2 ** Math.max(0, lines.length - 1); ends += 1) {
          let [from, prints] = [0, 0]
          for (let at = 0; at < lines.length; at += 1) {
            if (at < lines.length - 1 && !(ends & (2 ** at))) continue
            const part = lines.slice(from, at + 1)
            if (!printed.has(says.slice(from, at + 1).join('\n'))) {
              const isAllNew = isNew.slice(from, at + 1).every(Boolean)
              // Leaves of new lines alone keep their share free, as a fresh layout does.
              const room = isAllNew ? { ...shape, columnHeight: shape.columnHeight * 0.75 - 7 } : shape
              const isFull = flow(part, room).length < part.length && part.length > 1
              prints += isFull ? Infinity : 1
            }
            from = at + 1
          }
          least = Math.min(least, prints)
        }
        const told = changesOf(layLeaves(numbers(), binder, plain), binder)
        const relabelled = told.toPrint.filter(leaf =>
          binder.some(({ lines: all }) => JSON.stringify(all) === JSON.stringify(leaf.content.lines)),
        )
        if (lines.length > 0) expect(told.toPrint.length - relabelled.length).toBe(least)
      }),
      { numRuns: 300 },
    )
  })

  test('headings stand in the order of the letters, and what has none of them last, whatever that is called', () => {
    const heading = (key: string, title: string): BookHeading => ({
      ...{ key, title, seeAlso: [], leaf: 'own' },
      entries: [entryOf(title.length, title)],
    })
    const headings = [heading('none', 'A theme is lacking'), heading('z', 'Zephyrs'), heading('b', 'Buoys')]
    const groups = (way: WantedWay['way']): string[] => layLeaves([{ way, headings }], [], plain).map(({ group }) => group)
    expect(groups('theme')).toEqual(['= b', '= z', '= none'])
    // Numbers and places come as they are.
    expect(groups('place')).toEqual(['= none', '= z', '= b'])
  })

  test('a full leaf parts into 12 and 12a; an emptied one is told; headings of few sets share their letter', () => {
    const sets: Set[] = ['Anchors', 'Angels', ...Array<string>(5).fill('Ferns'), 'Foxes', ...Array<string>(3).fill('Kelp')].map(
      (each, at) => ({
        id: at + 1,
        name: `n${at}`,
        theme: each,
      }),
    )
    const ways = (): readonly WantedWay[] => waysOf(sets).slice(0, 1)
    const wide = { ...plain, shape: { ...shape, columnHeight: 110 } }
    const leaves = layLeaves(ways(), [], wide)
    expect(leaves.map(({ label, group }) => [label, group])).toEqual([
      ['1', '- A'],
      ['2', '- F'],
      ['3', '= Ferns'],
      ['4', '= Kelp'],
    ])
    const binder = print(leaves)
    // Three new ones of Ferns between the first: its leaf parts.
    for (const id of [20, 21, 22]) sets.push({ id, name: 'n2a', theme: 'Ferns' })
    const parted = changesOf(layLeaves(ways(), binder, wide), binder)
    expect([parted.toPrint.map(({ label }) => label), parted.takeOut]).toEqual([['3', '3a'], ['3']])
    // One more at the end goes onto the last leaf, where there is room.
    const oneMore = [...sets.filter(({ id }) => id < 20), { id: 25, name: 'z', theme: 'Kelp' }]
    const added = changesOf(layLeaves(waysOf(oneMore).slice(0, 1), binder, wide), binder)
    expect([added.toPrint.map(({ label }) => label), added.takeOut]).toEqual([['4'], ['4']])
    // What had leaves of its own keeps them with fewer sets, and what shared a letter stays there with more.
    for (const id of [30, 31, 32]) sets.push({ id, name: 'z', theme: 'Foxes' })
    const groups = layLeaves(waysOf(sets.filter(({ id }) => id < 3 || id > 5)).slice(0, 1), binder, wide).map(({ group }) => group)
    expect(groups).toContain('- F')
    expect(groups).not.toContain('= Foxes')
    const few = layLeaves(waysOf(sets.filter(({ id }) => id < 5)).slice(0, 1), binder, wide)
    expect(few.at(-1)).toMatchObject({ label: '3', group: '= Ferns' })
    // All of Kelp goes: its leaf is to be taken out, and nothing is printed.
    const rest = sets.filter(set => set.theme !== 'Kelp' && set.id < 20)
    const emptied = changesOf(layLeaves(waysOf(rest).slice(0, 1), binder, wide), binder)
    expect([emptied.toPrint, emptied.takeOut, emptied.why]).toEqual([
      [],
      ['4'],
      { arrived: 0, gone: 3, renamed: 0, moved: 0, otherwise: 0 },
    ])
  })

  test('by hand every change is struck out and written in on the leaf where it stands, and no leaf is parted (property)', () => {
    fc.assert(
      fc.property(history, ({ begin, rounds }) => {
        let sets = begin.map((each, at): Set => ({ id: at + 1, ...each }))
        let nextId = sets.length + 1
        const binder = print(layLeaves(waysOf(sets), [], plain))
        for (const each of rounds[0] ?? []) sets = apply(sets, each, nextId++)
        const leaves = layLeaves(waysOf(sets), binder, { ...plain, isByHand: true })
        const written = handChanges(leaves, binder)
        const said = (all: readonly (readonly string[])[]): string[] => all.map(says => says.join('|')).sort()
        const before = binder.flatMap(({ lines }) => lines.map(({ says }) => says))
        const now = leaves.flatMap(({ content }) => content.lines.map(({ says }) => says))
        // What was printed, without what is struck out, and with what is written in, is what there is now.
        const struck = said(written.flatMap(({ strike }) => strike))
        const left = said(before)
        for (const each of struck) left.splice(left.indexOf(each), 1)
        expect([...left, ...said(written.flatMap(({ write }) => write.map(({ says }) => says)))].sort()).toEqual(said(now))
        // Where sets only go, nothing is written in.
        const left3 = begin.map((each, at): Set => ({ id: at + 1, ...each })).filter(({ id }) => id % 3 > 0)
        const struckOut = handChanges(layLeaves(waysOf(left3), binder, { ...plain, isByHand: true }), binder)
        expect(struckOut.flatMap(({ write }) => write)).toEqual([])
        expect(struckOut.flatMap(({ strike }) => strike)).toHaveLength(2 * Math.floor(begin.length / 3))
        const had = new Set(binder.map(({ label }) => label))
        const groups = new Set(binder.map(({ way, group }) => `${way} ${group}`))
        for (const { label, way, group } of leaves) if (!had.has(label)) expect(groups.has(`${way} ${group}`)).toBe(false)
      }),
      { numRuns: 100 },
    )
  })
})
