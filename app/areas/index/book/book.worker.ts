import type { BookWay } from '#core/catalog'
import {
  type BookChanges,
  changesOf,
  choicesKey,
  drawLeaf,
  type FrontLeaf,
  type HandChange,
  handChanges,
  type Leaf,
  type Page,
  PAPERS,
  type PrintedLeaf,
} from '#core/printing'
import { renderPdf } from '~/subjects/press/pdf'
import type { MadePdf } from '~/subjects/press/usePress'
import type { Progress } from '~/data/worker'
import { jpegOf } from '~/data/picturesOnPaper'
import { database, loadCommands } from '~/db'
import type { Printed, PrintedOutcome } from '~/db/commands'
import { type Waiting, waitingFor } from '~/subjects/press/waiting'
import { type BookLayout, type BookOrder, contextOf, facesOf, layAll, layOut } from './bookLayout'
import { type Yearly, yearly } from './yearly'

type What = 'changed' | 'all'

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

let work: BookLayout | null = null
/** What is asked meanwhile waits for the layout that is under way. */
let laying: Promise<unknown> = Promise.resolve()
async function laid(): Promise<BookLayout | null> {
  await laying
  return work
}
/** What was made of a book, with all that its being called well needs. */
interface MadeOfBook extends Omit<Printed, 'bookId' | 'takenOut' | 'isByHand'> {
  readonly takeOut: readonly string[]
  readonly isWhole: boolean
}
const made = waitingFor<MadeOfBook>(database(), 'book')

const printedOf = (bookId: string): Promise<PrintedLeaf[]> => database().records('bookLeaves').where('bookId').equals(bookId).toArray()

const told = ({ leaves, changes, isWhole, gone }: BookLayout): Laid => ({
  leaves: leaves.map(leaf => ({ label: leaf.label, way: leaf.way, title: 'front' in leaf ? '' : (leaf.lines[0]?.heading.title ?? '') })),
  toPrint: changes.toPrint.map(({ label }) => label),
  takeOut: changes.takeOut,
  why: changes.why,
  isWhole,
  gone,
})

const chosen = ({ leaves, changes }: BookLayout, what: What): readonly (Leaf | FrontLeaf)[] => (what === 'all' ? leaves : changes.toPrint)

export const bookApi = {
  /** Lays a book out, and says what of it is to be printed. */
  lay(order: BookOrder): Promise<Laid> {
    const found = printedOf(order.book.id)
      .then(before => layOut(order, before))
      .then(layout => (work = layout))
    laying = found.catch(() => undefined)
    return found.then(told)
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

  yearly: (order: BookOrder): Promise<Yearly | null> => yearly(database(), order),

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
