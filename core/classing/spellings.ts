import { addTo } from '#core/catalog'
import { brandStem, companyWords, initials, plainWords, squeezed } from './normalise'
import { jaroWinkler, WordShapes } from './jaroWinkler'

/** Why two spellings look like one maker. The order is the order of certainty. */
export type JoinReason = 'sameLetters' | 'sameStem' | 'initials' | 'nearSpelling'
/** Why they may be two makers after all: then the join is proposed, never made unasked. */
export type JoinDoubt = 'figures' | 'otherWord' | 'manyInitials' | 'bothFrequent' | 'otherLetter'

/** Spellings of one maker; each of them can be refused. */
export interface SpellingGroup {
  /** The best-written spelling. */
  readonly preferred: string
  readonly spellings: readonly { readonly text: string; readonly count: number; readonly because: JoinReason }[]
  /** Another group that may be the same maker, and the reason against it. */
  readonly mayBe: { readonly name: string; readonly because: JoinReason; readonly doubt: JoinDoubt } | null
}

/** From 0.93 on, two stems of five or more letters usually differ by one slip of the pen. */
const NEAR = 0.93

/** A longer text is a sentence: only equal letters join it. This also bounds the work on a column taken for brands by mistake. */
const LONGEST_NAME = 60
/** In a shorter name one other letter is too much. */
const SHORTEST_NAME = 5
/** A misspelling is rare: once, or once per this many correct spellings. */
const RIGHT_TO_A_SLIP = 8
/** Least length of a word in which one wrong letter counts as a misspelling: short words differ by one letter too often. */
const LONG_WORD = { changed: 7, addedOrLost: 5 } as const

/** The compared forms of a spelling, computed once instead of for every pair. */
interface Form {
  readonly text: string
  readonly letters: string
  /** Without "and": of Q&B the initials. */
  readonly shortLetters: string
  /** The same with special letters written in two: Moewe. */
  readonly inTwo: string
  readonly stem: string
  readonly initials: string
  readonly words: readonly string[]
  readonly company: ReadonlySet<string>
}
/** "and" in the languages of the lists. */
const AND = /(?<=\s)(?:und|et|och|og|en|y|e)(?=\s)/giu
const IN_TWO: Readonly<Record<string, string>> = { ä: 'ae', ö: 'oe', ü: 'ue', ß: 'ss', ø: 'oe', æ: 'ae', œ: 'oe', å: 'aa' }
function formOf(text: string): Form {
  const plain = text.replace(AND, '&')
  const [letters, stem] = [squeezed(plain), brandStem(plain)]
  return {
    text,
    letters,
    shortLetters: letters.replace('and', ''),
    inTwo: squeezed(
      plain
        .toLowerCase()
        .normalize('NFC')
        .replace(/[äöüßøæœå]/g, letter => IN_TWO[letter] ?? letter),
    ),
    stem,
    initials: initials(plain),
    words: plainWords(plain).filter(word => word !== 'and'),
    company: companyWords(plain),
  }
}

function formLikeness(a: Form, b: Form): JoinReason | null {
  // Signs alone are no name: "?" is not the maker "-".
  if (a.letters === '' || b.letters === '') return null
  if (a.letters === b.letters || a.inTwo === b.inTwo) return 'sameLetters'
  if (a.stem === b.stem) return 'sameStem'
  const short = a.stem.length < b.stem.length ? a : b
  const long = short === a ? b : a
  if (short.shortLetters.length <= 3 && long.initials.length >= 2 && short.shortLetters === long.initials) return 'initials'
  const isComparable = short.stem.length >= SHORTEST_NAME && long.stem.length <= LONGEST_NAME
  return isComparable && jaroWinkler(a.stem, b.stem) >= NEAR ? 'nearSpelling' : null
}
/** The forms of names, to find all that a spelling may be like without comparing it with each. */
class Forms {
  private readonly byKey = new Map<string, number[]>()
  private readonly stems = new WordShapes()

  /** `at`: one more than that of the form before. */
  add(form: Form, at: number): void {
    this.stems.add(form.stem)
    for (const key of [...equalKeys(form), `has ${form.initials}`, `is ${form.shortLetters}`]) addTo(this.byKey, key, at)
  }
  /** Where those stand that `formLikeness` may find alike, in order. */
  like(form: Form): readonly number[] {
    const keys = [...equalKeys(form), `has ${form.shortLetters}`, `is ${form.initials}`]
    const near = form.stem.length >= SHORTEST_NAME && form.stem.length <= LONGEST_NAME ? this.stems.mayReach(form.stem, NEAR) : []
    return [...new Set([...keys.flatMap(key => this.byKey.get(key) ?? []), ...near])].sort((a, b) => a - b)
  }
}
const equalKeys = ({ letters, inTwo, stem }: Form): readonly string[] => [`letters ${letters}`, `two ${inTwo}`, `stem ${stem}`]

/** Why two spellings look like one maker, or null. Symmetric. */
export function likeness(a: string, b: string): JoinReason | null {
  return formLikeness(formOf(a), formOf(b))
}

interface Counted {
  readonly form: Form
  readonly count: number
}
/** The reason against joining two that are alike; null: none. `isInitialOfMany`: several names have these initials. */
function doubtOf(because: JoinReason, rarer: Counted, other: Counted, isInitialOfMany: boolean): JoinDoubt | null {
  const [a, b] = [rarer.form, other.form]
  if (because === 'sameLetters') return null
  if (figuresOf(a.letters) !== figuresOf(b.letters)) return 'figures'
  if ([...a.company].some(word => !b.company.has(word)) && [...b.company].some(word => !a.company.has(word))) return 'otherWord'
  if (because === 'initials') return isInitialOfMany ? 'manyInitials' : null
  if (because === 'sameStem') return null
  if (rarer.count > Math.max(1, Math.floor(other.count / RIGHT_TO_A_SLIP))) return 'bothFrequent'
  return isSlip(a, b) ? null : 'otherLetter'
}
const figuresOf = (letters: string): string => (letters.match(/\d+/g) ?? []).join(' ')

/**
 * Whether two names differ by a slip of the pen: in one word, behind its first letter, by one letter changed, added or missing, or two
 * swapped.
 */
function isSlip(a: Form, b: Form): boolean {
  if (a.words.length !== b.words.length) return oneEdit(a.letters, b.letters, LONG_WORD)
  const other = a.words.flatMap((word, at) => (word === b.words[at] ? [] : [[word, b.words[at] ?? ''] as const]))
  return other.length === 1 && other.every(([one, two]) => one[0] === two[0] && oneEdit(one, two, LONG_WORD))
}

/** One letter changed in a long word, one added or missing in a word that is not short, or two neighbours swapped. O(length). */
function oneEdit(one: string, two: string, long: typeof LONG_WORD): boolean {
  const [short, full] = one.length <= two.length ? [one, two] : [two, one]
  let from = 0
  while (from < short.length && short[from] === full[from]) from += 1
  const rest = (text: string, at: number): string => text.slice(from + at)
  if (short.length === full.length) {
    if (short[from] === full[from + 1] && short[from + 1] === full[from] && rest(short, 2) === rest(full, 2)) return true
    return short.length >= long.changed && rest(short, 1) === rest(full, 1)
  }
  return full.length - short.length === 1 && short.length >= long.addedOrLost && rest(short, 0) === rest(full, 1)
}

/** A brand of the room was typed by its owner: it is no slip, however rare it is in a list. */
const KNOWN_COUNT = RIGHT_TO_A_SLIP

/**
 * Groups the spellings of one maker. A spelling joins the name it is most surely like; groups do not chain (a like b, b like c never joins
 * c to a). A spelling that may be another maker stays apart, with the group that it may belong to. Known names (`known`: preferred
 * spelling and variants) lead. `tell` is called before each spelling. O(k * g) for k spellings and g groups, of which few are compared.
 */
export function groupSpellings(
  counts: ReadonlyMap<string, number>,
  known: readonly { readonly name: string; readonly variants: readonly string[] }[] = [],
  tell: (done: number, total: number) => void = () => undefined,
): readonly SpellingGroup[] {
  const groups: OpenGroup[] = known.map(({ name, variants }) => ({
    known: name,
    names: [name, ...variants].map(text => ({ form: formOf(text), count: KNOWN_COUNT })),
    spellings: [],
    mayBe: null,
  }))
  // All names of all groups, in the order of the groups.
  const forms = new Forms()
  const all: { readonly group: OpenGroup; readonly name: Counted }[] = []
  const enter = (group: OpenGroup): void => {
    for (const name of group.names) {
      forms.add(name.form, all.length)
      all.push({ group, name })
    }
  }
  groups.forEach(enter)
  const byCount = [...counts]
    .map(([text, count]) => ({ form: formOf(text), count, quality: quality(text) }))
    .sort((a, b) => b.count - a.count || b.quality - a.quality || (a.form.text < b.form.text ? -1 : 1))
  const ofInitials = new Map<string, Set<string>>()
  for (const { form } of [...byCount, ...groups.flatMap(group => group.names)])
    // Initials themselves are not a name that has them.
    if (form.initials.length >= 2 && form.shortLetters !== form.initials)
      ofInitials.set(form.initials, (ofInitials.get(form.initials) ?? new Set()).add(form.stem))

  const compare = (each: Counted, group: OpenGroup, name: Counted): Like | null => {
    const because = formLikeness(name.form, each.form)
    if (!because) return null
    const short = because === 'initials' ? [name.form, each.form].reduce((a, b) => (a.letters.length < b.letters.length ? a : b)) : null
    const isInitialOfMany = short !== null && (ofInitials.get(short.shortLetters)?.size ?? 0) > 1
    const [rarer, other] = name.count < each.count ? [name, each] : [each, name]
    return { group, because, doubt: doubtOf(because, rarer, other, isInitialOfMany) }
  }
  byCount.forEach((each, at) => {
    tell(at, byCount.length)
    let [sure, mayBe]: [Like | null, Like | null] = [null, null]
    for (const index of forms.like(each.form)) {
      const other = all[index]
      const like = other ? compare(each, other.group, other.name) : null
      if (like?.doubt === null) sure = likelier(sure, like)
      else if (like) mayBe = likelier(mayBe, like)
    }
    const spelling = { text: each.form.text, count: each.count, form: each.form }
    if (sure) {
      sure.group.spellings.push({ ...spelling, because: sure.because })
      return
    }
    const group: OpenGroup = { known: null, names: [each], spellings: [{ ...spelling, because: 'sameLetters' }], mayBe }
    groups.push(group)
    enter(group)
  })
  const nameOf = (group: OpenGroup): string => group.known ?? bestWritten(group.spellings)
  return groups
    .filter(group => group.spellings.length > 0)
    .map(group => ({
      preferred: nameOf(group),
      spellings: group.spellings.map(({ text, count, because }) => ({ text, count, because })),
      mayBe: group.mayBe?.doubt ? { name: nameOf(group.mayBe.group), because: group.mayBe.because, doubt: group.mayBe.doubt } : null,
    }))
}

interface OpenGroup {
  readonly known: string | null
  readonly names: readonly Counted[]
  readonly spellings: { text: string; count: number; because: JoinReason; form: Form }[]
  /** A group that was there before and may be the same maker. */
  readonly mayBe: Like | null
}
interface Like {
  readonly group: OpenGroup
  readonly because: JoinReason
  readonly doubt: JoinDoubt | null
}
/** Of two the one with the surer reason; of equals the first. */
const likelier = (best: Like | null, other: Like): Like =>
  best && ORDER.indexOf(best.because) <= ORDER.indexOf(other.because) ? best : other

const ORDER: readonly JoinReason[] = ['sameLetters', 'sameStem', 'initials', 'nearSpelling']

/**
 * The spelling somebody took care over: of the letters that most agree on, the one with capitals where names have them and
 * spaces where words end; of two such the more frequent.
 */
function bestWritten(spellings: readonly { readonly text: string; readonly count: number; readonly form: Form }[]): string {
  const ofLetters = new Map<string, number>()
  for (const { form, count } of spellings) ofLetters.set(form.letters, (ofLetters.get(form.letters) ?? 0) + count)
  const most = Math.max(...ofLetters.values())
  const [best] = spellings
    .filter(({ form }) => ofLetters.get(form.letters) === most)
    .sort((a, b) => quality(b.text) - quality(a.text) || b.count - a.count || (a.text < b.text ? -1 : 1))
  return (best?.text ?? '').trim().replace(/\s+/g, ' ')
}

const SMALL_WORDS = new Set(['and', 'of', 'the', 'for', 'und', 'et', 'de', 'y', 'e', 'och', 'og', 'en'])
function quality(text: string): number {
  const words = text.match(/\p{L}[\p{L}\p{Mn}'’]*/gu) ?? []
  const named = words.filter(word => !SMALL_WORDS.has(word.toLowerCase()))
  return (
    2 * Number(named.length > 0 && named.every(word => /^\p{Lu}/u.test(word))) +
    Number(/^\p{Lu}/u.test(text)) +
    2 * Number(text !== text.toUpperCase() || text.length <= 3) +
    Number(text === text.trim() && !/\s{2}/.test(text)) +
    Number(!/\p{L}[&+]|[&+]\p{L}/u.test(text)) +
    Number(!/\p{Ll}\p{Lu}/u.test(text))
  )
}
