import type { Label } from '#core/catalog'
import {
  type CardSource,
  type CutPiece,
  dividerFull,
  type DividerShape,
  type DividerSource,
  dividerTab,
  imposePieces,
  imprintCard,
  layList,
  type ListLine,
  type Measure,
  type Page,
  type PageSize,
  type ShortList,
  slipCard,
  type SlipSource,
} from '#core/printing'
import { PT_PER_MM } from '#core/units'
import { Faces } from '~/subjects/press/faces'
import { renderPdf } from '~/subjects/press/pdf'
import type { MadePdf } from '~/subjects/press/usePress'
import type { Progress } from '~/data/worker'
import { jpegOf, learnRatios, ratioOf } from '~/data/picturesOnPaper'
import { database, loadCommands } from '~/db'
import { type Waiting, waitingFor } from '~/subjects/press/waiting'
import { cardWords } from './words'

/** What is to be printed, with all that it is made of. */
export type CardOrder = { readonly title: string; readonly foot: string; readonly paper: PageSize; readonly onlyChanged: boolean } & (
  | { readonly of: 'cards'; readonly sources: readonly CardSource[] }
  | { readonly of: 'dividers'; readonly sources: readonly DividerSource[]; readonly form: 'tab' | 'full'; readonly shape: DividerShape }
  | { readonly of: 'slips'; readonly sources: readonly SlipSource[] }
  | { readonly of: 'list'; readonly lead: string; readonly lines: readonly ListLine[]; readonly hasTicks: boolean }
)
export interface CardsLaid {
  readonly pages: number
  /** As it lies. */
  readonly paper: PageSize
  /** Pieces, or lines, that are on them; how many there are, changed or not. */
  readonly count: number
  readonly all: number
  readonly tooLarge: number
  readonly withoutPicture: number
}
interface CardLayout {
  readonly order: CardOrder
  readonly paper: PageSize
  readonly pages: readonly Page[]
  readonly pieces: readonly CutPiece[]
  readonly faces: Faces
}
/** Cards, or dividers, as they were made. */
interface MadeCards {
  readonly cards: readonly (Pick<Label, 'of' | 'template' | 'says'> & { readonly name: string })[]
}
const made = waitingFor<MadeCards>(database(), 'cards')
let work: CardLayout | null = null

function textsOf(order: CardOrder): readonly string[] {
  const around = [order.title, order.foot]
  if (order.of === 'cards') return [...around, ...order.sources.flatMap(({ sets, address }) => [address, ...sets.map(({ name }) => name)])]
  if (order.of === 'slips')
    return [
      ...around,
      cardWords.takenOut,
      ...order.sources.flatMap(({ name, brand, address, place }) => [name, brand?.name ?? '', address, place]),
    ]
  if (order.of === 'dividers') return [...around, ...order.sources.map(({ title }) => title)]
  return [...around, order.lead, ...order.lines.flatMap(({ code, text, detail }) => [code, text, detail])]
}
const templateOf = (order: CardOrder): Label['template'] => {
  if (order.of === 'cards') return 'card'
  return order.of === 'dividers' && order.form === 'full' ? 'dividerFull' : 'dividerTab'
}

/** Those that say something else than what was made of them, or of which nothing was made. */
async function changed<P extends CutPiece>(pieces: readonly P[], template: Label['template']): Promise<readonly P[]> {
  const known = await database()
    .records('labels')
    .where('of')
    .anyOf(pieces.flatMap(({ of, before }) => (before ? [of, before] : [of])))
    .toArray()
  const was = new Map(known.map(label => [label.of, label]))
  return pieces.filter(({ of, before = '', says }) => {
    const label = was.get(of) ?? was.get(before)
    return label?.template !== template || label.says.join(' ') !== says.join(' ')
  })
}

function piecesOf(order: Exclude<CardOrder, { readonly of: 'list' }>, measure: Measure): readonly CutPiece[] {
  if (order.of === 'slips') return order.sources.map(source => slipCard(source, cardWords, measure))
  if (order.of === 'cards') return []
  const draw = order.form === 'full' ? dividerFull : dividerTab
  return order.sources.map(source => draw(source, order.shape, measure))
}

export const cardsApi = {
  /** The pictures of cards are as high as they are shaped: that is read first. */
  async ratios(hashes: readonly string[]): Promise<ReadonlyMap<string, number>> {
    await learnRatios(hashes)
    return new Map(
      hashes.flatMap(hash => {
        const ratio = ratioOf(hash)
        return ratio === null ? [] : [[hash, ratio] as const]
      }),
    )
  },

  async lay(order: CardOrder): Promise<CardsLaid> {
    const faces = await Faces.for(textsOf(order))
    if (order.of === 'list') {
      const list: ShortList = order
      const pages = order.lines.length === 0 ? [] : layList(list, order.paper, { foot: order.foot, page: cardWords.page }, faces.measure)
      work = { order, paper: order.paper, pages, pieces: [], faces }
      const count = order.lines.filter(({ isHeading }) => !isHeading).length
      return { pages: pages.length, paper: order.paper, count, all: count, tooLarge: 0, withoutPicture: 0 }
    }
    const cards = order.of === 'cards' ? order.sources.map(source => imprintCard(source, faces.measure)) : []
    const all = cards.length > 0 ? cards : piecesOf(order, faces.measure)
    const pieces = order.onlyChanged && order.of !== 'slips' ? await changed(all, templateOf(order)) : all
    const sheet = { widthMm: order.paper.widthPt / PT_PER_MM, heightMm: order.paper.heightPt / PT_PER_MM }
    const { pages, tooLarge, sheet: lying } = imposePieces(pieces, sheet)
    const paper = { widthPt: lying.widthMm * PT_PER_MM, heightPt: lying.heightMm * PT_PER_MM }
    const left = new Set(tooLarge)
    work = { order, paper, pages, pieces: pieces.filter(({ of }) => !left.has(of)), faces }
    const shown = new Set(pieces.map(({ of }) => of))
    const withoutPicture = cards.filter(card => shown.has(card.of) && card.withoutPicture.length > 0).length
    const count = pieces.length - tooLarge.length
    return { pages: pages.length, paper, count, all: all.length, tooLarge: tooLarge.length, withoutPicture }
  },

  pages: (nth: number): readonly Page[] => work?.pages.slice(nth, nth + 1) ?? [],

  async pdf(tell: (progress: Progress) => void): Promise<MadePdf | null> {
    const now = work
    if (!now) return null
    const pdf = await renderPdf({
      title: now.order.title,
      sizeOf: () => now.paper,
      faces: now.faces,
      pages: now.pages,
      total: now.pages.length,
      jpegOf,
      onPage: (done, total) => tell({ stage: 'printing', done, total }),
    })
    if (now.order.of === 'cards' || now.order.of === 'dividers') {
      const cards = now.pieces.map(({ of, name, says }) => ({ of, name, template: templateOf(now.order), says: [...says] }))
      const isNew = new Set(cards.map(({ of }) => of))
      await made.keep(now.order.of, before => ({ cards: [...(before?.cards ?? []).filter(({ of }) => !isNew.has(of)), ...cards] }))
    }
    return { pdf, count: now.pages.length, missing: [...now.faces.missing] }
  },

  /** What was made and nobody has said yet whether it came out well: cards, and dividers. */
  async waiting(): Promise<readonly Waiting[]> {
    return [...(await made.all())].map(([thing, { at, cards }]) => ({
      ...{ thing, at },
      pieces: cards.map(({ of, name }) => ({ id: of, text: name })),
    }))
  },
  /** These came out well: from now on they count as made. 0: it was answered, or more was made, meanwhile. */
  async confirm(asked: Waiting, well: readonly string[]): Promise<number> {
    const { confirmLabels } = await loadCommands()
    const good = new Set(well)
    const count = await made.answer(asked, ({ cards }) => {
      const labels = cards.flatMap(({ of, template, says }) => (good.has(of) ? [{ of, template, says }] : []))
      return confirmLabels(database(), { labels, written: [], labelled: [], sheet: null }, [])
    })
    return count ?? 0
  },
  forget: ({ thing }: Waiting): Promise<void> => made.drop(thing),
}

export type CardsApi = typeof cardsApi
