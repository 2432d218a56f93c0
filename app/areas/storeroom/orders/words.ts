/** The sets of a corner in any order, while they stay where they stand. */
export const orderWords = {
  ordersTitle: 'Other orders',
  ordersLead: 'The sets of a corner, or of the whole room, in any order you like. They stay where they stand.',
  ordersOf: 'Sets of',
  wholeRoom: 'the whole room',
  ordersEmpty: 'Nothing stands here yet. What is filed into a container shows here.',
  noGroup: 'without',
  standing: 'Shown as they stand',
  shownBy: (key: string) => `Shown by ${key}`,
  view: 'Show in the order of',
  viewHint: 'Nothing is moved: the addresses stay.',
  gaps: (from: number, to: number) => (from === to ? `${from} is not here` : `${from} to ${to} are not here`),
} as const
