/** Numbers as words, by their value. */
export const NUMBER_WORDS = 'zero one two three four five six seven eight nine ten eleven twelve'.split(' ')

/** A figure without leading zeros. @example plainFigure('0352') //=> '352' */
export const plainFigure = (text: string): string => text.replace(/^0+(?=\d)/, '')

/** The figure at the end of a name, as written; '': none. @example figureBehind('Bin 07') //=> '07' */
export const figureBehind = (name: string): string => /\d*$/.exec(name)?.[0] ?? ''

const ROMAN = [
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
] as const
/** A Roman number in lower case. @example romanOf(14) //=> 'xiv' */
export function romanOf(count: number): string {
  let left = count
  let text = ''
  for (const [worth, letters] of ROMAN)
    while (left >= worth) {
      text += letters
      left -= worth
    }
  return text
}
