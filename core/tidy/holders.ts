import { group, rollup } from 'd3-array'
import { thicknessIn } from '#core/capacity'
import type { HolderType, Holding } from '#core/catalog'
import { fitContainer } from '#core/holders'
import { allIn, type ContainerRow, type ContainerShape } from '#core/room'
import type { TidyFacts } from './facts'
import type { Fitting, Fittings } from './fittings'

export interface HolderCount {
  /** null: pages of a layout that no holder type has. */
  readonly typeId: string | null
  readonly count: number
  /** `count` less the stock on hand, at least 0. */
  readonly toGet: number
}
/** The holder type of each set in a container of this shape: by its record, else the best that fits, else that of most of its kind. */
export function holdersIn(waiting: readonly Holding[], fittings: Fittings, shape: ContainerShape, { holderTypes }: TidyFacts) {
  const typeOf = new Map<string, string>()
  const sits: { holdingId: string; holderTypeId: string }[] = []
  const [fitsNone, tooLarge, unsized]: [Holding[], Holding[], Holding[]] = [[], [], []]
  const goesIn = ({ typeId, answer }: Fitting): boolean => {
    const type = holderTypes.get(typeId)
    return type !== undefined && fitContainer(type, answer, shape).fits
  }
  for (const holding of waiting) {
    const all = fittings.get(holding.id) ?? null
    // The type or kind of holder that the record names comes first.
    const said = holding.holderTypeId
    const own = (all ?? []).filter(({ typeId }) =>
      said ? typeId === said : !holding.sitsIn || holderTypes.get(typeId)?.type === holding.sitsIn,
    )
    const best = own.find(goesIn) ?? own.find(({ typeId }) => stands(holderTypes.get(typeId), shape)) ?? own[0]
    if (best && !goesIn(best)) tooLarge.push(holding)
    if (said) typeOf.set(holding.id, said)
    else if (best) {
      typeOf.set(holding.id, best.typeId)
      sits.push({ holdingId: holding.id, holderTypeId: best.typeId })
    } else (all ? fitsNone : unsized).push(holding)
  }
  const sized = waiting.filter(({ id }) => typeOf.has(id))
  const usual = new Map([...group(sized, ({ kindId }) => kindId)].map(([kindId, own]) => [kindId, commonest(own, typeOf)]))
  const ofAll = commonest(sized, typeOf)
  const guessed = unsized.flatMap(({ id, kindId }) => {
    const typeId = usual.get(kindId) ?? ofAll
    return typeId ? [[id, typeId] as const] : []
  })
  for (const [id, typeId] of guessed) typeOf.set(id, typeId)
  return { typeOf, sits, fitsNone, tooLarge, assumed: guessed.length, unknown: unsized.length - guessed.length }
}
const stands = (type: HolderType | undefined, { type: container }: ContainerShape): boolean =>
  type !== undefined && (type.standsIn.length === 0 || type.standsIn.includes(container))

/** The type that most of the sets have; of several, the first by id; null: no sets. */
function commonest(sets: readonly Holding[], typeOf: ReadonlyMap<string, string>): string | null {
  const counts = [
    ...rollup(
      sets,
      own => own.length,
      ({ id }) => typeOf.get(id) ?? '',
    ),
  ]
  return counts.sort(([a, some], [b, others]) => others - some || (a < b ? -1 : 1))[0]?.[0] ?? null
}

/** The holders of a waiting set: two if it is cut in two. */
export function inHand({
  id,
  isCutInTwo,
}: Holding): readonly { readonly holder: { readonly id: string; readonly holdingIds: string[] } }[] {
  return (isCutInTwo ? ['1', '2'] : ['1']).map(half => ({ holder: { id: `${id}/${half}`, holdingIds: [id] } }))
}
export const lacking = (count: number, type: HolderType | undefined): number => Math.max(0, count - (type?.stockOnHand ?? 0))

/** Holders by type, most first, with how many of them to get. */
export function countsOf(
  own: readonly Holding[],
  typeOf: ReadonlyMap<string, string>,
  types: ReadonlyMap<string, HolderType>,
): readonly HolderCount[] {
  const counts = rollup(
    own.filter(({ id }) => typeOf.has(id)),
    sets => sets.reduce((sum, each) => sum + inHand(each).length, 0),
    ({ id }) => typeOf.get(id) ?? '',
  )
  return [...counts]
    .map(([typeId, count]) => ({ typeId, count, toGet: types.get(typeId)?.type === 'none' ? 0 : lacking(count, types.get(typeId)) }))
    .sort((a, b) => b.count - a.count || (a.typeId < b.typeId ? -1 : 1))
}

/** Length in mm of each holder: of those in the rows, and of those of the waiting sets. */
export function lengthsIn(
  rows: readonly ContainerRow[],
  own: readonly Holding[],
  lengthOfSet: (holding: Holding) => number,
  { holdings, authority, learnt }: TidyFacts,
): (holderId: string) => number {
  const inHolder = (ids: readonly string[], type: Pick<HolderType, 'type'>): number =>
    ids
      .flatMap(id => holdings.get(id) ?? [])
      .reduce((sum, each) => sum + thicknessIn(each, type, id => authority.kinds.get(id), learnt).mm, 0)
  const lengths = new Map([
    ...rows.flatMap(allIn).map(({ holder }) => [holder.id, inHolder(holder.holdingIds, holder)] as const),
    ...own.flatMap(each => inHand(each).map(({ holder }) => [holder.id, lengthOfSet(each)] as const)),
  ])
  return id => lengths.get(id) ?? 0
}
