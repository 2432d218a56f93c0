import { newId } from '~/db/newId'
import type { Holding, Label, LabelSheet, Printer } from '#core/catalog'
import { type Stage, stageOf, stateAfter } from '#core/pile'
import { gridFault, type GridFault, usedUp } from '#core/printing'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'

/** Labels that came out well and are on their things. */
export interface LabelsMade {
  readonly labels: readonly (Pick<Label, 'of' | 'template'> & { readonly says: readonly string[] })[]
  /** The number that stands on each of these sets from now on. */
  readonly written: readonly { readonly holdingId: string; readonly text: string }[]
  /** Sets that carry a label now, with or without their number: those that wait for one go on. */
  readonly labelled: readonly string[]
  /** So many labels of a begun sheet are used, those that did not come out well among them. */
  readonly sheet: { readonly id: string; readonly used: number } | null
}

/** From now on these labels count as made. Returns how many. */
export async function confirmLabels(db: YondercrestDb, made: LabelsMade, used: readonly Stage[]): Promise<number> {
  const count = made.labels.length
  return transact(db, 'confirmLabels', { count }, async desk => {
    await forgetLabels(
      desk,
      made.labels.map(({ of }) => of),
    )
    const madeAt = new Date().toISOString()
    await desk.put(
      'labels',
      made.labels.map(({ of, template, says }) => ({ id: newId(), of, template, says: [...says], madeAt })),
    )
    const texts = new Map(made.written.map(({ holdingId, text }) => [holdingId, text]))
    const known = await db.records('holdings').bulkGet([...new Set([...made.labelled, ...texts.keys()])])
    await desk.put(
      'holdings',
      known.flatMap((before): Holding[] => {
        if (!before) return []
        const state = stageOf(before) === 'label' ? stateAfter('label', used) : before.state
        const labelText = texts.get(before.id) ?? before.labelText
        return state === before.state && labelText === before.labelText ? [] : [{ ...before, state, labelText }]
      }),
    )
    const sheet = made.sheet && (await db.records('labelSheets').get(made.sheet.id))
    if (made.sheet && sheet) await desk.put('labelSheets', [usedUp(sheet, made.sheet.used)])
    return count
  })
}

/** What is on these things is not known any more: it was taken off, or written anew by hand. */
export async function forgetLabels(desk: Desk, of: readonly string[]): Promise<void> {
  await desk.remove('labels', await desk.db.records('labels').where('of').anyOf(of).primaryKeys())
}

export type SheetOutcome =
  | { readonly ok: true; readonly id: string }
  /** Its labels cannot lie so. */
  | ({ readonly ok: false } & GridFault)
  | { readonly ok: false; readonly code: 'gone' }

/** Keeps a new kind of label sheet. */
export async function addLabelSheet(db: YondercrestDb, sheet: Omit<LabelSheet, 'id'>): Promise<SheetOutcome> {
  return transact(db, 'putLabelSheet', { name: sheet.name }, desk => writeSheet(desk, { ...sheet, id: newId() }))
}

/** Changes a kind of label sheet. */
export async function changeLabelSheet(db: YondercrestDb, id: string, fields: Partial<Omit<LabelSheet, 'id'>>): Promise<SheetOutcome> {
  const { name } = { ...(await db.records('labelSheets').get(id)), ...fields }
  return transact(db, 'putLabelSheet', { name }, async (desk): Promise<SheetOutcome> => {
    const before = await db.records('labelSheets').get(id)
    return before ? writeSheet(desk, { ...before, ...fields }) : { ok: false, code: 'gone' }
  })
}

async function writeSheet(desk: Desk, sheet: LabelSheet): Promise<SheetOutcome> {
  const fault = gridFault(sheet)
  if (fault) return { ok: false, ...fault }
  await desk.put('labelSheets', [usedUp(sheet, 0)])
  return { ok: true, id: sheet.id }
}
export async function dropLabelSheet(db: YondercrestDb, id: string): Promise<void> {
  const sheet = await db.records('labelSheets').get(id)
  if (sheet) await transact(db, 'dropLabelSheet', { name: sheet.name }, desk => desk.remove('labelSheets', [id]))
}

/** Keeps how far a new printer prints beside where it should. Returns its id. */
export async function addPrinter(db: YondercrestDb, printer: Omit<Printer, 'id'>): Promise<string> {
  const id = newId()
  await transact(db, 'putPrinter', { name: printer.name }, desk => desk.put('printers', [{ ...printer, id }]))
  return id
}
export async function changePrinter(db: YondercrestDb, id: string, fields: Partial<Omit<Printer, 'id'>>): Promise<void> {
  const { name } = { ...(await db.records('printers').get(id)), ...fields }
  await transact(db, 'putPrinter', { name }, desk => desk.change('printers', id, fields))
}
export async function dropPrinter(db: YondercrestDb, id: string): Promise<void> {
  const printer = await db.records('printers').get(id)
  if (printer) await transact(db, 'dropPrinter', { name: printer.name }, desk => desk.remove('printers', [id]))
}
