import { readFile } from 'node:fs/promises'
import fontkit, { type Font } from '@cantoo/fontkit'
import type { FontName, Measure } from '#core/printing'

const FILES: Readonly<Record<FontName, string>> = {
  text: 'node_modules/@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  bold: 'node_modules/@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf',
  title: 'node_modules/@expo-google-fonts/bricolage-grotesque/700Bold/BricolageGrotesque_700Bold.ttf',
}

/** Measures with the fonts of paper themselves, word by word; a word that was measured before is remembered, as in the application. */
export async function measureOnPaper(): Promise<Measure> {
  const fonts = new Map<FontName, Font>()
  for (const [name, file] of Object.entries(FILES) as [FontName, string][]) {
    const font = fontkit.create(new Uint8Array(await readFile(file)))
    if (!font || !('layout' in font)) throw new Error(`${file} is no font`)
    fonts.set(name, font)
  }
  const known = new Map<string, number>()
  const wordWidth = (word: string, name: FontName): number => {
    const [key, font] = [`${name}/${word}`, fonts.get(name)]
    const width =
      known.get(key) ?? (font ? font.layout(word).glyphs.reduce((sum: number, glyph) => sum + glyph.advanceWidth, 0) / font.unitsPerEm : 0)
    known.set(key, width)
    return width
  }
  return (text, name, sizePt) => text.split(/( +)/).reduce((sum, word) => sum + wordWidth(word, name), 0) * sizePt
}
