// What people write for "unknown" or "none", in the languages of the lists. Common practice.
const NOT_SAID = new Set([
  ...['n/a', 'na', 'n.a.', '#n/a', 'none', 'unknown', 'not known', 'not sure', 'tbd', 'nil'],
  ...['k.a.', 'keine', 'keiner', 'keins', 'unbekannt', 'inconnu', 'inconnue', 'aucun', 'aucune', 'onbekend', 'geen'],
  ...['desconocido', 'ninguno', 'ninguna', 'sconosciuto', 'nessuno', 'nessuna', 'okänd', 'ingen', 'inget', 'ukendt', 'ukjent'],
])
/**
 * Whether a cell means "nothing": `?`, `-`, `n/a`, `unknown`. It is never a brand, a theme or a kind.
 * @example isNotSaid('??') //=> true
 */
export const isNotSaid = (text: string): boolean => /^[?.\-–—_\s]+$/.test(text) || NOT_SAID.has(text.trim().toLowerCase())
