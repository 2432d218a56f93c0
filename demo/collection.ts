import { type Brand, blankHolding, type Holding, type Kind, type Theme } from '#core/catalog'
import { sizeFrom } from '#core/units'
import { FIRST_WORDS, LAST_WORDS, type ThemeStock, THEMES } from './names'
import type { Chance } from './random'
import { drawSheet, type SheetPiece } from './sheets'

/** Sets of each kind in the letter room, their sizes (inches) and categories. */
interface KindPlan {
  readonly kind: string
  readonly count: number
  readonly sizes: readonly (readonly [width: number, height: number])[]
  readonly categories: readonly string[]
}
// Sizes are the usual ones of the trade (common practice); the rest is invention.
const PLAN: readonly KindPlan[] = [
  {
    kind: 'Clear',
    count: 148,
    sizes: [
      [4, 6],
      [4, 6],
      [4, 6],
      [6, 8],
      [3, 4],
      [4, 8],
      [2, 3],
    ],
    categories: ['Images', 'Images', 'Sentiments', 'Sentiments', 'Alphabets', 'Numbers', 'Borders', 'Frames and tags'],
  },
  {
    kind: 'Cling',
    count: 56,
    sizes: [
      [4, 6],
      [6, 6],
      [5, 7],
      [4, 8],
    ],
    categories: ['Images', 'Sentiments', 'Backgrounds', 'Borders'],
  },
  {
    kind: 'Wood mounted',
    count: 42,
    sizes: [
      [3, 4],
      [2, 3],
      [4, 6],
      [3.5, 5.5],
    ],
    categories: ['Images', 'Sentiments', 'Images'],
  },
  {
    kind: 'Rubber, unmounted',
    count: 34,
    sizes: [
      [2, 3],
      [2, 2.5],
      [3, 4],
    ],
    categories: ['Images', 'Sentiments'],
  },
  {
    kind: 'Thin die',
    count: 52,
    sizes: [
      [4, 6],
      [5, 5],
      [3, 4],
      [6, 6],
    ],
    categories: ['Shapes', 'Frames and tags', 'Images', 'Borders'],
  },
  { kind: 'Stencil', count: 14, sizes: [[6, 6]], categories: ['Backgrounds'] },
  {
    kind: 'Embossing folder',
    count: 8,
    sizes: [
      [4.25, 5.75],
      [5, 7],
    ],
    categories: ['Backgrounds'],
  },
  {
    kind: 'Steel die',
    count: 6,
    sizes: [
      [3, 4],
      [4, 6],
    ],
    categories: ['Shapes', 'Images'],
  },
]

export interface DrawnHolding {
  readonly holding: Holding
  /** The drawing at true size, to be rendered. */
  readonly svg: string
  /** What is on its sheet, as large as it is drawn. */
  readonly pieces: readonly SheetPiece[]
  /** How often it was used, and when last. */
  readonly used: { readonly times: number; readonly lastOn: string | null }
}

interface Stock {
  readonly kinds: ReadonlyMap<string, Kind>
  readonly categoryIds: ReadonlyMap<string, string>
  readonly themes: ReadonlyMap<string, Theme>
  readonly brands: readonly Brand[]
  readonly seriesId: string
  readonly newId: () => string
}

/** About 360 sets, numbered in the order in which they came in over thirty years, with a gap now and then. */
export function makeCollection(stock: Stock, chance: Chance): readonly DrawnHolding[] {
  const plans = PLAN.flatMap(plan => Array.from({ length: plan.count }, () => ({ plan, day: dayBetween(1996, 2026, chance) })))
  plans.sort((a, b) => {
    if (a.day < b.day) return -1
    return a.day > b.day ? 1 : 0
  })
  const names = new Set<string>()
  let number = 0
  return plans.map(({ plan, day }) => {
    number += chance.unit() < 0.03 ? 2 : 1
    const theme = chance.pick(THEMES)
    const category = chance.pick(plan.categories)
    const [width, height] = chance.pick(plan.sizes)
    const size = sizeFrom(width, height, 'in')
    const sheet = drawSheet(
      {
        ...size,
        category,
        isDie: plan.kind.endsWith('die'),
        motifs: chance.some(theme.motifs, 6),
        phrases: chance.some(theme.phrases, 7),
      },
      chance,
    )
    const kind = stock.kinds.get(plan.kind)
    const pictured =
      category === 'Images' || category === 'Frames and tags' ? theme.motifs.filter(motif => chance.unit() > 0.3 && motif).slice(0, 5) : []
    const blank = blankHolding({
      id: stock.newId(),
      number,
      seriesId: stock.seriesId,
      name: nameFor(theme, category, names, chance),
      createdAt: `${day}T09:00:00.000Z`,
    })
    const times = chance.unit() < 0.25 ? 0 : chance.whole(1, 40)
    const said = {
      size,
      brandId: chance.pick(stock.brands).id,
      kindId: kind?.id ?? null,
      categoryId: stock.categoryIds.get(category) ?? null,
      themeIds: [
        theme,
        ...chance.some(
          THEMES.filter(each => each !== theme),
          chance.pick([0, 0, 1, 1, 2]),
        ),
      ]
        .map(each => stock.themes.get(each.name)?.id ?? '')
        .filter(Boolean),
      words: [...sheet.words, ...pictured],
      acquiredOn: chance.unit() < 0.2 ? day.slice(0, 7) : day,
      price: chance.unit() < 0.6 ? { minor: chance.whole(12, 90) * 50, currency: 'EUR' } : null,
    }
    const lastOn = times > 0 ? dayBetween(Math.max(2019, Number(day.slice(0, 4))), 2026, chance) : null
    const notes = chance.unit() < 0.12 ? chance.pick(NOTES) : ''
    return {
      svg: sheet.svg,
      pieces: sheet.pieces,
      used: { times, lastOn },
      holding: { ...blank, ...said, notes, packaging: PACKAGING[number % PACKAGING.length] ?? null },
    }
  })
}

/** What is kept of the packaging, set after set: of most of them nobody has said. */
const PACKAGING = ['whole', null, 'gone', null, 'folded', null, null, 'instructions', null] as const
/** The back of a header card, as its owner has taken a photo of it: what it says of care, and a line to cut along. */
export function backOfCard(widthMm: number): { readonly svg: string; readonly heightMm: number } {
  const heightMm = 60
  const lines = ['Peel off, ink, press.', 'Clean with a damp cloth.', 'Keep flat and out of the sun.'].map(
    (text, at) => `<text x="6" y="${30 + at * 8}" font-size="4.4" font-family="sans-serif" fill="#1B2340">${text}</text>`,
  )
  const cut = `<path d="M4 14H${widthMm - 4}" stroke="#1B2340" stroke-width="0.5" stroke-dasharray="3 2"/>`
  const hole = `<circle cx="${widthMm / 2}" cy="7" r="3" fill="none" stroke="#1B2340" stroke-width="0.5"/>`
  return {
    heightMm,
    svg:
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${widthMm} ${heightMm}">` +
      `<rect width="100%" height="100%" fill="#fff"/>${hole}${cut}${lines.join('')}</svg>`,
  }
}

const NOTES = [
  'Came in a shoe box with the donations of the spring fair.',
  'One corner is worn; ink it twice.',
  'Borrowed often by the night desk.',
  'Best on kraft card.',
  "The maker's sheet is kept behind it.",
  'Goes with the long envelopes.',
] as const

function nameFor(theme: ThemeStock, category: string, taken: Set<string>, chance: Chance): string {
  const subjects = [...theme.motifs.map(motif => motif[0]?.toUpperCase() + motif.slice(1)), theme.name.split(' ')[0] ?? theme.name]
  for (;;) {
    const name = `${chance.pick(FIRST_WORDS)} ${chance.pick(subjects)} ${chance.pick(LAST_WORDS[category] ?? ['Study'])}`
    if (taken.has(name)) continue
    taken.add(name)
    return name
  }
}

function dayBetween(fromYear: number, toYear: number, chance: Chance): string {
  const latest = Date.UTC(2026, 9, 31)
  const from = Date.UTC(fromYear, 0, 1)
  const to = Math.min(latest, Date.UTC(toYear, 11, 31))
  return new Date(from + chance.unit() * (to - from)).toISOString().slice(0, 10)
}
