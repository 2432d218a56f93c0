import { PT_PER_MM } from '#core/units'
import { codeText } from '#core/numbering'
import { clipText, type Measure, type PageItem, wrapText } from '../page'
import type { LabelledSet } from '../labels/things'
import type { CutPiece } from './impose'

/** A set on a slip of paper, to carry to the shelf. */
export interface SlipSource extends LabelledSet {
  readonly address: string
  /** The way to it and its neighbours, as a sentence. */
  readonly place: string
  /** `ratio`: width over height. */
  readonly picture: { readonly hash: string; readonly ratio: number } | null
}
export interface SlipWords {
  /** Text before the line to write on, if the slip stands in for its set. */
  readonly takenOut: string
}

/** Two across on A4 (ISO 216) and on Letter, four down, with room for cut marks. */
const [WIDTH_MM, HEIGHT_MM, PAD_MM] = [98, 64, 4]
const PICTURE_MM = 30
const [NUMBER_PT, ADDRESS_PT, NAME_PT, TEXT_PT] = [24, 15, 11, 9]
const PLACE_LINES = 5

/**
 * A slip: number, address, name and brand large enough for arm's length, a small impression, the place as a sentence, and a line to write
 * on if the slip stands in for its set. O(words).
 */
export function slipCard(source: SlipSource, words: SlipWords, measure: Measure): CutPiece {
  const { address, brand, id, name, picture, place } = source
  const [left, right] = [PAD_MM * PT_PER_MM, (WIDTH_MM - PAD_MM) * PT_PER_MM]
  const [number, foot] = [codeText(source), (HEIGHT_MM - PAD_MM) * PT_PER_MM]
  const shown = clipText(address, 'bold', ADDRESS_PT, right - left - measure(number, 'title', NUMBER_PT) - 8, measure)
  const names = wrapText(name, 'bold', NAME_PT, right - left, 2, measure)
  const under = 44 + names.length * 13
  const textX = picture ? left + (PICTURE_MM + 3) * PT_PER_MM : left
  const lines = wrapText(place, 'text', TEXT_PT, right - textX, PLACE_LINES, measure)
  const brandText = clipText(brand?.name ?? '', 'text', TEXT_PT, right - textX, measure)
  const text = (
    x: number,
    y: number,
    sizePt: number,
    font: 'text' | 'bold' | 'title',
    ink: 'night' | 'quiet',
    content: string,
  ): PageItem[] => (content === '' ? [] : [{ type: 'text', x, y, sizePt, font, ink, text: content }])
  const [boxPt, takenPt] = [PICTURE_MM * PT_PER_MM, measure(words.takenOut, 'text', TEXT_PT)]
  const scale = picture ? Math.min(boxPt / picture.ratio, boxPt) : 0
  const pictureItems: PageItem[] = picture
    ? [{ type: 'picture', x: left, y: under, widthPt: scale * picture.ratio, heightPt: scale, hash: picture.hash }]
    : []
  return {
    of: `slip:${id}`,
    name: `${number} ${name}`,
    widthMm: WIDTH_MM,
    heightMm: HEIGHT_MM,
    items: [
      ...pictureItems,
      ...text(left, 26, NUMBER_PT, 'title', 'night', number),
      ...text(right - measure(shown, 'bold', ADDRESS_PT), 26, ADDRESS_PT, 'bold', 'night', shown),
      ...names.flatMap((each, at) => text(left, 44 + at * 13, NAME_PT, 'bold', 'night', each)),
      ...text(textX, under + 8, TEXT_PT, 'text', 'quiet', brandText),
      ...lines.flatMap((each, at) => text(textX, under + 21 + at * 12, TEXT_PT, 'text', 'night', each)),
      ...text(left, foot, TEXT_PT, 'text', 'quiet', words.takenOut),
      { type: 'rule', x: left + takenPt + 4, y: foot, toX: right, weightPt: 0.5, ink: 'quiet' },
    ],
    says: [number, name, brand?.name ?? '', address, place],
  }
}
