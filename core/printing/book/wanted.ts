import type { BookWay } from '#core/catalog'
import { pageLetter } from '#core/classing'

/** A set ready for the index: all that any way in, and any choice of what an entry shows, can ask of it. */
export interface BookSource {
  readonly id: string
  /** Its number as it counts, its numbering, and how both are written. */
  readonly accession: number
  readonly numbering: string
  readonly figure: string
  readonly suffix: string
  readonly name: string
  readonly brand: NamedHeading | null
  readonly category: NamedHeading | null
  readonly kind: NamedHeading | null
  readonly themes: readonly ThemeHeading[]
  /** Phrases and things that stand on it. */
  readonly words: readonly string[]
  readonly size: { readonly text: string; readonly widthMm: number; readonly heightMm: number } | null
  /** What its maker calls it by; empty: nobody noted it. */
  readonly makersNumber: string
  readonly address: string
  /** Container by container in walking order; null: no place yet. */
  readonly place: { readonly id: string; readonly heading: string; readonly rank: number; readonly position: number } | null
  /** Picture and its width over height, where there is one. */
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

/** `isSized`: as large as the size of its set has it; else as large as all small pictures are. */
interface PrintedPicture {
  readonly hash: string
  readonly widthPt: number
  readonly heightPt: number
  readonly isSized: boolean
}

/** One set, or one phrase of it, as it stands under a heading. */
export interface BookEntry {
  /** Told apart from all others of its heading by this. */
  readonly key: string
  /** The set it sends to; null: a gap in a series. */
  readonly holdingId: string | null
  readonly figure: string
  readonly suffix: string
  readonly name: string
  /** Brand, size and kind, as far as they are shown. */
  readonly detail: string
  /** Where it is, where that is shown beside the number. */
  readonly address: string
  readonly picture: PrintedPicture | null
  /** Of a phrase: what is before and behind the word it stands under, and that word. */
  readonly phrase: readonly [before: string, word: string, behind: string] | null
}

/** Whether a heading has leaves of its own, shares one under its letter, or as many sets as it has decide. */
type LeafWish = 'own' | 'letter' | 'byCount'

export interface BookHeading {
  readonly key: string
  readonly title: string
  readonly seeAlso: readonly string[]
  readonly leaf: LeafWish
  readonly entries: readonly BookEntry[]
}
/** One way in: its headings in order. None is without entries. */
export interface WantedWay {
  readonly way: BookWay
  readonly headings: readonly BookHeading[]
}

/** What an entry says, in the order in which it is told apart: two entries that say the same are printed the same. */
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
