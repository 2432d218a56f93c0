import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import fontkit from '@cantoo/fontkit'

const require = createRequire(import.meta.url)

interface Glyphs {
  readonly unitsPerEm: number
  readonly capHeight: number
  layout(text: string): {
    readonly glyphs: readonly { readonly path: { toSVG(): string } }[]
    readonly positions: readonly { readonly xAdvance: number; readonly xOffset: number; readonly yOffset: number }[]
  }
}

/** The typefaces of the stamps, all shipped with the project: hand, brush, book, round, geometric, typewriter. */
const FACES = {
  hand: '@fontsource/caveat/files/caveat-latin-600-normal.woff',
  poster: '@fontsource/amatic-sc/files/amatic-sc-latin-700-normal.woff',
  book: '@fontsource/cormorant-garamond/files/cormorant-garamond-latin-600-italic.woff',
  round: '@fontsource/fredoka/files/fredoka-latin-500-normal.woff',
  plain: '@fontsource/josefin-sans/files/josefin-sans-latin-600-normal.woff',
  typed: '@fontsource/special-elite/files/special-elite-latin-400-normal.woff',
} as const
export type FaceName = keyof typeof FACES
export const FACE_NAMES = Object.keys(FACES) as FaceName[]

const loaded = new Map<FaceName, Glyphs>()
function face(name: FaceName): Glyphs {
  const known = loaded.get(name)
  if (known) return known
  const font = fontkit.create(readFileSync(require.resolve(FACES[name]))) as unknown as Glyphs
  loaded.set(name, font)
  return font
}

export interface SetText {
  /** Outlines, filled, with the baseline's left end at 0,0. */
  readonly svg: string
  readonly width: number
  readonly ascent: number
}

interface Shaped {
  readonly parts: string
  readonly advance: number
}
/** Shaping is the slow part, and the same phrases stand on many stamps. */
const shaped = new Map<string, Shaped>()
function shape(text: string, name: FaceName): Shaped {
  const key = `${name}/${text}`
  const known = shaped.get(key)
  if (known) return known
  const run = face(name).layout(text)
  let advance = 0
  const parts = run.glyphs
    .map((glyph, index) => {
      const position = run.positions[index]
      const x = advance + (position?.xOffset ?? 0)
      advance += position?.xAdvance ?? 0
      const d = glyph.path.toSVG()
      return d ? `<path d="${d}" transform="translate(${x} ${position?.yOffset ?? 0})"/>` : ''
    })
    .join('')
  shaped.set(key, { parts, advance })
  return { parts, advance }
}

/** A text as outlines, so that the picture needs no font: `size` is the em in the drawing's own units. */
export function setText(text: string, name: FaceName, size: number): SetText {
  const font = face(name)
  const scale = size / font.unitsPerEm
  const { parts, advance } = shape(text, name)
  const s = Math.round(scale * 1e5) / 1e5
  return {
    svg: `<g fill="#1B2340" stroke="none" transform="scale(${s} ${-s})">${parts}</g>`,
    width: advance * scale,
    ascent: (font.capHeight || font.unitsPerEm * 0.7) * scale,
  }
}
