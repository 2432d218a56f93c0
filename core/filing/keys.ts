import type { Brand, Category, FilingKey, FilingRule, Holding, Kind, Theme } from '#core/catalog'

/** What a filing key may look up. */
export interface Authority {
  readonly brands: ReadonlyMap<string, Brand>
  readonly themes: ReadonlyMap<string, Theme>
  readonly categories: ReadonlyMap<string, Category>
  readonly kinds: ReadonlyMap<string, Kind>
}

/** One part of a filing key: words compare as a person files them, numbers by size, null (not known) files last. */
export type KeyPart = string | number | null
type Strategy = (holding: Holding, key: FilingKey, authority: Authority) => KeyPart

const ownOrName = (key: FilingKey, record: { readonly name: string; readonly rank: number } | undefined): KeyPart =>
  !record ? null : key.order === 'own' ? record.rank : record.name

function brandName(holding: Holding, { order }: FilingKey, brands: ReadonlyMap<string, Brand>): KeyPart {
  const brand = holding.brandId ? brands.get(holding.brandId) : undefined
  if (order === 'asItself') return brand?.name ?? null
  const successor = brand?.successorId ? brands.get(brand.successorId) : undefined
  return successor?.name ?? brand?.name ?? null
}

/** One strategy a key. Every one is a pure look-up, so a rule of three keys costs three look-ups a set. */
const STRATEGIES: Readonly<Record<FilingKey['by'], Strategy>> = {
  brand: (holding, key, { brands }) => brandName(holding, key, brands),
  theme: (holding, key, { themes }) => ownOrName(key, themes.get(holding.themeIds[0] ?? '')),
  category: (holding, key, { categories }) => ownOrName(key, categories.get(holding.categoryId ?? '')),
  kind: (holding, key, { kinds }) => ownOrName(key, kinds.get(holding.kindId ?? '')),
  sizeClass: holding => (holding.size ? holding.size.widthMm * holding.size.heightMm : null),
  series: holding => holding.seriesId,
  number: holding => holding.number,
  name: holding => holding.name,
  date: holding => holding.acquiredOn,
}

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base', ignorePunctuation: true })

export function filingKeyOf(holding: Holding, rule: FilingRule, authority: Authority): readonly KeyPart[] {
  return [...rule.keys.map(key => STRATEGIES[key.by](holding, key, authority)), holding.name, holding.number]
}

function comparePart(a: KeyPart, b: KeyPart): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1
  if (typeof a === 'number' && typeof b === 'number') return a - b
  return collator.compare(String(a), String(b))
}

/** Total: name and number follow the rule's own keys, so two sets are never equal by accident of storage. */
export function compareFilingKeys(a: readonly KeyPart[], b: readonly KeyPart[]): number {
  for (let index = 0; index < a.length; index += 1) {
    const order = comparePart(a[index] ?? null, b[index] ?? null)
    if (order !== 0) return order
  }
  return 0
}

/** The record a divider would have to stand for, to be the tab of this set under the rule's first key. */
export function tabOf(
  holding: Holding,
  rule: FilingRule,
): { readonly by: 'brand' | 'theme' | 'category' | 'kind'; readonly id: string } | null {
  const by = rule.keys[0]?.by
  const id =
    by === 'brand'
      ? holding.brandId
      : by === 'theme'
        ? holding.themeIds[0]
        : by === 'category'
          ? holding.categoryId
          : by === 'kind'
            ? holding.kindId
            : null
  return id && (by === 'brand' || by === 'theme' || by === 'category' || by === 'kind') ? { by, id } : null
}
