import type { HolderType } from '#core/catalog'
import type { SpreadFacts } from '#core/refiling'
import type { AddressPatterns } from '#core/room'

/** The room as it is, and what there is to put sets into. */
export interface TidyFacts extends SpreadFacts {
  readonly holderTypes: ReadonlyMap<string, HolderType>
  readonly patterns: AddressPatterns
}
