import { z } from 'zod'
import { Id, Moment, PictureHash } from './basics'
import { LIMITS } from './choices'
import { detailLength, eachDetail } from './details'

const Written = z.string().max(LIMITS.typed)

/** What stands in the fields of a strip, as it was typed: nothing of it has been read yet. */
export const DraftTexts = z.object({
  name: Written,
  brand: Written,
  kindId: Written,
  category: Written,
  themes: z.array(Written).max(LIMITS.themes),
  /** A theme that is being typed. */
  theme: Written,
  size: Written,
  words: Written,
  searchWords: z.array(Written).max(LIMITS.words),
  /** A number or code that stands on the thing already. */
  written: Written,
  ...eachDetail(name => z.string().max(detailLength(name))),
})
export type DraftTexts = z.infer<typeof DraftTexts>

/** One strip of the pile: a set in the hand that has no number yet. */
export const Draft = z.object({
  id: Id,
  rank: z.number(),
  texts: DraftTexts,
  pictureHash: PictureHash.nullable(),
  packagingPictureHash: PictureHash.nullable(),
  createdAt: Moment,
})
export type Draft = z.infer<typeof Draft>
