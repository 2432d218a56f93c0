import { z } from 'zod'
import { Id, Moment, Name } from './basics'
import { BOOK_CODES, BOOK_HOLES, BOOK_LIMITS, BOOK_PAPERS, BOOK_PICTURES, BOOK_WAYS } from './choices'

/** A printed index with its choices. Its printed leaves are a table of their own. */
export const IndexBook = z.object({
  id: Id,
  name: Name,
  createdAt: Moment,
  /** The ways in, in the order of the book. */
  ways: z.array(z.enum(BOOK_WAYS)).min(1).max(BOOK_WAYS.length),
  /** What an entry shows of its set. */
  code: z.enum(BOOK_CODES),
  hasName: z.boolean(),
  hasBrand: z.boolean(),
  hasSize: z.boolean(),
  hasKind: z.boolean(),
  picture: z.enum(BOOK_PICTURES),
  paper: z.enum(BOOK_PAPERS),
  sides: z.union([z.literal(1), z.literal(2)]),
  columns: z.number().int().min(1).max(BOOK_LIMITS.columns),
  /** The margin at the bound side. */
  bindingMm: z.number().min(BOOK_LIMITS.leastBindingMm).max(BOOK_LIMITS.bindingMm),
  holes: z.enum(BOOK_HOLES),
  /** Least number of sets for a heading to have its own leaves; smaller headings share the leaves of their letter. */
  ownLeafFrom: z.number().int().min(1).max(BOOK_LIMITS.ownLeafFrom),
  /** Share of each leaf that a fresh layout leaves free for new lines. */
  freeShare: z.number().min(0).max(BOOK_LIMITS.freeShare),
  /** Goes up by one at each print: a print that was laid out before the last one is out of date. */
  printings: z.number().int().nonnegative(),
  lastPrintedAt: Moment.nullable(),
  /** The choices of the last print: with others, every printed leaf is out of date. Empty: nothing was printed. */
  printedAs: z.string().max(600),
})
export type IndexBook = z.infer<typeof IndexBook>

const Says = z.array(z.string().max(2000)).max(12)

/** One leaf as printed, heading by heading and line by line. Sets that it names may be gone. */
export const BookLeaf = z.object({
  id: Id,
  bookId: Id,
  /** The label at its foot: `12`, `12a`; `iv` in front. */
  label: z.string().regex(/^([ivxlc]{1,12}|\d{1,5}[a-z]{0,3})$/),
  way: z.enum(['front', ...BOOK_WAYS]),
  /** Its heading, or the letter that several headings share. */
  group: z.string().min(1).max(400),
  printedAt: Moment,
  heads: z.array(z.object({ key: z.string().min(1).max(400), says: Says })).max(400),
  lines: z.array(z.object({ head: z.string().min(1).max(400), key: z.string().min(1).max(400), says: Says })).max(4000),
})
export type BookLeaf = z.infer<typeof BookLeaf>
