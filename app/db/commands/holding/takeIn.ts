import { newId } from '~/db/newId'
import {
  blankBrand,
  blankHolding,
  type Holder,
  type Holding,
  newCategory,
  newHolder,
  newTheme,
  type PlainFields,
  plainFieldsOf,
  type RegisterLine,
  type Series,
  isBlank,
} from '#core/catalog'
import { givenToText } from '#core/exchange'
import { type GivenNumber, giveNumbers, isFarBeyond, numberSource, registerId } from '#core/numbering'
import { stillOpen } from '#core/questions'
import { arrangeContainer, besideFirstHalf } from '#core/room'
import { isSameName } from '#core/grammar'
import type { YondercrestDb } from '../../database'
import type { Desk } from '../../desk'
import { transact } from '../../transact'
import { highestGiven, linesFrom, runningSeries } from './numbers'
import { freePlaces } from './places'

/** A place to put a set, as proposed or chosen: an order in a lane, or a free cell. */
export interface PlaceChoice {
  readonly containerId: string
  readonly lane: number
  readonly order: string
  readonly cell: Holder['cell']
}

/** What the person knows of a set. Brand, category and themes come as names; new names are made on the spot. */
export interface HoldingFacts extends Readonly<PlainFields> {
  readonly brandName: string
  readonly kindId: string | null
  readonly categoryName: string
  readonly themeNames: readonly string[]
}

/** Where a set stands after capture: at its place, or at the stage it waits for; and the strip of the pile it was. */
export interface Captured {
  readonly place: PlaceChoice | null
  readonly state: Holding['state']
  readonly draftId: string | null
  /** A number or code that stands on the thing already; empty where there is none. */
  readonly written: string
  /** It is the number of the set although it is far above the run: somebody has said so. */
  readonly isFarMeant?: boolean
}

/**
 * Takes in a new set: its number is given inside the transaction, so that two tabs can never give the same one. The
 * strip it was typed in goes in the same step, and comes back when the step is undone. A number that stands on the thing
 * already is taken over where it is free, and is kept as another number of it where it is not. null: the strip has become
 * a set in another tab meanwhile, and nothing was done.
 */
export function takeIn(db: YondercrestDb, facts: HoldingFacts, captured: Captured & { readonly draftId: null }): Promise<Holding>
export function takeIn(db: YondercrestDb, facts: HoldingFacts, captured: Captured): Promise<Holding | null>
export async function takeIn(
  db: YondercrestDb,
  facts: HoldingFacts,
  { place: wanted, state, draftId, written, isFarMeant = false }: Captured,
): Promise<Holding | null> {
  return transact(
    db,
    'takeIn',
    (holding: Holding | null) => ({ name: holding?.name, number: holding?.number }),
    async desk => {
      if (draftId && !(await db.records('drafts').get(draftId))) return null
      const id = newId()
      const names = await resolveNames(desk, facts)
      // A place that another tab has taken meanwhile is none: the set waits for another.
      const place = wanted && (await freePlaces(db, [wanted]))(wanted, null) ? wanted : null
      const { line, isWritten } = await giveNumber(desk, id, facts, names.brandId, place, written, isFarMeant)
      const holding: Holding = {
        ...blankHolding({ id, number: line.number, seriesId: line.seriesId, name: facts.name, createdAt: line.at }),
        ...names,
        aliases: written.trim() === '' || isWritten ? [] : [{ text: written.trim().slice(0, 300), from: 'writtenOnIt', reading: null }],
        state: place ? 'filed' : state,
      }
      await desk.put('holdings', [holding])
      await desk.register([line])
      if (place) await putInPlace(desk, holding, place)
      if (draftId) await desk.remove('drafts', [draftId])
      return holding
    },
  )
}

/**
 * Gives one number, by the school of the running series. Where only one number would do (a cell, the maker's own) and
 * that was given before, the running series gives its next one.
 */
async function giveNumber(
  desk: Desk,
  holdingId: string,
  facts: HoldingFacts,
  brandId: string | null,
  place: PlaceChoice | null,
  written: string,
  isFarMeant: boolean,
): Promise<{ line: RegisterLine; isWritten: boolean }> {
  const { db } = desk
  const running = await runningSeries(db)
  const container = place ? await db.records('containers').get(place.containerId) : undefined
  const source = numberSource(
    running,
    await db.records('series').toArray(),
    {
      brand: brandId ? ((await db.records('brands').get(brandId)) ?? null) : null,
      place: place && container ? { container, cell: place.cell } : null,
      written,
    },
    newId,
  )
  const givenTo = givenToText(facts.name, facts.brandName)
  const giveFrom = async (series: Series, wanted: number | null): Promise<GivenNumber> => {
    const end = await highestGiven(db, series.id)
    // Far above the run it is a product code as likely: it is kept as another number, until somebody says that it is meant.
    const meant = wanted !== null && !isFarMeant && !source.isFixed && isFarBeyond(wanted, end) ? null : wanted
    const lines = new Map((await linesFrom(db, series.id, end, meant)).map(line => [line.number, line]))
    const before = meant === null ? undefined : lines.get(meant)
    const isLiving = before !== undefined && (await db.records('holdings').get(before.holdingId)) !== undefined
    const [given] =
      giveNumbers(
        [{ holdingId, givenTo, written: meant }],
        number => lines.get(number),
        () => isLiving,
        end,
      ) ?? []
    if (!given) throw new Error('the numbers have run out')
    return given
  }
  let { series } = source
  let given = await giveFrom(source.series, source.wanted)
  if (given.clash && series.id !== running.id) [series, given] = [running, await giveFrom(running, null)]
  else if (source.isNew) await desk.putForGood(series)
  const { number } = given
  const line: RegisterLine = {
    id: registerId(series.id, number),
    seriesId: series.id,
    number,
    holdingId,
    givenTo,
    how: given.how,
    at: new Date().toISOString(),
  }
  return { line, isWritten: source.isWritten && given.how === 'adopted' && series.id === source.series.id }
}

/**
 * Changes what is known of a set: those facts that are named, and no others. Its number and its place stay: identity, class and place
 * are three things.
 */
export async function editHolding(db: YondercrestDb, id: string, facts: Partial<HoldingFacts>): Promise<Holding | null> {
  return transact(
    db,
    'editHolding',
    holding => ({ name: holding?.name, number: holding?.number }),
    async desk => {
      const before = await db.records('holdings').get(id)
      if (!before) return null
      const fields = await resolveNames(desk, facts)
      return desk.change('holdings', id, { ...fields, questions: stillOpen(before, { ...before, ...fields }) })
    },
  )
}

/**
 * Puts a set into its place. The holder it is in already moves, others that share it along with it; a set that was cut
 * in two stands in two, the second half beside the first.
 */
export async function putInPlace(desk: Desk, holding: Holding, place: PlaceChoice): Promise<void> {
  const [first, second] = await desk.db.records('holders').where('holdingIds').equals(holding.id).toArray()
  const front = first ? { ...first, ...place, somewhere: null } : newHolder(newId(), holding, place)
  await desk.put('holders', [front])
  if (!holding.isCutInTwo) return
  const container = await desk.db.records('containers').get(place.containerId)
  if (!container) return
  const inIt = await desk.db.records('holders').where('containerId').equals(container.id).toArray()
  const row = arrangeContainer(
    container,
    inIt.filter(each => each.id !== second?.id),
    await desk.db.records('sections').where('containerId').equals(container.id).toArray(),
  )
  const beside = besideFirstHalf(row, front)
  if (beside)
    await desk.put('holders', [
      { ...(second ?? { ...front, id: newId(), holdingIds: [holding.id] }), ...place, somewhere: null, ...beside },
    ])
}

/** What each of some sets was put into by itself is of the type that was decided for it; a cell stays a cell. */
export async function holdersFollow(desk: Desk, holdings: readonly Holding[]): Promise<void> {
  const sets = new Map(holdings.map(holding => [holding.id, holding]))
  const holders = await desk.db
    .records('holders')
    .where('holdingIds')
    .anyOf([...sets.keys()])
    .toArray()
  await desk.put(
    'holders',
    holders.flatMap(holder => {
      const set = holder.holdingIds.length === 1 && !holder.cell ? sets.get(holder.holdingIds[0] ?? '') : undefined
      const isOther = set?.sitsIn && (holder.type !== set.sitsIn || holder.holderTypeId !== set.holderTypeId)
      return isOther ? [{ ...holder, type: set.sitsIn ?? holder.type, holderTypeId: set.holderTypeId }] : []
    }),
  )
}

type Resolved = PlainFields & Pick<Holding, 'brandId' | 'kindId' | 'categoryId' | 'themeIds'>

/** The fields that facts stand for: those that are named, and no others. */
export function resolveNames(desk: Desk, facts: HoldingFacts): Promise<Resolved>
export function resolveNames(desk: Desk, facts: Partial<HoldingFacts>): Promise<Partial<Resolved>>
export async function resolveNames(desk: Desk, facts: Partial<HoldingFacts>): Promise<Partial<Resolved>> {
  const { brandName, categoryName, themeNames, kindId } = facts
  return {
    ...plainFieldsOf(facts),
    ...(brandName === undefined ? {} : { brandId: await brandNamed(desk, brandName) }),
    ...(categoryName === undefined ? {} : { categoryId: await categoryNamed(desk, categoryName) }),
    ...(themeNames === undefined ? {} : { themeIds: await themesNamed(desk, themeNames) }),
    ...(kindId === undefined ? {} : { kindId: await kindThere(desk, kindId) }),
  }
}
/** A kind that another tab has joined into one meanwhile is not known. */
async function kindThere(desk: Desk, id: string | null): Promise<string | null> {
  const kind = id ? await desk.db.records('kinds').get(id) : undefined
  return kind?.id ?? null
}
async function themesNamed(desk: Desk, names: readonly string[]): Promise<string[]> {
  const ids: string[] = []
  for (const name of names) ids.push(await themeNamed(desk, name))
  return [...new Set(ids)]
}

export async function brandNamed(desk: Desk, name: string): Promise<string | null> {
  if (isBlank(name)) return null
  const all = await desk.db.records('brands').toArray()
  const found =
    all.find(brand => isSameName(brand.name, name)) ?? all.find(brand => brand.variants.some(variant => isSameName(variant, name)))
  if (found) return found.id
  const brand = blankBrand(newId(), name.trim())
  await desk.put('brands', [brand])
  return brand.id
}

export async function categoryNamed(desk: Desk, name: string): Promise<string | null> {
  if (isBlank(name)) return null
  const all = await desk.db.records('categories').toArray()
  const found = all.find(category => isSameName(category.name, name))
  if (found) return found.id
  const category = newCategory(newId(), name.trim(), all)
  await desk.put('categories', [category])
  return category.id
}

export async function themeNamed(desk: Desk, name: string): Promise<string> {
  const all = await desk.db.records('themes').toArray()
  const found = all.find(theme => isSameName(theme.name, name))
  if (found) return found.id
  const theme = newTheme(newId(), name.trim(), all)
  await desk.put('themes', [theme])
  return theme.id
}
