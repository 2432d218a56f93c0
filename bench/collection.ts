import { createHash } from 'node:crypto'
import { ulid } from 'ulid'
import { blankBrand, blankHolding, type CatalogueData, newTheme, startCatalogue } from '#core/catalog'
import { packArchive } from '#core/exchange'
import { keysBehind } from '#core/room'
import { registerId } from '#core/numbering'
import { BRANDS, FIRST_WORDS, LAST_WORDS, THEMES } from '../demo/names'
import { chance } from '../demo/random'

const SETS_A_BIN = 34
const MADE_AT = '2026-11-01T00:00:00.000Z'

/** A made-up collection of any size: as many words, themes and notes a set as a real one has. Seeded. */
export function makeLarge(count: number): CatalogueData {
  const luck = chance(count)
  const data = startCatalogue(ulid)
  const [series, zone, fixture] = [data.series[0]?.id ?? '', data.zones[0]?.id ?? '', data.fixtures[0]?.id ?? '']
  data.brands.push(...BRANDS.map(brand => ({ ...blankBrand(ulid(), brand.name), variants: [...brand.variants] })))
  for (const theme of THEMES) data.themes.push(newTheme(ulid(), theme.name, data.themes))
  data.containers = Array.from({ length: Math.ceil(count / SETS_A_BIN) }, (_, index) => ({
    id: ulid(),
    fixtureId: fixture,
    shelf: 1,
    rank: index,
    name: `Bin ${index + 1}`,
    code: `B${index + 1}`,
    type: 'bin' as const,
    lanes: 1,
    lengthMm: 200,
    inner: null,
    cells: null,
    zoneId: zone,
    emptyWeightG: null,
    isTable: false,
  }))
  const orders = keysBehind([], -1, SETS_A_BIN)
  for (let index = 0; index < count; index += 1) {
    const theme = luck.pick(THEMES)
    const subject = luck.pick(theme.motifs)
    const id = ulid()
    const last = LAST_WORDS[luck.pick(['Images', 'Sentiments', 'Borders'])] ?? ['Study']
    const name = `${luck.pick(FIRST_WORDS)} ${subject} ${luck.pick(last)}`
    data.holdings.push({
      ...blankHolding({ id, number: index + 1, seriesId: series, name, createdAt: MADE_AT }),
      brandId: luck.pick(data.brands).id,
      kindId: luck.pick(data.kinds).id,
      categoryId: luck.pick(data.categories).id,
      themeIds: luck.some(data.themes, 2).map(each => each.id),
      words: [...luck.some(theme.phrases, 4), ...luck.some(theme.motifs, 3)],
      size: { widthMm: 101.6, heightMm: 152.4 },
      state: 'filed',
      notes: luck.unit() < 0.3 ? `From the spring fair of ${luck.whole(1996, 2026)}, box ${luck.whole(1, 400)}` : '',
    })
    data.register.push({
      id: registerId(series, index + 1),
      seriesId: series,
      number: index + 1,
      holdingId: id,
      givenTo: name,
      how: 'issued',
      at: MADE_AT,
    })
    data.holders.push({
      id: ulid(),
      holderTypeId: null,
      type: 'pocket',
      containerId: data.containers[Math.floor(index / SETS_A_BIN)]?.id ?? '',
      lane: 1,
      order: orders[index % SETS_A_BIN] ?? 'a0',
      cell: null,
      somewhere: null,
      apartBecause: null,
      holdingIds: [id],
    })
  }
  return data
}

/** A room of 300 containers, the first of which holds 2,000. */
export function packRoom(): Promise<Uint8Array> {
  const data = makeLarge(300 * SETS_A_BIN)
  const orders = keysBehind([], -1, 2000)
  const containerId = data.containers[0]?.id ?? ''
  data.holders.slice(0, 2000).forEach((holder, at) => Object.assign(holder, { containerId, order: orders[at] ?? 'a0' }))
  return pack(data)
}
export const packLarge = (count: number): Promise<Uint8Array> => pack(makeLarge(count))
async function pack(data: CatalogueData): Promise<Uint8Array> {
  return packArchive(data, [], [], MADE_AT, bytes => Promise.resolve(createHash('sha256').update(bytes).digest('hex')))
}
