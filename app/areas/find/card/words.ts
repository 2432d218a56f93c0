import { counted, figure } from '#core/grammar'

export const cardWords = {
  title: 'For one card',
  lead: 'Say what the card needs, a line each. Of all that would serve, what opens the fewest bins is chosen, then the shortest walk.',
  need: (at: number) => `Need ${figure(at)}`,
  examples: ['birthday greeting', 'border up to 5 in', 'dies frames', 'harbour', 'sun or stars'] as const,
  add: 'Another need',
  remove: (at: number) => `Take need ${figure(at)} away`,
  typeFirst: 'Say what is needed: a theme, a phrase, a kind, a size.',
  none: 'No set found for this. Use other words, or take it away.',
  some: 'No set has all of these words; these have some of them.',
  near: 'Nothing is spelt quite like that; these come close.',
  more: (shown: number, all: number) => `The first ${figure(shown)} of ${counted(all, 'set')}.`,
  serves: (count: number) => `${counted(count, 'set')} would serve`,
  chosen: 'chosen',
  yours: 'your choice',
  choose: (name: string) => `Take ${name} for this`,
  letChoose: 'Let it be chosen again',
  atHand: 'out already: at hand',
  away: (to: string) => `out: ${to}`,
  noPlace: 'no place yet',
  result: (containers: number, metres: string) =>
    containers === 0
      ? 'Nothing to open: all of it is at hand.'
      : `${counted(containers, 'container')} to open${containers > 1 ? `, about ${metres} from the first to the last` : ''}.`,
  metres: (mm: number) => `${new Intl.NumberFormat('en', { maximumFractionDigits: 1 }).format(mm / 1000)} m`,
  feet: (mm: number) => `${new Intl.NumberFormat('en', { maximumFractionDigits: 0 }).format(mm / 304.8)} ft`,
  notBest: 'There are so many ways that not all were tried: there may be a better one.',
  working: 'Choosing',
  pull: 'Put these on a pull list',
} as const
