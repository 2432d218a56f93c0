import type { ContainerType } from '#core/catalog'

/** What a word for a place names. `shelf` is part of furniture; the others are containers. */
export type PlaceSort = ContainerType | 'shelf'

/**
 * Words for places as lists write them, plain, each with what it names; the words of one line are one family. English, German,
 * French, Dutch, Spanish, Italian, Swedish, Danish, Norwegian; common practice.
 */
const FAMILIES: readonly (readonly [family: string, sort: PlaceSort, words: string])[] = [
  ['cd', 'caseRack', 'cd cds cdcase'],
  ['dvd', 'caseRack', 'dvd dvds'],
  ['case', 'caseRack', 'case cases hulle hullen boitier boitiers hoes hoesje estuche custodia fodral etui'],
  [
    'drawer',
    'drawer',
    'drawer drawers drw schublade schubladen schub tiroir tiroirs lade laden lada cajon cajones cassetto cassetti skuff skuffe byralada',
  ],
  ['bin', 'bin', 'bin bins tub tubs container behalter bac bacs bak bakken contenedor contenitore contenitori back'],
  [
    'box',
    'bin',
    'box boxes boxen kiste kisten karton schachtel boite boites doos dozen caja cajas scatola scatole ask aske eske kasse boks kartong',
  ],
  [
    'binder',
    'binder',
    'binder binders album albums ordner mappe mappen classeur classeurs ringmap map carpeta raccoglitore parm perm ringbind folder',
  ],
  ['basket', 'basket', 'basket baskets korb panier mand mandje cesta cesto cestino korg kurv'],
  ['tray', 'tray', 'tray trays tablett plateau bandeja vassoio bricka bakke dienblad'],
  ['ring', 'ring', 'ring rings anneau anello anilla'],
  ['board', 'board', 'board boards magnetboard pegboard tafel pizarra lavagna tavle tavla'],
  ['shelf', 'shelf', 'shelf shelves regal regalbrett brett fach etagere rayon plank estante estanteria scaffale ripiano hylla hylle hylde'],
]
const BY_WORD: ReadonlyMap<string, { readonly family: string; readonly sort: PlaceSort }> = new Map(
  FAMILIES.flatMap(([family, sort, words]) => words.split(' ').map(word => [word, { family, sort }] as const)),
)
export const placeWord = (word: string): { readonly family: string; readonly sort: PlaceSort } | null => BY_WORD.get(word) ?? null

/** Words for sets that are out of their place, mostly on the table. */
const OUT = new Set(
  (
    'table desk workbench worktable out tisch arbeitstisch schreibtisch bureau tafel werktafel mesa escritorio tavolo scrivania ' +
    'bord skrivbord skrivebord arbetsbord arbeidsbord'
  ).split(' '),
)
export const isOutWord = (word: string): boolean => OUT.has(word)

/** Words without meaning here: articles, "in", "number". */
const FILLERS = new Set(
  (
    'in on at the a n no nr num number numero nummer my of im am auf der die das dem den dans sur le la les de du op het en el los ' +
    'il lo nel nella su i pa pagan'
  ).split(' '),
)
export const isFiller = (word: string): boolean => FILLERS.has(word)

/** What is counted behind the container. */
export type Counted = 'page' | 'cell' | 'slot'
const COUNTED: Readonly<Record<Counted, string>> = {
  page: 'p pp pg page pages seite seiten s blatt pagina pag pagine sida side sid sheet bladzijde blz',
  cell: 'cell cells pocket pockets tasche taschen pochette poche vak vakje bolsillo tasca ficka lomme c',
  slot: 'slot position pos place platz stelle placa puesto posto plats plass plads nr',
}
const COUNTED_BY_WORD: ReadonlyMap<string, Counted> = new Map(
  (Object.entries(COUNTED) as [Counted, string][]).flatMap(([counted, words]) => words.split(' ').map(word => [word, counted] as const)),
)
export const countedWord = (word: string): Counted | null => COUNTED_BY_WORD.get(word) ?? null

/** Parts of a container. */
export type Side = 'front' | 'back' | 'left' | 'right' | 'middle' | 'top' | 'bottom'
const SIDES: Readonly<Record<Side, string>> = {
  front: 'front fronts vorne vorn devant avant voor voorkant voorin delante frente davanti fram foran',
  back: 'back rear hinten derriere arriere achter achterin detras fondo dietro bak bakerst bagved',
  left: 'left links gauche izquierda sinistra vanster venstre',
  right: 'right rechts droite derecha destra hoger hojre hoyre',
  middle: 'middle centre center mitte milieu midden medio centro mezzo mitten midten',
  top: 'top upper oben haut boven arriba sopra overst',
  bottom: 'bottom lower unten bas onder abajo sotto nederst nederst underst',
}
const SIDE_BY_WORD: ReadonlyMap<string, Side> = new Map(
  (Object.entries(SIDES) as [Side, string][]).flatMap(([side, words]) => words.split(' ').map(word => [word, side] as const)),
)
export const sideWord = (word: string): Side | null => SIDE_BY_WORD.get(word) ?? null

const FIGURES: ReadonlyMap<string, number> = new Map(
  [
    'one two three four five six seven eight nine ten eleven twelve',
    'eins zwei drei vier funf sechs sieben acht neun zehn elf zwolf',
    'un deux trois quatre cinq six sept huit neuf dix onze douze',
    'een twee drie vier vijf zes zeven acht negen tien elf twaalf',
    'uno dos tres cuatro cinco seis siete ocho nueve diez once doce',
    'uno due tre quattro cinque sei sette otto nove dieci undici dodici',
    'ett tva tre fyra fem sex sju atta nio tio elva tolv',
    'en to tre fire fem seks syv otte ni ti elleve tolv',
    'en to tre fire fem seks sju atte ni ti elleve tolv',
  ].flatMap(line => line.split(' ').map((word, at) => [word, at + 1] as const)),
)
/** @example figureWord('three') //=> 3 */
export const figureWord = (word: string): number | null => FIGURES.get(word) ?? null
