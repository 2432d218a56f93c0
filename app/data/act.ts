import { database, loadCommands, readDrafts, readLastCopy, readLoanPlaces, redo, type SwingProgress, undo, type YondercrestDb } from '~/db'
import type * as commands from '~/db/commands'

type Commands = typeof commands
type OverDatabase<F> = F extends (db: YondercrestDb, ...rest: infer A) => infer R ? (...rest: A) => R : never
type Acts = { readonly [K in keyof Commands]: OverDatabase<Commands[K]> }

/** Every command on the database of this browser: the one way in which a screen changes or asks something of it. */
export const act = new Proxy({} as Acts, {
  get:
    (_, name: keyof Commands) =>
    async (...rest: unknown[]): Promise<unknown> => {
      const command = (await loadCommands())[name] as (db: YondercrestDb, ...rest: unknown[]) => unknown
      return command(database(), ...rest)
    },
})

// What only reads needs none of the code that changes things.
export const draftsNow = () => readDrafts(database())
export const lastCopyNow = () => readLastCopy(database())
export const loanPlacesNow = () => readLoanPlaces(database())

export const undoStep = (onProgress: SwingProgress, meant: number) => undo(database(), onProgress, meant)
export const redoStep = (onProgress: SwingProgress, meant: number) => redo(database(), onProgress, meant)
