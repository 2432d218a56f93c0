import type { Container, Holder, ShelvesFrom } from '#core/catalog'
import { MM_PER_INCH } from '#core/units'
import { figureBehind } from '#core/grammar'
import { type AddressedContainer, type AddressPatterns, containerClash } from './address'
import { allIn, arrangeContainer, type ContainerRow } from './arrange'
import { nextFreeCell } from './cells'
import { keysBehind } from './order'

/** A common shape of container, with the inside sizes of one lane. */
export type ContainerShape = Pick<Container, 'type' | 'lanes' | 'lengthMm' | 'inner' | 'cells' | 'emptyWeightG'> & { readonly id: string }

const cell = (inches: number): { widthMm: number; heightMm: number } => ({ widthMm: inches * MM_PER_INCH, heightMm: inches * MM_PER_INCH })
const row = (
  id: string,
  type: Container['type'],
  lanes: number,
  lengthMm: number,
  widthMm: number,
  heightMm: number,
  emptyWeightG: number,
): ContainerShape => ({ id, type, lanes, lengthMm, inner: { widthMm, heightMm }, cells: null, emptyWeightG })
const pages = (id: string, rows: number, columns: number, inches: number): ContainerShape => ({
  id,
  type: 'binder',
  lanes: 1,
  lengthMm: 60,
  inner: null,
  emptyWeightG: 700,
  cells: { rows, columns, pages: 20, isTwoSided: true, cellSize: cell(inches), reuse: 'last' },
})
/** Common shapes with their usual sizes (common practice); an owner types the measured ones. */
export const CONTAINER_SHAPES: readonly ContainerShape[] = [
  row('narrowBin', 'bin', 1, 300, 165, 190, 450),
  row('wideBin', 'bin', 2, 300, 340, 190, 800),
  row('tallBin', 'bin', 1, 330, 200, 285, 700),
  row('shallowDrawer', 'drawer', 2, 380, 340, 75, 1500),
  row('deepDrawer', 'drawer', 2, 380, 340, 180, 2200),
  row('caseRack', 'caseRack', 1, 500, 150, 200, 1200),
  row('basket', 'basket', 1, 280, 190, 200, 400),
  {
    ...row('tray', 'tray', 1, 250, 340, 50, 500),
    inner: null,
    cells: { rows: 4, columns: 5, pages: 1, isTwoSided: false, cellSize: cell(2.5), reuse: 'first' },
  },
  pages('pages16', 4, 4, 2),
  pages('pages12', 4, 3, 2.5),
  pages('pages6', 3, 2, 3.5),
  pages('pages4', 2, 2, 4.25),
  { ...row('ring', 'ring', 1, 40, 150, 200, 50), inner: null },
  { ...row('board', 'board', 1, 900, 600, 600, 1500), inner: null },
]

/** The number of a shelf, counted from the top or from the floor. @example shelfNumber(1, 4, 'floor') //=> 4 */
export const shelfNumber = (shelf: number, shelves: number, from: ShelvesFrom): number => (from === 'top' ? shelf : shelves + 1 - shelf)

/**
 * Names and short forms for copies of a container: the number at the end counts on; names in use are skipped.
 * @example copyNames({ name: 'Bin 4', code: 'B4' }, [{ name: 'Bin 5', code: 'B5' }], 1) //=> [{ name: 'Bin 6', code: 'B6' }]
 */
export function copyNames(
  original: Pick<Container, 'name' | 'code'>,
  existing: readonly Pick<Container, 'name' | 'code'>[],
  count: number,
  /** Whether an address with this short form could be read as another one. */
  wouldClash: (code: string) => boolean = () => false,
): readonly { readonly name: string; readonly code: string }[] {
  const taken = new Set(existing.flatMap(each => [each.name.toLowerCase(), each.code.toLowerCase()]))
  const [nameStem, codeStem] = [original.name, original.code].map(text => text.replace(/\s*\d+$/, ''))
  const gap = /\s\d+$/.test(original.name) || !/\d$/.test(original.name) ? ' ' : ''
  const made: { name: string; code: string }[] = []
  for (let number = Number(figureBehind(original.code) || 1) + 1; made.length < count; number += 1) {
    const [name, code] = [`${nameStem}${gap}${number}`, `${codeStem?.slice(0, 8)}${number}`]
    if (!taken.has(name.toLowerCase()) && !taken.has(code.toLowerCase()) && !wouldClash(code)) made.push({ name, code })
  }
  return made
}

/** As `copyNames`, and short forms that would clash with an address are skipped too. The preview and the command both call it. */
export function namesAlong(
  original: Omit<AddressedContainer, 'id' | 'shelf'>,
  existing: readonly AddressedContainer[],
  patterns: AddressPatterns,
  count: number,
): ReturnType<typeof copyNames> {
  const wouldClash = (code: string): boolean => containerClash({ ...original, id: '', shelf: 1, code }, existing, patterns) !== null
  return copyNames(original, existing, count, wouldClash)
}

export type EmptyingPlan =
  | { readonly ok: true; readonly holders: readonly Holder[] }
  | { readonly ok: false; readonly code: 'cellsRunOut'; readonly free: number; readonly needed: number }

/** Moves all holders of one container to the end of another in their order: into its last lane, or cell after cell. */
export function planEmptying(from: ContainerRow, into: ContainerRow): EmptyingPlan {
  const holders = from.placements.map(placement => placement.holder)
  // An unknown position stays unknown in the other container.
  const somewhere = from.somewhere.map(({ holder }): Holder => ({
    ...holder,
    containerId: into.container.id,
    lane: into.container.lanes,
    somewhere: { page: null },
  }))
  const { container } = into
  if (!container.cells) {
    const entries = into.lanes[container.lanes - 1] ?? []
    const keys = keysBehind(entries, entries.length - 1, holders.length)
    return {
      ok: true,
      holders: [
        ...holders.map((holder, at) => ({
          ...holder,
          containerId: container.id,
          lane: container.lanes,
          order: keys[at] ?? holder.order,
          cell: null,
        })),
        ...somewhere,
      ],
    }
  }
  let filled = into
  const moved: Holder[] = []
  for (const holder of holders) {
    const free = nextFreeCell(filled)
    if (!free) return { ok: false, code: 'cellsRunOut', free: moved.length, needed: holders.length }
    moved.push({ ...holder, containerId: container.id, lane: 1, cell: free })
    filled = arrangeContainer(container, [...allIn(into).map(({ holder }) => holder), ...moved], [])
  }
  return { ok: true, holders: [...moved, ...somewhere] }
}
