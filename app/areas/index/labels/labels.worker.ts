import type { Label, Labelled, LabelHabits, LabelSheet, Printer } from '#core/catalog'
import {
  composeLabels,
  inFilingOrder,
  type LabelReason,
  type LabelSpace,
  type LabelThing,
  type LaidLabel,
  type Page,
  type PageItem,
  type PageSize,
  PAPERS,
  spotsOn,
  usedUp,
  wishesOf,
  writtenBy,
} from '#core/printing'
import { safeCell } from '#core/exchange'
import type { Stage } from '#core/pile'
import { PT_PER_MM } from '#core/units'
import { dotsOf } from '~/subjects/press/dots'
import { Faces } from '~/subjects/press/faces'
import { renderPdf } from '~/subjects/press/pdf'
import type { MadePdf } from '~/subjects/press/usePress'
import type { Progress } from '~/data/worker'
import { database, loadCommands } from '~/db'
import type { LabelsMade } from '~/db/commands'
import { type Waiting, waitingFor } from '~/subjects/press/waiting'
import { type MachineOutcome, type MachineState, newReel, runOnMachine } from './machine'
import { AS_LIST, ON_TAPE } from './things'
import { labelWords } from './words'

export interface LabelOrder {
  readonly kind: Labelled
  readonly things: readonly LabelThing[]
  readonly written: ReadonlyMap<string, string>
  readonly habits: LabelHabits
  /** What is printed on: null, tape. */
  readonly sheet: LabelSheet | null
}
/** One label, for the list of them. */
export interface LabelLine {
  readonly of: string
  readonly says: readonly string[]
  readonly lengthMm: number
  readonly reason: LabelReason | null
  readonly was: readonly string[]
  readonly shortened: LaidLabel['shortened']
  readonly troubles: LaidLabel['troubles']
}
/** One label as it was made, with all that its being called well needs. */
type MadeLabel = LabelsMade['labels'][number] & Pick<LabelsMade, 'written' | 'labelled'>
/** What was made on one label sheet, on tape, or as a list. */
interface MadeLabels {
  readonly labels: readonly MadeLabel[]
  /** Labels of the begun sheet that are used by it, one that was made twice counted twice. */
  readonly used: number
}
const made = waitingFor<MadeLabels>(database(), 'labels')
interface LabelLayout {
  readonly order: LabelOrder
  readonly faces: Faces
  readonly byOf: ReadonlyMap<string, { readonly thing: LabelThing; readonly label: LaidLabel }>
}
let work: LabelLayout | null = null

/** Blank along the edges of a label of a sheet: it may lie a little beside where it should. */
const SHEET_PAD = { acrossMm: 2, downMm: 1.5 }
/** What is printed on, as labels see it. */
const spaceOf = ({ habits, sheet }: LabelOrder): LabelSpace =>
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
const textsOf = ({ things }: LabelOrder): string[] =>
  things.flatMap(({ sets, title, detail }) => [title, detail, ...sets.flatMap(({ name, brand }) => [name, brand?.name ?? ''])])

async function known(kind: Labelled): Promise<ReadonlyMap<string, Pick<Label, 'template' | 'says'>>> {
  const table = database().records('labels')
  const prefixes = kind === 'set' ? ['set:', 'shared:'] : [`${kind}:`]
  return new Map((await table.where('of').startsWithAnyOf(prefixes).toArray()).map(label => [label.of, label]))
}

const moved = (items: readonly PageItem[], leftPt: number, topPt: number): PageItem[] =>
  items.map(item => ({ ...item, x: item.x + leftPt, y: item.y + topPt }))

/** A label on tape as it is cut: its margins before and behind, the blank edges above and below. */
function tapeLabel({ items, lengthMm }: LaidLabel, habits: LabelHabits): PageSize & { readonly items: readonly PageItem[] } {
  const [before, edge] = [habits.beforeMm * PT_PER_MM, habits.edgeMm * PT_PER_MM]
  return {
    widthPt: (habits.beforeMm + lengthMm + habits.afterMm) * PT_PER_MM,
    heightPt: habits.tapeWidthMm * PT_PER_MM,
    items: moved(items, before, edge),
  }
}

/** The sides of label sheets, one after the other, from the first free label of the begun one. */
function sheetPages(labels: readonly LaidLabel[], sheet: LabelSheet, printer: Pick<Printer, 'rightMm' | 'downMm'>): readonly Page[] {
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
function outlinePage(sheet: LabelSheet, printer: Pick<Printer, 'rightMm' | 'downMm'>, { measure }: Faces): Page {
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

const chosen = (now: LabelLayout | null, ofs: readonly string[]): readonly LaidLabel[] => ofs.flatMap(of => now?.byOf.get(of)?.label ?? [])

/** The sheet with its first free label: behind what is on it already, answered for or not. */
const begun = async (sheet: LabelSheet): Promise<LabelSheet> => usedUp(sheet, (await made.get(sheet.id))?.used ?? 0)

/** These labels are asked about until somebody answers, with what was made on the same thing before. */
async function remember(now: LabelLayout, ofs: readonly string[], thing: string): Promise<void> {
  const labels = ofs
    .flatMap(of => now.byOf.get(of) ?? [])
    .map(({ thing: { of, template, sets }, thing: labelled, label }): MadeLabel => ({
      ...{ of, template },
      says: label.says,
      written: writtenBy(labelled),
      labelled: sets.map(({ id }) => id),
    }))
  if (labels.length === 0) return
  const isNew = new Set(labels.map(({ of }) => of))
  await made.keep(thing, before => ({
    labels: [...(before?.labels ?? []).filter(({ of }) => !isNew.has(of)), ...labels],
    used: (before?.used ?? 0) + labels.length,
  }))
}

export const labelsApi = {
  /** Lays out the labels of all things of a kind, in filing order, each with why it is to be made. */
  async lay(order: LabelOrder): Promise<readonly LabelLine[]> {
    const faces = await Faces.for(textsOf(order))
    const before = await known(order.kind)
    const laid = composeLabels(order.things, {
      space: spaceOf(order),
      hasCode: order.habits.hasCode,
      words: { sets: labelWords.sets },
      measure: faces.measure,
    })
    work = {
      order,
      faces,
      byOf: new Map(
        order.things.flatMap(thing => (laid.has(thing.of) ? [[thing.of, { thing, label: laid.get(thing.of) as LaidLabel }]] : [])),
      ),
    }
    return wishesOf(inFilingOrder(order.things), laid, before, of => order.written.get(of) ?? null).map(({ label, reason, was }) => ({
      of: label.of,
      says: label.says,
      lengthMm: label.lengthMm,
      shortened: label.shortened,
      troubles: label.troubles,
      reason,
      was,
    }))
  },

  /** Labels of tape as they are cut, for the screen. */
  strip(ofs: readonly string[]): readonly (PageSize & { readonly of: string; readonly items: readonly PageItem[] })[] {
    const now = work
    return now ? chosen(now, ofs).map(label => ({ of: label.of, ...tapeLabel(label, now.order.habits) })) : []
  },
  /** The sheets as the PDF will have them. */
  async sheets(ofs: readonly string[]): Promise<readonly Page[]> {
    const now = work
    if (!now?.order.sheet) return []
    return sheetPages(chosen(now, ofs), await begun(now.order.sheet), { rightMm: 0, downMm: 0 })
  },

  /** Makes these labels as a PDF, and remembers exactly what is on it. */
  async pdf(ofs: readonly string[], printer: Printer | null, title: string, tell: (progress: Progress) => void): Promise<MadePdf | null> {
    const now = work
    if (!now) return null
    const { habits } = now.order
    const labels = chosen(now, ofs)
    const sheet = now.order.sheet && (await begun(now.order.sheet))
    const cut = sheet ? [] : labels.map(label => tapeLabel(label, habits))
    const pages = sheet
      ? sheetPages(labels, sheet, printer ?? { rightMm: 0, downMm: 0 })
      : cut.map(({ items }, nth): Page => ({ label: String(nth + 1), side: 'front', bookmark: null, items }))
    const pdf = await renderPdf({
      title,
      sizeOf: nth => (sheet ? PAPERS[sheet.paper] : (cut[nth] ?? PAPERS.A4)),
      faces: now.faces,
      pages,
      total: pages.length,
      jpegOf: () => Promise.resolve(null),
      onPage: (done, total) => tell({ stage: 'printing', done, total }),
    })
    await remember(now, ofs, sheet?.id ?? ON_TAPE)
    return { pdf, count: labels.length, missing: [...now.faces.missing] }
  },
  /** A page of outlines of a sheet. */
  async outlines(sheet: LabelSheet, printer: Printer | null, title: string): Promise<ArrayBuffer> {
    const faces = await Faces.for([])
    return renderPdf({
      title,
      sizeOf: () => PAPERS[sheet.paper],
      faces,
      pages: [outlinePage(sheet, printer ?? { rightMm: 0, downMm: 0 }, faces)],
      total: 1,
      jpegOf: () => Promise.resolve(null),
      onPage: () => undefined,
    })
  },
  /** As a list for the programs of other machines: a line a label, in order, each line of text in a cell of its own. */
  async csv(ofs: readonly string[]): Promise<string> {
    const { default: Papa } = await import('papaparse')
    const now = work
    const entries = ofs.flatMap(of => now?.byOf.get(of) ?? [])
    const most = Math.max(1, ...entries.map(({ label }) => label.says.length))
    const fields = [labelWords.csvOrder, labelWords.csvNumber, ...Array.from({ length: most }, (_, at) => labelWords.csvLine(at + 1))]
    const data = entries.map(({ thing, label }, at) => [
      String(at + 1),
      thing.sets.map(({ figure, suffix }) => safeCell([figure, suffix].filter(Boolean).join(' '))).join('; '),
      ...Array.from({ length: most }, (_, line) => safeCell(label.says[line] ?? '')),
    ])
    if (now) await remember(now, ofs, AS_LIST)
    return `${Papa.unparse({ fields, data }, { newline: '\r\n' })}\r\n`
  },

  /** Sends labels to the stand-in machine; what it did, and the strip as a picture. */
  async toMachine(ofs: readonly string[], isFed: boolean): Promise<MachineOutcome> {
    const now = work
    if (!now) return { ok: false, code: 'gone' }
    const { habits } = now.order
    const heightPt = Math.max(1, habits.tapeWidthMm - 2 * habits.edgeMm) * PT_PER_MM
    const labels = chosen(now, ofs).map(({ of, items, lengthMm }) => ({
      of,
      lengthMm,
      ...dotsOf(items, lengthMm * PT_PER_MM, heightPt, now.faces),
    }))
    const isAsked = new Set(ofs)
    return runOnMachine(labels, await readMachine(habits), habits, isFed, async ({ machine, out, held }) => {
      await keepMachine(machine)
      // What was inside before is remembered already.
      await remember(
        now,
        [...out, ...held].filter(of => isAsked.has(of)),
        ON_TAPE,
      )
    })
  },
  /** The machine as it was left. */
  machine: (habits: LabelHabits): Promise<MachineState> => readMachine(habits),
  /** A new reel of the tape that is laid out for. What was inside the machine is thrown away, and so was never made. */
  async newReel(habits: LabelHabits): Promise<MachineState> {
    const machine = newReel(habits.tapeWidthMm)
    const lost = new Set((await readMachine(habits)).held.map(({ of }) => of))
    await keepMachine(machine)
    await made.keep(ON_TAPE, before => {
      const labels = before?.labels.filter(({ of }) => !lost.has(of)) ?? []
      return before && labels.length > 0 ? { ...before, labels } : null
    })
    return machine
  },

  /** What was made and nobody has said yet whether it came out well: of each sheet, of tape, of a list. */
  async waiting(): Promise<readonly Waiting[]> {
    return [...(await made.all())].map(([thing, { at, labels, used }]) => ({
      ...{ thing, at, used },
      pieces: labels.map(({ of, says }) => ({ id: of, text: says.join(' \u00b7 ') })),
    }))
  },
  /**
   * These came out well and are on their things; a sheet goes on behind all that were printed on it. 0: it was answered, or more was made,
   * meanwhile.
   */
  async confirm(asked: Waiting, well: readonly string[], stages: readonly Stage[]): Promise<number> {
    const { confirmLabels } = await loadCommands()
    const good = new Set(well)
    const count = await made.answer(asked, kept => {
      const labels = kept.labels.filter(({ of }) => good.has(of))
      const written = labels.flatMap(each => each.written)
      const labelled = labels.flatMap(each => each.labelled)
      const sheet = asked.thing === ON_TAPE || asked.thing === AS_LIST ? null : { id: asked.thing, used: kept.used }
      return confirmLabels(database(), { labels, written, labelled, sheet }, stages)
    })
    return count ?? 0
  },
  forget: ({ thing }: Waiting): Promise<void> => made.drop(thing),
}
async function readMachine({ tapeWidthMm }: LabelHabits): Promise<MachineState> {
  const fact = await database().device.get('labelMachine')
  return fact ? (JSON.parse(fact.value) as MachineState) : newReel(tapeWidthMm)
}
async function keepMachine(machine: MachineState): Promise<void> {
  await database().device.put({ id: 'labelMachine', value: JSON.stringify(machine) })
}
export type LabelsApi = typeof labelsApi
