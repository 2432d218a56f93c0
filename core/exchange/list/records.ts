import {
  blankBrand,
  blankHolding,
  type Brand,
  type Category,
  type Holding,
  type Kind,
  newCategory,
  newKind,
  newTheme,
  plainFieldsOf,
  type RegisterLine,
  type Theme,
  type Use,
} from '#core/catalog'
import { saidUse } from '#core/fetching'
import { type GivenNumber, giveNumbers, registerId } from '#core/numbering'
import type { SpellingGroup } from '#core/classing'
import { nameOf } from './cells'
import type { DraftHolding, PlannedRow } from './plan'

/** The part of the catalogue before the import that making records needs. */
export interface Ground {
  readonly brands: readonly Brand[]
  readonly kinds: readonly Kind[]
  readonly categories: readonly Category[]
  readonly themes: readonly Theme[]
  readonly seriesId: string
  readonly highestGiven: number
  readonly lineOf: (number: number) => Pick<RegisterLine, 'givenTo' | 'holdingId'> | undefined
  readonly isLiving: (holdingId: string) => boolean
}

export interface NewRecords {
  /** Made, or known before and now with more variant spellings. */
  readonly brands: readonly Brand[]
  readonly kinds: readonly Kind[]
  readonly categories: readonly Category[]
  readonly themes: readonly Theme[]
  readonly holdings: readonly Holding[]
  readonly register: readonly RegisterLine[]
  /** What the list says of their use. */
  readonly uses: readonly Use[]
}

/** How a set is named in the register: a number may come back only to the same thing. */
export function givenToText(name: string, brandName: string): string {
  return brandName ? `${name} / ${brandName}` : name
}

/**
 * Finds records by name, and makes those that are missing. Names compare without regard to case; a new record takes
 * the spelling that came first.
 */
class Names<R extends { readonly id: string; readonly name: string }> {
  readonly made: R[] = []
  private readonly all: R[]
  private readonly byName: Map<string, R>

  constructor(
    existing: readonly R[],
    private readonly make: (name: string, all: readonly R[]) => R,
  ) {
    this.all = [...existing]
    this.byName = new Map(existing.map(record => [record.name.toLowerCase(), record]))
  }

  idOf(name: string): string {
    const found = this.byName.get(name.toLowerCase())
    if (found) return found.id
    const record = this.make(name, this.all)
    this.byName.set(name.toLowerCase(), record)
    this.all.push(record)
    this.made.push(record)
    return record.id
  }
}

/** Plain records for all rows taken: deterministic for the same rows, ground, ids and moment. O(rows). */
export function makeRecords(
  rows: readonly PlannedRow[],
  joins: readonly SpellingGroup[],
  refusedSpellings: readonly string[],
  ground: Ground,
  newId: () => string,
  now: string,
): NewRecords {
  const refused = new Set(refusedSpellings)
  const preferredOf = new Map(
    joins.flatMap(group =>
      group.spellings.filter(spelling => !refused.has(spelling.text)).map(spelling => [spelling.text.trim(), group.preferred] as const),
    ),
  )
  const brands = new Names<Brand>(ground.brands, name => ({ ...blankBrand(newId(), name), variants: variantsOf(name, joins, refused) }))
  const widened = ground.brands.flatMap((brand): Brand[] => {
    const variants = [...new Set([...brand.variants, ...variantsOf(brand.name, joins, refused)])]
    return variants.length > brand.variants.length ? [{ ...brand, variants }] : []
  })
  const themes = new Names<Theme>(ground.themes, (name, all) => newTheme(newId(), name, all))
  const categories = new Names<Category>(ground.categories, (name, all) => newCategory(newId(), name, all))
  const kinds = new Names<Kind>(ground.kinds, (name, all) => ({ ...newKind(newId(), name, all), family: 'other', typicalThicknessMm: 6 }))

  const drafts = rows.flatMap(row =>
    row.outcome === 'taken' ? [{ ...row, id: newId(), brand: preferredOf.get(row.draft.brandText) ?? row.draft.brandText }] : [],
  )
  const given = giveNumbers(
    drafts.map(({ id, draft, brand }) => ({ holdingId: id, givenTo: givenToText(draft.name, brand), written: draft.numberWritten })),
    ground.lineOf,
    ground.isLiving,
    ground.highestGiven,
  )
  if (!given) throw new Error('more sets than there are numbers')
  const numbers = given
  const holdings = drafts.map(({ id, draft, questions, brand }, index): Holding => {
    const given = numbers[index] as GivenNumber
    const category = draft.kind?.as === 'category' && draft.categoryText === '' ? draft.kind.name : draft.categoryText
    return {
      ...blankHolding({ id, number: given.number, seriesId: ground.seriesId, name: draft.name, createdAt: now }),
      ...plainFields(draft),
      brandId: brand ? brands.idOf(brand) : null,
      kindId: draft.kind?.as === 'kind' || draft.kind?.as === 'newKind' ? kinds.idOf(draft.kind.name) : null,
      categoryId: category ? categories.idOf(category) : null,
      themeIds: draft.themeNames.map(name => themes.idOf(name)),
      questions: [...questions, ...clashQuestion(given)],
      aliases: aliasesOf(draft, given),
    }
  })
  const register = numbers.map((given, index): RegisterLine => ({
    id: registerId(ground.seriesId, given.number),
    seriesId: ground.seriesId,
    number: given.number,
    holdingId: given.holdingId,
    givenTo: givenToText(drafts[index]?.draft.name ?? '', drafts[index]?.brand ?? ''),
    how: given.how,
    at: now,
  }))
  const uses = drafts.flatMap(({ id, draft }): Use[] => {
    const said = saidUse(draft)
    return said ? [{ id: newId(), holdingId: id, ...said }] : []
  })
  return {
    brands: [...widened, ...brands.made],
    kinds: kinds.made,
    categories: categories.made,
    themes: themes.made,
    holdings,
    register,
    uses,
  }
}

function plainFields(draft: DraftHolding): Partial<Holding> {
  const { hasMatchingDie, placeText } = draft
  return { ...plainFieldsOf(draft), hasMatchingDie, placeText }
}

function variantsOf(name: string, joins: readonly SpellingGroup[], refused: ReadonlySet<string>): string[] {
  const group = joins.find(each => each.preferred === name)
  const spellings = group?.spellings.filter(each => !refused.has(each.text)).map(each => each.text.trim()) ?? []
  return [...new Set(spellings)].filter(text => text !== name)
}

function clashQuestion(given: GivenNumber): Holding['questions'] {
  return given.clash ? [{ code: 'numberClash', text: `${given.clash.written}` }] : []
}

function aliasesOf(draft: DraftHolding, given: GivenNumber): Holding['aliases'] {
  const isOtherwiseWritten = draft.numberText !== '' && draft.numberText !== String(given.number)
  const texts = [...(isOtherwiseWritten ? [draft.numberText] : []), ...(draft.codeText === draft.numberText ? [] : [draft.codeText])]
  return texts.filter(text => text !== '').map(text => ({ text: nameOf(text), from: 'list', reading: null }))
}
