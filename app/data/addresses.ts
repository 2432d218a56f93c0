import { type AddressPatterns, type Room, shortAddress } from '#core/room'
import { placeWords } from './words'

/** The address of a set, the owner's way: two where it was cut in two; null: it stands nowhere. */
export function addressIn({ placements, halves }: Room, patterns: AddressPatterns, holdingId: string): string | null {
  const [placement, both] = [placements.get(holdingId), halves.get(holdingId)]
  if (both) return placeWords.both(both.map(each => shortAddress(each, patterns)))
  return placement ? shortAddress(placement, patterns) : null
}
