import type { BookWay } from '#core/catalog'
import { pageLetter } from '#core/classing'

/** A set ready for the index, with everything that a way in or an entry may use. */
export interface BookSource {
  readonly id: string
  /** Its number as it counts, its series, and both as written. */
  readonly accession: number
  readonly numbering: string
  readonly figure: string
  readonly suffix: string
  readonly name: string
  readonly brand: NamedHeading | null
  readonly category: NamedHeading | null
  readonly kind: NamedHeading | null
  readonly themes: readonly ThemeHeading[]
  /** Phrases and things on the set. */
  readonly words: readonly string[]
  readonly size: { readonly text: string; readonly widthMm: number; readonly heightMm: number } | null
  /** Its number by its maker; empty: not noted. */
  readonly makersNumber: string
  readonly address: string
  /** Rank of its place, container by container in walking order; null: no place yet. */
  readonly place: { readonly id: string; readonly heading: string; readonly rank: number; readonly position: number } | null
  /** Picture, with width over height. */
  readonly picture: { readonly hash: string; readonly ratio: number } | null
}
export interface NamedHeading {
  readonly id: string
  readonly name: string
}
interface ThemeHeading extends NamedHeading {
  readonly sharesPage: boolean
  readonly seeAlso: readonly string[]
}

/** `isSized`: drawn at the size of its set; else as large as all small pictures. */
interface PrintedPicture {
  readonly hash: string
  readonly widthPt: number
  readonly heightPt: number
  readonly isSized: boolean
}

/** One set, or one of its phrases, under a heading. */
export interface BookEntry {
  /** Unique within its heading. */
  readonly key: string
  /** The set that it refers to; null: a gap in a series. */
  readonly holdingId: string | null
  readonly figure: string
  readonly suffix: string
  readonly name: string
  /** Brand, size and kind, if they are shown. */
  readonly detail: string
  /** The address, if it is shown beside the number. */
  readonly address: string
  readonly picture: PrintedPicture | null
  /** For a phrase: the text before and behind its key word, and the key word. */
  readonly phrase: readonly [before: string, word: string, behind: string] | null
}

/** Whether a heading has leaves of its own, shares one under its letter, or is decided by its number of sets. */
type LeafWish = 'own' | 'letter' | 'byCount'

export interface BookHeading {
  readonly key: string
  readonly title: string
  readonly seeAlso: readonly string[]
  readonly leaf: LeafWish
  readonly entries: readonly BookEntry[]
}
/** One way in: its headings in order, none of them empty. */
export interface WantedWay {
  readonly way: BookWay
  readonly headings: readonly BookHeading[]
}

/** The text of an entry, piece by piece: entries with equal text are printed the same. */
export const saysOf = ({ figure, suffix, name, detail, address, picture, phrase }: BookEntry): readonly string[] => [
  figure,
  suffix,
  name,
  detail,
  address,
  picture ? [picture.hash, ...(picture.isSized ? [picture.widthPt.toFixed(1), picture.heightPt.toFixed(1)] : [])].join(' ') : '',
  ...(phrase ?? []),
]

/** The letter under which a heading shares a leaf. @example letterOf({ title: '4 x 6' }) //=> '#' */
export const letterOf = ({ title }: Pick<BookHeading, 'title'>): string => (/^\d/.test(title) ? '#' : pageLetter(title))
