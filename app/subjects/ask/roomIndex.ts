import type { Holding, RecordOf } from '#core/catalog'
import { type Lexicon, WordForms } from '#core/classing'
import { type Answer, AskIndex, documentOf, type LinkedHit, Links, type OwnLink, type WrittenIndex } from '#core/finding'
import { answersWithin, areSeen, type SeenStep, SLOW_MS, tryKept, whatChanged, type YondercrestDb } from '~/db'

/** The tables of the names that sets refer to. */
const NAMES = ['brands', 'themes', 'categories', 'kinds', 'series'] as const
type Names = { readonly [T in (typeof NAMES)[number]]: ReadonlyMap<string, RecordOf<T>> }

/** An index, and all it was made of: what comes after these steps is not in it yet. */
interface Made {
  readonly index: AskIndex
  readonly names: Names
  readonly seen: readonly SeenStep[]
}
interface Kept {
  readonly format: string
  readonly index: WrittenIndex
  readonly names: { readonly [T in keyof Names]: readonly RecordOf<T>[] }
  readonly seen: readonly SeenStep[]
}

/** What one reading brought: `ids` are those to be read again, null where all were. */
interface Read {
  readonly names: Names
  readonly links: readonly OwnLink[]
  readonly journal: readonly SeenStep[]
  readonly ids: readonly string[] | null
  readonly holdings: readonly (Holding | undefined)[]
  /** How many sets there are. */
  readonly sets: number
}

const ADD_AT_ONCE = 1000
const KEPT = ['askIndex'] as const
/** A room of fewer sets is read as quickly as a kept index; so many sets behind, a kept one still opens quicker than anew. */
const KEPT_FROM = { sets: 2000, changes: 500 } as const

const byId = <R extends { readonly id: string }>(records: readonly R[]): ReadonlyMap<string, R> =>
  new Map(records.map(record => [record.id, record]))

/**
 * The index of asks over a room. It catches up with the journal by itself. That of a large room is kept in this browser,
 * so that the next opening need only read the steps done since. `format` names the code that wrote it: another reads anew.
 */
export class RoomIndex {
  private made: Made | null = null
  private links: readonly OwnLink[] = []
  private linked: Links | null = null
  private known = new WordForms()
  private lexicon: Lexicon | null = null
  private unkept = 0
  private queue: Promise<void> = Promise.resolve()

  constructor(
    private readonly db: YondercrestDb,
    private readonly format: string,
    private readonly from: { readonly sets: number; readonly changes: number } = KEPT_FROM,
    /** Which words are one. Read once, before the room is. */
    private readonly forms: () => Promise<WordForms> = () => Promise.resolve(new WordForms()),
  ) {}

  get size(): number {
    return this.made?.index.size ?? 0
  }

  ask(text: string, without: readonly string[] = []): Answer {
    return (this.made?.index ?? new AskIndex()).ask(text, without)
  }

  /** Sets that say the same otherwise: by the owner's links, the craft's, the themes', and by meanings where a lexicon is known. */
  linkedTo(text: string, but: ReadonlySet<string>, without: readonly string[]): readonly LinkedHit[] {
    const { made, lexicon } = this
    if (!made) return []
    const nameOf = (id: string): string | readonly string[] => made.names.themes.get(id)?.name ?? []
    this.linked ??= new Links(
      this.links,
      [...made.names.themes.values()].map(({ name, seeAlsoIds }) => ({ name, seeAlso: seeAlsoIds.flatMap(nameOf) })),
      lexicon ? word => lexicon.near(word) : null,
      this.known,
    )
    return made.index.linked(text, this.linked, but, without)
  }

  /** Meanings are links from now on, and what is English is no German compound. */
  know(lexicon: Lexicon): void {
    this.lexicon = lexicon
    this.linked = null
    this.teach(this.made?.index)
  }
  private teach(index: AskIndex | undefined): void {
    const { lexicon } = this
    if (lexicon) index?.knowEnglish(word => lexicon.isEnglish(word))
  }

  /** Takes in all that was done since. One after the other, however often it is called. */
  catchUp(): Promise<void> {
    const caught = this.queue.then(() => this.readOn())
    this.queue = caught.catch(() => undefined)
    return caught
  }

  /**
   * Keeps the index of a large room, where enough has changed. Writing takes the worker half a second at 20,000 sets, so it
   * is called once nobody asks. A room without a step has nothing to tell what came after: it is read anew each time.
   */
  async keep(): Promise<boolean> {
    const { made } = this
    if (!made || made.seen.length === 0 || made.index.size < this.from.sets || this.unkept < this.from.changes) return false
    this.unkept = 0
    const kept: Kept = {
      format: this.format,
      index: made.index.write(),
      names: Object.fromEntries(NAMES.map(name => [name, [...made.names[name].values()]])) as unknown as Kept['names'],
      seen: made.seen,
    }
    await this.db.device.put({ id: 'askIndex', value: JSON.stringify(kept) })
    return true
  }

  /** The index as it was kept; null: none is, or not one that this code can read. */
  private readKept(forms: Promise<WordForms>): Promise<Made | null> {
    return tryKept(this.db, KEPT, async () => {
      const fact = await this.db.device.get('askIndex')
      const kept = fact ? (JSON.parse(fact.value) as Kept) : null
      if (kept?.format !== this.format || !areSeen(kept.seen)) return null
      return { index: AskIndex.read(kept.index, await forms), names: namesOf(kept.names), seen: kept.seen }
    })
  }

  private async readOn(): Promise<void> {
    const forms = this.forms()
    const before = this.made ?? (await answersWithin(this.readKept(forms), SLOW_MS, () => Promise.resolve(null)))
    this.known = await forms
    // What stands against the tables, or takes them in no more, is given up: all is read anew.
    if (!before || !(await tryKept(this.db, KEPT, () => this.readAfter(before)))) await this.readAfter(null)
  }
  private async readAfter(before: Made | null): Promise<true> {
    const { db, known: forms } = this
    const tables = [...[...NAMES, 'links', 'holdings'].map(name => db.table(name)), db.journal, db.journalParts]
    // One transaction: the sets are those after exactly these steps.
    const { names, links, journal, ids, holdings, sets }: Read = await db.transaction('r', tables, async () => {
      const journal = await db.journal.toArray()
      const touched = before ? await whatChanged(db, before.seen, journal) : 'all'
      const isNamed = touched === 'all' || NAMES.some(name => touched?.has(name))
      const names = before && !isNamed ? before.names : await this.readNames()
      const links = await db.records('links').toArray()
      const sets = await db.records('holdings').count()
      // A name that was there before is in many sets, those of the step or not. One that is new is in those of the step alone.
      if (!before || touched === 'all' || haveChanged(before.names, names))
        return { names, links, journal, sets, ids: null, holdings: await db.records('holdings').toArray() }
      const ids = [...(touched?.get('holdings') ?? [])]
      return { names, links, journal, sets, ids, holdings: ids.length > 0 ? await db.records('holdings').bulkGet(ids) : [] }
    })
    const found = holdings.filter(holding => holding !== undefined)
    const index = before && ids ? before.index : new AskIndex(forms)
    this.teach(index)
    index.remove((ids ?? []).filter((_, at) => !holdings[at]))
    for (let at = 0; at < found.length; at += ADD_AT_ONCE) put(index, found.slice(at, at + ADD_AT_ONCE), names)
    if (index.size !== sets) throw new RangeError(`${index.size} of ${sets} sets`)
    this.links = links
    this.linked = null
    this.unkept += ids ? ids.length : this.from.changes
    this.made = { index, names, seen: journal.map(({ seq, state, swings }) => ({ seq, state, swings })) }
    return true
  }

  private async readNames(): Promise<Names> {
    const lists = await Promise.all(NAMES.map(name => this.db.records(name).toArray()))
    return namesOf(Object.fromEntries(NAMES.map((name, at) => [name, lists[at]])) as unknown as Kept['names'])
  }
}

function namesOf(lists: Kept['names']): Names {
  return {
    brands: byId(lists.brands),
    themes: byId(lists.themes),
    categories: byId(lists.categories),
    kinds: byId(lists.kinds),
    series: byId(lists.series),
  }
}

/** Did a name change, or go, that was there before? */
function haveChanged(before: Names, now: Names): boolean {
  return NAMES.some(name => [...before[name]].some(([id, record]) => JSON.stringify(now[name].get(id)) !== JSON.stringify(record)))
}

function put(index: AskIndex, holdings: readonly Holding[], names: Names): void {
  index.put(holdings.map(holding => documentOf(holding, names, names.series)))
}
