import { onScopeDispose } from 'vue'

const nameOf = (id: string): string => `strip ${id}`

/** Which strip this tab has open, for other tabs to see: two tabs never begin on the same one by themselves. */
export function useStripLock() {
  let letGo = (): void => undefined
  function hold(id: string | null): void {
    letGo()
    letGo = () => undefined
    if (id)
      void navigator.locks.request(
        nameOf(id),
        () =>
          new Promise<void>(resolve => {
            letGo = resolve
          }),
      )
  }
  onScopeDispose(() => letGo())

  /** The first strip that no other tab has open. */
  async function firstFree<S extends { readonly id: string }>(strips: readonly S[]): Promise<S | null> {
    const { held = [] } = await navigator.locks.query()
    const taken = new Set(held.map(lock => lock.name))
    return strips.find(strip => !taken.has(nameOf(strip.id))) ?? null
  }
  async function isFree(id: string): Promise<boolean> {
    return (await firstFree([{ id }])) !== null
  }
  return { hold, firstFree, isFree }
}
