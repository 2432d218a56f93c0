import type { LookAlikeVerdict } from '#core/classing'
import { counted, countedThat, figure, listOf } from '#core/grammar'

export const ownWords = {
  title: 'Own it?',
  lead: 'In a shop: type or dictate a name, a brand or a number, or take a photo of the packet. It works with no network.',
  ask: 'What lies before you',
  example: 'Tide Tables No. 3',
  photo: 'Photo of the packet',
  verdicts: {
    same: 'You have it.',
    edition: 'You have another edition of it.',
    similar: 'You have something like it.',
  } satisfies Record<LookAlikeVerdict, string>,
  none: 'No set of that name is in the room.',
  answers: (count: number) => `${countedThat(count, 'set', 'answers', 'answer')} to these words`,
  all: 'Show them all',
  likes: {
    same: 'the same',
    edition: 'another edition',
    similar: 'only like it',
  } satisfies Record<LookAlikeVerdict, string>,
  onPile: (names: readonly string[]) => `It lies on your pile, not taken in yet: ${listOf(names)}.`,
  ofSeries: 'of the same series',
  byPicture: (count: number) => `By its picture, the likest ${counted(count, 'set')}`,
  series: (name: string, owned: readonly number[]) => `Of ${name} you have ${listOf(owned.map(figure))}.`,
  lacking: (numbers: readonly number[], isMore: boolean) =>
    numbers.length === 0 ? 'None is lacking up to there.' : `You lack ${listOf(numbers.map(figure))}${isMore ? ' and more' : ''}.`,
  lacksThis: (number: number) => `You do not have number ${figure(number)} of it.`,
  room: 'Room for it',
  kind: 'It is of the kind',
  zone: (name: string) => `It would go to: ${name}`,
  noZone: 'No corner of the room takes this kind yet: how much room there is, nobody can say.',
  fits: (count: number) => (count > 0 ? `There is room for about ${figure(count)} more.` : 'There is no room left there.'),
  reserve: 'That is room you keep for new sets.',
  emptyTitle: 'Ask before you buy',
  empty: 'Two words are enough. What you own, which numbers of a series you lack, and whether there is room: it stands here at once.',
} as const
