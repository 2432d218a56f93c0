import type { RoomSettings } from './numbers'

// Regions that print on Letter and that measure in inches: CLDR, supplemental measurement data (from memory).
const LETTER_REGIONS = new Set('BZ CA CL CO CR GT MX NI PA PH PR SV US VE'.split(' '))
const INCH_REGIONS = new Set(['US', 'LR', 'MM', 'PR'])

/** The currency of a region, ISO 4217 (from memory); a region that is not here begins in euro. */
const CURRENCIES: Readonly<Record<string, string>> = {
  AU: 'AUD',
  BR: 'BRL',
  CA: 'CAD',
  CH: 'CHF',
  CZ: 'CZK',
  DK: 'DKK',
  GB: 'GBP',
  HK: 'HKD',
  HU: 'HUF',
  IN: 'INR',
  JP: 'JPY',
  KR: 'KRW',
  LI: 'CHF',
  MX: 'MXN',
  NO: 'NOK',
  NZ: 'NZD',
  PL: 'PLN',
  PR: 'USD',
  RO: 'RON',
  SE: 'SEK',
  SG: 'SGD',
  US: 'USD',
  ZA: 'ZAR',
}
const EURO = 'EUR'
/** What a person may choose from: the euro, and what is spent in the regions above. */
export const ROOM_CURRENCIES: readonly string[] = [...new Set([EURO, ...Object.values(CURRENCIES)])].sort()

/** What a room begins with where its owner lives, by the language of the browser. */
export type LocaleSettings = Pick<RoomSettings, 'unit' | 'paper' | 'currency' | 'dateOrder'>

/**
 * Units, paper, currency and order of dates of a locale; a language without a region is taken where most of its speakers
 * live, and a locale that no browser knows as European.
 * @example settingsOfLocale('en-US') //=> { unit: 'in', paper: 'Letter', currency: 'USD', dateOrder: 'monthFirst' }
 * @example settingsOfLocale('de') //=> { unit: 'cm', paper: 'A4', currency: 'EUR', dateOrder: 'dayFirst' }
 */
export function settingsOfLocale(locale: string): LocaleSettings {
  const known = localeOf(locale)
  const region = known?.maximize().region ?? ''
  return {
    unit: INCH_REGIONS.has(region) ? 'in' : 'cm',
    paper: LETTER_REGIONS.has(region) ? 'Letter' : 'A4',
    currency: CURRENCIES[region] ?? EURO,
    dateOrder: known ? dateOrderIn(known) : null,
  }
}

function localeOf(locale: string): Intl.Locale | null {
  try {
    return new Intl.Locale(locale)
  } catch {
    return null
  }
}
/** Where the year comes first, a date of figures with slashes is of another habit: nobody knows which. */
function dateOrderIn(locale: Intl.Locale): LocaleSettings['dateOrder'] {
  const parts = new Intl.DateTimeFormat(locale.toString()).formatToParts(0).map(part => part.type)
  const [day, month, year] = [parts.indexOf('day'), parts.indexOf('month'), parts.indexOf('year')]
  if (year < Math.min(day, month)) return null
  return month < day ? 'monthFirst' : 'dayFirst'
}
