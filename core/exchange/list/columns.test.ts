import { readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import {
  gatherFacts,
  guessColumns,
  type ListField,
  type ListTable,
  makeRecords,
  planRows,
  readTable,
  recommendedChoices,
  reportOn,
} from '../index'

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text)
function tableOf(bytes: Uint8Array): ListTable {
  const reading = readTable(bytes)
  if (!reading.ok) throw new Error(reading.code)
  return reading.table
}
const fieldsOf = (headings: string, ...rows: readonly string[]): readonly ListField[] =>
  guessColumns(tableOf(bytesOf([headings, ...rows].join('\n')))).map(guess => guess.field)

describe('headings in the languages that lists come in', () => {
  const usual = ['number', 'name', 'brand', 'themes', 'size', 'matchingDie', 'words', 'acquiredOn', 'price', 'place', 'used'] as const
  test.each([
    ['English', 'No.;Name;Brand;Themes;Size;Matching die;Keywords;Bought;Price paid;Where;Used'],
    ['German', 'Nr.;Bezeichnung;Hersteller;Themen;Größe;Stanze;Stichworte;Gekauft am;Preis;Ort;benutzt'],
    ['German without accents', 'Nr;Name;Hersteller;Thema;Groesse;Stanze;Stichworte;Gekauft am;Preis;Ort;benutzt'],
    ['French', 'N°;Nom;Marque;Thèmes;Taille;Matrice assortie;Mots-clés;Acheté le;Prix;Rangement;Utilisé'],
    ['French without accents', 'No;Nom;Marque;Themes;Taille;Matrice;Mots cles;Achete le;Prix;Rangement;Utilise'],
    ['Dutch', 'Nr;Naam;Merk;Onderwerp;Afmetingen;Bijpassende stans;Trefwoorden;Gekocht op;Prijs;Plaats;Gebruikt'],
    ['Spanish', 'Número;Nombre;Marca;Temas;Tamaño;Troquel;Palabras clave;Comprado;Precio;Ubicación;Usado'],
    ['Italian', 'Numero;Nome;Marca;Temi;Misura;Fustella;Parole chiave;Acquistato;Prezzo;Posizione;Usato'],
    ['Swedish', 'Nr;Namn;Tillverkare;Teman;Storlek;Stans;Nyckelord;Köpt;Pris;Plats;Använd'],
    ['Danish', 'Nr;Navn;Mærke;Temaer;Størrelse;Matchende die;Nøgleord;Købt;Pris;Placering;Brugt'],
    ['Norwegian', 'Nr;Navn;Merke;Tema;Størrelse;Passende die;Nøkkelord;Kjøpt;Pris;Plassering;Brukt'],
  ])('%s', (_language, headings) => {
    expect(fieldsOf(headings, '1;Kelp;Greywether;Hafen;10 x 15 cm;;Anker;3.4.2019;9,50;CD 4;')).toEqual(usual)
  })

  test('a date of use and a shop are notes; of two columns that claim one field the likelier has it, and the other says so', () => {
    expect(fieldsOf('Name,Date used,Where bought', 'Kelp,2019-01-02,the fair')).toEqual(['name', 'notes', 'notes'])
    const guesses = guessColumns(
      tableOf(
        bytesOf(
          'Name,Where,Location,Size,Card size\nKelp,the fair,Bin 4,4 x 6 in,A6\nGull,the shop,CD 7,4 x 6 in,big\nFern,,Bin 2,5 x 7 in,\n',
        ),
      ),
    )
    expect(guesses.map(({ field, claims }) => [field, claims])).toEqual([
      ['name', null],
      ['notes', 'place'],
      ['place', null],
      ['size', null],
      ['notes', 'size'],
    ])
  })
  test('a heading of a date or a price over cells that are none does not count', () => {
    const rows = ['Kelp,the fair,gift', 'Gull,at the quay,swap', 'Fern,the fair,gift']
    expect(fieldsOf('Name,When,Value', ...rows)).toEqual(['name', 'notes', 'notes'])
  })
})

describe('above the headings', () => {
  test.each([
    ['a title', 'My stamps\nName,Brand\nKelp,Greywether\nGull,Tidewrack\n', ['My stamps']],
    ['a title and a blank line', 'My stamps 2024,,\n,,\nName,Brand,Size\nKelp,Greywether,A6\n', ['My stamps 2024']],
    ['sep=', 'sep=;\nName;Brand\nKelp;Greywether\n', []],
    [
      'two filled lines',
      'Lantern Quay,2024\nlast change,May\nName,Brand\nKelp,Greywether\nGull,Tidewrack\n',
      ['Lantern Quay 2024', 'last change May'],
    ],
  ])('%s is stepped over, and told', (_title, text, above) => {
    const table = tableOf(bytesOf(text))
    expect(table.headings.slice(0, 2)).toEqual(['Name', 'Brand'])
    expect(table.rows[0]?.slice(0, 2)).toEqual(['Kelp', 'Greywether'])
    expect(table.above).toEqual(above)
  })
})

test('a German list: every column by its heading, dates, prices, sizes and kinds read, nothing unknown taken for a brand', () => {
  const table = tableOf(readFileSync('tests/fixtures/liste-laternenkai.csv'))
  const columns = guessColumns(table).map(guess => guess.field)
  expect(columns).toEqual([
    'number',
    'name',
    'brand',
    'themes',
    'kind',
    'size',
    'matchingDie',
    'words',
    'acquiredOn',
    'price',
    'place',
    'used',
  ])
  const facts = gatherFacts(table, columns, { brands: [], kinds: [], categories: [], themes: [], highestNumber: 0 }, 2026)
  expect(facts.dates.recommended).toBe('dayFirst')
  expect(facts.ticks.used.recommended).toBe(true)
  const rows = planRows(table, recommendedChoices(columns, facts), 2026, 'EUR')
  const questions = reportOn(rows).questions.flatMap(({ code, texts }) => texts.map(({ text }) => `${code} ${text}`))
  expect(questions).toEqual(['sizeUnread groß'])
  const ground = {
    brands: [],
    kinds: [],
    categories: [],
    themes: [],
    seriesId: 's',
    highestGiven: 0,
    lineOf: () => undefined,
    isLiving: () => false,
  }
  let id = 0
  const records = makeRecords(rows, facts.brands, [], ground, () => String((id += 1)), '2026-11-26T00:00:00.000Z')
  expect(records.brands.map(brand => brand.name).sort()).toEqual([
    'Kielwasser Papier',
    'Lotse & Laterne',
    'Möwenstempel',
    'Strandgut Werkstatt',
  ])
  expect(records.themes.map(theme => theme.name)).toContain('Essen & Trinken')
  expect(records.themes).toHaveLength(8)
  expect(records.kinds.map(kind => kind.name).sort()).toEqual(['Clear', 'Rubber, unmounted', 'Stencil', 'Thin die', 'Wood mounted'])
})
