import type { Holding } from './holding'
import type { CatalogueData } from './tables'

/** A record that names pictures: a set with its pieces, or a strip of the pile. */
export type Pictured = Pick<Holding, 'pictureHash' | 'packagingPictureHash'> & { readonly pieces?: Holding['pieces'] }

/**
 * The record with only those pictures that `has` knows. Returns the same object if none is missing.
 * @example withPictures({ pictureHash: 'a', packagingPictureHash: null }, () => false).pictureHash //=> null
 */
export function withPictures<T extends Pictured>(record: T, has: (hash: string) => boolean): T {
  if (hashesOf(record).every(has)) return record
  const kept = (hash: string | null): string | null => (hash !== null && has(hash) ? hash : null)
  return {
    ...record,
    pictureHash: kept(record.pictureHash),
    packagingPictureHash: kept(record.packagingPictureHash),
    ...(record.pieces ? { pieces: record.pieces.map(piece => ({ ...piece, pictureHash: kept(piece.pictureHash) })) } : {}),
  }
}
/** The pictures of one set or strip. */
export const hashesOf = ({ pictureHash, packagingPictureHash, pieces = [] }: Pictured): readonly string[] =>
  [pictureHash, packagingPictureHash, ...pieces.map(piece => piece.pictureHash)].flatMap(hash => hash ?? [])

/**
 * Every picture that a text names: a record that is set aside, say, or steps to undo.
 * @example hashesWithin(`{"pictureHash":"${'ab'.repeat(32)}"}`).length //=> 1
 */
export const hashesWithin = (text: string): readonly string[] => text.match(/[0-9a-f]{64}/g) ?? []

/** All pictures that are named, each once. */
export const namedPictures = (data: Pick<CatalogueData, 'holdings' | 'drafts' | 'setAside'>): ReadonlySet<string> =>
  new Set([
    ...data.holdings.flatMap(hashesOf),
    ...data.drafts.flatMap(hashesOf),
    ...data.setAside.flatMap(({ text }) => hashesWithin(text)),
  ])

/** The catalogue with only those pictures that `has` knows; for each missing picture, the record that names it, in words. */
export function withoutMissing(
  data: CatalogueData,
  has: (hash: string) => boolean,
): { readonly data: CatalogueData; readonly missing: readonly string[] } {
  const missing = picturesOf(data).flatMap(({ from, hash }) => (has(hash) ? [] : [from]))
  if (missing.length === 0) return { data, missing }
  return {
    data: {
      ...data,
      holdings: data.holdings.map(holding => withPictures(holding, has)),
      drafts: data.drafts.map(draft => withPictures(draft, has)),
    },
    missing,
  }
}

/** Every named picture, with its record in words. A picture may be named often. */
export function picturesOf(data: Pick<CatalogueData, 'holdings' | 'drafts'>): readonly { readonly from: string; readonly hash: string }[] {
  return [
    ...data.holdings.flatMap(holding => hashesOf(holding).map(hash => ({ from: `holdings ${holding.number} ${holding.name}`, hash }))),
    ...data.drafts.flatMap(draft => hashesOf(draft).map(hash => ({ from: `drafts ${draft.texts.name}`, hash }))),
  ]
}
