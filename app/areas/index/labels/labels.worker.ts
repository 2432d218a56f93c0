import { alone } from '~/kit/alone'
import type { Label, Labelled, LabelSheet, Printer } from '#core/catalog'
import {
  composeLabels,
  inFilingOrder,
  type LabelReason,
  type LaidLabel,
  type Page,
  type PageItem,
  type PageSize,
  PAPERS,
  wishesOf,
} from '#core/printing'
import { PT_PER_MM } from '#core/units'
import { dotsOf } from '~/subjects/press/dots'
import { Faces } from '~/subjects/press/faces'
import { renderPdf } from '~/subjects/press/pdf'
import type { MadePdf } from '~/subjects/press/usePress'
import type { Progress } from '~/data/worker'
import { database } from '~/db'
import { type LabelOrder, type LaidThing, listOf, outlinePage, sheetPages, spaceOf, tapeLabel } from './labelPages'
import { type MachineOutcome, runOnMachine } from './machine'
import { labelsMadeIn } from './madeLabels'
import { AS_LIST, ON_TAPE } from './things'
import { labelWords } from './words'

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
const { begunSheet, rememberMade, waitingLabels, confirmMade, forgetMade, readMachine, keepMachine, changeReel } = labelsMadeIn(database())

interface LabelLayout {
  readonly order: LabelOrder
  readonly faces: Faces
  readonly byOf: ReadonlyMap<string, LaidThing>
}
let work: LabelLayout | null = null

const textsOf = ({ things }: LabelOrder): string[] =>
  things.flatMap(({ sets, title, detail }) => [title, detail, ...sets.flatMap(({ name, brand }) => [name, brand?.name ?? ''])])

async function known(kind: Labelled): Promise<ReadonlyMap<string, Pick<Label, 'template' | 'says'>>> {
  const table = database().records('labels')
  const prefixes = kind === 'set' ? ['set:', 'shared:'] : [`${kind}:`]
  return new Map((await table.where('of').startsWithAnyOf(prefixes).toArray()).map(label => [label.of, label]))
}

const chosen = (now: LabelLayout | null, ofs: readonly string[]): readonly LaidThing[] => ofs.flatMap(of => now?.byOf.get(of) ?? [])
const labelsOf = (laid: readonly LaidThing[]): readonly LaidLabel[] => laid.map(({ label }) => label)

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
    return now ? chosen(now, ofs).map(({ label }) => ({ of: label.of, ...tapeLabel(label, now.order.habits) })) : []
  },
  /** The sheets as the PDF will have them. */
  async sheets(ofs: readonly string[]): Promise<readonly Page[]> {
    const now = work
    if (!now?.order.sheet) return []
    return sheetPages(labelsOf(chosen(now, ofs)), await begunSheet(now.order.sheet), { rightMm: 0, downMm: 0 })
  },

  /** Makes these labels as a PDF, and remembers exactly what is on it. */
  async pdf(ofs: readonly string[], printer: Printer | null, title: string, tell: (progress: Progress) => void): Promise<MadePdf | null> {
    const now = work
    if (!now) return null
    const { habits } = now.order
    const laid = chosen(now, ofs)
    const labels = labelsOf(laid)
    const sheet = now.order.sheet && (await begunSheet(now.order.sheet))
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
    await rememberMade(laid, sheet?.id ?? ON_TAPE)
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
    const laid = chosen(work, ofs)
    const text = await listOf(laid)
    await rememberMade(laid, AS_LIST)
    return text
  },

  /** Sends labels to the stand-in machine; what it did, and the strip as a picture. */
  async toMachine(ofs: readonly string[], isFed: boolean): Promise<MachineOutcome> {
    const now = work
    if (!now) return { ok: false, code: 'gone' }
    const { habits } = now.order
    const heightPt = Math.max(1, habits.tapeWidthMm - 2 * habits.edgeMm) * PT_PER_MM
    const labels = labelsOf(chosen(now, ofs)).map(({ of, items, lengthMm }) => ({
      of,
      lengthMm,
      ...dotsOf(items, lengthMm * PT_PER_MM, heightPt, now.faces),
    }))
    // Two tabs have one machine: each sends to it as the other has left it.
    return alone('label machine', async () => {
      let takeBack: (ofs: readonly string[]) => Promise<void> = () => Promise.resolve()
      return runOnMachine(labels, await readMachine(habits), habits, isFed, {
        async onSend(sent) {
          takeBack = await rememberMade(chosen(now, sent), ON_TAPE)
        },
        async onDone(done, sent) {
          const printed = new Set([...(done?.out ?? []), ...(done?.held ?? [])])
          await takeBack(sent.filter(of => !printed.has(of)))
          if (done) await keepMachine(done.machine)
        },
      })
    })
  },
  machine: readMachine,
  newReel: changeReel,
  waiting: waitingLabels,
  confirm: confirmMade,
  forget: forgetMade,
}
export type LabelsApi = typeof labelsApi
