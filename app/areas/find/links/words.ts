import { counted } from '#core/grammar'

export const linksWords = {
  button: 'Your links',
  title: 'Words that go together',
  lead: 'Ask for one, and sets that say the other are shown below. Add your own: a nickname, a dialect word, the way you write it.',
  word: 'When I ask for',
  goesWith: 'show me also',
  add: 'Link them',
  none: 'You have linked no words yet. The short words of the craft (bday, xmas, thx) and what words mean lead on by themselves.',
  line: (word: string, goesWith: string, isRuledOut: boolean) =>
    isRuledOut ? `${word} never goes with ${goesWith}` : `${word} goes with ${goesWith}`,
  forget: (line: string) => `Forget: ${line}`,
  forgetShort: 'Forget',
  refused: { noWord: 'Write a word in both fields.', oneWord: 'These are one and the same word.' },
  count: (count: number) => counted(count, 'link'),
} as const
