import type { Brand } from './authority'
import { BLANK_DETAILS, DETAIL_NAMES, eachDetail } from './details'
import type { Draft } from './draft'
import type { Holding } from './holding'
import type { Holder } from './room'
import type { IndexBook } from './paper'
import { TABLE_NAMES } from './tableNames'
import type { CatalogueData } from './tables'

/** A set with an identity and no facts. Every way of making a set starts from here. */
export function blankHolding(identity: Pick<Holding, 'id' | 'number' | 'seriesId' | 'name' | 'createdAt'>): Holding {
  return {
    ...identity,
    brandId: null,
    kindId: null,
    categoryId: null,
    themeIds: [],
    size: null,
    thicknessMm: null,
    words: [],
    searchWords: [],
    ...BLANK_DETAILS,
    hasMatchingDie: null,
    pictureHash: null,
    pieces: [],
    aliases: [],
    questions: [],
    placeText: '',
    state: 'toFile',
    sitsIn: null,
    holderTypeId: null,
    labelText: null,
    isCutInTwo: false,
    isSticky: false,
    packagingPictureHash: null,
  }
}

/** The holder of a set at a place: of the type decided for the set; in a cell it is that cell. */
export function newHolder(
  id: string,
  holding: Pick<Holding, 'id' | 'sitsIn' | 'holderTypeId'>,
  place: Pick<Holder, 'containerId' | 'lane' | 'order' | 'cell'>,
): Holder {
  return {
    id,
    holderTypeId: holding.holderTypeId,
    type: place.cell ? 'celledPage' : (holding.sitsIn ?? 'pocket'),
    ...place,
    somewhere: null,
    apartBecause: null,
    holdingIds: [holding.id],
  }
}

/** Facts of a set that are stored as typed, unlike names that stand for records, its number and its place. The one list of them. */
const PLAIN_FIELDS = [
  'name',
  'size',
  'words',
  'searchWords',
  ...DETAIL_NAMES,
  'pictureHash',
  'packagingPictureHash',
] as const satisfies readonly (keyof Holding)[]
export type PlainFields = Pick<Holding, (typeof PLAIN_FIELDS)[number]>

/** The plain fields that `from` has. @example plainFieldsOf({ notes: 'from the quay', number: 4 }) //=> { notes: 'from the quay' } */
export function plainFieldsOf<T extends Partial<PlainFields>>(from: T): Pick<T, keyof T & keyof PlainFields> {
  const fields = PLAIN_FIELDS.flatMap(field => (field in from ? [[field, from[field]]] : []))
  return Object.fromEntries(fields) as Pick<T, keyof T & keyof PlainFields>
}

/** A book as most people want one: by theme and by number, with a small picture of each set. */
export function blankBook(identity: Pick<IndexBook, 'id' | 'name' | 'createdAt'>): IndexBook {
  return {
    ...identity,
    ways: ['theme', 'number'],
    code: 'number',
    hasName: true,
    hasBrand: true,
    hasSize: false,
    hasKind: false,
    picture: 'small',
    paper: 'A4',
    sides: 1,
    columns: 2,
    bindingMm: 20,
    holes: 'none',
    ownLeafFrom: 3,
    freeShare: 0.25,
    printings: 0,
    lastPrintedAt: null,
    printedAs: '',
  }
}

/** A new strip. The caller adds what carries over from the one before. */
export function blankDraft(identity: Pick<Draft, 'id' | 'rank' | 'createdAt'>): Draft {
  return {
    ...identity,
    pictureHash: null,
    packagingPictureHash: null,
    texts: {
      name: '',
      brand: '',
      kindId: '',
      category: '',
      themes: [],
      theme: '',
      size: '',
      words: '',
      searchWords: [],
      written: '',
      ...eachDetail(() => ''),
    },
  }
}

export function blankBrand(id: string, name: string): Brand {
  return { id, name, variants: [], abbreviation: null, successorId: null, hasOwnNumbering: false, isRetired: false, notes: '' }
}

/** @example emptyCatalogue().holdings //=> [] */
export function emptyCatalogue(): CatalogueData {
  return Object.fromEntries(TABLE_NAMES.map(name => [name, []])) as unknown as CatalogueData
}

/**
 * Whether a text shows nothing: only spaces or invisible characters.
 * @example isBlank('\u200b ') //=> true
 */
export const isBlank = (text: string): boolean => !/[^\p{White_Space}\p{Default_Ignorable_Code_Point}\p{Cc}\u2800]/u.test(text)
