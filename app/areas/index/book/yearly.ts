import type { IndexBook } from '#core/catalog'
import { leavesPrinted } from '#core/printing'
import { dayOf } from '#core/units'
import { statesAt, type YondercrestDb } from '~/db'
import type { BookOrder } from './bookLayout'
import { paperWords } from './paperWords'
import { asOn, SOURCE_TABLES, sourcesIn } from './sources'

/** Leaves a year, if it is printed once a month. */
export interface Yearly {
  readonly months: number
  /** The journal is too young: it goes by the days on which sets came in. */
  readonly isByArrival: boolean
  readonly costs: Readonly<Record<IndexBook['code'], number>>
}
const MONTHS = 12
const MONTH_MS = (365.25 / 12) * 86_400_000

/**
 * Leaves that each kind of reference (number, address, both) would have cost in the last year, replayed from the journal. If the
 * journal is younger than a month, from the days on which sets came in; null: these say nothing either. O(months x sets).
 */
export async function yearly(db: YondercrestDb, order: BookOrder): Promise<Yearly | null> {
  const now = Date.now()
  const moments = Array.from({ length: MONTHS + 1 }, (_, at) => new Date(now - at * MONTH_MS).toISOString())
  const { states } = await statesAt(db, [...SOURCE_TABLES, 'settings'], moments)
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
}
