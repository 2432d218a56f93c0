import type { PartnerBecause, PartnerPair } from '#core/classing'
import { counted, countedThat } from '#core/grammar'

/** Which dies go with which stamps, over the whole room. */
export const partnerWords = {
  title: 'Stamps and their dies',
  lead: 'What belongs together by its brand, name and photo. Take what is right, refuse what is wrong; what you leave is asked again.',
  none: 'No die is left that may belong to a stamp.',
  noneHint: 'Say of what kind your sets are, and of which brand: then stamps and dies of one name are found here.',
  group: {
    sameBrandAndName: 'One brand and one name',
    sameName: 'One name, and a brand that nobody has said',
    nameWithin: 'One brand, and the one name within the other',
    samePicture: 'Their photos look alike',
    doubtful: 'Others may be meant',
  } satisfies Record<PartnerBecause | 'doubtful', string>,
  doubt: {
    others: 'another could be meant as well',
    saidNone: 'the list says that this stamp has no die',
  } satisfies Record<NonNullable<PartnerPair['doubt']>, string>,
  pictured: 'their photos look alike',
  looking: (done: number, all: number) => `Looking at the photos: ${done} of ${all}`,
  refuse: (pairs: number) => (pairs === 1 ? 'The one pair does not' : `These ${pairs} pairs do not`),
  refused: (pairs: number) => `${countedThat(pairs, 'pair', 'is', 'are')} not asked again in this browser.`,
  refusedBefore: (pairs: number) =>
    `You said of ${counted(pairs, 'pair')} that ${pairs === 1 ? 'it does' : 'they do'} not belong together.`,
  askAgain: 'Ask again',
  count: (pairs: number) => counted(pairs, 'pair'),
  all: 'Tick all',
  noneTicked: 'Tick none',
  pair: (die: string, stamp: string) => `${die} is the die for ${stamp}`,
  forStamp: 'for',
  keep: (pairs: number) => (pairs === 1 ? 'The one pair belongs together' : `These ${pairs} pairs belong together`),
  kept: (pairs: number) => `${countedThat(pairs, 'pair', 'is', 'are')} said to belong together.`,
  lacking: 'Stamps that should have a die',
  lackingHint: 'The list says that they have a matching die, and none in the catalogue goes with them.',
  toPile: 'Its die is here: to the pile',
  toPileAll: (count: number) => `The dies of all ${count} are here: to the pile`,
  hasNone: 'It has none',
  hasNoneAll: (count: number) => `None of the ${count} has one`,
  onPile: 'Its die is on the pile.',
  piled: (count: number) => `${countedThat(count, 'die', 'waits', 'wait')} on the pile to be noted down.`,
  saidNone: (count: number) => `${countedThat(count, 'stamp', 'has', 'have')} no die now, as you say.`,
  dieName: (stamp: string) => `${stamp} die`,
  dieNote: (stamp: string) => `The die for ${stamp}.`,
  more: (count: number) => `and ${count} more`,
} as const
