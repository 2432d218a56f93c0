import fontkit, { type Font } from '@cantoo/fontkit'
import otherUrl from '@expo-google-fonts/noto-sans/400Regular/NotoSans_400Regular.ttf?url'
import boldUrl from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf?url'
import textUrl from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf?url'
import titleUrl from '@expo-google-fonts/bricolage-grotesque/700Bold/BricolageGrotesque_700Bold.ttf?url'
import type { FontName, Measure } from '#core/printing'

/** A font that is set on paper; `other` has the letters that the product's own lack, Greek and Cyrillic among them. */
export type FaceName = FontName | 'other'
/** Letters of one text that one face has; `box`: letters that none has, each of which is drawn as an empty box. */
export interface Run {
  readonly face: FaceName | 'box'
  readonly text: string
}

const URLS: Readonly<Record<FaceName, string>> = { text: textUrl, bold: boldUrl, title: titleUrl, other: otherUrl }
/** How wide the box for a letter is, in ems. */
export const BOX_EM = 0.7
/** Its frame as an outline with a hole in it. */
const EMPTY_BOX = 'M0.08 0L0.62 0L0.62 0.7L0.08 0.7ZM0.14 0.06L0.14 0.64L0.56 0.64L0.56 0.06Z'

/** Words and the spaces between them. */
const WORD = /( +)/

interface Face {
  readonly bytes: Uint8Array
  readonly font: Font
}
const loaded = new Map<FaceName, Promise<Face>>()
const load = (name: FaceName): Promise<Face> => {
  const face = loaded.get(name) ?? read(URLS[name])
  loaded.set(name, face)
  return face
}
async function read(url: string): Promise<Face> {
  const response = await fetch(url)
  if (!response.ok) throw new Error(`${url} ${response.status}`)
  const bytes = new Uint8Array(await response.arrayBuffer())
  const font = fontkit.create(bytes)
  if (!font || !('layout' in font)) throw new Error(`${url} is no font`)
  return { bytes, font }
}

/** The fonts of paper, with what is measured and how a text is divided among them. */
export class Faces {
  private readonly widths = new Map<string, number>()
  private readonly divided = new Map<string, readonly Run[]>()
  /** Letters that no face has, as they were met. */
  readonly missing = new Set<string>()

  private constructor(readonly faces: ReadonlyMap<FaceName, Face>) {}

  /** The faces that these texts need: the large one for other scripts only where a letter asks for it. */
  static async for(texts: Iterable<string>): Promise<Faces> {
    const own = new Map<FaceName, Face>()
    for (const name of ['text', 'bold', 'title'] as const) own.set(name, await load(name))
    const letters = new Set<string>()
    for (const text of texts) for (const letter of text) letters.add(letter)
    const isThere = (letter: string): boolean =>
      [...own.values()].every(({ font }) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0))
    if (![...letters].every(isThere)) own.set('other', await load('other'))
    return new Faces(own)
  }

  runs(text: string, name: FontName): readonly Run[] {
    const key = `${name}/${text}`
    const known = this.divided.get(key)
    if (known) return known
    const runs: { face: Run['face']; text: string }[] = []
    for (const letter of text) {
      const face = this.faceOf(letter, name)
      if (face === 'box') this.missing.add(letter)
      const last = runs.at(-1)
      if (last?.face === face) last.text += letter
      else runs.push({ face, text: letter })
    }
    this.divided.set(key, runs)
    return runs
  }
  private faceOf(letter: string, name: FontName): Run['face'] {
    const code = letter.codePointAt(0) ?? 0
    return ([name, 'other'] as const).find(each => this.faces.get(each)?.font.hasGlyphForCodePoint(code)) ?? 'box'
  }

  /** In ems. */
  runWidth({ face, text }: Run): number {
    if (face === 'box') return [...text].length * BOX_EM
    const font = this.faces.get(face)?.font
    if (!font) return 0
    // Word by word: the same few words stand in many names, and shaping costs a third of a millisecond.
    return text.split(WORD).reduce((sum, word) => sum + this.wordWidth(word, face, font), 0)
  }
  private wordWidth(word: string, face: FaceName, font: Font): number {
    const key = `${face}/${word}`
    const known = this.widths.get(key)
    if (known !== undefined) return known
    // Set glyph by glyph, as the printed text is: without kerning.
    const width = font.layout(word).glyphs.reduce((sum: number, glyph) => sum + glyph.advanceWidth, 0) / font.unitsPerEm
    this.widths.set(key, width)
    return width
  }
  /** The outlines of a run, letter by letter, in ems; a letter that no face has is an empty box. */
  outlines({ face, text }: Run): readonly { readonly d: string; readonly advance: number }[] {
    const font = face === 'box' ? undefined : this.faces.get(face)?.font
    if (!font) return [...text].map(() => ({ d: EMPTY_BOX, advance: BOX_EM }))
    return font.layout(text).glyphs.map(glyph => ({
      d: glyph.path.scale(1 / font.unitsPerEm, 1 / font.unitsPerEm).toSVG(),
      advance: glyph.advanceWidth / font.unitsPerEm,
    }))
  }
  readonly measure: Measure = (text, name, sizePt) => this.runs(text, name).reduce((sum, run) => sum + this.runWidth(run), 0) * sizePt
}
