import type { Labelled, LabelHabits, LabelSheet, Printer } from '#core/catalog'
import { safeCell } from '#core/exchange'
import { type LabelSpace, type LabelThing, type LaidLabel, type Page, type PageItem, type PageSize, spotsOn } from '#core/printing'
import { PT_PER_MM } from '#core/units'
import type { Faces } from '~/subjects/press/faces'
import { labelWords } from './words'

export interface LabelOrder {
  readonly kind: Labelled
  readonly things: readonly LabelThing[]
  readonly written: ReadonlyMap<string, string>
  readonly habits: LabelHabits
  /** What is printed on: null, tape. */
  readonly sheet: LabelSheet | null
}
/** A thing and the label laid out for it. */
export interface LaidThing {
  readonly thing: LabelThing
  readonly label: LaidLabel
}
/** Blank along the edges of a label of a sheet: printers are off by about so much. */
const SHEET_PAD = { acrossMm: 2, downMm: 1.5 }
/** The space that tape or sheet gives to one label. */
export const spaceOf = ({ habits, sheet }: LabelOrder): LabelSpace =>
  sheet
    ? {
        printableMm: Math.max(1, sheet.heightMm - 2 * SHEET_PAD.downMm),
        wholeMm: sheet.heightMm,
        longestMm: Math.max(1, sheet.widthMm - 2 * SHEET_PAD.acrossMm),
        isFixed: true,
      }
    : {
        printableMm: Math.max(1, habits.tapeWidthMm - 2 * habits.edgeMm),
        wholeMm: habits.tapeWidthMm,
        longestMm: habits.longestMm,
        isFixed: false,
      }
const moved = (items: readonly PageItem[], leftPt: number, topPt: number): PageItem[] =>
  items.map(item => ({ ...item, x: item.x + leftPt, y: item.y + topPt }))

/** A label on tape as it is cut: its margins before and behind, the blank edges above and below. */
export function tapeLabel({ items, lengthMm }: LaidLabel, habits: LabelHabits): PageSize & { readonly items: readonly PageItem[] } {
  const [before, edge] = [habits.beforeMm * PT_PER_MM, habits.edgeMm * PT_PER_MM]
  return {
    widthPt: (habits.beforeMm + lengthMm + habits.afterMm) * PT_PER_MM,
    heightPt: habits.tapeWidthMm * PT_PER_MM,
    items: moved(items, before, edge),
  }
}

/** The sides of label sheets, one after the other, from the first free label of the begun one. */
export function sheetPages(labels: readonly LaidLabel[], sheet: LabelSheet, printer: Pick<Printer, 'rightMm' | 'downMm'>): readonly Page[] {
  const pages: { label: string; side: 'front'; bookmark: null; items: PageItem[] }[] = []
  spotsOn(sheet, labels.length).forEach((spot, nth) => {
    while (pages.length <= spot.sheet) pages.push({ label: String(pages.length + 1), side: 'front', bookmark: null, items: [] })
    const left = (spot.leftMm + SHEET_PAD.acrossMm + printer.rightMm) * PT_PER_MM
    const top = (spot.topMm + SHEET_PAD.downMm + printer.downMm) * PT_PER_MM
    pages[spot.sheet]?.items.push(...moved(labels[nth]?.items ?? [], left, top))
  })
  return pages
}

/** Outlines of all labels of a sheet, to hold against the light before a sheet of labels is printed on. */
export function outlinePage(sheet: LabelSheet, printer: Pick<Printer, 'rightMm' | 'downMm'>, { measure }: Faces): Page {
  const spots = spotsOn({ ...sheet, nextFree: 0 }, sheet.columns * sheet.rows)
  const items = spots.map(({ leftMm, topMm }): PageItem => ({
    type: 'outline',
    x: (leftMm + printer.rightMm) * PT_PER_MM,
    y: (topMm + printer.downMm) * PT_PER_MM,
    widthPt: sheet.widthMm * PT_PER_MM,
    heightPt: sheet.heightMm * PT_PER_MM,
    ink: 'night',
  }))
  const [first] = spots
  const text = labelWords.testPage
  const x = ((first?.leftMm ?? 0) + SHEET_PAD.acrossMm) * PT_PER_MM
  const y = ((first?.topMm ?? 0) + sheet.heightMm / 2) * PT_PER_MM
  const sizePt = Math.min(8, (8 * (sheet.widthMm - 2 * SHEET_PAD.acrossMm) * PT_PER_MM) / measure(text, 'text', 8))
  return { label: '1', side: 'front', bookmark: null, items: [...items, { type: 'text', x, y, sizePt, font: 'text', ink: 'quiet', text }] }
}

/** As a list for the programs of other machines: a line a label, in order, each line of text in a cell of its own. */
export async function listOf(entries: readonly LaidThing[]): Promise<string> {
  const { default: Papa } = await import('papaparse')
  const most = Math.max(1, ...entries.map(({ label }) => label.says.length))
  const fields = [labelWords.csvOrder, labelWords.csvNumber, ...Array.from({ length: most }, (_, at) => labelWords.csvLine(at + 1))]
  const data = entries.map(({ thing, label }, at) => [
    String(at + 1),
    thing.sets.map(({ figure, suffix }) => safeCell([figure, suffix].filter(Boolean).join(' '))).join('; '),
    ...Array.from({ length: most }, (_, line) => safeCell(label.says[line] ?? '')),
  ])
  return `${Papa.unparse({ fields, data }, { newline: '\r\n' })}\r\n`
}
