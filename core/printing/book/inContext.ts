import { spelledWords } from '#core/classing'

/** Stop words: English articles and pronouns. A phrase of stop words alone stands under its first word. */
const PASSED_OVER = new Set(
  (
    'a an and are as at be but by do for from get had has have he her him his i if in into is it its just me my no not of off on or our ' +
    'out she so than that the their them then there they this to too up us was we were what when who will with you your'
  ).split(' '),
)

export interface InContext {
  readonly word: string
  readonly before: string
  /** The word as written in the phrase. */
  readonly written: string
  readonly behind: string
}

/**
 * A phrase under each of its words, with the text before and behind: keyword in context (Luhn 1960, Keyword-in-context index for technical
 * literature). A repeated word counts once. O(letters).
 * @example inContext('Steady as she goes').map(each => each.word) //=> ['steady', 'goes']
 */
export function inContext(phrase: string): readonly InContext[] {
  const all: InContext[] = []
  for (const { 0: written, index } of phrase.matchAll(/[\p{L}\p{Mn}\p{N}'\u2019\u2018\u02BC]+/gu)) {
    const word = spelledWords(written).join('')
    if (word === '' || all.some(each => each.word === word)) continue
    all.push({ word, before: phrase.slice(0, index), written, behind: phrase.slice(index + written.length) })
  }
  const told = all.filter(({ word }) => !PASSED_OVER.has(word))
  return told.length > 0 ? told : all.slice(0, 1)
}
