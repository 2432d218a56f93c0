import { counted } from '#core/grammar'

/** The picture of the room, and asking for an address. */
export const elevationWords = {
  askAddress: 'What stands at',
  askAddressHint: 'an address such as B4-11, or a container',
  goAddress: 'Go there',
  noAddress: (text: string) => `There is nothing at ${text}.`,
  severalAddress: (text: string, count: number) => `${text} can mean ${count} places. Write it with the letters for the label.`,
  placeless: (count: number) => `${counted(count, 'set')} without a place`,
  elevation: 'The room, fixture by fixture',
} as const
