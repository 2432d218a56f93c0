import { groupSpellings } from '#core/classing'
import { gatherFacts, planRows, readTable, recommendedChoices } from '#core/exchange'
import { median, ms, report } from './measure'

/** Two spellings and how often a list has each. Invented for this table alone: no code was fitted to them. */
type Pair = readonly [one: string, count: number, two: string, count: number]

/** Makers that are two, however alike they are written. */
const TWO_MAKERS: readonly Pair[] = [
  ...(['Pier 3|Pier 4', 'Studio 21|Studio 22', 'Quai 7|Quai 17', 'Room 101|Room 102', 'Atelier 5|Atelier 6'] as const).map(pairOf(14, 12)),
  ...(['Mill 40|Mill 41', 'No. 12 Stamps|No. 13 Stamps', 'Kaai 1900|Kaai 1901', 'Loft 8|Loft 9', 'Deck 2|Deck 3'] as const).map(
    pairOf(30, 1),
  ),
  ...(['Tern Bay|Fern Bay', 'Moss Hill|Moss Hall', 'Heron Lane|Heron Line', 'Salt Road|Salt Roads', 'Bell Cove|Dell Cove'] as const).map(
    pairOf(16, 11),
  ),
  ...(
    ['Coral Path|Coral Bath', 'Rope & Tar|Rope & Car', 'Wren House|Wren Horse', 'Dune Paper|Tune Paper', 'Reed Boat|Reed Goat'] as const
  ).map(pairOf(25, 2)),
  ...(['Kiln & Co|Kilt & Co', 'Pine Cone|Pine Cove', 'Gale Press|Dale Press', 'Marsh Light|March Light', 'Sand Bar|Sand Car'] as const).map(
    pairOf(24, 1),
  ),
  ...(['Stamps & Co|Papers & Crafts', 'The Paper Studio|The Stamp Studio', 'Craft Company|Paper Company'] as const).map(pairOf(9, 8)),
  ...(['Designs & Dies|Papers & Dies', 'Crafts Ltd|Stamps Ltd', 'Paper Press|Stamp Press', 'The Die Company|The Die Studio'] as const).map(
    pairOf(12, 3),
  ),
  ...(['Harbour Dies|Harbour Stamps', 'Gorse Papers|Gorse Dies', 'Inlet Studio|Inlet Press', 'Anvil Crafts|Anvil Papers'] as const).map(
    pairOf(10, 9),
  ),
  ...(['Osprey Designs|Osprey Dies', 'Cinder Press|Cinder Paperworks', 'Barge Company|Barge Studios'] as const).map(pairOf(20, 2)),
  ...(['Willow Street|Willow Streets', 'Larch Garden|Larch Gardens', 'Oar & Anchor|Oars & Anchors', 'Tidal Book|Tidal Books'] as const).map(
    pairOf(13, 10),
  ),
  ...(['Copper Kettle|Copper Cattle', 'Silver Birch|Silver Perch', 'Paper Plane|Paper Plant', 'Glass Heart|Glass Hearth'] as const).map(
    pairOf(18, 7),
  ),
  ...(
    ['Little Barn|Little Bark', 'Blue Whale|Blue Whole', 'Old Mill|Old Hill', 'East Wind|West Wind', 'North Pier|South Pier'] as const
  ).map(pairOf(26, 1)),
  ...(['Amber Inn|Umber Inn', 'Quill & Nib|Quill & Rib', 'Salty Dog|Salty Fog', 'High Tide|Nigh Tide', 'Cork Tree|Fork Tree'] as const).map(
    pairOf(21, 2),
  ),
  ...(['Foxglove Lane|Foxglove Land', 'Juniper Rock|Juniper Dock', 'Barley Moon|Parley Moon'] as const).map(pairOf(9, 6)),
]

/** One maker, written twice. */
const ONE_MAKER: readonly Pair[] = [
  ...(['Nutmeg Wharf|nutmeg wharf', 'NUTMEG PIER|Nutmeg Pier', 'Blackthorn|Black Thorn', 'Sea-Glass|Sea Glass'] as const).map(pairOf(9, 7)),
  ...(['Möwe|Moewe'] as const).map(pairOf(9, 7)),
  ...(['Café Encre|Cafe Encre', 'Åkervinda|Akervinda', 'Señal|Senal', 'Étoile Bleue|Etoile Bleue', 'Dœuvre|Doeuvre'] as const).map(
    pairOf(8, 3),
  ),
  ...(
    ['Spindle & Thread|Spindle and Thread', 'Ink + Oak|Ink & Oak', 'Feder und Faden|Feder & Faden', 'Sel et Sable|Sel & Sable'] as const
  ).map(pairOf(12, 11)),
  ...(['Thistle & Rye|Thistle&Rye', 'Pen & Plough|pen&plough', 'Oak & Ash|OAK & ASH', 'Wick + Wax|Wick and Wax'] as const).map(
    pairOf(7, 7),
  ),
  ...(
    ['Hazelbrook|Hazelbrok', 'Windermill Paper|Windermil Paper', 'Lighthouse Row|Lighthuose Row', 'Marigold Yard|Marigodl Yard'] as const
  ).map(pairOf(24, 1)),
  ...(['Stonecutter|Stonecuter', 'Periwinkle Lane|Perriwinkle Lane', 'Cloudberry|Cloudbery', 'Snowdropper|Snowdroper'] as const).map(
    pairOf(19, 2),
  ),
  ...(['Riverstone|Riverstome', 'Candlemaker|Candlemeker', 'Sandpiper Studio|Sandpipr Studio', 'Brackenfield|Brackenfeild'] as const).map(
    pairOf(30, 2),
  ),
  ...(['Tallow Press|Tallow', 'Ember Studio|Ember', 'Cobble Paperworks|Cobble', 'Shale Co.|Shale', 'The Mudlark|Mudlark'] as const).map(
    pairOf(9, 9),
  ),
  ...(['Rook Ltd|Rook', 'Lapwing Inc|Lapwing', 'Sedge Designs|Sedge', 'Gannet Crafts|Gannet', 'Skua Company|Skua'] as const).map(
    pairOf(10, 4),
  ),
  ...(['Bramble & Finch|B&F', 'Quartz and Ember|Q&E', 'Violet Dusk Press|VDP', 'Juniper Fox Papers|JFP'] as const).map(pairOf(11, 6)),
  ...(['4 Winds|Four Winds', '7 Sisters|Seven Sisters', 'Three Oars|3 Oars', 'Twofold|2fold'] as const).map(pairOf(8, 5)),
  ...(
    ['  Gorse Hill|Gorse Hill', 'Pebble  Beach|Pebble Beach', 'Driftwood.|Driftwood', "Fisher's|Fishers", 'Low-Tide!|Low Tide'] as const
  ).map(pairOf(6, 6)),
]
function pairOf(first: number, second: number): (text: string) => Pair {
  return text => {
    const [one = '', two = ''] = text.split('|')
    return [one, first, two, second]
  }
}
const isJoined = ([one, first, two, second]: Pair): boolean =>
  groupSpellings(
    new Map([
      [one, first],
      [two, second],
    ]),
  ).length === 1

/** Which spellings of makers are joined unasked. */
export function brandJoins(): void {
  const wrong = TWO_MAKERS.filter(isJoined)
  const missed = ONE_MAKER.filter(pair => !isJoined(pair))
  const texts = (pairs: readonly Pair[]): string => pairs.map(([one, , two]) => `${one} / ${two}`).join(', ') || 'none'
  report(`spellings of two makers, joined unasked (of ${TWO_MAKERS.length})`, String(wrong.length), '0')
  console.log(`  ${texts(wrong)}`)
  const share = ((1 - missed.length / ONE_MAKER.length) * 100).toFixed(0)
  report(`spellings of one maker, joined unasked (of ${ONE_MAKER.length})`, `${share} %`, '90 %')
  console.log(`  proposed or left apart: ${texts(missed)}`)
}

const PARTS = ['ber', 'sal', 'mun', 'tik', 'rov', 'les', 'gan', 'dor', 'vik', 'pol']
const alikeName = (at: number): string => [at, at / 10, at / 100, at / 1000].map(each => PARTS[Math.floor(each) % 10]).join('')
const timeOf = (work: () => unknown): number => {
  const start = performance.now()
  work()
  return performance.now() - start
}

/** Lists at their worst: brands that all look alike, and one cell that is long. */
export function worstLists(): void {
  const alike = [1500, 3000, 6000].map(count =>
    timeOf(() => groupSpellings(new Map(Array.from({ length: count }, (_, at) => [`${alikeName(at)} Mill`, 1])))),
  )
  report('brands that all look alike: 1,500, 3,000, 6,000', alike.map(ms).join(', '), 'no worse than 4 x a step')

  const longest = (cell: string): number =>
    median(
      Array.from({ length: 3 }, () =>
        timeOf(() => {
          const table = readTable(new TextEncoder().encode(`Name,Theme,Bought\nTern,"${cell}","${cell}"\n`))
          if (!table.ok) throw new Error(table.code)
          const columns = ['name', 'themes', 'acquiredOn'] as const
          const none = { brands: [], kinds: [], categories: [], themes: [], highestNumber: 0 }
          planRows(table.table, recommendedChoices(columns, gatherFacts(table.table, columns, none, 2026), null), 2026, 'EUR')
        }),
      ),
    )
  const plain = longest('tern '.repeat(2000))
  const worst = [' ', ',', '\t', '/', '&', '\n'].map(sign => longest(`a${sign.repeat(9998)}b`) / plain)
  report('a cell of 10,000 blanks or signs, as against words', `${Math.max(...worst).toFixed(1)} x of ${ms(plain)}`, '3 x')
}
