import { addTo, type KindFamily, type Relation } from '#core/catalog'
import { plainLetters } from './normalise'

/** A set, with the facts that show which other set it goes with. */
export interface PartnerSet {
  readonly id: string
  readonly name: string
  readonly brandId: string | null
  readonly family: KindFamily | null
  readonly hasMatchingDie: boolean | null
}
export type PartnerBecause =
  /** Same brand, and same name apart from words for stamps and dies. */
  | 'sameBrandAndName'
  /** Same name; the brand of one is unknown. */
  | 'sameName'
  /** Same brand, and one name contains all words of the other. */
  | 'nameWithin'
  /** Their pictures show the same; same brand, or the brand of one is unknown. */
  | 'samePicture'
/** A die and the stamp it may belong to. */
export interface PartnerPair {
  readonly dieId: string
  readonly stampId: string
  readonly because: PartnerBecause
  /** Their pictures also show the same. */
  readonly isPictured: boolean
  /** Another set fits as well, or the list says that the stamp has no die. A doubtful pair is asked, never accepted automatically. */
  readonly doubt: 'others' | 'saidNone' | null
}

/** Words for the thing, not for its motif, in plain letters and all list languages. Common practice. */
const SAY_WHAT = new Set(
  (
    'stamp stamps clear cling rubber set sets die dies cutting cut outline outlines coordinating matching companion ' +
    'add on addon only for the and ' +
    'stempel stempelset klarsichtstempel stanze stanzen stanzform passende zum zur und ' +
    'tampon tampons die dies matrice matrices decoupe assorti assortie et ' +
    'stempels stans stansen snijmal bijpassende en sello sellos troquel troqueles y timbro timbri fustella fustelle e ' +
    'stampel stamplar stans stansar och stempler dies skaereskabelon og'
  ).split(' '),
)
/** Motif words of a name: sorted, each once. */
function wordsOf(name: string): readonly string[] {
  const words = plainLetters(name).match(/[\p{L}\p{N}]+/gu) ?? []
  const telling = words.filter(word => !SAY_WHAT.has(word))
  // "Die Cuts" has no other words: then these are its name.
  return [...new Set(telling.length > 0 ? telling : words)].sort()
}

/** A name of one word is contained in too many others. */
const LEAST_WITHIN = 2

/**
 * Pairs of dies and stamps that go together, the surest first; sets that have a partner are left out. Each pair is listed once; if a set
 * has two possible partners, both pairs are listed. `alike`: dies and stamps whose pictures show the same. O(sets), and O(sets of a brand
 * squared) for names within names.
 * @example proposePartners([stamp('Harbour Lights'), die('Harbour Lights Dies')], []).length //=> 1
 */
export function proposePartners(
  sets: readonly PartnerSet[],
  relations: readonly Pick<Relation, 'fromId' | 'toId' | 'kind'>[],
  alike: readonly { readonly dieId: string; readonly stampId: string }[] = [],
): readonly PartnerPair[] {
  const paired = new Set(relations.filter(({ kind }) => kind === 'dieForStamp').flatMap(({ fromId, toId }) => [fromId, toId]))
  const free = sets.filter(({ id, family }) => !paired.has(id) && (family === 'die' || family === 'stamp'))
  const named = free.map(set => ({ set, words: wordsOf(set.name) }))
  const byName = new Map<string, typeof named>()
  for (const each of named) {
    const key = each.words.join(' ')
    if (key !== '') addTo(byName, key, each)
  }
  const pairs: Found[] = []
  for (const group of byName.values())
    for (const die of group.filter(({ set }) => set.family === 'die'))
      for (const stamp of group.filter(({ set }) => set.family === 'stamp')) {
        const isOneBrand = die.set.brandId !== null && die.set.brandId === stamp.set.brandId
        if (mayBeOneBrand(die.set, stamp.set))
          pairs.push({ dieId: die.set.id, stampId: stamp.set.id, because: isOneBrand ? 'sameBrandAndName' : 'sameName' })
      }
  const met = new Set(pairs.flatMap(({ dieId, stampId }) => [dieId, stampId]))
  pairs.push(...withinNames(named.filter(({ set }) => !met.has(set.id))))
  const [open, pictured] = [new Map(free.map(set => [set.id, set])), new Set(alike.map(pairKey))]
  const known = new Set(pairs.map(pairKey))
  for (const pair of alike) {
    const [die, stamp] = [open.get(pair.dieId), open.get(pair.stampId)]
    if (die?.family !== 'die' || stamp?.family !== 'stamp' || known.has(pairKey(pair)) || !mayBeOneBrand(die, stamp)) continue
    known.add(pairKey(pair))
    pairs.push({ ...pair, because: 'samePicture' })
  }
  return withDoubts(
    pairs.map(pair => ({ ...pair, isPictured: pictured.has(pairKey(pair)) })),
    new Map(sets.map(set => [set.id, set])),
  )
}
type Found = Pick<PartnerPair, 'dieId' | 'stampId' | 'because'>
/** @example pairKey({ dieId: 'd', stampId: 's' }) //=> 'd s' */
export const pairKey = ({ dieId, stampId }: Pick<PartnerPair, 'dieId' | 'stampId'>): string => `${dieId} ${stampId}`
const mayBeOneBrand = (a: PartnerSet, b: PartnerSet): boolean => a.brandId === null || b.brandId === null || a.brandId === b.brandId

type Named = { readonly set: PartnerSet; readonly words: readonly string[] }
function withinNames(named: readonly Named[]): readonly Found[] {
  const byBrand = new Map<string, Named[]>()
  for (const each of named) {
    if (each.set.brandId === null || each.words.length < LEAST_WITHIN) continue
    addTo(byBrand, each.set.brandId, each)
  }
  return [...byBrand.values()].flatMap(group =>
    group
      .filter(({ set }) => set.family === 'die')
      .flatMap(die =>
        group
          .filter(({ set }) => set.family === 'stamp')
          .filter(stamp => isWithin(die.words, stamp.words) || isWithin(stamp.words, die.words))
          .map(stamp => ({ dieId: die.set.id, stampId: stamp.set.id, because: 'nameWithin' as const })),
      ),
  )
}
const isWithin = (some: readonly string[], all: readonly string[]): boolean => some.every(word => all.includes(word))

const SURENESS: readonly PartnerBecause[] = ['sameBrandAndName', 'sameName', 'nameWithin', 'samePicture']
function withDoubts(pairs: readonly Omit<PartnerPair, 'doubt'>[], sets: ReadonlyMap<string, PartnerSet>): readonly PartnerPair[] {
  const count = new Map<string, number>()
  for (const { dieId, stampId } of pairs) for (const id of [dieId, stampId]) count.set(id, (count.get(id) ?? 0) + 1)
  return pairs
    .map((pair): PartnerPair => {
      const isOne = count.get(pair.dieId) === 1 && count.get(pair.stampId) === 1
      const isSaidNone = sets.get(pair.stampId)?.hasMatchingDie === false
      const saidNone = isSaidNone ? 'saidNone' : null
      return { ...pair, doubt: isOne ? saidNone : 'others' }
    })
    .sort((a, b) => Number(a.doubt !== null) - Number(b.doubt !== null) || SURENESS.indexOf(a.because) - SURENESS.indexOf(b.because))
}

/** Stamps with a die according to the list, but without a linked or proposed die. O(sets). */
export function withoutPartner(
  sets: readonly PartnerSet[],
  relations: readonly Pick<Relation, 'fromId' | 'toId' | 'kind'>[],
  pairs: readonly PartnerPair[],
): readonly PartnerSet[] {
  const has = new Set([
    ...relations.filter(({ kind }) => kind === 'dieForStamp').map(({ toId }) => toId),
    ...pairs.map(({ stampId }) => stampId),
  ])
  return sets.filter(({ id, family, hasMatchingDie }) => hasMatchingDie === true && family !== 'die' && !has.has(id))
}
