import { PT_PER_MM } from '#core/units'
import { codeText } from '#core/numbering'
import { clipText, type Measure, type PageItem } from '../page'
import type { LabelledSet } from '../labels/things'
import type { CutPiece } from './impose'

/** An impression in its true size. */
interface ImprintPicture {
  readonly hash: string
  readonly widthMm: number
  readonly heightMm: number
}
/** A set on its card. */
export interface CardSet extends LabelledSet {
  readonly picture: ImprintPicture | null
}
/** One holder and the card in it. */
export interface CardSource {
  /** As `Label.of`: `card:` and the holder. */
  readonly of: string
  readonly widthMm: number
  readonly heightMm: number
  readonly sets: readonly CardSet[]
  readonly address: string
}
export interface ImprintCard extends CutPiece {
  /** Sets whose impression is larger than the rest of the card: they are named, and no picture is made smaller in silence. */
  readonly withoutPicture: readonly string[]
}

/** Strength of the ink: the set is recognised, and a stamp on top of it is seen. Common practice. */
const INK_SHARE = 0.35
const [PAD_MM, LINE_MM, GAP_MM] = [2, 5.5, 2]
const [NUMBER_PT, NAME_PT] = [12, 9]
/** Height of the letters above the foot of their line. */
const BASE_MM = 1.5
/** A card is smaller than its pocket by so much, to slide in (common practice: 1/8 in). The rest of the sheet is cut away. */
const SLIDES_MM = 3.2

/**
 * The card beneath the stamps of a holder: number, name and address, a line a set, and under them the impressions at true size in grey.
 * Impressions go side by side as far as there is room; those that find none are named. O(sets).
 */
export function imprintCard({ of, widthMm, heightMm, sets, address }: CardSource, measure: Measure): ImprintCard {
  const [left, right] = [PAD_MM * PT_PER_MM, (widthMm - PAD_MM) * PT_PER_MM]
  const addressWidth = address === '' ? 0 : measure(address, 'bold', NAME_PT)
  const lines = sets.flatMap((set, at): PageItem[] => {
    const y = (PAD_MM + (at + 1) * LINE_MM - BASE_MM) * PT_PER_MM
    const number = codeText(set)
    const nameX = left + measure(number, 'title', NUMBER_PT) + GAP_MM * PT_PER_MM
    const room = right - nameX - (at === 0 && addressWidth > 0 ? addressWidth + GAP_MM * PT_PER_MM : 0)
    return [
      { type: 'text', x: left, y, sizePt: NUMBER_PT, font: 'title', ink: 'night', text: number },
      { type: 'text', x: nameX, y, sizePt: NAME_PT, font: 'text', ink: 'night', text: clipText(set.name, 'text', NAME_PT, room, measure) },
    ]
  })
  const addressItems: PageItem[] =
    address === ''
      ? []
      : [
          {
            type: 'text',
            x: right - addressWidth,
            y: (PAD_MM + LINE_MM - BASE_MM) * PT_PER_MM,
            sizePt: NAME_PT,
            font: 'bold',
            ink: 'quiet',
            text: address,
          },
        ]
  const withoutPicture: string[] = []
  const pictures: PageItem[] = []
  let [x, y, rowHigh] = [PAD_MM, PAD_MM + sets.length * LINE_MM + GAP_MM / 2, 0]
  const fits = (picture: Pick<ImprintPicture, 'widthMm' | 'heightMm'>): boolean =>
    picture.widthMm <= widthMm + SLIDES_MM && picture.heightMm <= heightMm + SLIDES_MM
  const lowered = (high: number): number => (high > heightMm ? (heightMm - high) / 2 : Math.min(y, heightMm - high))
  for (const { id, picture } of sets) {
    if (!picture) continue
    if (x > PAD_MM && x + picture.widthMm > widthMm - PAD_MM) [x, y, rowHigh] = [PAD_MM, y + rowHigh + GAP_MM, 0]
    const isAlone = sets.length === 1
    if (isAlone ? !fits(picture) : x + picture.widthMm > widthMm || y + picture.heightMm > heightMm) {
      withoutPicture.push(id)
      continue
    }
    pictures.push({
      type: 'picture',
      // A single picture is centred. It may overlap the name, which stays legible on grey.
      x: (isAlone ? (widthMm - picture.widthMm) / 2 : x) * PT_PER_MM,
      y: (isAlone ? lowered(picture.heightMm) : y) * PT_PER_MM,
      widthPt: picture.widthMm * PT_PER_MM,
      heightPt: picture.heightMm * PT_PER_MM,
      hash: picture.hash,
      inkShare: INK_SHARE,
    })
    x += picture.widthMm + GAP_MM
    rowHigh = Math.max(rowHigh, picture.heightMm)
  }
  const says = [
    `${widthMm.toFixed(1)} x ${heightMm.toFixed(1)}`,
    address,
    ...sets.map(set => [codeText(set), set.name, set.picture?.hash.slice(0, 12) ?? ''].join(' ')),
  ]
  const name = sets.map(set => `${codeText(set)} ${set.name}`).join(', ')
  return { of, name, widthMm, heightMm, items: [...pictures, ...lines, ...addressItems], says, withoutPicture }
}
