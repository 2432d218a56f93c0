import {
  blankBrand,
  type Brand,
  type Category,
  type Holding,
  type Kind,
  newCategory,
  newKind,
  newTheme,
  type Section,
  type Theme,
  type Zone,
} from '#core/catalog'

/** The lists of names that sets are classed by. */
export const NAME_LISTS = ['brands', 'categories', 'themes', 'kinds'] as const
export type NameList = (typeof NAME_LISTS)[number]
export type NameRecord = Brand | Category | Theme | Kind

interface ListHabits {
  /** Its text on a divider tab. */
  readonly tab: NonNullable<Section['standsFor']>['by']
  /** Ids of the list that a set refers to, and the set with some ids replaced. */
  readonly of: (holding: Holding) => readonly string[]
  readonly instead: (holding: Holding, swap: (id: string) => string) => Holding
  /** A new entry like `model`, if there is one. */
  readonly make: (id: string, name: string, all: readonly NameRecord[], model: NameRecord | null) => NameRecord
}

const HABITS: Readonly<Record<NameList, ListHabits>> = {
  brands: {
    tab: 'brand',
    of: ({ brandId }) => (brandId ? [brandId] : []),
    make: (id, name) => blankBrand(id, name),
    instead: (holding, swap) => ({ ...holding, brandId: holding.brandId && swap(holding.brandId) }),
  },
  categories: {
    tab: 'category',
    of: ({ categoryId }) => (categoryId ? [categoryId] : []),
    make: (id, name, all) => newCategory(id, name, all as readonly Category[]),
    instead: (holding, swap) => ({ ...holding, categoryId: holding.categoryId && swap(holding.categoryId) }),
  },
  themes: {
    tab: 'theme',
    of: ({ themeIds }) => themeIds,
    make: (id, name, all) => newTheme(id, name, all as readonly Theme[]),
    instead: (holding, swap) => ({ ...holding, themeIds: [...new Set(holding.themeIds.map(swap))] }),
  },
  kinds: {
    tab: 'kind',
    of: ({ kindId }) => (kindId ? [kindId] : []),
    make: (id, name, all, model) => ({
      ...newKind(id, name, all as readonly Kind[]),
      ...(model && 'family' in model ? pickKind(model) : {}),
    }),
    instead: (holding, swap) => ({ ...holding, kindId: holding.kindId && swap(holding.kindId) }),
  },
}

/** A kind that is split off is like the kind it came from. */
const pickKind = ({ family, typicalThicknessMm, mayTrim, mayCut }: Kind): Partial<Kind> => ({ family, typicalThicknessMm, mayTrim, mayCut })
const plain = (text: string): string => text.trim().toLowerCase()
const spellingsOf = (record: NameRecord): readonly string[] => ('variants' in record ? [record.name, ...record.variants] : [record.name])

/** Ids of a list that a set refers to. */
export function refersTo(list: NameList, holding: Holding): readonly string[] {
  return HABITS[list].of(holding)
}

/** A new entry at the end of its list, like `model` if there is one. */
export function newName(list: NameList, id: string, name: string, all: readonly NameRecord[], model: NameRecord | null = null): NameRecord {
  return HABITS[list].make(id, name, all, model)
}

/** The entry with this spelling as its name or variant; null: none. A spelling belongs to at most one entry. */
export function spelledBy(all: readonly NameRecord[], exceptId: string | null, spellings: readonly string[]): string | null {
  const asked = new Set(spellings.map(plain))
  return all.find(other => other.id !== exceptId && spellingsOf(other).some(each => asked.has(plain(each))))?.name ?? null
}

/** Everything that may refer to an entry of a list. */
export interface NameGround {
  readonly records: readonly NameRecord[]
  readonly holdings: readonly Holding[]
  readonly sections: readonly Section[]
  readonly zones: readonly Zone[]
}
/** The changes of a join or a split. */
export interface NameChange {
  readonly records: readonly NameRecord[]
  readonly holdings: readonly Holding[]
  readonly sections: readonly Section[]
  readonly zones: readonly Zone[]
  readonly removedId: string | null
}

/**
 * Joins one entry into another: sets, tabs, zones and links follow, and a brand's spellings become variants of the other. null: either is
 * missing, or both are the same. O(records).
 */
export function joinNames(list: NameList, fromId: string, intoId: string, ground: NameGround): NameChange | null {
  const [from, into] = [fromId, intoId].map(id => ground.records.find(record => record.id === id))
  if (!from || !into || from === into) return null
  const { tab, of, instead } = HABITS[list]
  const swap = (id: string): string => (id === fromId ? intoId : id)
  const joined = ground.records.filter(record => record.id !== fromId).map(record => relinked(record, from, into))
  return {
    records: joined.filter(record => !ground.records.includes(record)),
    removedId: fromId,
    holdings: ground.holdings.filter(holding => of(holding).includes(fromId)).map(holding => instead(holding, swap)),
    sections: ground.sections
      .filter(({ standsFor }) => standsFor?.by === tab && standsFor.id === fromId)
      .map(each => ({ ...each, standsFor: { by: tab, id: intoId } })),
    zones:
      list === 'kinds'
        ? ground.zones
            .filter(zone => zone.takesKindIds.includes(fromId))
            .map(zone => ({ ...zone, takesKindIds: [...new Set(zone.takesKindIds.map(swap))] }))
        : [],
  }
}

/** Returns the same record if nothing of it changes. */
function relinked(record: NameRecord, from: NameRecord, into: NameRecord): NameRecord {
  if ('variants' in record && 'variants' in from && 'variants' in into) return relinkedBrand(record, from, into)
  if (!('seeAlsoIds' in record) || !('seeAlsoIds' in from)) return record
  if (record !== into && !record.seeAlsoIds.includes(from.id)) return record
  const links = record === into ? [...record.seeAlsoIds, ...from.seeAlsoIds] : record.seeAlsoIds.map(id => (id === from.id ? into.id : id))
  return { ...record, seeAlsoIds: [...new Set(links)].filter(id => id !== record.id && id !== from.id) }
}
function relinkedBrand(record: Brand, from: Brand, into: Brand): Brand {
  if (record !== into) return record.successorId === from.id ? { ...record, successorId: into.id } : record
  const variants = [...new Set([...into.variants, from.name, ...from.variants])].filter(variant => variant !== into.name)
  return {
    ...into,
    variants,
    successorId: into.successorId === from.id ? null : into.successorId,
    notes: [into.notes, from.notes].filter(Boolean).join('\n'),
  }
}

/**
 * Splits sets off an entry into a new one. A brand's spelling of that name goes along; a set filed by the old theme is
 * filed by the new one in its place. Sets that do not refer to the entry stay as they are.
 */
export function splitName(
  list: NameList,
  fromId: string,
  fresh: { readonly id: string; readonly name: string },
  holdingIds: readonly string[],
  ground: NameGround,
): NameChange | null {
  const from = ground.records.find(record => record.id === fromId)
  if (!from) return null
  const { of, instead, make } = HABITS[list]
  const chosen = new Set(holdingIds)
  const kept = 'variants' in from ? [{ ...from, variants: from.variants.filter(variant => plain(variant) !== plain(fresh.name)) }] : []
  return {
    records: [...kept, make(fresh.id, fresh.name.trim(), ground.records, from)],
    sections: [],
    zones: [],
    removedId: null,
    holdings: ground.holdings
      .filter(holding => chosen.has(holding.id) && of(holding).includes(fromId))
      .map(holding => instead(holding, id => (id === fromId ? fresh.id : id))),
  }
}

/** The records whose rank changes when the list is put into the order of these ids. */
export function reordered<R extends { readonly id: string; readonly rank: number }>(
  records: readonly R[],
  ids: readonly string[],
): readonly R[] {
  const known = new Map(records.map(record => [record.id, record]))
  return ids.flatMap((id, rank) => {
    const record = known.get(id)
    return record && record.rank !== rank ? [{ ...record, rank }] : []
  })
}
