// Common practice, in the languages whose lists are read: what people write where they do not know, or where there is nothing.
const NOT_SAID = new Set([
  ...['n/a', 'na', 'n.a.', '#n/a', 'none', 'unknown', 'not known', 'not sure', 'tbd', 'nil'],
  ...['k.a.', 'keine', 'keiner', 'keins', 'unbekannt', 'inconnu', 'inconnue', 'aucun', 'aucune', 'onbekend', 'geen'],
  ...['desconocido', 'ninguno', 'ninguna', 'sconosciuto', 'nessuno', 'nessuna', 'okänd', 'ingen', 'inget', 'ukendt', 'ukjent'],
])
/**
 * Whether a cell says that there is nothing to say: `?`, `-`, `n/a`, `unknown`. Never a brand, a theme or a kind.
 * @example isNotSaid('??') //=> true
 */
export const isNotSaid = (text: string): boolean => /^[?.\-–—_\s]+$/.test(text) || NOT_SAID.has(text.trim().toLowerCase())
