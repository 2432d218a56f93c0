import { fieldsLike } from '~/kit/useTyped'

const KEY = 'strip that is not kept'

/**
 * A strip that the database had no room for stays in this tab, over leaving the page and a reload, until it is kept after all. A browser
 * that keeps nothing for a tab has kept nothing.
 */
export function unkeptStrip<T extends object>() {
  return {
    keep(id: string, texts: T): void {
      try {
        sessionStorage.setItem(KEY, JSON.stringify({ id, texts }))
      } catch {
        // The screen still has it, and says that it is not kept.
      }
    },
    /** The strip, with only those texts that a strip has; null: there is none. */
    read(blank: T): { readonly id: string; readonly texts: T } | null {
      try {
        const kept = JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as { readonly id?: unknown; readonly texts?: unknown } | null
        if (typeof kept?.id !== 'string' || typeof kept.texts !== 'object' || kept.texts === null) return null
        return { id: kept.id, texts: { ...blank, ...fieldsLike(kept.texts, blank) } }
      } catch {
        return null
      }
    },
    drop(): void {
      try {
        sessionStorage.removeItem(KEY)
      } catch {
        // Then nothing was kept there.
      }
    },
  }
}
