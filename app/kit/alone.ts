/**
 * Does some work while no other tab or worker of this browser does the same: the next waits for it. Where a browser knows no such locks,
 * nobody waits.
 */
export function alone<R>(what: string, work: () => Promise<R>): Promise<R> {
  const { locks } = navigator as { readonly locks?: LockManager }
  return locks ? locks.request(`yondercrest ${what}`, work) : work()
}
