import { z } from 'zod'
import { Id, LengthMm, Moment, Name, PictureHash, PlaceMm, SizeMm, Text } from './basics'
import { CODE_READINGS, HOLDER_TYPES, LIMITS } from './choices'
import { DETAIL_SCHEMAS } from './detailSchemas'

const HOLDING_STATES = ['draft', 'toClass', 'toPocket', 'toLabel', 'toFile', 'filed', 'out', 'lent', 'gone'] as const

/** One stamp or die of a set. `livesWithId` names the set it was re-homed to. */
export const Piece = z.object({
  id: Id,
  words: z.array(Name),
  size: SizeMm.nullable(),
  /** Its upper left corner on the picture of the set; null: not known. */
  at: PlaceMm.nullable(),
  pictureHash: PictureHash.nullable(),
  isMissing: z.boolean(),
  livesWithId: Id.nullable(),
})
export type Piece = z.infer<typeof Piece>

/** Another number or code of the set, on the thing or in an older list, that also finds it. */
const Alias = z.object({
  text: Name,
  from: z.enum(['writtenOnIt', 'list', 'maker', 'formerAddress']),
  /** For a text with two readings, the owner's choice. */
  reading: z.enum(CODE_READINGS).nullable(),
})
type Alias = z.infer<typeof Alias>

export const QUESTION_CODES = [
  'sizeUnread',
  'sizeUnitUnknown',
  'dateUnread',
  'dateOrderUnknown',
  'priceUnread',
  'usedUnread',
  'dieUnread',
  'kindUnread',
  'brandUnread',
  'categoryUnread',
  'nameMissing',
  'numberClash',
  'numberUnread',
  'numberFar',
  'tooLong',
] as const
/** A cell that an import could not read. It stays on the set, with its text, until it is answered. */
export const OpenQuestion = z.object({ code: z.enum(QUESTION_CODES), text: Text })
export type OpenQuestion = z.infer<typeof OpenQuestion>

/** One thing owned and catalogued: a stamp set, a die set, a single stamp, a stencil. */
export const Holding = z.object({
  id: Id,
  /** The accession: given once, never reused, never changed. Unique within its series. */
  number: z.number().int().positive().max(LIMITS.number),
  seriesId: Id,
  name: Name,
  brandId: Id.nullable(),
  kindId: Id.nullable(),
  categoryId: Id.nullable(),
  themeIds: z.array(Id).max(LIMITS.themes),
  size: SizeMm.nullable(),
  thicknessMm: LengthMm.nullable(),
  /** Phrases and things that stand on the set. */
  words: z.array(Name).max(LIMITS.words),
  /** Suggested words that the owner accepted; kept apart from words that are on the set. */
  searchWords: z.array(Name).max(LIMITS.words),
  ...DETAIL_SCHEMAS,
  /** null: not known. */
  hasMatchingDie: z.boolean().nullable(),
  pictureHash: PictureHash.nullable(),
  pieces: z.array(Piece).max(400),
  aliases: z.array(Alias).max(40),
  questions: z.array(OpenQuestion).max(40),
  /** The place that an older list states, until somebody has looked. */
  placeText: z.string().max(500),
  /** The kind of holder decided for the set; its holder gets it when the set is placed. */
  sitsIn: z.enum(HOLDER_TYPES).nullable(),
  /** The text of its label, once it carries one; null: not known. */
  labelText: z.string().max(60).nullable(),
  /** Cut in two, each half in a holder of its own: it has two addresses. */
  isCutInTwo: z.boolean(),
  /** It has gone sticky, and harms what lies beside it. */
  isSticky: z.boolean(),
  /** The holder type decided for the set; its holder gets it when the set is placed. */
  holderTypeId: Id.nullable(),
  /** A photo of the back of its packaging. */
  packagingPictureHash: PictureHash.nullable(),
  state: z.enum(HOLDING_STATES),
  createdAt: Moment,
})
export type Holding = z.infer<typeof Holding>

const RELATION_KINDS = [
  'dieForStamp',
  'layersWith',
  'sameLettersOtherStyle',
  'sameCollection',
  'sameMechanism',
  'sameNumberedSeries',
] as const
export const Relation = z.object({ id: Id, fromId: Id, toId: Id, kind: z.enum(RELATION_KINDS) })
export type Relation = z.infer<typeof Relation>

/** Away from its place: on the table, lent, in a seasonal basket. `to` names a place, never a person. */
export const Loan = z.object({
  id: Id,
  holdingId: Id,
  to: Name,
  outAt: Moment,
  backAt: Moment.nullable(),
  /** It was fetched to be used, so once it is back it counts as used. Sets moved to a basket for the season do not. */
  isForUse: z.boolean(),
})
export type Loan = z.infer<typeof Loan>
