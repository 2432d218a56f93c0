import { gatherFacts, guessColumns, planRows, recommendedChoices, type ListTable } from '#core/exchange'
import type { CatalogueData } from '#core/catalog'
import { all, BRANDS, NAMES, type Cases, type Luck } from '../../../../tests/support/cases'
import type { YondercrestDb } from '~/db'
import * as commands from '~/db/commands'
import { newId } from '~/db/newId'

export const wholeCases: Cases = {
  async habits(db, luck) {
    await commands.changeSettings(db, {
      forNowContainerId: luck.pick(await all(db, 'containers'))?.id ?? null,
      unit: luck.pick(['in', 'cm'] as const) ?? 'in',
    })
    await commands.setMark(db, luck.pick(['dieForStamp', 'layersWith'] as const) ?? 'layersWith', luck.pick(['&', '+', '']) ?? '')
  },
  async importList(db, luck) {
    const rows = Array.from({ length: 1 + luck.below(4) }, () => [
      luck.pick(NAMES) ?? '',
      luck.pick(BRANDS) ?? '',
      String(1 + luck.below(40)),
      'ropes; kelp',
    ])
    const table: ListTable = {
      headings: ['Name', 'Brand', 'No.', 'Themes'],
      rows,
      source: { kind: 'text', delimiter: ',', encoding: 'utf-8' },
      above: [],
    }
    const columns = guessColumns(table).map(guess => guess.field)
    const facts = gatherFacts(
      table,
      columns,
      { brands: await all(db, 'brands'), kinds: [], categories: [], themes: [], highestNumber: 0 },
      2026,
    )
    const choices = recommendedChoices(columns, facts)
    await commands.importList(db, planRows(table, choices, 2026, 'EUR'), facts.brands, [], 'list.csv', () => undefined)
  },
  async restore(db, luck) {
    await commands.replaceCatalogue(db, 'restoreArchive', await noted(db, luck), [], [])
  },
  async loadDemo(db, luck) {
    await commands.replaceCatalogue(db, 'loadDemo', await noted(db, luck), [], [])
  },
  /** A spoilt theme that nothing names is found and set aside. */
  async sift(db) {
    await db.table('themes').put({ id: newId(), name: null, rank: 0, seeAlsoIds: null, sharesPage: false })
    await commands.siftRecords(db)
  },
  async putBackAside(db, luck) {
    await commands.putBackAside(db, luck.pick(await all(db, 'setAside'))?.id ?? '', { name: luck.pick(NAMES) ?? '' })
  },
  async letAsideGo(db, luck) {
    await commands.letAsideGo(db, luck.pick(await all(db, 'setAside'))?.id ?? '')
  },
}
/** The catalogue as it is, but for a note: what changes nothing is no step. */
async function noted(db: YondercrestDb, luck: Luck): Promise<CatalogueData> {
  const data = await commands.readCatalogue(db)
  return { ...data, brands: data.brands.map(brand => ({ ...brand, notes: `page ${luck.below(99)}` })) }
}
