import type { Holding, Series } from '#core/catalog'
import { isBlank } from '#core/catalog'
import { mayClash } from '#core/numbering'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { forgetLabels } from '../paper/labels'

export type SeriesOutcome =
  | { readonly ok: true }
  /** The two could print one code for two sets. */
  | { readonly ok: false; readonly code: 'seriesClash'; readonly by: string }
  | { readonly ok: false; readonly code: 'nameMissing' | 'gone' }

/**
 * Puts a new series into the register. Which set a number means never changes by it. One series
 * runs: the one that new sets get their number from.
 */
export async function addSeries(db: YondercrestDb, series: Series): Promise<SeriesOutcome> {
  return transact(db, 'changeSeries', { name: series.name }, desk => writeSeries(desk, series))
}

/** Writes the numbers of a series otherwise. */
export async function changeSeries(db: YondercrestDb, id: string, fields: Partial<Omit<Series, 'id'>>): Promise<SeriesOutcome> {
  const { name } = { ...(await db.records('series').get(id)), ...fields }
  return transact(db, 'changeSeries', { name }, async (desk): Promise<SeriesOutcome> => {
    const before = await db.records('series').get(id)
    return before ? writeSeries(desk, { ...before, ...fields }) : { ok: false, code: 'gone' }
  })
}

async function writeSeries(desk: Desk, series: Series): Promise<SeriesOutcome> {
  if (isBlank(series.name)) return { ok: false, code: 'nameMissing' }
  const others = (await desk.db.records('series').toArray()).filter(other => other.id !== series.id)
  const clash = others.find(other => mayClash(other, series))
  if (clash) return { ok: false, code: 'seriesClash', by: clash.name }
  const isOnlyOne = !others.some(other => other.isRunning)
  await desk.put('series', [
    { ...series, name: series.name.trim(), prefix: series.prefix.trim(), isRunning: series.isRunning || isOnlyOne },
  ])
  // The series below it are written like it, but for what stands in front.
  const below = others.filter(other => other.partOf?.seriesId === series.id)
  await desk.put(
    'series',
    below.map(each => ({ ...each, padding: series.padding, suffixBy: series.suffixBy })),
  )
  if (series.isRunning)
    await desk.put(
      'series',
      others.filter(other => other.isRunning).map(other => ({ ...other, isRunning: false })),
    )
  return { ok: true }
}

/** What the labels of these sets say is what their record says: they were written or printed anew. */
export async function renewLabels(db: YondercrestDb, labels: ReadonlyMap<string, string>): Promise<void> {
  await transact(db, 'renewLabels', { count: labels.size }, async desk => {
    const holdings = await db.records('holdings').bulkGet([...labels.keys()])
    await desk.put(
      'holdings',
      holdings.flatMap(holding => (holding ? [{ ...holding, labelText: labels.get(holding.id) ?? null }] : [])),
    )
    // What was printed is no longer what is on them.
    await forgetLabels(
      desk,
      [...labels.keys()].map(id => `set:${id}`),
    )
  })
}

/** Says which of its two readings a code on a thing has. It is kept as it was written. */
export async function readCode(
  db: YondercrestDb,
  holdingId: string,
  text: string,
  reading: Holding['aliases'][number]['reading'],
): Promise<void> {
  await transact(db, 'readCode', { name: text }, async desk => {
    const holding = await db.records('holdings').get(holdingId)
    if (holding)
      await desk.put('holdings', [
        { ...holding, aliases: holding.aliases.map(alias => (alias.text === text ? { ...alias, reading } : alias)) },
      ])
  })
}
