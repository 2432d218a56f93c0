import type { Loan } from '#core/catalog'
import type { YondercrestDb } from '../../database'

/** The open loan of each of these sets that is out. Loans that are over grow for ever: only those of these sets are looked at. */
export async function openLoans(db: YondercrestDb, holdingIds: readonly string[]): Promise<ReadonlyMap<string, Loan>> {
  const loans = await db
    .records('loans')
    .where('holdingId')
    .anyOf([...holdingIds])
    .toArray()
  return new Map(loans.flatMap(loan => (loan.backAt === null ? [[loan.holdingId, loan] as const] : [])))
}
