import { onScopeDispose } from 'vue'

const nameOf = (id: string): string => `strip ${id}`

/** Which strip this tab has open, for other tabs to see: no two tabs work on one. */
export function useStripLock() {
  let letGo = (): void => undefined
  let turn = 0

  /** Lets go of the strip before, and takes this one; null: none. False where another tab has it. */
  function hold(id: string | null): Promise<boolean> {
    letGo()
    letGo = () => undefined
    turn += 1
    const mine = turn
    if (id === null) return Promise.resolve(true)
    return new Promise(resolve => {
      void navigator.locks.request(nameOf(id), { ifAvailable: true }, lock => {
        resolve(lock !== null)
        // Another one was taken meanwhile: this one is let go at once.
        if (!lock || mine !== turn) return undefined
        return new Promise<void>(done => {
          letGo = done
        })
      })
    })
  }
  onScopeDispose(() => void hold(null))

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
