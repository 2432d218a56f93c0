import { LIMITS } from '#core/catalog'
import { distinct, readWrittenParts } from './parts'

/** Signs for money and the code they stand for; `$` is taken for the room's own dollar where it has one. */
const SIGNS: Readonly<Record<string, string>> = { $: 'USD', '€': 'EUR', '£': 'GBP' }

/**
 * A price as written. Without a sign or code it is in the room's own currency.
 * @example readPrice('$35.64', 'EUR') //=> { minor: 3564, currency: 'USD' }
 */
export function readPrice(text: string, ownCurrency: string): { readonly minor: number; readonly currency: string } | null {
  const match = /^([$€£]|[A-Z]{3})?\s*(\d{1,3}(?:[ ,.']\d{3})+|\d{1,6})?(?:[.,](\d{1,2}|-))?\s*([$€£]|[A-Z]{3})?$/.exec(text.trim())
  // 5,- is five and nothing behind it.
  if (!match || (match[1] && match[4]) || (match[2] === undefined && !/\d/.test(match[3] ?? ''))) return null
  const sign = match[1] ?? match[4]
  const whole = Number((match[2] ?? '').replace(/[ ,.']/g, ''))
  const ownDollar = ownCurrency.endsWith('D') ? ownCurrency : 'USD'
  const minor = whole * 100 + Number((match[3] ?? '').replace('-', '').padEnd(2, '0'))
  if (minor > LIMITS.moneyMinor) return null
  const written = sign === '$' ? ownDollar : (SIGNS[sign ?? ''] ?? sign)
  const currency = written ?? ownCurrency
  return { minor, currency }
}

/** @example writePrice({ minor: 3564, currency: 'USD' }) //=> '35.64 USD' */
export function writePrice({ minor, currency }: { readonly minor: number; readonly currency: string }): string {
  return `${(minor / 100).toFixed(2)} ${currency}`
}

const YES = new Set('yes y true ja oui j sí si sì ✓ ✔ ☑ wahr vrai'.split(' '))
const NO = new Set([
  'no',
  'n',
  'false',
  'never',
  'nein',
  'non',
  'nee',
  'nej',
  'nei',
  'none',
  'n/a',
  'na',
  'not used',
  'unused',
  'falsch',
  'faux',
])

/** yes, no, or neither. A bare `x` is a tick to some and a cross to others: it is never read here. */
export function readYesNo(text: string): boolean | null {
  const plain = text.trim().toLowerCase()
  if (YES.has(plain)) return true
  return NO.has(plain) ? false : null
}

/** @example readUse('2x') //=> { isUsed: true, useCount: 2 } */
export function readUse(text: string): { readonly isUsed: boolean; readonly useCount: number | null } | null {
  const times = /^(\d{1,4})\s*(?:x|×|times)?$/i.exec(text.trim())
  if (times) return { isUsed: Number(times[1]) > 0, useCount: Number(times[1]) }
  const answer = readYesNo(text)
  return answer === null ? null : { isUsed: answer, useCount: answer ? null : 0 }
}

/** Words and phrases: what stands in quotes is one phrase, the rest is divided by commas and lines. */
export function readWords(text: string): readonly string[] {
  const written = readWrittenParts(text)
  if (written) return distinct(written)
  const phrases = [...text.matchAll(/["“]([^"”]+)["”]/g)].map(match => match[1] ?? '')
  return distinct([...phrases, ...text.replace(/["“][^"”]+["”]/g, ',').split(/[;,|\n]+/)])
}

/** The start of a text with at most this many UTF-16 units; no surrogate pair is split. */
export function cutText(text: string, most: number): string {
  const isCutThrough = /[\ud800-\udbff]$/.test(text.slice(0, most)) && /^[\udc00-\udfff]/.test(text.slice(most))
  return text.slice(0, isCutThrough ? most - 1 : most)
}

/** A cell as a name: trimmed, and no longer than a name may be. */
export const nameOf = (text: string): string => cutText(text.trim(), LIMITS.name).trim()

/** Whether words are as many, and each as long, as a set may carry. */
export const wordsFit = (words: readonly string[]): boolean =>
  words.length <= LIMITS.words && words.every(word => word.length <= LIMITS.name)
