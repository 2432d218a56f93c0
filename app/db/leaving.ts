import type Dexie from 'dexie'

/**
 * Ends the transactions that are under way as the page is put by for the way back. Some browsers leave them open for as long as it is kept
 * (WebKit, 2026): the first write to one of their tables, of any page, then waits for ever, and all reads behind it. A command whose
 * transaction is ended so has done nothing. What is closed here is not opened again: a page that comes back is read anew.
 */
export function endWithPage(db: Dexie): void {
  const live = new Set<IDBTransaction>()
  db.use({
    stack: 'dbcore',
    name: 'live',
    create: core => ({
      ...core,
      transaction(...asked) {
        const begun = core.transaction(...asked)
        const transaction = begun as unknown as IDBTransaction
        live.add(transaction)
        for (const ending of ['complete', 'abort']) transaction.addEventListener(ending, () => live.delete(transaction))
        return begun
      },
    }),
  })
  window.addEventListener('pagehide', ({ persisted }) => {
    if (!persisted) return
    for (const transaction of live) endNow(transaction)
    db.close()
  })
  window.addEventListener('pageshow', ({ persisted }) => {
    if (persisted) location.reload()
  })
}

function endNow(transaction: IDBTransaction): void {
  try {
    transaction.abort()
  } catch {
    // It has ended already, and has only not said so yet.
  }
}
