import type { Page } from '@playwright/test'

/** Windows to be at home in, a desk and a phone, with the least share of the height that the sheet must have. */
export const WINDOWS = [
  [
    { width: 1280, height: 800, leastShare: 0.78 },
    { width: 1366, height: 650, leastShare: 0.75 },
    // 1280 x 800 at 200 % zoom.
    { width: 640, height: 400, leastShare: 0.55 },
  ],
  [
    { width: 390, height: 844, leastShare: 0.72 },
    // WCAG 2.2, 1.4.10: without scrolling in two directions.
    { width: 320, height: 640, leastShare: 0.55 },
  ],
] as const

/** What a change of the window brings about is drawn: two frames. Where no frame comes at all, that is said, and on which page. */
export const settled = (page: Page): Promise<void> =>
  page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        setTimeout(() => reject(new Error(`no frame was drawn for 10 s: ${location.href}, ${document.visibilityState}`)), 10_000)
        requestAnimationFrame(() => requestAnimationFrame(() => resolve()))
      }),
  )

/** Every page of the demo room, with its title and the first thing that one works with: a set, a row, a field. */
export const PAGES: Readonly<Record<string, readonly [title: string, first: string]>> = {
  '/': ['Find', '[data-mat-item]'],
  '/?ask=harbour': ['Find', '[data-mat-item]'],
  '/find/pull': ['Pull list', '[data-stop]'],
  '/find/out': ['What is out', '[data-stop]'],
  '/find/card': ['For one card', 'main ol input'],
  '/find/picture': ['By picture', 'main button.button-main, main label'],
  '/find/space': ['Fits a space', 'main select'],
  '/find/own': ['Own it?', '#own-text'],
  '/take-in': ['Take in', '#take-name'],
  '/take-in/placeless': ['No place yet', 'main h1'],
  '/take-in/work?stage=class': ['Work through the pile', '[data-work], main h2'],
  '/take-in/moving': ['Moving in', '[data-step]'],
  '/take-in/places': ['The room your list tells of', '[data-family] select'],
  '/take-in/partners': ['Stamps and their dies', 'main input, main button'],
  '/take-in/tidy': ['Begin tidy', '[data-tidy] h2'],
  '/take-in/questions': ['Questions', '[data-question]'],
  '/take-in/names?list=brands': ['Names', 'main ul li'],
  '/take-in/numbers': ['Numbers', 'main li button'],
  '/take-in/measure': ['Measure from a photo', 'main select, main input'],
  '/take-in/list': ['Bring in a list', 'main button, main label'],
  '/storeroom': ['Storeroom', 'main form input'],
  '/storeroom/fill': ['How full, how heavy, how long', '[data-zone-fill]'],
  '/storeroom/refile': ['Re-file', 'main select'],
  '/storeroom/ways': ['Which way suits me?', 'main select'],
  '/storeroom/orders': ['Other orders', 'main select'],
  '/storeroom/zones': ['Corners and addresses', 'main li button'],
  '/storeroom/holders': ['Pockets and cases', 'main li button'],
  '/index': ['Index', '[data-book-status] p'],
  '/index/cards': ['Cards and lists', '[data-card-status] [data-cards-laid]'],
  '/index/labels': ['Labels', '[data-label-status] [data-to-make]'],
  '/copies': ['Copies', 'main section h2'],
}

export interface Geometry {
  /** Of the height of the window. */
  readonly share: number
  /** Where the first of these things begins, of the height of the sheet; null: there is none. */
  readonly first: number | null
  /** Wider than the window, or scrolling sideways, in pixels. */
  readonly over: number
}

export async function geometryOf(page: Page, first: string): Promise<Geometry> {
  return page.evaluate(selector => {
    const sheet = document.getElementById('sheet')
    if (!sheet) return { share: 0, first: null, over: 0 }
    const tops = [...sheet.querySelectorAll(selector.replaceAll('main ', ''))].flatMap(each => {
      const { top, height, width } = each.getBoundingClientRect()
      return height > 1 && width > 1 ? [top] : []
    })
    return {
      share: sheet.clientHeight / window.innerHeight,
      first: tops.length > 0 ? (Math.min(...tops) - sheet.getBoundingClientRect().top) / sheet.clientHeight : null,
      over: Math.max(document.documentElement.scrollWidth - window.innerWidth, sheet.scrollWidth - sheet.clientWidth),
    }
  }, first)
}

/**
 * What can be pressed and is smaller than 44 x 44, links inside a sentence and what is drawn to scale left out; letters below 14, those
 * left out that are shown as large as they are on paper.
 */
export const tooSmall = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const pressed = 'a[href], button, input, select, textarea, summary, [role="option"], [tabindex="0"]'
    const found: string[] = []
    for (const each of document.querySelectorAll<HTMLElement>(pressed)) {
      const isTicked = each.matches('[type="checkbox"], [type="radio"]')
      const target = (isTicked && each.closest('label')) || each
      const { width, height } = target.getBoundingClientRect()
      const isDrawn = each.closest('[data-elevation], [data-ridge], [aria-hidden="true"]') !== null
      if (isDrawn || each.matches('[type="file"]') || width < 2 || height < 2 || getComputedStyle(each).display === 'inline') continue
      if (Math.min(width, height) < 43.5)
        found.push(`${each.tagName} ${each.getAttribute('aria-label') ?? each.textContent} ${width} x ${height}`)
    }
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (texts.nextNode()) {
      const { parentElement, textContent } = texts.currentNode
      if (!parentElement || !textContent?.trim() || parentElement.getBoundingClientRect().width < 2) continue
      if (parentElement.closest('svg')?.closest('[data-preview], [data-label-preview]')) continue
      const scale = parentElement instanceof SVGElement ? (parentElement.closest('svg')?.getScreenCTM()?.a ?? 1) : 1
      const size = Number.parseFloat(getComputedStyle(parentElement).fontSize) * scale
      if (size < 13.9) found.push(`letters of ${size}: ${textContent}`)
    }
    return found
  })
