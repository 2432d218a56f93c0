import type { SlotCheck } from '#core/fetching'
import { counted, figure, partialDay } from '#core/grammar'

export const awayWords = {
  title: 'What is out',
  emptyTitle: 'Everything is in its place',
  empty: 'What you fetch or take out is listed here, with where it is and since when, until you put it back.',
  toPull: 'To the pull list',
  all: (count: number) => `All ${figure(count)}`,
  place: (name: string, count: number) => `${name} ${figure(count)}`,
  filter: 'Where it is',
  walk: (stops: number, sets: number) => `One walk back: ${counted(stops, 'stop')}, ${counted(sets, 'set')}`,
  out: (to: string, at: string) => `${to}, since ${partialDay(at)}`,
  putBack: 'Put back',
  putAllBack: (count: number) => (count === 1 ? 'Put back' : `Put all ${figure(count)} back`),
  back: (count: number) => `${counted(count, 'set')} back in place.`,
  backNoPlace: 'It is back, and has no place yet.',
  problem: {
    notOut: 'It is not out: somebody put it back already, or it is gone from the room.',
    placeTaken: 'Something else stands there by now. Choose its place again.',
  },
  wasUsed: 'it was used',
  wasUsedHint: 'Notes the days on which it was fetched and put back as days of use.',

  nowhere: 'These have no place to go back to',
  nowhereThen: 'Put them back, and they wait to be given a place.',

  cleanTitle: 'Is it clean and dry?',
  clean: (count: number) =>
    `${count === 1 ? 'This stamp' : `These ${counted(count, 'stamp')}`} may still be inky. Ink that is shut in stains, and what is ` +
    'damp sticks. Follow what its maker says of cleaning.',
  isClean: 'Clean, put back',
  notClean: 'Not yet',

  piecesAsk: (count: number, missing: number) =>
    `Everything back? It has ${counted(count, 'piece')}${missing > 0 ? `, ${figure(missing)} missing so far` : ''}.`,
  pieceHere: (what: string) => `${what} is there`,
  piece: (words: string, at: number) => words || `piece ${figure(at)}`,
  piecesAll: 'All pieces are there.',
  piecesMissing: (count: number) => `${counted(count, 'piece')} missing: it is noted on the set.`,

  check: 'Check the gap: which number is in front?',
  checkHint: 'Type the number of the set that you see directly in front of the gap.',
  slot: (check: SlotCheck, seen: string, there: string): string => {
    switch (check.as) {
      case 'right':
        return `Right: it goes directly behind ${seen}.`
      case 'off': {
        const pockets = counted(Math.abs(check.places), 'pocket')
        return check.places > 0 ? `Move it ${pockets} further forward.` : `Move it ${pockets} further back.`
      }
      case 'otherRow':
        return `${seen} stands in ${there}: this is another row.`
      case 'itself':
        return 'That is the number of this very set. Type the one in front of the gap.'
      case 'unknown':
        return seen
          ? `${seen} should not be there: by the records it is out, or nobody knows its place.`
          : 'There is no set with that number.'
    }
  },

  elsewhere: 'Put it elsewhere',
  elsewhereTitle: (name: string) => `Put ${name} elsewhere`,
  elsewhereWhere: 'Into which bin, drawer or binder',
  elsewhereAsk: 'Does it live there from now on?',
  elsewhereGood: 'Yes, for good',
  elsewhereNow: 'Only for now',
  elsewhereNone: 'No such bin, drawer or binder, or it takes no more. Choose another.',
  movedForGood: (name: string, address: string) => `${name} lives at ${address} from now on.`,
  movedForNow: (name: string, to: string) => `${name} is still out: ${to}.`,
} as const
