import type { BookWay, IndexBook } from '#core/catalog'
import {
  type BookChanges,
  type BookSource,
  changesOf,
  choicesKey,
  drawLeaf,
  type FrontLeaf,
  frontLeaves,
  type HandChange,
  handChanges,
  layLeaves,
  leafFinder,
  type Leaf,
  leafShape,
  leavesPrinted,
  type Meaning,
  type Page,
  PAPERS,
  type PrintedLeaf,
  wantedWays,
} from '#core/printing'
import { dayOf } from '#core/units'
import { Faces } from '~/subjects/press/faces'
import { renderPdf } from '~/subjects/press/pdf'
import type { MadePdf } from '~/subjects/press/usePress'
import type { Progress } from '~/data/worker'
import { jpegOf, learnRatios, ratioOf } from '~/data/picturesOnPaper'
import { database, loadCommands, statesAt } from '~/db'
import type { Printed, PrintedOutcome } from '~/db/commands'
import { type Waiting, waitingFor } from '~/subjects/press/waiting'
import { bookWords, paperWords } from './paperWords'
import { asOn, type PlainSource, SOURCE_TABLES, sourcesIn } from './sources'

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
/** One leaf, for the list of them. */
export interface LeafLine {
  readonly label: string
  readonly way: BookWay | 'front'
  readonly title: string
}
export interface Laid {
  readonly leaves: readonly LeafLine[]
  readonly toPrint: readonly string[]
  readonly takeOut: readonly string[]
  readonly why: BookChanges['why']
  /** All of it is new: nothing was printed, or the choices are others than then. */
  readonly isWhole: boolean
  /** Pictures that the sets name and this browser no longer has. */
  readonly gone: number
}
/** Leaves a year, if it is printed once a month. */
export interface Yearly {
  readonly months: number
  /** The journal is too young: it goes by the days on which sets came in. */
  readonly isByArrival: boolean
  readonly costs: Readonly<Record<IndexBook['code'], number>>
}
const MONTHS = 12
const MONTH_MS = (365.25 / 12) * 86_400_000
type What = 'changed' | 'all'

interface BookLayout {
  readonly order: BookOrder
  readonly sources: readonly BookSource[]
  readonly printed: readonly PrintedLeaf[]
  readonly leaves: readonly (Leaf | FrontLeaf)[]
  readonly changes: BookChanges
  readonly isWhole: boolean
}
let work: BookLayout | null = null
/** What is asked meanwhile waits for the layout that is under way. */
let laying: Promise<unknown> = Promise.resolve()
async function laid(): Promise<BookLayout | null> {
  await laying
  return work
}
function withRatio({ pictureHash, ...source }: PlainSource): BookSource {
  const ratio = pictureHash ? ratioOf(pictureHash) : null
  return { ...source, picture: pictureHash && ratio ? { hash: pictureHash, ratio } : null }
}
const contextOf = ({ order: { book, roomName, printedOn }, leaves }: BookLayout, { measure }: Faces) => ({
  book,
  words: bookWords(roomName, printedOn, book.sides),
  measure,
  leafOf: leafFinder(leaves.filter((leaf): leaf is Leaf => !('front' in leaf))),
})
const printedOf = (bookId: string): Promise<PrintedLeaf[]> => database().records('bookLeaves').where('bookId').equals(bookId).toArray()

/** Body and front; by hand the front stays as it is. */
function layAll({ book, legend, codes }: BookOrder, sources: readonly BookSource[], printed: readonly PrintedLeaf[]) {
  const shape = leafShape(book)
  const choices = { shape, freeShare: book.freeShare, ownLeafFrom: book.ownLeafFrom }
  const ways = wantedWays(book.ways, sources, book, paperWords)
  return {
    leaves: (isByHand: boolean) => layLeaves(ways, printed, { ...choices, isByHand }),
    front: (leaves: readonly Leaf[]) => frontLeaves(leaves, { legend, codes }, shape, paperWords),
  }
}

const known = new WeakMap<BookLayout, Promise<Faces>>()
/** The faces that a work needs, and what was measured with them. */
function facesOf(now: BookLayout): Promise<Faces> {
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

async function layOut(order: BookOrder): Promise<Laid> {
  const pictures = order.book.picture === 'none' ? [] : [...new Set(order.sources.flatMap(({ pictureHash }) => pictureHash ?? []))]
  await learnRatios(pictures)
  const sources = order.sources.map(withRatio)
  const before = await printedOf(order.book.id)
  const isWhole = order.isFresh || before.length === 0 || order.book.printedAs !== choicesKey(order.book)
  const printed = isWhole ? [] : before
  const all = layAll(order, sources, printed)
  const inside = all.leaves(false)
  const leaves = [...all.front(inside), ...inside]
  const told = changesOf(leaves, before)
  // With other choices every leaf looks different, also one that says the same.
  const changes = isWhole ? { ...told, toPrint: leaves, takeOut: before.map(({ label }) => label) } : told
  work = { order, sources, printed: before, leaves, changes, isWhole }
  return {
    leaves: leaves.map(leaf => ({
      label: leaf.label,
      way: leaf.way,
      title: 'front' in leaf ? '' : (leaf.lines[0]?.heading.title ?? ''),
    })),
    toPrint: changes.toPrint.map(({ label }) => label),
    takeOut: changes.takeOut,
    why: changes.why,
    isWhole,
    gone: pictures.filter(hash => ratioOf(hash) === null).length,
  }
}

/** What was made of a book, with all that its being called well needs. */
interface MadeOfBook extends Omit<Printed, 'bookId' | 'takenOut' | 'isByHand'> {
  readonly takeOut: readonly string[]
  readonly isWhole: boolean
}
const made = waitingFor<MadeOfBook>(database(), 'book')

const chosen = ({ leaves, changes }: BookLayout, what: What): readonly (Leaf | FrontLeaf)[] => (what === 'all' ? leaves : changes.toPrint)

export const bookApi = {
  /** Lays a book out, and says what of it is to be printed. */
  lay(order: BookOrder): Promise<Laid> {
    const found = layOut(order)
    laying = found.catch(() => undefined)
    return found
  },

  /** The sides of one leaf, as the PDF will have them. */
  async pages(label: string): Promise<readonly Page[]> {
    const now = await laid()
    const leaf = now?.leaves.find(each => each.label === label)
    return now && leaf ? drawLeaf(leaf, contextOf(now, await facesOf(now))) : []
  },

  async print(what: What, tell: (progress: Progress) => void): Promise<MadePdf | null> {
    const now = await laid()
    if (!now) return null
    const { order, changes, isWhole } = now
    const leaves = chosen(now, what)
    const faces = await facesOf(now)
    const context = contextOf(now, faces)
    let pages = 0
    function* drawn(): Generator<Page> {
      for (const leaf of leaves) {
        const sides = drawLeaf(leaf, context)
        // A printer that prints both sides counts on each sheet having two.
        const blank =
          order.book.sides === 2 && sides.length % 2 === 1 ? [{ label: leaf.label, side: 'back', bookmark: null, items: [] } as const] : []
        for (const page of [...sides, ...blank]) {
          pages += 1
          yield page
        }
      }
    }
    const pdf = await renderPdf({
      title: `${order.book.name}, ${order.roomName}`,
      sizeOf: () => PAPERS[order.book.paper],
      faces,
      pages: drawn(),
      total: leaves.length * order.book.sides,
      jpegOf,
      onPage: (done, total) => tell({ stage: 'printing', done, total }),
    })
    // What is made last has all that was made of the book before.
    await made.keep(order.book.id, () => ({
      printings: order.book.printings,
      leaves: leaves.map(plainLeaf),
      takeOut: changes.takeOut,
      printedAs: choicesKey(order.book),
      isWhole,
    }))
    return { pdf, count: pages, missing: [...faces.missing] }
  },

  /** What was made of a book and nobody has said yet whether it came out well. */
  async waiting(bookId: string, printings: number): Promise<readonly Waiting[]> {
    const found = await made.get(bookId)
    if (found?.printings !== printings) return []
    return [{ thing: bookId, at: found.at, pieces: found.leaves.map(({ label }) => ({ id: label, text: label })) }]
  },
  /** These leaves came out well; the old ones whose place they take are taken out, and those that nothing takes the place of. */
  async confirm(asked: Waiting, labels: readonly string[]): Promise<PrintedOutcome> {
    const { confirmPrinted } = await loadCommands()
    const well = new Set(labels)
    const outcome = await made.answer(asked, found => {
      const takenOut = found.takeOut.filter(label => found.isWhole || well.has(label) || !found.leaves.some(each => each.label === label))
      const leaves = found.leaves.filter(({ label }) => well.has(label))
      return confirmPrinted(database(), { ...found, bookId: asked.thing, leaves, takenOut, isByHand: false })
    })
    return outcome ?? { ok: false, code: 'otherPrint' }
  },
  /** It was not printed after all. */
  forget: ({ thing }: Waiting): Promise<void> => made.drop(thing),

  /**
   * What each way of sending to a set would have cost in the last year, as its journal tells; where that is younger than a month, by
   * the days on which sets came in. Null: those tell nothing either.
   */
  async yearly(order: BookOrder): Promise<Yearly | null> {
    const now = Date.now()
    const moments = Array.from({ length: MONTHS + 1 }, (_, at) => new Date(now - at * MONTH_MS).toISOString())
    const { states } = await statesAt(database(), [...SOURCE_TABLES, 'settings'], moments)
    const [latest] = states
    if (!latest) return null
    const isByArrival = states.length < 2
    const told = isByArrival
      ? moments.map(at => ({ ...latest.tables, ...asOn(latest.tables, dayOf(new Date(at))) }))
      : states.map(each => each.tables)
    const sets = told.toReversed().map(tables => {
      const settings = tables.settings.get('room')
      return settings ? sourcesIn(tables, settings).map(({ pictureHash: _hash, ...source }) => ({ ...source, picture: null })) : []
    })
    if (isByArrival && sets[0]?.length === sets.at(-1)?.length) return null
    const months = told.length - 1
    const cost = (code: IndexBook['code']): number =>
      Math.round((leavesPrinted({ ...order.book, code, picture: 'none' }, sets, paperWords) * MONTHS) / months)
    return { months, isByArrival, costs: { number: cost('number'), address: cost('address'), both: cost('both') } }
  },

  /** What is to be struck out and written in, for who prints nothing. */
  async hand(): Promise<readonly HandChange[]> {
    const now = await laid()
    return now ? handChanges(layAll(now.order, now.sources, now.printed).leaves(true), body(now.printed)) : []
  },
  /** It was struck out and written in. */
  async confirmHand(): Promise<PrintedOutcome> {
    const now = await laid()
    if (!now) return { ok: false, code: 'gone' }
    const { order, printed, sources } = now
    const [before, leaves] = [body(printed), layAll(order, sources, printed).leaves(true)]
    const there = new Set(leaves.map(({ label }) => label))
    const { confirmPrinted } = await loadCommands()
    return confirmPrinted(database(), {
      bookId: order.book.id,
      printings: order.book.printings,
      leaves: changesOf(leaves, before).toPrint.map(plainLeaf),
      takenOut: before.map(({ label }) => label).filter(label => !there.has(label)),
      printedAs: order.book.printedAs,
      isByHand: true,
    })
  },
}
const body = (printed: readonly PrintedLeaf[]): readonly PrintedLeaf[] => printed.filter(({ way }) => way !== 'front')
const plainLeaf = ({ label, way, group, content }: Leaf | FrontLeaf): Printed['leaves'][number] => ({ label, way, group, ...content })

export type BookApi = typeof bookApi
