import { readFileSync } from 'node:fs'
import { readListFile } from '#core/exchange'
import { familiesOf, type FamilyChoice, planFromList, proposeChoice } from '#core/room/places'
import { placeByHand } from '../tests/support/placesByHand'
import { median, ms, report } from './measure'

const NAMES = { pages: (cells: number) => ({ name: `Pages of ${cells}`, code: `P${cells}` }) }
const LISTS = [
  ['the hand-kept list', 'tests/fixtures/hand-kept-list.csv', 'Where'],
  ['the German list', 'tests/fixtures/liste-laternenkai.csv', 'Ort'],
] as const

function proposed(texts: readonly string[]) {
  const families = familiesOf(texts.map((text, at) => ({ id: String(at), text })))
  const choices = new Map(
    families.map((family): [string, FamilyChoice] => [family.key, proposeChoice(family, 'z', () => ({ name: 'New', type: 'bookcase' }))]),
  )
  return { families, plan: planFromList(families, choices, { rows: [], fixtures: new Map() }, NAMES) }
}

/** Ten thousand places as nobody wrote them in a test: many words, many figures, much that is no place. */
function tenThousand(): readonly string[] {
  const forms = [
    (at: number) => `Tub ${at % 37}`,
    (at: number) => `tub no. ${at % 37}, left`,
    (at: number) => `DVD ${at % 480}`,
    (at: number) => `Mappe ${'KLMNOP'[at % 6]} Seite ${at % 120}`,
    (at: number) => `9-${1 + (at % 30)}0${1 + (at % 9)}`,
    (at: number) => `tiroir ${at % 24}`,
    (at: number) => `G${at % 19}-${at % 55}`,
    (at: number) => `behind the door, bag ${at}`,
    () => 'unbekannt',
    () => 'auf dem Schreibtisch',
  ]
  return Array.from({ length: 10_000 }, (_, at) => forms[(at * 7) % forms.length]?.(at) ?? '')
}

/** Where the places of two lists go, held against what a person reads in them, and how long a long list takes. */
export async function places(): Promise<void> {
  for (const [title, file, column] of LISTS) {
    const read = await readListFile(new Uint8Array(readFileSync(file)))
    if (!read.ok) throw new Error(read.code)
    const at = read.table.headings.indexOf(column)
    const texts = read.table.rows.map(row => row[at] ?? '')
    const { families, plan } = proposed(texts)
    const nameOf = new Map(plan.containers.map(({ key, name }) => [key, name]))
    const where = new Map(
      plan.holders.flatMap(({ container, holdingIds }) =>
        holdingIds.map((id): [string, string | undefined] => [id, 'key' in container ? nameOf.get(container.key) : undefined]),
      ),
    )
    const named = texts.flatMap((text, row) => {
      const byHand = placeByHand(text)
      return byHand ? [{ got: where.get(String(row)), want: byHand.slice(0, byHand.lastIndexOf(' ')) }] : []
    })
    const right = named.filter(({ got, want }) => got === want).length
    const wrong = texts.filter(
      (text, row) => where.has(String(row)) && !(placeByHand(text) ?? '').startsWith(`${where.get(String(row))} `),
    ).length
    report(
      `${title}: of ${named.length} that name a place, in the right container`,
      `${((100 * right) / named.length).toFixed(1)} %`,
      '95 %',
    )
    report(`${title}: in a wrong one`, String(wrong), '0')
    for (const [row, family] of families.entries()) {
      const { placed = 0, somewhere = 0, out = 0, left = 0 } = plan.families[row] ?? {}
      const example = family.spots[0]?.texts[0] ?? ''
      const what = (family.word || example).padEnd(12)
      console.log(
        `  ${what} ${family.sets} sets, ${family.spots.length} places: ${placed} placed, ${somewhere} somewhere, ${out} out, ${left} left`,
      )
    }
    const sum = plan.families.reduce((all, { placed, somewhere, out, left }) => all + placed + somewhere + out + left, 0)
    report(`${title}: texts accounted for`, `${sum} of ${texts.filter(text => text !== '').length}`, 'all')
  }
  const texts = tenThousand()
  const times = Array.from({ length: 7 }, () => {
    const start = performance.now()
    proposed(texts)
    return performance.now() - start
  })
  report('10,000 place texts: families and the proposed room', `${ms(median(times))} (${ms(Math.max(...times))})`, '300 ms')
}
