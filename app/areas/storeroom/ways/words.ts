export const waysWords = {
  title: 'Which way suits me?',
  lead: 'Orders tried on your own sets: what a find costs, and what keeping order costs.',
  zone: 'Corner',
  compare: 'Compare',
  comparing: 'Trying them',
  empty: 'Nothing stands in a row in this corner yet, so there is nothing to try.',
  habits: 'What you know when you look for something',
  habit: { theme: 'the occasion or theme', brand: 'the brand', itself: 'the very set' },
  presets: { log: 'by my use so far', occasion: 'mostly by occasion', brand: 'mostly by brand' },
  finds: 'Finds a year',
  arrivals: 'New sets a year',
  open: 'Seconds to open a container',
  flip: 'Seconds to flip past one pocket',
  move: 'Seconds to move one pocket',
  chart: 'Minutes a year, finding and keeping order',
  withIndex: 'with the index',
  withoutIndex: 'without it',
  rule: (keys: string) => `By ${keys}`,
  never: 'By number, never re-filed, found by the index',
  present: 'as it is now',
  table: {
    rule: 'Order',
    finds: 'Opened and flipped a find, without the index',
    indexed: 'With the index',
    groups: 'Groups of one or two',
    split: 'Groups split',
    twice: 'Belong in several',
    now: 'Moves now',
    hundred: 'Moves per 100 new',
    lanes: 'Rows needed',
  },
  find: (opened: number, flipped: number) => `${opened.toFixed(1)}, ${flipped.toFixed(0)}`,
  of: (count: number, all: number) => (all === 0 ? 'none' : `${count} of ${all}`),
  reading: (withIndex: string, withMinutes: number, without: string, withoutMinutes: number) =>
    `With the index this costs least: “${withIndex}”, about ${Math.round(withMinutes)} ` +
    `minutes a year. Without it: “${without}”, about ${Math.round(withoutMinutes)}.`,
  decides: 'What decides the answer',
  decided: (change: string, rule: string, isByIndex: boolean) =>
    `${change}, it would be “${rule}”${isByIndex ? ', with the index' : ', without it'}.`,
  holds: 'None of the assumptions tried would change it.',
  change: {
    alwaysTheme: 'If you always looked by theme',
    alwaysBrand: 'If you always looked by brand',
    alwaysItself: 'If you always knew the very set',
    twiceTheNew: 'If twice as many new sets came',
    tenthOfTheFinds: 'If you looked for something a tenth as often',
  },
  assumed:
    'Assumed: with the index one opens the one container and goes to the tab, and ' +
    'flips on from there; in the order of numbers one halves instead. Without it ' +
    'one goes through the groups that could have it, and then through everything.',
  refile: 'Re-file this way',
} as const
