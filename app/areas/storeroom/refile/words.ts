import type { RefilingProposal, SplitBreak } from '#core/refiling'
import { counted, countedThat, figure } from '#core/grammar'

type Write = (mm: number) => string
type Problem = Extract<RefilingProposal, { ok: false }>['problem']
const time = (minutes: number): string => {
  if (minutes < 1.5) return 'a minute'
  return minutes < 90 ? `${Math.round(minutes)} minutes` : `${(minutes / 60).toFixed(1)} hours`
}

const WHY_CUT: Readonly<Record<SplitBreak['why'], string>> = {
  betweenGroups: 'between two groups, nothing is split',
  betweenSubgroups: 'inside a group, but between two of its parts',
  groupTooLong: 'inside a group that is longer than any row',
  insideGroup: 'inside a group: keeping it whole would waste more',
}

/** Re-filing in the fewest moves, and the comparison of ways to file. */
export const refileWords = {
  title: 'Re-file',
  lead: 'From the room as it is to another order or other bins, ' + 'moving the fewest pockets. Every address is true at every step.',
  zone: 'Corner',
  rule: 'By',
  into: 'Into these, in this order',
  reserve: 'Room kept for new sets, in percent',
  table: 'Free table beside the shelves',
  armful: 'As many as I carry',
  lengthProblem: 'Write lengths like 40 cm or 16 in.',
  moreAims: 'More: what counts most',
  aims: 'What counts most',
  aim: {
    group: 'keep what belongs together in one row',
    subgroup: 'keep brands together inside a theme',
    container: 'use few containers',
    even: 'room to grow everywhere',
  },
  weight: ['not at all', 'a little', 'some', 'much', 'very much'] as const,
  evenFirst: 'No row fuller than it must be',
  propose: 'Work it out',
  working: 'Working it out',
  problem: (problem: Problem, write: Write, lane: string): string => {
    if (problem.code === 'tooLong')
      return (
        `It does not all go in: it needs ${write(problem.needMm)}, and ` +
        `${write(problem.haveMm)} are there. Add a container, or keep less free.`
      )
    if (problem.code === 'itemTooLong') return `One pocket is ${write(problem.needMm)} deep, deeper than any row.`
    if (problem.code === 'laneTooShort') return `${lane} is too short: it needs ${write(problem.needMm)} and has ${write(problem.haveMm)}.`
    if (problem.code === 'tableTooSmall')
      return (
        `Things get in each other's way: about ${write(problem.needMm)} of ` +
        `free table are needed, and there are ${write(problem.haveMm)}.`
      )
    return problem.code === 'noLane' ? 'Choose at least one container.' : 'Nothing in this corner can be re-filed.'
  },
  nothing: 'Everything stands as it should already. Nothing is to be moved.',
  sum: (move: number, stay: number, steps: number) => `${counted(move, 'pocket')} to move, ${stay} stay, in ${counted(steps, 'step')}.`,
  viaTable: (count: number) => `${count} of them by way of the table.`,
  minutes: (minutes: number, isOwnPace: boolean) =>
    isOwnPace
      ? `About ${time(minutes)} at your own pace.`
      : `About ${time(minutes)}, taking 6 seconds a pocket and 20 a step; your own pace is learnt as you go.`,
  lanes: (used: number, all: number) => `${used} of ${counted(all, 'row')} in use.`,
  before: 'Before',
  after: 'After',
  cuts: 'Where it is cut, and why',
  noCuts: 'It all goes into one row.',
  why: (cut: SplitBreak, lane: string, write: Write): string =>
    `${lane}: ${WHY_CUT[cut.why]}. In front ${write(cut.usedMm)} used, ${write(Math.max(0, cut.freeMm))} free.`,
  tabs: 'Dividers',
  printTabs: 'Print its dividers',
  tabsChange: (add: number, rewrite: number, out: number, stay: number) =>
    `${add} new, ${rewrite} to relabel, ${out} to take out, ${stay} stay.`,
  position: ['left', 'centre', 'right'] as const,
  tab: (title: string, position: string, size: string) => `${title}: tab ${position}, ${size} high`,
  blank: (size: string, cut: string) => `from a blank of ${size}, ${cut} off its height`,
  noBlank: 'no blank is tall enough',
  tabFault: { tooTall: 'would stand too tall for the shelf', wouldHide: 'would hide behind the pockets' },
  blade: "Cut away from the fingers, with a metal edge; children away. Follow the maker's instructions.",
  begin: 'Begin',
  beginHint: 'Nothing is moved by beginning. New sets are put away in the new order from then on.',
  notBegun: {
    underWay: 'One re-filing at a time: finish or leave off the one under way.',
    gone: 'The corner or its bins are no longer there. Work it out again.',
  },
  tableName: 'The table',
  heapName: 'The heap',
  withHeap: (count: number) => `With ${countedThat(count, 'set', 'that stands', 'that stand')} nowhere yet, from a heap`,
  unseen: (pockets: number, containers: number) =>
    `Nobody has looked where ${countedThat(pockets, 'pocket', 'stands', 'stand')} in ${counted(containers, 'container')}: ` +
    `${pockets === 1 ? 'it stays' : 'they stay'} as ${pockets === 1 ? 'it is' : 'they are'}. Walk along first, and they are filed too.`,
  walkAlong: (name: string) => `Walk along ${name}`,
  labels: (count: number) => `Labels, in this order: ${figure(count)}`,
  labelsHint: 'Write them in this order, and each is at hand when its set is put in.',
  fromHeap: 'Take these, and set them down in this order:',
  name: (zone: string, rule: string) => `${zone}, by ${rule}`,
  // Under way
  open: 'Under way',
  progress: (done: number, lifts: number) => `${counted(done, 'step')} done, ${counted(lifts, 'pocket')} moved.`,
  left: (steps: number, move: number) => `${counted(steps, 'step')} left, ${counted(move, 'pocket')} to move.`,
  step: (from: string, to: string, count: number, isOntoTable: boolean) =>
    `${counted(count, 'pocket')} from ${from} to ${to}${isOntoTable ? ', onto the table' : ''}`,
  behind: (name: string) => `directly behind ${name}`,
  front: 'to the very front',
  moreParts: (count: number) => `and ${counted(count, 'more place')}`,
  first: 'First',
  last: 'last',
  done: 'Done',
  notWorkedOut: 'The steps could not be worked out.',
  again: 'Try once more',
  stale: 'The room has changed since. The steps were worked out again.',
  stepDone: (count: number, to: string) => `${countedThat(count, 'pocket', 'now stands', 'now stand')} in ${to}.`,
  allDone: 'Everything is moved. Put the dividers in, and it is finished.',
  finish: 'The dividers are in: finish',
  finished: 'Finished. Every set stands in its order.',
  leave: 'Leave off here',
  leaveLead: 'Everything stays where it stands by now, and every address is true. In which order shall the corner stand from now on?',
  keepRule: 'in the new order',
  oldRule: 'in the order before',
  onTable: (count: number, table: string) =>
    `${countedThat(count, 'pocket', 'lies', 'lie')} on ${table} still: ${count === 1 ? 'it has' : 'they have'} no place ` +
    'from then on, until somebody puts them away. Everything else stays where it stands by now. ' +
    'In which order shall the corner stand from now on?',
  notLeft: 'Something has changed meanwhile. Look again.',
  leftOff: 'Left off. Everything stays where it stands.',
  caution: 'Lift with both hands, no more than you carry with ease; no climbing with a full one. Blocks fall on feet.',
  picture: (from: string, to: string) => `Picture: from ${from} to ${to}`,
  more: (count: number) => `Show the ${counted(count, 'step')} after these`,
} as const
