import type { Facet } from '#core/finding'
import { counted, figure } from '#core/grammar'

export const narrowWords = {
  title: 'How these sets part',
  open: 'Part',
  openHint: 'Part these sets by kind, theme, brand, place ...',
  by: 'Part by',
  type: 'or type a name',
  typeHint: 'Type the name of a brand, theme, size, bin ... to see only its sets',
  facets: {
    kind: 'Kind',
    theme: 'Theme',
    brand: 'Brand',
    category: 'Category',
    size: 'Size',
    place: 'Place',
    used: 'Use',
    die: 'Die',
  } satisfies Record<Facet, string>,
  yesNo: {
    used: { yes: 'used', no: 'never used' },
    die: { yes: 'has its die', no: 'has no die' },
  },
  notSaid: 'not noted',
  noPlace: 'no place yet',
  about: (size: string) => `about ${size}`,
  value: (facet: string, name: string, count: number) => `${facet} ${name}, ${counted(count, 'set')}`,
  count: (count: number) => figure(count),
  more: (count: number) => `${figure(count)} more`,
  fewer: 'Fewer',
  nothing: 'None of these sets has anything called that.',
} as const
