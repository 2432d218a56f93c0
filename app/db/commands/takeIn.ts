import { ulid } from 'ulid'
import { blankBrand, blankHolding, type Holder, type Holding, newTheme, nextRank, type RegisterLine } from '#core/catalog'
import { givenToText } from '#core/exchange'
import { giveNumbers, registerId } from '#core/numbering'
import type { YondercrestDb } from '../database'
import { type Desk, transact } from '../transact'
import { highestGiven, runningSeries } from './numbers'

/** A place to put a set, as proposed or chosen: an order in a lane, or a free cell. */
export interface PlaceChoice {
  readonly containerId: string
  readonly lane: number
  readonly order: string
  readonly cell: Holder['cell']
}

/** What the person knows of a set. Brand, category and themes come as names; new names are made on the spot. */
export interface HoldingFacts {
  readonly name: string
  readonly brandName: string
  readonly kindId: string | null
  readonly categoryName: string
  readonly themeNames: readonly string[]
  readonly size: Holding['size']
  readonly words: readonly string[]
  readonly notes: string
  readonly pictureHash: string | null
}

/** Takes in a new set: its number is given inside the transaction, so that two tabs can never give the same one. */
export async function takeIn(db: YondercrestDb, facts: HoldingFacts, place: PlaceChoice | null): Promise<Holding> {
  return transact(db, 'takeIn', holding => ({ name: holding.name, number: holding.number }), async (desk) => {
    const series = await runningSeries(db)
    const id = ulid()
    const [given] = giveNumbers(
      [{ holdingId: id, givenTo: givenToText(facts.name, facts.brandName), written: null }],
      () => undefined, () => false, await highestGiven(db, series.id),
    )
    const number = given?.number ?? 1
    const createdAt = new Date().toISOString()
    const holding: Holding = {
      ...blankHolding({ id, number, seriesId: series.id, name: facts.name, createdAt }),
      ...await resolveNames(desk, facts),
      state: place ? 'filed' : 'toFile',
    }
    const line: RegisterLine = {
      id: registerId(series.id, number), seriesId: series.id, number, holdingId: id,
      givenTo: givenToText(facts.name, facts.brandName), how: 'issued', at: createdAt,
    }
    await desk.put('holdings', [holding])
    await desk.register([line])
    if (place) await desk.put('holders', [newHolder(id, place)])
    return holding
  })
}

/** Changes what is known of a set. Its number and its place stay: identity, class and place are three things. */
export async function editHolding(db: YondercrestDb, id: string, facts: HoldingFacts): Promise<Holding | null> {
  return transact(db, 'editHolding', holding => ({ name: holding?.name, number: holding?.number }), async (desk) => {
    const before = await db.records('holdings').get(id)
    if (!before) return null
    const after: Holding = { ...before, ...await resolveNames(desk, facts) }
    await desk.put('holdings', [after])
    return after
  })
}

export function newHolder(holdingId: string, place: PlaceChoice): Holder {
  return { id: ulid(), holderTypeId: null, type: place.cell ? 'celledPage' : 'pocket', ...place, holdingIds: [holdingId] }
}

type Resolved = Pick<Holding, 'name' | 'brandId' | 'kindId' | 'categoryId' | 'themeIds' | 'size' | 'words' | 'notes' | 'pictureHash'>

async function resolveNames(desk: Desk, facts: HoldingFacts): Promise<Resolved> {
  const { name, kindId, size, words, notes, pictureHash } = facts
  const brandId = await brandNamed(desk, facts.brandName)
  const categoryId = await categoryNamed(desk, facts.categoryName)
  const themeIds: string[] = []
  for (const theme of facts.themeNames) themeIds.push(await themeNamed(desk, theme))
  return { name, kindId, size, words: [...words], notes, pictureHash, brandId, categoryId, themeIds: [...new Set(themeIds)] }
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

async function brandNamed(desk: Desk, name: string): Promise<string | null> {
  if (name.trim() === '') return null
  const all = await desk.db.records('brands').toArray()
  const found = all.find(brand => same(brand.name, name)) ?? all.find(brand => brand.variants.some(variant => same(variant, name)))
  if (found) return found.id
  const brand = blankBrand(ulid(), name.trim())
  await desk.put('brands', [brand])
  return brand.id
}

async function categoryNamed(desk: Desk, name: string): Promise<string | null> {
  if (name.trim() === '') return null
  const all = await desk.db.records('categories').toArray()
  const found = all.find(category => same(category.name, name))
  if (found) return found.id
  const category = { id: ulid(), name: name.trim(), rank: nextRank(all), seeAlsoIds: [] }
  await desk.put('categories', [category])
  return category.id
}

async function themeNamed(desk: Desk, name: string): Promise<string> {
  const all = await desk.db.records('themes').toArray()
  const found = all.find(theme => same(theme.name, name))
  if (found) return found.id
  const theme = newTheme(ulid(), name.trim(), all)
  await desk.put('themes', [theme])
  return theme.id
}
