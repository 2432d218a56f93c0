import { type Brand, type Category, FILING_KEYS, type FilingKey, type FilingRule, type Holding, type Kind, type Theme } from '#core/catalog'

/** The records that a filing key may look up. */
export interface Authority {
  readonly brands: ReadonlyMap<string, Brand>
  readonly themes: ReadonlyMap<string, Theme>
  readonly categories: ReadonlyMap<string, Category>
  readonly kinds: ReadonlyMap<string, Kind>
}

/** One part of a filing key. Words collate as a person files them, numbers by value, null (not known) last. */
export type KeyPart = string | number | null
type Strategy = (holding: Holding, key: FilingKey, authority: Authority) => KeyPart

const ownOrName = (key: FilingKey, record: { readonly name: string; readonly rank: number } | undefined): KeyPart => {
  if (!record) return null
  return key.order === 'own' ? record.rank : record.name
}

function brandName(holding: Holding, { order }: FilingKey, brands: ReadonlyMap<string, Brand>): KeyPart {
  const brand = holding.brandId ? brands.get(holding.brandId) : undefined
  if (order === 'asItself') return brand?.name ?? null
  const successor = brand?.successorId ? brands.get(brand.successorId) : undefined
  return successor?.name ?? brand?.name ?? null
}

type By = FilingKey['by']
/** Tables whose records a key goes by, and a divider may stand for. */
export type TabTable = 'brands' | 'themes' | 'categories' | 'kinds'
export type TabBy = 'brand' | 'theme' | 'category' | 'kind'
interface KeyFacts {
  /** The orders that the key may have, the usual one first. */
  readonly orders: readonly [FilingKey['order'], ...FilingKey['order'][]]
  /** Sets with an equal key part form a group. */
  readonly groups: boolean
  /** Makes the look-up of a set once, so that a rule of three keys costs three look-ups a set. */
  readonly keyOf: Strategy
}

/** Of each key: its orders, whether it groups, and its value for a set. The one definition of each key. */
export const KEYS: Readonly<Record<By, KeyFacts>> = {
  brand: {
    orders: ['alphabetical', 'asItself'],
    groups: true,
    keyOf: (holding, key, { brands }) => brandName(holding, key, brands),
  },
  theme: {
    orders: ['alphabetical', 'own'],
    groups: true,
    keyOf: (holding, key, { themes }) => ownOrName(key, themes.get(holding.themeIds[0] ?? '')),
  },
  category: {
    orders: ['alphabetical', 'own'],
    groups: true,
    keyOf: (holding, key, { categories }) => ownOrName(key, categories.get(holding.categoryId ?? '')),
  },
  kind: {
    orders: ['alphabetical', 'own'],
    groups: true,
    keyOf: (holding, key, { kinds }) => ownOrName(key, kinds.get(holding.kindId ?? '')),
  },
  sizeClass: {
    orders: ['ascending'],
    groups: false,
    keyOf: ({ size }) => (size ? size.widthMm * size.heightMm : null),
  },
  series: { orders: ['ascending'], groups: true, keyOf: holding => holding.seriesId },
  number: { orders: ['ascending'], groups: false, keyOf: holding => holding.number },
  name: { orders: ['alphabetical'], groups: false, keyOf: holding => holding.name },
  date: { orders: ['ascending'], groups: false, keyOf: holding => holding.acquiredOn },
}
/** The table of each key that a divider may stand for. */
export const TAB_TABLES: Readonly<Record<TabBy, TabTable>> = { brand: 'brands', theme: 'themes', category: 'categories', kind: 'kinds' }
/** @example isTabKey('size') //=> false */
export const isTabKey = (by: string | undefined): by is TabBy => by !== undefined && Object.hasOwn(TAB_TABLES, by)
export const groupsBy = (rule: FilingRule, at = 0): boolean => {
  const by = rule.keys[at]?.by
  return by !== undefined && KEYS[by].groups
}

/** @example sameRule(byTheme, { keys: [{ by: 'theme', order: 'own' }] }) //=> false */
export function sameRule(a: FilingRule, b: FilingRule): boolean {
  return writeRule(a) === writeRule(b)
}
/**
 * A rule as one line for an address: its keys, each with its order if that is not the usual one.
 * @example writeRule({ keys: [{ by: 'theme', order: 'own' }, { by: 'name', order: 'alphabetical' }] }) //=> 'theme.own,name'
 */
export function writeRule({ keys }: FilingRule): string {
  return keys.map(({ by, order }) => (order === KEYS[by].orders[0] ? by : `${by}.${order}`)).join()
}
/**
 * Reads such a line; null if it holds no key. Unknown keys and orders are skipped.
 * @example readRule('brand,hats,name') //=> { keys: [{ by: 'brand', order: 'alphabetical' }, { by: 'name', order: 'alphabetical' }] }
 */
export function readRule(text: string): FilingRule | null {
  const keys = text.split(',').flatMap((part): FilingKey[] => {
    const [name, wanted] = part.split('.')
    const by = FILING_KEYS.find(each => each === name)
    return by ? [{ by, order: KEYS[by].orders.find(order => order === wanted) ?? KEYS[by].orders[0] }] : []
  })
  return keys.length > 0 ? { keys: keys.slice(0, 3) } : null
}

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base', ignorePunctuation: true })

export function filingKeyOf(holding: Holding, rule: FilingRule, authority: Authority): readonly KeyPart[] {
  return [...rule.keys.map(key => KEYS[key.by].keyOf(holding, key, authority)), holding.name, holding.number]
}

function comparePart(a: KeyPart, b: KeyPart): number {
  if (a === null || b === null) {
    if (a === b) return 0
    return a === null ? 1 : -1
  }
  if (typeof a === 'number' && typeof b === 'number') return a - b
  return collator.compare(String(a), String(b))
}

/** A total order: name and number follow the keys of the rule, so that no two sets compare as equal. */
export function compareFilingKeys(a: readonly KeyPart[], b: readonly KeyPart[]): number {
  for (let index = 0; index < a.length; index += 1) {
    const order = comparePart(a[index] ?? null, b[index] ?? null)
    if (order !== 0) return order
  }
  return 0
}

/** The record that the tab of this set stands for, under the first key of the rule. */
export function tabOf(holding: Holding, rule: FilingRule): { readonly by: TabBy; readonly id: string } | null {
  const by = rule.keys[0]?.by
  if (!isTabKey(by)) return null
  const id = { brand: holding.brandId, theme: holding.themeIds[0], category: holding.categoryId, kind: holding.kindId }[by]
  return id ? { by, id } : null
}
