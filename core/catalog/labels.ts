import { z } from 'zod'
import { Id, Moment, Name } from './basics'
import { BOOK_PAPERS, LABEL_LIMITS, PRINTED_FORMS, SET_LABELS, TAPE_WIDTHS_MM } from './choices'

const MarginMm = z.number().min(0).max(LABEL_LIMITS.marginMm)
const OffsetMm = z.number().min(-LABEL_LIMITS.offsetMm).max(LABEL_LIMITS.offsetMm)
const PitchMm = z.number().positive().max(LABEL_LIMITS.pitchMm)

/** How labels are made where a zone has no template of its own, and the tape in the machine. */
export const LabelHabits = z.object({
  template: z.enum(SET_LABELS),
  /** A square code of the number stands in front. */
  hasCode: z.boolean(),
  tapeWidthMm: z.literal([...TAPE_WIDTHS_MM]),
  /** Blank that the machine leaves along each long edge of the tape. */
  edgeMm: z.number().min(0).max(LABEL_LIMITS.edgeMm),
  /** Blank before and behind each label. */
  beforeMm: MarginMm,
  afterMm: MarginMm,
  /** Blank tape behind a label that is printed alone. Most machines leave the same length in front and behind. */
  singlyAfterMm: MarginMm,
  /** Distance from print head to cutter: lost with every cut, or once for a chain. */
  toCutterMm: MarginMm,
  /** Longest label on tape, without its margins. */
  longestMm: z.number().min(10).max(LABEL_LIMITS.longestMm),
  isChained: z.boolean(),
})
export type LabelHabits = z.infer<typeof LabelHabits>

/** The text of a thing's label or card since it was made. The thing may be gone. */
export const Label = z.object({
  id: Id,
  /** The kind of thing and its id: `set:01J...`, `cell:01J...:2:3`. */
  of: z.string().regex(/^((set|shared|container|tab|card|divider):[0-9A-HJKMNP-TV-Z]{26}|cell:[0-9A-HJKMNP-TV-Z]{26}:\d{1,3}:\d{1,3})$/),
  template: z.enum(PRINTED_FORMS),
  /** Line by line, as it was shortened. */
  says: z.array(z.string().max(700)).max(24),
  madeAt: Moment,
})
export type Label = z.infer<typeof Label>

/** A label sheet by its measures, and where the begun sheet goes on. */
export const LabelSheet = z.object({
  id: Id,
  name: Name,
  paper: z.enum(BOOK_PAPERS),
  columns: z.number().int().min(1).max(LABEL_LIMITS.columns),
  rows: z.number().int().min(1).max(LABEL_LIMITS.rows),
  widthMm: PitchMm,
  heightMm: PitchMm,
  /** From the edges of the sheet to the first label. */
  leftMm: MarginMm,
  topMm: MarginMm,
  /** From one label to the next. */
  acrossMm: PitchMm,
  downMm: PitchMm,
  /** Index of the first free label of the begun sheet, row by row. */
  nextFree: z
    .number()
    .int()
    .min(0)
    .max(LABEL_LIMITS.columns * LABEL_LIMITS.rows),
})
export type LabelSheet = z.infer<typeof LabelSheet>

/** A printer, with the offset of its print. */
export const Printer = z.object({ id: Id, name: Name, rightMm: OffsetMm, downMm: OffsetMm })
export type Printer = z.infer<typeof Printer>
