// What people write for "unknown" or "none", in the languages of the lists. Common practice.
const NOT_SAID = new Set([
  ...['n/a', 'na', 'n.a.', 'none', 'unknown', 'not known', 'not sure', 'tbd', 'nil'],
  ...['k.a.', 'keine', 'keiner', 'keins', 'unbekannt', 'inconnu', 'inconnue', 'aucun', 'aucune', 'onbekend', 'geen'],
  ...['desconocido', 'ninguno', 'ninguna', 'sconosciuto', 'nessuno', 'nessuna', 'okänd', 'ingen', 'inget', 'ukendt', 'ukjent'],
])
/** What a spreadsheet shows where a formula has no value. */
const ERROR_VALUE = /^#(ref!|div\/0!|n\/a|name\?|null!|num!|value!|spill!|calc!|getting_data)$/i
/** @example isErrorValue('#REF!') //=> true */
export const isErrorValue = (text: string): boolean => ERROR_VALUE.test(text.trim())

/**
 * Whether a cell means "nothing": `?`, `-`, `n/a`, `unknown`. What a broken formula shows means it too. It is never a brand, a theme or
 * a kind.
 * @example isNotSaid('??') //=> true
 */
export const isNotSaid = (text: string): boolean =>
  /^[?.\-–—_\s]+$/.test(text) || NOT_SAID.has(text.trim().toLowerCase()) || isErrorValue(text)
