import type { HolderType } from '#core/catalog'
import { readPrice, writePrice } from './cells'

type Packs = HolderType['packs']

/**
 * Packs as people write them: `50, 100 at 12.50`. A comma before two figures belongs to a price. null: one of them cannot be read.
 * @example readPacks('50, 100 at 12.50 EUR', 'EUR') //=> [{ pieces: 50, priceMinor: null }, { pieces: 100, priceMinor: 1250 }]
 */
export function readPacks(text: string, currency: string): Packs | null {
  const parts = text
    .split(/,(?!\d{2}\b)/)
    .map(part => part.trim())
    .filter(Boolean)
  const packs = parts.map(part => {
    const [pieces = '', price] = part.split(/\s+at\s+/)
    const read = price === undefined ? null : readPrice(price, currency)
    return /^\d{1,5}$/.test(pieces) && Number(pieces) > 0 && (price === undefined || read)
      ? { pieces: Number(pieces), priceMinor: read?.minor ?? null }
      : null
  })
  return packs.every(pack => pack !== null) ? packs : null
}

/** The same the other way. @example writePacks([{ pieces: 50, priceMinor: null }], 'EUR') //=> '50' */
export const writePacks = (packs: Packs, currency: string): string =>
  packs
    .map(({ pieces, priceMinor }) => (priceMinor === null ? String(pieces) : `${pieces} at ${writePrice({ minor: priceMinor, currency })}`))
    .join(', ')
