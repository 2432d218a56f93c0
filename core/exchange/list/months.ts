import { plainLetters } from '#core/classing'

/** Names of months in the languages whose lists are read, plain: no accents, small letters. Checked against ICU. */
const NAMES: readonly (readonly string[])[] = [
  'january february march april may june july august september october november december',
  'januar februar marz april mai juni juli august september oktober november dezember',
  'janvier fevrier mars avril mai juin juillet aout septembre octobre novembre decembre',
  'januari februari maart april mei juni juli augustus september oktober november december',
  'enero febrero marzo abril mayo junio julio agosto septiembre octubre noviembre diciembre',
  'gennaio febbraio marzo aprile maggio giugno luglio agosto settembre ottobre novembre dicembre',
  'januari februari mars april maj juni juli augusti september oktober november december',
  'januar februar marts april maj juni juli august september oktober november december',
  'januar februar mars april mai juni juli august september oktober november desember',
].map(line => line.split(' '))
/** Short forms that are not the beginning of their name. */
const SHORT: Readonly<Record<string, number>> = { mrt: 3, maerz: 3, jaenner: 1, janner: 1 }
const LEAST_LETTERS = 3

/** The months that each text may mean: names and unique beginnings of names. */
function monthsBy(written: (name: string) => readonly string[]): ReadonlyMap<string, ReadonlySet<number>> {
  const months = new Map<string, Set<number>>()
  for (const names of NAMES)
    names.forEach((name, at) => written(name).forEach(text => months.set(text, (months.get(text) ?? new Set()).add(at + 1))))
  return months
}
const WHOLE = monthsBy(name => [name])
const BEGUN = monthsBy(name => Array.from({ length: name.length - LEAST_LETTERS }, (_, more) => name.slice(0, LEAST_LETTERS + more)))

/**
 * The month, 1 to 12, that a word names in any of the languages, whole or cut short to three letters or more; null where it
 * names none, or could be two (`jui` is juin and juillet).
 * @example monthOf('Févr.') //=> 2
 */
export function monthOf(word: string): number | null {
  const plain = plainLetters(word).replace(/\.$/, '')
  if (Object.hasOwn(SHORT, plain)) return SHORT[plain] ?? null
  const found = WHOLE.get(plain) ?? BEGUN.get(plain)
  return found?.size === 1 ? ([...found][0] ?? null) : null
}
