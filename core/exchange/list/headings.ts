import { plainLetters } from '#core/classing'
import type { ListField } from './fields'

/**
 * Headings that name a field, plain (no accents, small letters), in the languages whose lists are read: English, German, French,
 * Dutch, Spanish, Italian, Swedish, Danish, Norwegian. Common practice; a bar divides them.
 */
const HEADINGS: Readonly<Record<ListField, string>> = {
  number:
    '#|no|nr|num|number|set number|set no|accession|id|index|lfd nr|laufende nummer|nummer|numero|n°|nro|nombre de serie|' +
    'lopnummer|lobenummer|lopenummer',
  name:
    'name|title|set|stamp|stamps|stamp set|set name|stamp name|stamp set name|item|titel|bezeichnung|stempel|stempelset|' +
    'stempelname|setname|nom|titre|jeu|tampon|tampons|naam|stempelnaam|nombre|titulo|sello|sellos|juego|nome|titolo|timbro|' +
    'timbri|namn|stampel|stamplar|navn|tittel|stempler|stempelsett|stempelsaet',
  brand:
    'brand|company|maker|manufacturer|make|from whom|designer|hersteller|firma|marke|anbieter|marque|fabricant|maison|merk|' +
    'fabrikant|marca|fabricante|casa|produttore|ditta|tillverkare|foretag|maerke|producent|merke|produsent',
  kind:
    'type|kind|material|sort|mount|mounting|art|sorte|typ|stempelart|matiere|genre|soort|materiaal|tipo|clase|materiale|' +
    'slag|typen|slags',
  category: 'category|design|class|kategorie|categorie|categoria|kategori|motivart|gruppe|groupe|groep|grupo|gruppo|grupp',
  themes:
    'theme|themes|topic|topics|occasion|occasions|subject|subjects|tag|tags|thema|themen|anlass|anlasse|motiv|motive|sujet|' +
    'sujets|motif|motifs|onderwerp|onderwerpen|gelegenheid|tema|temas|motivo|motivos|ocasion|temi|motivi|occasione|teman|' +
    'temaer|motiver|anledning',
  size:
    'size|dimension|dimensions|measure|measures|measurements|grosse|grossen|masse|abmessung|abmessungen|format|taille|' +
    'tailles|dimensioni|afmeting|afmetingen|maat|maten|formaat|tamano|medida|medidas|dimensiones|misura|misure|formato|' +
    'grandezza|storlek|matt|storrelse|mal',
  words:
    'word|words|sentiment|sentiments|phrase|phrases|text|texts|words on it|keyword|keywords|stichwort|stichworte|' +
    'stichworter|texte|spruch|spruche|worte|mots|mots cles|textes|trefwoord|trefwoorden|teksten|tekst|woorden|palabras|' +
    'palabras clave|textos|texto|frases|parole|parole chiave|testo|testi|frasi|nyckelord|ord|texter|stikord|nogleord|' +
    'nokkelord|tekster',
  searchWords: 'search word|search words|suchworte|suchworter',
  // What is said of a shop or of a use has no field of its own: it is a note.
  notes:
    'note|notes|comment|comments|remark|remarks|description|notes keywords|notiz|notizen|bemerkung|bemerkungen|anmerkung|' +
    'anmerkungen|beschreibung|remarque|remarques|commentaire|commentaires|opmerking|opmerkingen|notities|nota|notas|' +
    'observaciones|comentarios|osservazioni|commenti|annotazioni|anteckning|anteckningar|kommentar|kommentarer|bemaerkning|' +
    'bemaerkninger|noter|merknad|merknader|notater|where bought|bought at|bought from|purchased from|shop|store|source|' +
    'where from|gekauft bei|geschaft|laden|quelle|achete chez|magasin|winkel|gekocht bij|tienda|comprado en|negozio|' +
    'comprato da|butik|affar|forretning|butikk|date used|last used|date last used|used on|zuletzt benutzt|benutzt am|' +
    'dernier usage|laatst gebruikt|ultimo uso|senast anvand|sidst brugt|sist brukt|link|url|website|web|photo|picture|bild|' +
    'foto|image',
  acquiredOn:
    'date|date in|bought|date bought|acquired|date acquired|purchased|date purchased|purchase date|since|when|added|' +
    'date added|datum|gekauft|gekauft am|kaufdatum|seit|zugang|achete|achete le|date d achat|acquis|gekocht|gekocht op|' +
    'aankoopdatum|fecha|fecha de compra|comprado|data|data d acquisto|comprato|acquistato|inkopt|kopt|kopdatum|inkopsdatum|' +
    'kobt|kobsdato|dato|kjopt|kjopsdato',
  price:
    'price|paid|price paid|cost|value|preis|kaufpreis|bezahlt|kosten|wert|prix|paye|prix paye|cout|prijs|betaald|precio|' +
    'pagado|coste|prezzo|pagato|costo|pris|betalat|kostnad|betalt|kostpris',
  used: 'used|uses|inked|times used|benutzt|verwendet|gebraucht|utilise|utilisee|gebruikt|usado|usada|usato|usata|anvand|brugt|' + 'brukt',
  matchingDie:
    'die|dies|matching die|matching dies|has die|die set|stanze|stanzen|passende stanze|stanzform|matrice|matrices|' +
    'die assorti|die coordonne|mal|stans|bijpassende stans|snijmal|troquel|troqueles|troquel a juego|fustella|fustelle|' +
    'fustella abbinata|matchande die|matchende die|passende die|passende dies',
  place:
    'where|place|location|stored|storage|bin|drawer|shelf|address|box|binder|where it is|ort|lagerort|platz|aufbewahrung|' +
    'wo|fach|kiste|schublade|lieu|emplacement|endroit|rangement|ou|boite|tiroir|plaats|locatie|opslag|waar|lade|doos|lugar|' +
    'ubicacion|donde|cajon|caja|luogo|posizione|dove|posto|cassetto|scatola|plats|lada|var|forvaring|placering|sted|' +
    'plassering|skuff|hvor|opbevaring|oppbevaring|hylde|hylla|hylle',
  packaging: 'package|packaging|verpackung|emballage|verpakking|embalaje|confezione|forpackning|emballasje',
  code: 'code|kode|kod|codice|codigo',
}

export const EXACT = 3

/** 'Größe (cm)' becomes 'grosse cm'. */
function plainHeading(heading: string): string {
  return plainLetters(heading)
    .replace(/[^\p{L}\p{N}#°]+/gu, ' ')
    .trim()
}

const PHRASES = Object.fromEntries(
  Object.entries(HEADINGS).map(([field, line]) => [field, [...new Set(line.split('|').map(phrase => plainHeading(phrase)))]]),
) as unknown as Readonly<Record<ListField, readonly string[]>>

/**
 * How surely a heading names a field: `EXACT` if it is just these words, more than 1 if it contains them (more for a larger part), else 0.
 * Cells never outweigh an exact heading.
 * @example headingScore('size', 'Größe') //=> 3
 */
export function headingScore(field: ListField, heading: string): number {
  const plain = plainHeading(heading)
  if (plain === '') return 0
  const within = ` ${plain} `
  const longest = PHRASES[field].reduce((most, phrase) => (within.includes(` ${phrase} `) ? Math.max(most, phrase.length) : most), 0)
  if (longest === 0) return 0
  return longest === plain.length ? EXACT : 1 + longest / plain.length
}
