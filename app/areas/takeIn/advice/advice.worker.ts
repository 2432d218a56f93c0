import { expose } from 'comlink'
import lexiconUrl from '~/assets/words/lexicon.txt?url'
import type { Holding, TableName } from '#core/catalog'
import {
  type ClassFacts,
  Lexicon,
  type LookAlike,
  LookAlikes,
  plainWords,
  type RelatedWords,
  SuggestIndex,
  type Suggestion,
} from '#core/classing'
import { PictureLikeness, type PictureLookAlike, SAME_PICTURE } from '#core/measuring'
import { database } from '~/db'
import * as commands from '~/db/commands'
import { inkMapOfThumb } from '~/data/pictures'

/** A look-alike among the sets owned, or among the strips of the pile. */
export type FoundLookAlike = LookAlike & { readonly where: 'owned' | 'pile'; readonly by: 'name' | 'picture' }
export interface PileStrip {
  readonly id: string
  readonly name: string
  readonly pictureHash: string | null
}
export interface RelatedTo {
  readonly word: string
  readonly related: RelatedWords
}

const MAPS_AT_ONCE = 24
const MOST_WORDS = 12
/** With fewer sets of the owner's own, the lexicon is worth its reading for the suggestions too. */
const SMALL_CATALOGUE = 200

let suggestions = new SuggestIndex()
let owned = new LookAlikes()
const pile = new LookAlikes()
const pictures = new PictureLikeness()
/** Sets by the hash of their picture. */
const ownersOf = new Map<string, Set<string>>()
const pictureOf = new Map<string, string>()
/** The same for the strips of the pile. */
const stripsOf = new Map<string, Set<string>>()
const pictureOfStrip = new Map<string, string>()
let opening: Promise<void> | null = null
let lexicon: Promise<Lexicon | null> | null = null
let pictureReading: Promise<void> | null = null

const factsOf = (holding: Holding): ClassFacts => ({ name: holding.name, words: holding.words, brandId: holding.brandId })

function take(holding: Holding): void {
  owned.put({ id: holding.id, name: holding.name, brandId: holding.brandId })
  // A set that waits to be classed teaches nothing yet.
  if (holding.state !== 'toClass') suggestions.learn(holding.id, factsOf(holding), holding)
  else suggestions.forget(holding.id)
  showsIn(ownersOf, pictureOf, holding.id, holding.pictureHash)
}
/** Notes which picture shows a thing now; null: none does any more. */
function showsIn(byPicture: Map<string, Set<string>>, pictures: Map<string, string>, id: string, hash: string | null): void {
  byPicture.get(pictures.get(id) ?? '')?.delete(id)
  pictures.delete(id)
  if (!hash) return
  pictures.set(id, hash)
  byPicture.set(hash, (byPicture.get(hash) ?? new Set()).add(id))
}

async function readClasses(): Promise<void> {
  const db = database()
  const [kinds, categories, themes, words] = await Promise.all([
    db.records('kinds').toArray(),
    db.records('categories').toArray(),
    db.records('themes').toArray(),
    lexicon,
  ])
  const relatedTo = (word: string): readonly string[] => words?.meaning(word) ?? []
  // A kind is what a thing is made of: its name's meaning says nothing about a design.
  suggestions.setClasses('kind', kinds)
  suggestions.setClasses('category', categories, relatedTo)
  suggestions.setClasses('theme', themes, relatedTo)
}

/**
 * Everything anew, once any reading before it has ended: what another catalogue held is forgotten. A small catalogue leans on the
 * meaning of words as well.
 */
function readAll(): Promise<void> {
  opening = (opening ?? Promise.resolve()).catch(() => undefined).then(readAnew)
  return opening
}
async function readAnew(): Promise<void> {
  suggestions = new SuggestIndex()
  owned = new LookAlikes()
  ownersOf.clear()
  pictureOf.clear()
  await readClasses()
  const holdings = await database().records('holdings').toArray()
  for (const holding of holdings) take(holding)
  if (holdings.length < SMALL_CATALOGUE) void openLexicon().then(readClasses)
}

/** Read when first asked for: 1 MB over the wire, from this machine's own server. */
function openLexicon(): Promise<Lexicon | null> {
  lexicon ??= fetch(lexiconUrl)
    .then(async answer => (answer.ok ? new Lexicon(await answer.text()) : null))
    .catch(() => null)
  return lexicon
}

/** Every fingerprint there is; pictures of an archive get theirs now, from their thumbnails. */
async function readPictures(): Promise<void> {
  const db = database()
  for (const { hash, map } of await db.inkMaps.toArray()) pictures.put(hash, new Uint8Array(map))
  const known = new Set(await db.inkMaps.toCollection().primaryKeys())
  const missing = (await db.thumbs.toCollection().primaryKeys()).filter(hash => !known.has(hash))
  for (let at = 0; at < missing.length; at += MAPS_AT_ONCE) {
    const thumbs = await db.thumbs.bulkGet(missing.slice(at, at + MAPS_AT_ONCE))
    const made = await Promise.all(
      thumbs.map(async thumb => {
        const map = thumb ? await inkMapOfThumb(thumb.bytes).catch(() => null) : null
        return thumb && map ? [{ hash: thumb.hash, map: map.slice().buffer }] : []
      }),
    )
    await commands.addInkMaps(db, made.flat())
    for (const { hash, map } of made.flat()) pictures.put(hash, new Uint8Array(map))
  }
}

const api = {
  /** Reads the whole catalogue. A second call waits for the first. */
  async open(): Promise<void> {
    await (opening ?? readAll())
  },

  /** Takes over what changed in the catalogue. */
  async follow(holdingIds: readonly string[] | 'all', tables: readonly TableName[]): Promise<void> {
    if (holdingIds === 'all') {
      pictureReading = null
      return readAll()
    }
    await opening
    if (tables.some(table => table === 'kinds' || table === 'categories' || table === 'themes')) await readClasses()
    const found = await database()
      .records('holdings')
      .bulkGet([...holdingIds])
    holdingIds.forEach((id, index) => {
      const holding = found[index]
      if (holding) return take(holding)
      owned.remove(id)
      suggestions.forget(id)
      showsIn(ownersOf, pictureOf, id, null)
    })
  },

  /** The strips of the pile, for look-alikes within it. */
  async followPile(strips: readonly PileStrip[], gone: readonly string[]): Promise<void> {
    for (const id of gone) {
      pile.remove(id)
      showsIn(stripsOf, pictureOfStrip, id, null)
    }
    for (const { id, name, pictureHash } of strips) {
      pile.put({ id, name, brandId: null })
      showsIn(stripsOf, pictureOfStrip, id, pictureHash)
    }
    return Promise.resolve()
  },

  async suggest(facts: ClassFacts): Promise<readonly Suggestion[]> {
    await opening
    return suggestions.suggest(facts)
  },

  /** Sets owned, and strips of the pile, that the name is like. */
  async likeName(name: string, brandId: string | null, exceptId: string | null): Promise<readonly FoundLookAlike[]> {
    await opening
    const inPile = pile.ask(name, null, exceptId).filter(each => each.verdict !== 'similar')
    return [
      ...owned.ask(name, brandId, exceptId).map(each => ({ ...each, where: 'owned' as const, by: 'name' as const })),
      ...inPile.map(each => ({ ...each, where: 'pile' as const, by: 'name' as const })),
    ]
  },

  /** Sets owned, and strips of the pile, whose picture shows the same thing. */
  async likePicture(hash: string, exceptId: string | null): Promise<readonly FoundLookAlike[]> {
    await opening
    pictureReading ??= readPictures()
    await pictureReading
    const late = [hash, ...stripsOf.keys()].filter(each => !pictures.has(each))
    for (const record of await database().inkMaps.bulkGet(late)) if (record) pictures.put(record.hash, new Uint8Array(record.map))
    const map = pictures.mapOf(hash)
    if (!map) return []
    const found: PictureLookAlike[] = [{ id: hash, likeness: 1 }, ...pictures.ask(map, hash)]
    const shownBy = (owners: ReadonlyMap<string, ReadonlySet<string>>, where: FoundLookAlike['where']): FoundLookAlike[] =>
      found.flatMap(({ id, likeness }) =>
        [...(owners.get(id) ?? [])]
          .filter(each => each !== exceptId)
          .map((each): FoundLookAlike => ({
            id: each,
            likeness,
            verdict: likeness >= SAME_PICTURE ? 'same' : 'similar',
            where,
            by: 'picture',
          })),
      )
    return [...shownBy(ownersOf, 'owned'), ...shownBy(stripsOf, 'pile').filter(each => each.verdict === 'same')].sort(
      (a, b) => b.likeness - a.likeness || (a.id < b.id ? -1 : 1),
    )
  },

  /** Search words for the words of a set, from WordNet. */
  async relatedWords(texts: readonly string[]): Promise<readonly RelatedTo[]> {
    const words = await openLexicon()
    if (!words) return []
    const asked = new Set(
      texts
        .flatMap(text => [text.toLowerCase().trim(), ...plainWords(text)])
        .filter(word => word.length > 2 && words.lemmaOf(word) !== null),
    )
    return [...asked]
      .slice(0, MOST_WORDS)
      .map(word => ({ word, related: words.related(word) }))
      .filter(({ related }) => related.synonyms.length + related.wider.length + related.narrower.length > 0)
  },
}

export type AdviceApi = typeof api
expose(api)
