import type { IndexBook } from '#core/catalog'
import {
  type BookChanges,
  type BookSource,
  changesOf,
  choicesKey,
  type FrontLeaf,
  frontLeaves,
  layLeaves,
  type Leaf,
  leafFinder,
  leafShape,
  type Meaning,
  type PrintedLeaf,
  wantedWays,
} from '#core/printing'
import { learnRatios, ratioOf } from '~/data/picturesOnPaper'
import { Faces } from '~/subjects/press/faces'
import { bookWords, paperWords } from './paperWords'
import type { PlainSource } from './sources'

export interface BookOrder {
  readonly book: IndexBook
  readonly sources: readonly PlainSource[]
  readonly legend: readonly Meaning[]
  readonly codes: readonly Meaning[]
  readonly roomName: string
  /** The day, as it stands at the foot of each page. */
  readonly printedOn: string
  /** Nothing that was printed is kept: all leaves are laid anew. */
  readonly isFresh: boolean
}
/** A book as it is laid out now. */
export interface BookLayout {
  readonly order: BookOrder
  readonly sources: readonly BookSource[]
  readonly printed: readonly PrintedLeaf[]
  readonly leaves: readonly (Leaf | FrontLeaf)[]
  readonly changes: BookChanges
  readonly isWhole: boolean
  /** Pictures that the sets name and this browser no longer has. */
  readonly gone: number
}
function withRatio({ pictureHash, ...source }: PlainSource): BookSource {
  const ratio = pictureHash ? ratioOf(pictureHash) : null
  return { ...source, picture: pictureHash && ratio ? { hash: pictureHash, ratio } : null }
}
export const contextOf = ({ order: { book, roomName, printedOn }, leaves }: BookLayout, { measure }: Faces) => ({
  book,
  words: bookWords(roomName, printedOn, book.sides),
  measure,
  leafOf: leafFinder(leaves.filter((leaf): leaf is Leaf => !('front' in leaf))),
})

/** Two steps: the leaves of the body, and from them the leaves of the front. By hand the front stays as it is. */
export function layAll({ book, legend, codes }: BookOrder, sources: readonly BookSource[], printed: readonly PrintedLeaf[]) {
  const shape = leafShape(book)
  const choices = { shape, freeShare: book.freeShare, ownLeafFrom: book.ownLeafFrom }
  const ways = wantedWays(book.ways, sources, book, paperWords)
  return {
    leaves: (isByHand: boolean) => layLeaves(ways, printed, { ...choices, isByHand }),
    front: (leaves: readonly Leaf[]) => frontLeaves(leaves, { legend, codes }, shape, paperWords),
  }
}

/** Faces by layout: measuring text is slow, and one layout measures the same text often. */
const known = new WeakMap<BookLayout, Promise<Faces>>()
/** The faces that a layout needs. */
export function facesOf(now: BookLayout): Promise<Faces> {
  const faces = known.get(now) ?? facesFor(now)
  known.set(now, faces)
  return faces
}
const facesFor = ({ order, sources }: BookLayout): Promise<Faces> =>
  Faces.for([
    order.roomName,
    ...sources.flatMap(({ name, brand, category, kind, themes, words, address }) => [
      name,
      brand?.name ?? '',
      category?.name ?? '',
      kind?.name ?? '',
      address,
      ...themes.map(each => each.name),
      ...words,
    ]),
    ...order.codes.map(({ text }) => text),
  ])

/** Lays a book out. Leaves that were printed before keep their lines and labels as far as possible. */
export async function layOut(order: BookOrder, before: readonly PrintedLeaf[]): Promise<BookLayout> {
  const pictures = order.book.picture === 'none' ? [] : [...new Set(order.sources.flatMap(({ pictureHash }) => pictureHash ?? []))]
  await learnRatios(pictures)
  const sources = order.sources.map(withRatio)
  const isWhole = order.isFresh || before.length === 0 || order.book.printedAs !== choicesKey(order.book)
  const printed = isWhole ? [] : before
  const all = layAll(order, sources, printed)
  const inside = all.leaves(false)
  const leaves = [...all.front(inside), ...inside]
  const told = changesOf(leaves, before)
  // With other choices every leaf looks different, also one that says the same.
  const changes = isWhole ? { ...told, toPrint: leaves, takeOut: before.map(({ label }) => label) } : told
  const gone = pictures.filter(hash => ratioOf(hash) === null).length
  return { order, sources, printed: before, leaves, changes, isWhole, gone }
}
