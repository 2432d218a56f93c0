import { newId } from '~/db/newId'
import {
  type CatalogueData,
  emptyCatalogue,
  type LocaleSettings,
  type RecordOf,
  type RoomSettings,
  startCatalogue,
  TABLE_NAMES,
} from '#core/catalog'
import { makeRecords, type PlannedRow } from '#core/exchange'
import type { SpellingGroup } from '#core/classing'
import type { InkMapRecord, PictureRecord, ShapesRecord, ThumbRecord, YondercrestDb } from '../../database'
import type { LastCopy } from '../../reads'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { highestGiven, runningSeries } from '../holding/numbers'
import { keepSizes } from '../../pictureSizes'
import { noteBroughtIn } from './storage'

/** Reads the whole catalogue in one moment. Lists are ordered by id, so that equal catalogues read equal. */
export async function readCatalogue(db: YondercrestDb): Promise<CatalogueData> {
  return db.transaction(
    'r',
    TABLE_NAMES.map(name => db.table(name)),
    async () => {
      const data = emptyCatalogue() as Record<string, unknown[]>
      for (const table of TABLE_NAMES) data[table] = await db.anyRecords(table).orderBy(':id').toArray()
      return data as unknown as CatalogueData
    },
  )
}

/** The whole catalogue, and the last step that it holds: what is done while a copy is packed is not in the copy. */
export async function readWithStep(
  db: YondercrestDb,
): Promise<{ readonly data: CatalogueData; readonly step: Pick<LastCopy, 'seq' | 'swings'> }> {
  return db.transaction('r', [...TABLE_NAMES.map(name => db.table(name)), db.journal], async () => {
    const last = await db.journal.orderBy('seq').last()
    return { data: await readCatalogue(db), step: { seq: last?.seq ?? 0, swings: last?.swings ?? 0 } }
  })
}

async function replaceAll(desk: Desk, data: CatalogueData): Promise<void> {
  // Table beside table: each would otherwise wait for the answers of the one before.
  await Promise.all(
    TABLE_NAMES.map(async table => {
      const incoming = data[table] as readonly RecordOf<typeof table>[]
      const kept = new Set(incoming.map(record => record.id))
      const stale = (await desk.db.anyRecords(table).toCollection().primaryKeys()).filter(id => !kept.has(id))
      if (stale.length > 0) await desk.remove(table, stale)
      if (incoming.length > 0) await desk.put(table, incoming)
    }),
  )
}

/** Puts a whole catalogue in the place of the present one: one undoable step. Pictures are added first and stay. */
export async function replaceCatalogue(
  db: YondercrestDb,
  command: 'restoreArchive' | 'loadDemo',
  data: CatalogueData,
  pictures: readonly PictureRecord[],
  thumbs: readonly ThumbRecord[],
): Promise<void> {
  const name = data.settings[0]?.roomName ?? ''
  await noteBroughtIn(
    db,
    pictures.map(({ hash }) => hash),
  )
  await transact(db, command, { name, count: data.holdings.length }, async desk => {
    // Pictures are asked for first, and the database keeps that order: a record that names one which is not there does without it.
    await Promise.all([db.pictures.bulkPut([...pictures]), db.thumbs.bulkPut([...thumbs]), replaceAll(desk, data)])
  })
  // Noted where there is room for it; whoever asks measures what is not.
  await keepSizes(db, pictures).catch(() => undefined)
}

/** Begins anew with the start set of kinds and categories, one shelf and one bin, as its owner has it. Undoable like any step. */
export async function startEmpty(db: YondercrestDb, own: Partial<LocaleSettings & Pick<RoomSettings, 'roomName'>> = {}): Promise<void> {
  const start = startCatalogue(newId)
  const settings = start.settings.map(each => ({ ...each, ...own }))
  await transact(db, 'startEmpty', {}, desk => replaceAll(desk, { ...start, settings }))
}

/**
 * Takes in the rows of a list as planned: all or nothing. Numbers that stand in the list are adopted where they are
 * free. `onProgress` is told how many sets are written; the transaction ends only after the last.
 */
export async function importList(
  db: YondercrestDb,
  rows: readonly PlannedRow[],
  joins: readonly SpellingGroup[],
  refusedSpellings: readonly string[],
  fileName: string,
  onProgress: (done: number, total: number) => void,
): Promise<number> {
  return transact(
    db,
    'importList',
    count => ({ name: fileName, count }),
    async desk => {
      const series = await runningSeries(db)
      const lines = new Map(
        (await db.records('register').where('[seriesId+number]').between([series.id, 0], [series.id, Infinity]).toArray()).map(line => [
          line.number,
          line,
        ]),
      )
      const living = new Set(await db.records('holdings').toCollection().primaryKeys())
      const records = makeRecords(
        rows,
        joins,
        refusedSpellings,
        {
          brands: await db.records('brands').toArray(),
          kinds: await db.records('kinds').toArray(),
          categories: await db.records('categories').toArray(),
          themes: await db.records('themes').toArray(),
          seriesId: series.id,
          highestGiven: await highestGiven(db, series.id),
          lineOf: number => lines.get(number),
          isLiving: id => living.has(id),
        },
        newId,
        new Date().toISOString(),
      )
      for (const table of ['brands', 'kinds', 'categories', 'themes'] as const) await desk.put(table, records[table])
      const CHUNK = 500
      for (let at = 0; at < records.holdings.length; at += CHUNK) {
        await desk.add('holdings', records.holdings.slice(at, at + CHUNK))
        onProgress(Math.min(at + CHUNK, records.holdings.length), records.holdings.length)
      }
      await desk.add('uses', records.uses)
      await desk.register(records.register)
      return records.holdings.length
    },
  )
}

/** Keeps a picture, its thumbnail and its fingerprint. Pictures are only ever added: what names them is their content. */
export async function addPicture(db: YondercrestDb, picture: PictureRecord, thumb: ThumbRecord, inkMap: InkMapRecord): Promise<void> {
  await db.transaction('rw', db.pictures, db.thumbs, db.inkMaps, db.device, async () => {
    await noteBroughtIn(db, [picture.hash])
    await db.pictures.put(picture)
    await keepSizes(db, [picture])
    await db.thumbs.put(thumb)
    await db.inkMaps.put(inkMap)
  })
}

/** Keeps fingerprints of pictures that came without one, as those of an archive do. */
export async function addInkMaps(db: YondercrestDb, maps: readonly InkMapRecord[]): Promise<void> {
  await db.inkMaps.bulkPut([...maps])
}

/** Keeps the shapes of pictures, once they were made. */
export async function addShapes(db: YondercrestDb, shapes: readonly ShapesRecord[]): Promise<void> {
  await db.shapes.bulkPut([...shapes])
}
