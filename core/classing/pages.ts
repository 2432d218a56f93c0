import type { Theme } from '#core/catalog'

/** With this many sets a theme is worth a page of its own; one set alone may share (common practice). */
const ENOUGH_FOR_A_PAGE = 4

export interface PageAdvice {
  /** Themes with one set, which could share a page under their first letter. */
  readonly toShare: readonly string[]
  /** Themes that share a page but are large enough for one of their own. */
  readonly toOwn: readonly string[]
}

/** The letter under which a theme shares a page: its first letter, without accent. @example pageLetter('élan') //=> 'E' */
export function pageLetter(name: string): string {
  return (
    name
      .normalize('NFKD')
      .replace(/\p{Mn}/gu, '')
      .trim()
      .at(0) ?? '?'
  ).toUpperCase()
}

/**
 * Which themes could share a page, and which are too large to. A theme is told to share only if another one shares, or could share, its
 * letter.
 */
export function adviseOnPages(themes: readonly Theme[], setsOf: (id: string) => number): PageAdvice {
  const isLone = (theme: Theme): boolean => !theme.sharesPage && setsOf(theme.id) === 1
  const letters = new Map<string, number>()
  for (const theme of themes)
    if (theme.sharesPage || isLone(theme)) letters.set(pageLetter(theme.name), (letters.get(pageLetter(theme.name)) ?? 0) + 1)
  return {
    toShare: themes.filter(theme => isLone(theme) && (letters.get(pageLetter(theme.name)) ?? 0) > 1).map(theme => theme.id),
    toOwn: themes.filter(theme => theme.sharesPage && setsOf(theme.id) >= ENOUGH_FOR_A_PAGE).map(theme => theme.id),
  }
}
