import type { Holding } from '#core/catalog'
import { type Stage, stateAfter } from './stages'

/** The stage of a set after capture: one whose kind, category and theme are known skips classing. */
export function stateOnCapture(
  facts: Pick<Holding, 'kindId'> & { readonly categoryName: string; readonly themeNames: readonly string[] },
  used: readonly Stage[],
): Holding['state'] {
  const isClassed = facts.kindId !== null && facts.categoryName !== '' && facts.themeNames.length > 0
  return stateAfter(isClassed ? 'class' : 'capture', used)
}
