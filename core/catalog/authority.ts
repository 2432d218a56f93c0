import { z } from 'zod'
import { Id, KindFamily, LengthMm, Name, Text } from './basics'

/** A maker. `variants` are other spellings that mean the same maker; the successor may file for it. */
export const Brand = z.object({
  id: Id,
  name: Name,
  variants: z.array(Name),
  abbreviation: z.string().max(12).nullable(),
  successorId: Id.nullable(),
  hasOwnNumbering: z.boolean(),
  isRetired: z.boolean(),
  notes: Text,
})
export type Brand = z.infer<typeof Brand>

/** The sort of thing. `suffix` may follow the number on labels and say where to look. */
export const Kind = z.object({
  id: Id,
  name: Name,
  family: KindFamily,
  suffix: z.string().max(4).nullable(),
  /** Depth one filled holder of this kind takes in a lane, until the room has learnt better. */
  typicalThicknessMm: LengthMm,
  /** Weight of one filled holder of this kind. */
  typicalWeightG: z.number().min(0).max(20_000),
  /** Yellows or hardens in daylight. */
  isLightSensitive: z.boolean(),
  /** What may be done to a thing of this kind: a backing trimmed, a sheet cut in two. Never a block or a metal die. */
  mayTrim: z.boolean(),
  mayCut: z.boolean(),
  rank: z.number(),
})
export type Kind = z.infer<typeof Kind>

/** The sort of design: one a set. `rank` is the owner's order. */
export const Category = z.object({ id: Id, name: Name, rank: z.number(), seeAlsoIds: z.array(Id) })
export type Category = z.infer<typeof Category>

/** What it is about or for: many a set; the set is filed by the first one. `rank` is the owner's order. */
export const Theme = z.object({
  id: Id,
  name: Name,
  rank: z.number(),
  seeAlsoIds: z.array(Id),
  /** With few sets, it shares a page of the index with other themes of its letter. */
  sharesPage: z.boolean(),
})
export type Theme = z.infer<typeof Theme>

/** Two words or phrases that the owner linked: an ask for one also finds the other. `isRuledOut`: it never does. */
export const WordLink = z.object({ id: Id, word: Name, goesWith: Name, isRuledOut: z.boolean() })
export type WordLink = z.infer<typeof WordLink>
