import type { Container, Holder } from '#core/catalog'

/** A bin that nobody measured, and what is said otherwise of it. Made alike wherever a test needs one. */
export const containerOf = (id: string, more: Partial<Container> = {}): Container => ({
  id,
  fixtureId: 'f',
  shelf: 1,
  rank: 0,
  name: `Bin ${id}`,
  code: `B${id}`,
  type: 'bin',
  lanes: 1,
  lengthMm: 300,
  inner: null,
  cells: null,
  zoneId: 'z',
  emptyWeightG: null,
  isTable: false,
  ...more,
})
/** A pocket of one set in a row. */
export const holderOf = (id: string, containerId: string, order: string, more: Partial<Holder> = {}): Holder => ({
  id,
  holderTypeId: null,
  type: 'pocket',
  containerId,
  lane: 1,
  order,
  cell: null,
  somewhere: null,
  apartBecause: null,
  holdingIds: [id],
  ...more,
})
