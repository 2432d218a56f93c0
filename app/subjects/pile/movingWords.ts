import { counted, countedThat } from '#core/grammar'

/** Moving in: the way from a list and a room to places that are true. */
export const movingWords = {
  title: 'Moving in',
  lead: 'From your list and your room to places that are true. Leave off anywhere.',
  line: (left: number) => `Moving in: ${counted(left, 'step')} to go. Next:`,
  all: 'All steps',
  done: 'done',
  leaveOut: 'Leave this out',
  takeUp: 'Take it up again',
  leftOut: 'left out',
  finished: 'You have moved in.',
  finishedHint: 'What comes from now on goes the usual way: take in, and it is shown where it goes.',
  toFind: 'Look for a set',
  steps: {
    size: { title: 'How many sets there are', go: 'Say how many' },
    list: { title: 'Your list', go: 'Bring in your list' },
    room: { title: 'Your room', go: 'Build your room' },
    doubts: { title: 'What the list leaves open', go: 'Answer the questions' },
    places: { title: 'Where things are', go: 'Give them places' },
    index: { title: 'The first index', go: 'Make the first index' },
  },
  sizeSays: 'It decides how many steps you get. It can be changed at any time.',
  listSays: (sets: number) =>
    sets > 0
      ? `${countedThat(sets, 'set', 'is', 'are')} in.`
      : 'A spreadsheet, a text file or pasted cells. No list? Take in the sets one by one, or leave this out.',
  roomSays: (listed: number, nowhere: number, containers: number) => {
    if (listed > 0)
      return `Your list says where ${counted(listed, 'set')} ${listed === 1 ? 'is' : 'are'}: the room can be built from it in one step.`
    return nowhere > 0
      ? `${countedThat(nowhere, 'set', 'stands', 'stand')} nowhere yet: see what room ${nowhere === 1 ? 'it needs' : 'they need'}, ` +
          'or put in your own furniture with its bins, drawers and binders in the storeroom.'
      : `${countedThat(containers, 'container', 'stands', 'stand')} in it. Put in your furniture with its bins, drawers and binders.`
  },
  fromList: 'Build it from the list',
  byNeed: 'See what room they need',
  goOn: 'Go on filing',
  refilingSays: 'They are being filed: go on where you left off.',
  doubtsSay: (count: number) =>
    count > 0
      ? `${countedThat(count, 'set', 'carries', 'carry')} a question. One answer settles all that say the same.`
      : 'No question is open.',
  placesSay: (unseen: number, placeless: number) =>
    [
      ...(unseen > 0 ? [`Exact spot not known yet for ${counted(unseen, 'set')}: walk along, one bin at a time.`] : []),
      ...(placeless > 0 ? [`${countedThat(placeless, 'set', 'has', 'have')} no place yet.`] : []),
      ...(unseen + placeless === 0 ? ['Every set has its place.'] : []),
    ].join(' '),
  lookAt: (name: string) => `Walk along ${name}`,
  indexSays: 'On paper, by theme and by number. It says what is known, and what nobody has looked at.',
} as const
